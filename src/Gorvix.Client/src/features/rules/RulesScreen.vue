<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRules } from './useRules'

/** Every rule with its sentence, reason and source; the one in the address stands open. */
const props = defineProps<{ rule: string | null }>()
const rules = useRules()
const wanted = ref('')
const list = useTemplateRef<HTMLElement>('list')

const shown = computed(() => {
  const word = wanted.value.trim().toLowerCase()
  return rules.value.filter((r) =>
    `${r.id} ${r.title} ${r.sentence} ${r.reason}`.toLowerCase().includes(word),
  )
})
const groups = computed(() => [...new Set(shown.value.map((r) => r.group))])
const open = computed(() => rules.value.find((r) => r.id === props.rule))
const unknown = computed(() => props.rule && rules.value.length > 0 && !open.value)

/** A sentence cut at its facts: odd parts are names of facts. */
function parts(sentence: string) {
  return sentence.split(/[{}]/)
}

useTitle(computed(() => `${open.value?.id ?? 'Rules'} – Gorvix`))
watch(
  open,
  async (rule) => {
    if (!rule) return
    await nextTick()
    // The list alone is moved: where it stands below the rule, the page stays at the rule.
    const here = list.value?.querySelector<HTMLElement>('[aria-current]')
    if (list.value && here) list.value.scrollTop = here.offsetTop - list.value.clientHeight / 2
  },
  { immediate: true },
)
</script>

<template>
  <main class="rules">
    <nav ref="list" class="list" aria-label="Rules">
      <label class="field search"
        >Search rules
        <input v-model="wanted" type="search" />
      </label>
      <template v-for="group in groups" :key="group">
        <h2>{{ group }}</h2>
        <ul>
          <li v-for="r in shown.filter((x) => x.group === group)" :key="r.id">
            <RouterLink
              :to="{ name: 'rules', params: { rule: r.id } }"
              replace
              :aria-current="r.id === rule ? 'page' : undefined"
            >
              <span class="label">{{ r.id }}</span><span>{{ r.title }}</span>
            </RouterLink>
          </li>
        </ul>
      </template>
      <p v-if="rules.length > 0 && shown.length === 0" class="quiet">
        No rule matches “{{ wanted }}”. Try a shorter word.
      </p>
    </nav>
    <article v-if="open" class="rule" aria-live="polite">
      <p class="label id">{{ open.id }}</p>
      <h1>{{ open.title }}</h1>
      <blockquote>
        <template v-for="(part, i) in parts(open.sentence)" :key="i"
          ><span v-if="i % 2 === 1" class="fact">{{ part }}</span
          ><template v-else>{{ part }}</template></template
        >
      </blockquote>
      <p>{{ open.reason }}</p>
      <p class="quiet">Source: {{ open.source }}.</p>
      <v-btn class="back" @click="$router.back()">Back</v-btn>
    </article>
    <article v-else class="rule">
      <h1>{{ unknown ? `Rule ${rule} not found` : 'Rules' }}</h1>
      <p>
        Every finding cites a rule. Each rule gives its reason and its source: published, common
        practice or from memory.
      </p>
    </article>
  </main>
</template>

<style scoped>
.rules {
  display: grid;
  grid-template-columns: minmax(320px, 420px) 1fr;
  height: calc(100vh - 49px);
}

.list {
  position: relative;
  padding: 16px 16px 32px 24px;
  border-right: 1px solid var(--line);
  overflow-y: auto;
}

.list h2 {
  margin: 18px 0 4px;
  color: var(--ink-2);
  font-size: 0.9375rem;
}

.list a {
  display: grid;
  grid-template-columns: 112px 1fr;
  gap: 8px;
  padding: 6px 8px;
  color: var(--ink);
  line-height: 1.3;
  text-decoration: none;
}

.list a:hover {
  background: var(--ground);
  color: var(--chosen);
}

.list a[aria-current] {
  box-shadow: inset 3px 0 0 var(--chosen);
  color: var(--chosen);
  font-weight: 600;
}

.rule {
  max-width: 76ch;
  padding: 40px 48px;
  overflow-y: auto;
}

.id {
  color: var(--chosen);
  font-size: 1.125rem;
  font-weight: 650;
}

blockquote {
  margin: 20px 0;
  padding: 12px 20px;
  border-left: 2px solid var(--ink);
  background: var(--sheet);
  font-size: 1.125rem;
}

.fact {
  padding: 0 4px;
  border-bottom: 1px dotted var(--ink-2);
  color: var(--ink-2);
  font-style: italic;
}

.rule p + p {
  margin-top: 12px;
}

.back {
  margin-top: 24px;
}

@media (max-width: 900px) {
  .rules {
    grid-template-columns: 1fr;
    height: auto;
  }

  .rule {
    grid-row: 1;
    padding: 20px 24px;
  }

  .list {
    border-right: 0;
  }
}
</style>
