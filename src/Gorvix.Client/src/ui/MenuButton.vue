<script setup lang="ts">
import ActionSign from '@/ui/ActionSign.vue'
/** A button that opens a short list of things to do: files to save, pages to open, deeds. */
export type MenuItem = {
  words: string
  /** The sign that builders look for, where there is one. */
  sign?: string
  /** What it is for, where its name does not say it. */
  about?: string
  /** Names the entry for tests and styles. */
  id?: string
  /** A file that is saved; a page that is opened where `page` is set. */
  href?: string
  page?: boolean
  run?: () => void
}
defineOptions({ inheritAttrs: false })
defineProps<{ label: string; items: MenuItem[]; name?: string; sign?: string }>()
</script>

<template>
  <v-menu>
    <template #activator="{ props: menu }">
      <v-btn
        size="small"
        v-bind="{ ...menu, ...$attrs }"
        :aria-label="name ? `${label}: ${name}` : undefined"
        ><ActionSign v-if="sign" :path="sign" />{{ label }}</v-btn
      >
    </template>
    <v-list density="compact" role="group" :aria-label="label">
      <v-list-item
        v-for="item in items"
        :key="item.words"
        :href="item.href"
        :role="item.href ? undefined : 'button'"
        :target="item.page ? '_blank' : undefined"
        :download="item.href && !item.page ? '' : undefined"
        :data-do="item.id"
        :data-file="item.href"
        :title="item.words"
        :subtitle="item.about"
        @click="item.run?.()"
        ><template v-if="item.sign" #prepend><ActionSign :path="item.sign" /></template
      ></v-list-item>
    </v-list>
  </v-menu>
</template>
