import { api, ask, type LoomView } from '@/api/client'
import { useTicked } from '@/features/build/useTicked'
import { useBuild } from '@/stores/build'

export type Step = LoomView['sheet']['steps'][number]

/** The wires of a build and the order of the work. */
export function useLoom(build: () => string) {
  const store = useBuild()
  const loom = useTicked(
    () => ask(() => api.GET('/api/builds/{id}/loom', { params: { path: { id: build() } } })),
    (view) => view.sheet.steps,
    (step) => step.id,
  )
  return {
    ...loom,
    /** Says that a step is done, or not; on another pad than the one that it names where one is given. */
    tick(step: string, isDone: boolean, pad: string | null = null) {
      loom.mark([step], isDone)
      return store.tick(step, isDone, pad)
    },
  }
}

const headings: Partial<Record<Step['topic'], string>> = {
  undo: 'Remove first',
  seat: 'Plug in',
}

/** What a step belongs to. */
export const groupOf = (step: Step) =>
  headings[step.topic] ??
  (step.side === 'bottom'
    ? 'Bottom side'
    : step.side === 'top'
      ? 'Top side'
      : step.topic === 'bridge'
        ? 'Solder jumpers'
        : 'Off the board')

/** Steps that are done with the board lying in one way, in the order of the work. */
export function bySide(steps: Step[]) {
  const groups: { words: string; steps: Step[] }[] = []
  for (const step of steps) {
    const words = groupOf(step)
    const last = groups[groups.length - 1]
    if (last?.words === words) last.steps.push(step)
    else groups.push({ words, steps: [step] })
  }
  return groups
}
