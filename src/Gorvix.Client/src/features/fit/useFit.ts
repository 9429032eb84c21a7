import { ref, shallowRef } from 'vue'
import { api, ask, type BuildChange, type FitView, type Problem } from '@/api/client'

/** One build on the Fit screen. Every change is saved by the server at once; the answer is the new sheet. */
export function useFit(id: string) {
  const view = shallowRef<FitView | null>(null)
  const problem = ref<Problem | null>(null)
  const saving = ref(false)
  const moved = ref<string[]>([])
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
    }
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

  return { view, problem, saving, moved, load, change, choose, undo, redo }
}
