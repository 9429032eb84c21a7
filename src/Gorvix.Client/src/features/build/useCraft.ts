import { reactive, ref, watch } from 'vue'
import { api, ask } from '@/api/client'

// What a screen changed beside the build itself: a reading struck out, an entry taken away.
const changed = ref(0)

/** Says that the log of a build has changed, so that the badges are read anew. */
export const craftChanged = () => changed.value++

/** What is open on the bench and due in the log of a build, for the badges of its steps. */
export function useCraft(id: () => string, version: () => number) {
  const open = reactive({
    bench: 0,
    faults: 0,
    log: 0,
    /** How far each step is that is worked through, as "3/16"; empty until it is known. */
    far: { loom: '', settings: '', bench: '' },
  })
  const far = (of?: { done: number; all: number } | null) =>
    of && of.all > 0 ? `${of.done}/${of.all}` : ''
  watch(
    [id, version, changed],
    async ([build]) => {
      const { data } = await ask(() =>
        api.GET('/api/builds/{id}/craft', { params: { path: { id: build } } }),
      )
      if (build !== id() || !data) return
      open.bench = data.stopped.length + data.doubtful.length + data.dueAgain.length
      open.faults = data.isSearched ? 1 : 0
      open.log = data.dues.length
      open.far = {
        loom: far(data.wiring),
        settings: far(data.settings),
        bench: far({ done: data.proved, all: data.checks }),
      }
    },
    { immediate: true },
  )
  return open
}
