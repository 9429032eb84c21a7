<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, type Problem } from '@/api/client'
import { limits } from '@/api/limits'
import { useRules } from '@/features/rules/useRules'
import { hitOf, known, type Hit } from './useFind'

/** One field that finds everything; what is found opens where it is. */
const open = defineModel<boolean>({ required: true })
const route = useRoute()
const router = useRouter()
const rules = useRules()
const search = ref('')
const asked = refDebounced(search, 120)
const there = shallowRef<Hit[]>([])
const problem = ref<Problem | null>(null)
const at = ref(0)
const list = ref<HTMLElement>()

const build = computed(() =>
  route.path.startsWith('/builds/') && typeof route.params.id === 'string'
    ? route.params.id
    : undefined,
)
watch(asked, async (words) => {
  at.value = 0
  if (!words.trim()) {
    there.value = []
    return
  }
  const { data, problem: refused } = await ask(() =>
    api.GET('/api/find', { params: { query: { q: words, build: build.value } } }),
  )
  // What was asked for last is shown.
  if (words !== asked.value) return
  problem.value = refused
  there.value = (data ?? []).map(hitOf)
})
const hits = computed(() =>
  asked.value.trim() ? [...there.value, ...known(asked.value, rules.value)] : [],
)
const groups = computed(() => {
  const by = new Map<string, { hit: Hit; index: number }[]>()
  hits.value.forEach((hit, index) =>
    by.set(hit.kind, [...(by.get(hit.kind) ?? []), { hit, index }]),
  )
  return [...by].map(([kind, of]) => ({ kind, of }))
})
const field = ref<HTMLInputElement>()
watch([open, field], ([is]) => {
  if (is) field.value?.focus()
  else search.value = ''
})

async function walk(by: number) {
  at.value = Math.min(hits.value.length - 1, Math.max(0, at.value + by))
  await nextTick()
  list.value?.querySelector('.at')?.scrollIntoView({ block: 'nearest' })
}
function go(hit: Hit | undefined) {
  if (!hit) return
  open.value = false
  void router.push(hit.to)
}
</script>

<template>
  <v-dialog v-model="open" max-width="680" class="find">
    <div class="box">
      <input
        ref="field"
        v-model="search"
        type="search"
        autocomplete="off"
        class="field"
        data-field="find"
        role="combobox"
        aria-label="Search"
        aria-controls="found"
        :aria-expanded="hits.length > 0"
        :aria-activedescendant="hits.length > 0 ? `found-${at}` : undefined"
        :maxlength="limits.search"
        spellcheck="false"
        placeholder="build, part, pad, setting, check, rule or term"
        @keydown.down.prevent="walk(1)"
        @keydown.up.prevent="walk(-1)"
        @keydown.enter.prevent="go(hits[at])"
      />
      <div
        id="found"
        ref="list"
        class="hits"
        :role="hits.length > 0 ? 'listbox' : undefined"
        aria-label="Found"
      >
        <div v-for="g in groups" :key="g.kind" role="group" :aria-label="g.kind">
          <div class="kind" aria-hidden="true">{{ g.kind }}</div>
          <div
            v-for="{ hit, index } in g.of"
            :id="`found-${index}`"
            :key="index"
            class="hit"
            :class="{ at: index === at }"
            role="option"
            :aria-selected="index === at"
            :data-found="hit.kind"
            @click="go(hit)"
            @pointermove="at = index"
          >
            <span class="title">{{ hit.title }}</span>
            <span v-if="hit.about" class="quiet">{{ hit.about }}</span>
          </div>
        </div>
      </div>
      <p v-if="problem" role="alert" class="error">{{ problem.sentence }}</p>
      <p v-else-if="asked.trim() && hits.length === 0" role="status">
        Nothing found. Try a shorter word.
      </p>
      <p v-else-if="!asked.trim()" class="quiet">
        {{
          build
            ? 'Searches this build, the library, rules and terms.'
            : 'Searches builds, parts, rules and terms.'
        }}
      </p>
    </div>
  </v-dialog>
</template>

<style scoped>
.box {
  display: flex;
  flex-direction: column;
  max-height: 80vh;
  padding: 16px;
  border: 1px solid var(--ink);
  background: var(--sheet);
  color: var(--ink);
}

.field {
  min-height: 48px;
  padding: 6px 12px;
  border: 2px solid var(--chosen);
  background: var(--ground);
  color: inherit;
  font: inherit;
  font-size: 1.125rem;
}

.hits {
  min-height: 0;
  margin-top: 8px;
  overflow: auto;
}

.kind {
  padding: 8px 8px 2px;
  color: var(--ink-2);
  font-size: 0.875rem;
  font-weight: 600;
}

.hit {
  display: flex;
  flex-direction: column;
  min-height: 44px;
  padding: 4px 8px;
  justify-content: center;
  cursor: pointer;
  line-height: 1.25;
}

.hit.at {
  box-shadow: inset 3px 0 0 var(--chosen);
  background: var(--ground);
}

.hit .quiet {
  display: -webkit-box;
  overflow: hidden;
  font-size: 0.875rem;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}

.box > p {
  margin: 10px 8px 2px;
}
</style>
