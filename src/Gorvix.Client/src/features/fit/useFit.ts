import { promiseTimeout } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import {
  api,
  ask,
  type BuildChange,
  type FitView,
  type LinkUnlocks,
  type PartsChange,
  type Problem,
  type Setup,
} from '@/api/client'

/** One build on the Fit screen. Every change is saved by the server at once; the answer is the new sheet. */
export function useFit(id: string) {
  const view = shallowRef<FitView | null>(null)
  const problem = ref<Problem | null>(null)
  const saving = ref(false)
  const moved = ref<string[]>([])
  /** What would carry the links that are left out; null while it is looked for. */
  const unlocks = shallowRef<LinkUnlocks[] | null>([])
  const path = { id }

  // Changes are sent one after the other, each with the version that the one before it gave.
  let queue: Promise<unknown> = Promise.resolve()

  type Answer = ReturnType<typeof ask<FitView>>

  async function take(request: () => Answer) {
    saving.value = true
    const answer = await request()
    saving.value = false
    problem.value = answer.problem
    if (answer.data) {
      view.value = answer.data
      moved.value = answer.data.moved
      void look(answer.data)
    }
  }

  // Every change of parts is planned for this, so it is asked for only where a link is left out, once the sheet is
  // painted and the builder holds still.
  async function look(at: FitView) {
    unlocks.value = at.sheet.conflicts.length > 0 ? null : []
    if (unlocks.value !== null) return
    await promiseTimeout(250)
    if (view.value !== at) return
    const answer = await ask(() => api.GET('/api/builds/{id}/unlocks', { params: { path } }))
    if (view.value === at) unlocks.value = answer.data ?? []
  }

  function send(request: (version: number) => Answer) {
    queue = queue.then(() => {
      const version = view.value?.version
      return version === undefined ? undefined : take(() => request(version))
    })
    return queue
  }

  const load = () => take(() => ask(() => api.GET('/api/builds/{id}/fit', { params: { path } })))

  const change = (change: BuildChange) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/changes', { params: { path }, body: { version, change } }),
      ),
    )

  const setUp = (setup: Setup) =>
    send((version) =>
      ask(() => api.POST('/api/builds/{id}/setup', { params: { path }, body: { version, setup } })),
    )

  const changeParts = (change: PartsChange) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/parts', { params: { path }, body: { version, change } }),
      ),
    )

  const unlock = (unlock: string) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/unlock', { params: { path }, body: { version, unlock } }),
      ),
    )

  const undo = () =>
    send((version) =>
      ask(() => api.POST('/api/builds/{id}/undo', { params: { path }, body: { version } })),
    )

  const redo = () =>
    send((version) =>
      ask(() => api.POST('/api/builds/{id}/redo', { params: { path }, body: { version } })),
    )

  const choose = (plan: number) =>
    send((version) =>
      ask(() => api.POST('/api/builds/{id}/choose', { params: { path }, body: { version, plan } })),
    )

  return {
    view,
    problem,
    saving,
    moved,
    unlocks,
    load,
    change,
    setUp,
    changeParts,
    unlock,
    choose,
    undo,
    redo,
  }
}
