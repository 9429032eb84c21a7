import { ref, shallowRef } from 'vue'
import { api, ask, type LoomView, type Problem } from '@/api/client'

export type Step = LoomView['sheet']['steps'][number]

/** The wires of a build and the order of the work; the last answer stays until the next one is there. */
export function useLoom(build: () => string) {
  const view = shallowRef<LoomView | null>(null)
  const problem = ref<Problem | null>(null)
  let turn = 0

  async function read() {
    const own = ++turn
    const { data, problem: refused } = await ask(() =>
      api.GET('/api/builds/{id}/loom', { params: { path: { id: build() } } }),
    )
    if (own !== turn) return
    view.value = data ?? view.value
    problem.value = refused
  }
  return { view, problem, read }
}

/** Steps that are done with the board lying in one way, in the order of the work. */
export function bySide(steps: Step[]) {
  const groups: { words: string; steps: Step[] }[] = []
  for (const step of steps) {
    const words =
      step.topic === 'seat'
        ? 'Plugs in'
        : step.topic === 'bridge'
          ? 'Bridges'
          : step.side === 'bottom'
            ? 'Bottom side up'
            : step.side === 'top'
              ? 'Top side up'
              : 'Away from the board'
    const last = groups[groups.length - 1]
    if (last?.words === words) last.steps.push(step)
    else groups.push({ words, steps: [step] })
  }
  return groups
}
