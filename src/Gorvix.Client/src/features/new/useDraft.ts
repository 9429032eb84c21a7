import { useSessionStorage, watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, type Draft, type DraftFits, type DraftView, type Problem } from '@/api/client'

const empty = (): Draft => ({ name: null, board: null, devices: [], pack: null, wishes: [] })

/** The build in the making of this tab: parts are put into it from other screens too. */
export const useDraftOfTab = () => useSessionStorage<Draft>('gorvix-draft', empty(), { deep: true })

/**
 * A build in the making, kept in this tab until it is made: what it comes to so far, and which parts of the library do
 * not suit it. Answers that come late are not shown.
 */
export function useDraft() {
  const draft = useDraftOfTab()
  const look = shallowRef<DraftView | null>(null)
  const fits = shallowRef<DraftFits>({ boards: [], devices: [] })
  const problem = ref<Problem | null>(null)
  const making = ref(false)

  const chosen = computed(() => JSON.stringify([draft.value.board, draft.value.pack]))
  const body = computed<Draft>(() => ({
    ...empty(),
    ...draft.value,
    name: draft.value.name || null,
  }))

  watchDebounced(
    body,
    async (asked) => {
      const answer = await ask(() => api.POST('/api/drafts/look', { body: asked }))
      if (asked !== body.value) return
      problem.value = answer.problem
      look.value = answer.data ?? look.value
    },
    { debounce: 30, immediate: true, deep: true },
  )
  watch(
    chosen,
    async (asked) => {
      const answer = await ask(() =>
        api.POST('/api/drafts/fits', { body: { ...body.value, devices: [], wishes: [] } }),
      )
      if (asked === chosen.value && answer.data) fits.value = answer.data
    },
    { immediate: true },
  )

  /** Makes the build and tells its id; null when it was refused, with the reason in problem. */
  async function make(): Promise<string | null> {
    making.value = true
    const answer = await ask(() => api.POST('/api/builds', { body: body.value }))
    making.value = false
    problem.value = answer.problem
    if (answer.data) draft.value = empty()
    return answer.data?.id ?? null
  }

  function reset() {
    draft.value = empty()
  }

  return { draft, look, fits, problem, making, make, reset }
}
