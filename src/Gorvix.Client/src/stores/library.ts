import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, ask, type PartLine, type Problem, type SetupChoices } from '@/api/client'

/** The parts library and what a build can be set to: read once, and again whenever a screen opens that shows it. */
export const useLibrary = defineStore('library', () => {
  const choices = shallowRef<SetupChoices | null>(null)
  /** Every part, those laid aside too: builds that have them keep them. */
  const all = shallowRef<PartLine[] | null>(null)
  /** What new builds and exchanges are offered. */
  const lines = computed(() => all.value?.filter((l) => !l.isArchived) ?? null)
  const problem = ref<Problem | null>(null)

  async function load() {
    const [choice, parts] = await Promise.all([
      ask(() => api.GET('/api/choices')),
      ask(() => api.GET('/api/library')),
    ])
    choices.value = choice.data ?? choices.value
    all.value = parts.data ?? all.value
    problem.value = choice.problem ?? parts.problem
  }

  /** A part in a line, or undefined while the library is not read or where it is gone. */
  const line = (id: string) => all.value?.find((l) => l.id === id)

  return { choices, all, lines, problem, load, line }
})
