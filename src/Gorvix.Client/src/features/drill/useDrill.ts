import { computed } from 'vue'
import {
  api,
  ask,
  type ActKind,
  type DrillKind,
  type DrillPlayed,
  type DrillView,
} from '@/api/client'
import { minutesOf } from '@/ui/minutes'
import { useInTurn } from '@/ui/useInTurn'

/** What each kind of drill is called, and what it trains. */
export const kinds: { kind: DrillKind; name: string; words: string }[] = [
  {
    kind: 'fault',
    name: 'Hidden fault',
    words: 'Find the wiring fault in the least bench time.',
  },
  {
    kind: 'place',
    name: 'Assign ports',
    words: 'Assign each link to a port, then compare with the best plan.',
  },
  {
    kind: 'label',
    name: 'Pad labels',
    words: 'Which pad goes where, and what can be wired to it.',
  },
  {
    kind: 'burn',
    name: 'Rails',
    words: 'Which rail suits each part on full battery, empty battery and USB.',
  },
]
export const nameOf = (kind: DrillKind) => kinds.find((k) => k.kind === kind)?.name ?? kind

/** What a drill came to, in a line. */
export const scoreOf = (p: DrillPlayed) =>
  `${p.score ?? 0} of 100${p.minutes != null && p.best != null ? `, ${minutesOf(p.minutes)} (best ${minutesOf(p.best)})` : ''}`

/** A drill that is played. Each thing that is done is kept by the server at once. */
export function useDrill(id: () => string) {
  const path = () => ({ path: { id: id() } })
  const { view, problem, busy, act, read } = useInTurn<DrillView>(id, () =>
    ask(() => api.GET('/api/drills/{id}', { params: path() })),
  )
  return {
    view,
    problem,
    busy,
    ended: computed(() => view.value?.sheet.result != null),
    read,
    play: (kind: ActKind, on = '', value = '', seconds = 0) =>
      act(() =>
        ask(() =>
          api.POST('/api/drills/{id}', {
            params: path(),
            body: { step: view.value?.step ?? 0, act: { kind, on, value, seconds } },
          }),
        ),
      ),
  }
}
