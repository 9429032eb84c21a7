import { computed, ref, shallowRef } from 'vue'
import {
  api,
  ask,
  type ActKind,
  type DrillKind,
  type DrillPlayed,
  type DrillView,
  type Problem,
} from '@/api/client'

/** What each kind of drill is called, and what it trains. */
export const kinds: { kind: DrillKind; name: string; words: string }[] = [
  {
    kind: 'fault',
    name: 'Hidden fault',
    words: 'A craft that somebody has wired wrongly. Find out what it is in the fewest minutes.',
  },
  {
    kind: 'place',
    name: 'Place the links',
    words: 'Put each link on a port by hand; then see what the exact plan does, and why.',
  },
  {
    kind: 'label',
    name: 'Labels',
    words: 'Which pad leads there, where does this one lead, and what can go on it.',
  },
  {
    kind: 'burn',
    name: 'Rails',
    words: 'Which rail feeds it, and would the part live: full pack, empty pack, USB alone.',
  },
]
export const nameOf = (kind: DrillKind) => kinds.find((k) => k.kind === kind)?.name ?? kind

/** Minutes of a bench. */
export const clockOf = (minutes: number) =>
  minutes < 1 ? `${Math.round(minutes * 60)} s` : `${Math.round(minutes * 10) / 10} min`

/** What a drill came to, in a line. */
export const scoreOf = (p: DrillPlayed) =>
  `${p.score ?? 0} of 100${p.minutes != null && p.best != null ? `, ${clockOf(p.minutes)} where ${clockOf(p.best)} do` : ''}`

/** A drill that is played. Each thing that is done is kept by the server at once. */
export function useDrill(id: () => string) {
  const view = shallowRef<DrillView | null>(null)
  const problem = ref<Problem | null>(null)
  const busy = ref(false)

  const path = () => ({ path: { id: id() } })
  // One after the other: what is done while an answer is on its way is done after it.
  let before: Promise<void> = Promise.resolve()
  function act(request: () => ReturnType<typeof ask<DrillView>>) {
    const of = id()
    before = before.then(async () => {
      if (of !== id()) return
      busy.value = true
      const { data, problem: refused } = await request()
      busy.value = false
      view.value = data ?? view.value
      problem.value = refused
      // Another window has gone on: what it came to is shown.
      if (refused?.status === 409)
        view.value =
          (await ask(() => api.GET('/api/drills/{id}', { params: path() }))).data ?? view.value
    })
    return before
  }
  return {
    view,
    problem,
    busy,
    ended: computed(() => view.value?.sheet.result != null),
    read: () => act(() => ask(() => api.GET('/api/drills/{id}', { params: path() }))),
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
