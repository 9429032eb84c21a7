import { computed, ref, shallowRef } from 'vue'
import { api, ask, type FaultCase, type FaultView, type Problem } from '@/api/client'

/** The search for a fault of a build. What is said is kept by the server at once; each step can be taken back. */
export function useFaults(build: () => string) {
  const view = shallowRef<FaultView | null>(null)
  const problem = ref<Problem | null>(null)
  const busy = ref(false)

  const said = computed<FaultCase>(
    () => view.value?.case ?? { said: [], cannot: [], refuted: [], usesBench: true },
  )
  const params = () => ({ path: { id: build() } })

  // One after the other: what is said while an answer is on its way is said of what that answer came to.
  let before: Promise<void> = Promise.resolve()
  function act(request: () => ReturnType<typeof ask<FaultView>>) {
    const of = build()
    before = before.then(async () => {
      if (of !== build()) return
      busy.value = true
      const { data, problem: refused } = await request()
      busy.value = false
      view.value = data ?? view.value
      problem.value = refused
      // Another window has gone on: what it came to is shown.
      if (refused?.status === 409)
        view.value =
          (await ask(() => api.GET('/api/builds/{id}/faults', { params: params() }))).data ??
          view.value
    })
    return before
  }
  const read = () => act(() => ask(() => api.GET('/api/builds/{id}/faults', { params: params() })))
  const keep = (change: (now: FaultCase) => Partial<FaultCase>) =>
    act(() =>
      ask(() =>
        api.PUT('/api/builds/{id}/faults', {
          params: params(),
          body: { step: view.value?.step ?? 0, case: { ...said.value, ...change(said.value) } },
        }),
      ),
    )
  const end = (cause: string | null, words: string) =>
    act(() =>
      ask(() =>
        api.POST('/api/builds/{id}/faults/end', {
          params: params(),
          body: { step: view.value?.step ?? 0, cause, words },
        }),
      ),
    )

  return {
    view,
    problem,
    busy,
    said,
    read,
    keep,
    end,
    /** Says what a test showed. */
    say: (test: string, outcome: string) =>
      keep((now) => ({ said: [...(now.said ?? []), { test, outcome }] })),
    /** Takes back what was said last. */
    back: () => keep((now) => ({ said: (now.said ?? []).slice(0, -1) })),
    /** Takes back what was said of a test. */
    unsay: (test: string) =>
      keep((now) => ({ said: (now.said ?? []).filter((o) => o.test !== test) })),
    cannot: (test: string) => keep((now) => ({ cannot: [...(now.cannot ?? []), test] })),
    refute: (cause: string) => keep((now) => ({ refuted: [...(now.refuted ?? []), cause] })),
    /** Does a test at the simulated bench. */
    simulate: async (test: string) => {
      const { data, problem: refused } = await ask(() =>
        api.POST('/api/builds/{id}/faults/simulated', { params: params(), body: { test } }),
      )
      return { outcome: data?.outcome ?? null, problem: refused }
    },
  }
}

/** Minutes of a bench, as they are told. */
export const minutesOf = (minutes: number) =>
  minutes < 1 ? `${Math.round(minutes * 60)} s` : `${Math.round(minutes * 10) / 10} min`

/** A part of all, as it is told. */
export const shareOf = (share: number) =>
  share >= 0.995 ? 'nearly sure' : share < 0.01 ? 'below 1 %' : `${Math.round(share * 100)} %`
