import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { api, ask, type PartLine, type Problem, type SetupChoices } from '@/api/client'

/** The parts library and what a build can be set to: read once, and again whenever a screen opens that shows it. */
export const useLibrary = defineStore('library', () => {
  const choices = shallowRef<SetupChoices | null>(null)
  const lines = shallowRef<PartLine[] | null>(null)
  const problem = ref<Problem | null>(null)

  async function load() {
    const [all, parts] = await Promise.all([
      ask(() => api.GET('/api/choices')),
      ask(() => api.GET('/api/library')),
    ])
    choices.value = all.data ?? choices.value
    lines.value = parts.data ?? lines.value
    problem.value = all.problem ?? parts.problem
  }

  /** A part in a line, or undefined while the library is not read or where it is gone. */
  const line = (id: string) => lines.value?.find((l) => l.id === id)

  return { choices, lines, problem, load, line }
})
