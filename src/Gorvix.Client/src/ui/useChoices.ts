import { onMounted, shallowRef } from 'vue'
import { api, ask, type Problem, type SetupChoices } from '@/api/client'

/** The parts of the library and the house rules with their schools, once for each screen that asks. */
export function useChoices() {
  const choices = shallowRef<SetupChoices | null>(null)
  const problem = shallowRef<Problem | null>(null)
  onMounted(async () => {
    const answer = await ask(() => api.GET('/api/choices'))
    choices.value = answer.data
    problem.value = answer.problem
  })
  return { choices, problem }
}
