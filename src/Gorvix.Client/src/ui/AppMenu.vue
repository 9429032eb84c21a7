<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { looks, useLook, type Look } from '@/theme/useLook'

/** All that is not a step of a build: the other screens, the file of the build, light or dark. */
const { look } = useLook()
const route = useRoute()
const names: Record<Look, string> = { system: 'System', light: 'Light', dark: 'Dark' }
const pages = [
  { name: 'shelf', words: 'Builds' },
  { name: 'library', words: 'Library' },
  { name: 'drill', words: 'Practice' },
  { name: 'club', words: 'Fleet' },
  { name: 'rules', words: 'Rules' },
  { name: 'glossary', words: 'Glossary' },
  { name: 'about', words: 'About' },
] as const
const emit = defineEmits<{ guide: [] }>()
/** The build that is open, to be saved as a file. */
const build = computed(() =>
  route.path.startsWith('/builds/') && typeof route.params.id === 'string' ? route.params.id : null,
)
</script>

<template>
  <v-menu :close-on-content-click="false">
    <template #activator="{ props: menu }">
      <v-btn id="menu" class="plain" variant="text" v-bind="menu">Menu</v-btn>
    </template>
    <template #default="{ isActive }">
      <div class="box">
        <v-list role="group" aria-label="Go to">
          <v-list-item
            v-for="p in pages"
            :key="p.name"
            :to="{ name: p.name }"
            :title="p.words"
            :data-to="p.name"
            @click="isActive.value = false"
          />
          <v-list-item
            v-if="build"
            :href="`/api/builds/${build}/export`"
            download
            title="Export build"
            data-do="export"
            @click="isActive.value = false"
          />
          <v-list-item
            title="Tour"
            role="button"
            data-do="tour"
            @click="((isActive.value = false), emit('guide'))"
          />
        </v-list>
        <div class="look" role="group" aria-labelledby="look-title">
          <span id="look-title">Theme</span>
          <v-btn-toggle v-model="look" mandatory aria-labelledby="look-title">
            <v-btn v-for="l in looks" :key="l" :value="l" size="small" :data-look="l">{{
              names[l]
            }}</v-btn>
          </v-btn-toggle>
        </div>
      </div>
    </template>
  </v-menu>
</template>

<style scoped>
.look {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 8px 16px 12px;
  border-top: 1px solid var(--line-faint);
}

.box {
  border: 1px solid var(--ink);
  background: var(--sheet);
}
</style>
