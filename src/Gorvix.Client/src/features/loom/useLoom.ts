import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, type LoomView, type Problem } from '@/api/client'
import { useBuild } from '@/stores/build'

export type Step = LoomView['sheet']['steps'][number]

/**
 * The wires of a build and the order of the work; the last answer stays until the next one is there. A tick is shown at once and
 * given back when it is refused.
 */
export function useLoom(build: () => string) {
  const store = useBuild()
  const view = shallowRef<LoomView | null>(null)
  const problem = ref<Problem | null>(null)
  const pending = shallowRef(new Map<string, boolean>())
  let turn = 0

  const steps = computed<Step[]>(() =>
    (view.value?.sheet.steps ?? []).map((s) => ({
      ...s,
      isDone: pending.value.get(s.id) ?? s.isDone,
    })),
  )

  async function read() {
    const own = ++turn
    const { data, problem: refused } = await ask(() =>
      api.GET('/api/builds/{id}/loom', { params: { path: { id: build() } } }),
    )
    if (own !== turn) return
    view.value = data ?? view.value
    problem.value = refused
    // A tick that is on its way stays as it was made; what was answered is as it is stored.
    const stored = new Map(view.value?.sheet.steps.map((s) => [s.id, s.isDone ?? false]))
    pending.value = new Map(
      [...pending.value].filter(
        ([id, done]) => store.unsent > 0 && stored.has(id) && stored.get(id) !== done,
      ),
    )
  }

  /** Says that a step is done, or not; on another pad than the one that it names where one is given. */
  function tick(step: string, isDone: boolean, pad: string | null = null) {
    pending.value = new Map(pending.value).set(step, isDone)
    return store.tick(step, isDone, pad)
  }
  // Taken or refused: all has been answered.
  watch(
    () => store.unsent,
    (unsent) => {
      if (unsent === 0 && pending.value.size > 0) void read()
    },
  )
  return { view, steps, problem, read, tick }
}

const headings: Partial<Record<Step['topic'], string>> = {
  undo: 'Remove first',
  seat: 'Plug in',
}

/** Steps that are done with the board lying in one way, in the order of the work. */
export function bySide(steps: Step[]) {
  const groups: { words: string; steps: Step[] }[] = []
  for (const step of steps) {
    const words =
      headings[step.topic] ??
      (step.side === 'bottom'
        ? 'Bottom side'
        : step.side === 'top'
          ? 'Top side'
          : step.topic === 'bridge'
            ? 'Solder jumpers'
            : 'Off the board')
    const last = groups[groups.length - 1]
    if (last?.words === words) last.steps.push(step)
    else groups.push({ words, steps: [step] })
  }
  return groups
}
