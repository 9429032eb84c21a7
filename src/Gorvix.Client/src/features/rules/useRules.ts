import { ref, type Ref } from 'vue'
import { api, ask, type RuleText } from '@/api/client'

// The rules never change while the program runs: one request serves every screen.
const rules = ref<RuleText[]>([])
let asked: Promise<unknown> | null = null

/** The rules behind the codes; empty until they have come. */
export function useRules(): Ref<RuleText[]> {
  asked ??= ask(() => api.GET('/api/rules')).then((answer) => {
    if (answer.data) rules.value = answer.data
    else asked = null
  })
  return rules
}
