import { computed } from 'vue'
import { api, ask, type FaultCase, type FaultView } from '@/api/client'
import { useInTurn } from '@/ui/useInTurn'

/** The search for a fault of a build. What is said is kept by the server at once; each step can be taken back. */
export function useFaults(build: () => string) {
  const params = () => ({ path: { id: build() } })
  const { view, problem, busy, act, read } = useInTurn<FaultView>(build, () =>
    ask(() => api.GET('/api/builds/{id}/faults', { params: params() })),
  )
  const said = computed<FaultCase>(
    () => view.value?.case ?? { said: [], cannot: [], refuted: [], usesBench: true },
  )
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

/** A part of all, as it is told. */
export const shareOf = (share: number) =>
  share >= 0.995 ? 'almost certain' : share < 0.01 ? '< 1 %' : `${Math.round(share * 100)} %`
