import { computed, nextTick } from 'vue'
import { useStep, type StepOptions } from './useStep'

/** What the address says of a list: which line is looked at, whether in large letters, whether only what remains is shown. */
export interface ListPlace {
  at: string | null
  large: boolean
  open: boolean
}

/**
 * A step that is a list to be worked through: what remains, what is looked at, walking and going on by keys, the large view. The address says
 * where one is, so that a link can be sent.
 */
export function useChecklist<T>(
  list: StepOptions & {
    items: () => T[]
    idOf: (item: T) => string
    isDone: (item: T) => boolean
    place: ListPlace
    /** What else the address says where a line is gone to: what that line is about. */
    beside?: (item: T) => Record<string, string | undefined>
    /** What is looked at where the address names nothing, before the first that remains. */
    first?: (items: T[]) => T | undefined
    /** False while something else is shown on the screen. */
    isShown?: () => boolean
    print?: () => void
    /** What a line is called, and what the list's own keys do, for the list of keys. */
    one: string
  },
) {
  const items = computed(list.items)
  const left = computed(() => items.value.filter((i) => !list.isDone(i)))
  const shown = computed(() => (list.place.open ? left.value : items.value))
  const chosen = computed(
    () =>
      items.value.find((i) => list.idOf(i) === list.place.at) ??
      list.first?.(items.value) ??
      left.value[0] ??
      items.value[0],
  )
  const indexIn = (of: T[]) => {
    const now = chosen.value
    return now === undefined ? -1 : of.findIndex((i) => list.idOf(i) === list.idOf(now))
  }
  const whileShown = (act: () => void) => () => {
    if (list.isShown?.() ?? true) act()
  }

  const step = useStep({
    ...list,
    keys: {
      arrowup: whileShown(() => walk(-1)),
      arrowdown: whileShown(() => walk(1)),
      o: whileShown(() => set('open')),
      b: whileShown(() => set('large')),
      ...(list.print ? { p: list.print } : {}),
      ...list.keys,
    },
    list: [
      ['↑ ↓', `previous, next ${list.one}`],
      ...(list.list ?? []),
      ['O', 'show remaining or all'],
      ['B', 'large view on or off'],
    ],
  })

  async function go(id: string) {
    const to = items.value.find((i) => list.idOf(i) === id)
    await step.query({ at: id, ...(to === undefined ? {} : list.beside?.(to)) })
    await nextTick()
    document.querySelector(`[data-row="${CSS.escape(id)}"]`)?.scrollIntoView({ block: 'nearest' })
  }
  function walk(by: number) {
    const of = list.place.large ? items.value : shown.value
    const next = of[Math.min(of.length - 1, Math.max(0, indexIn(of) + by))]
    if (next !== undefined) void go(list.idOf(next))
  }
  function set(name: 'open' | 'large') {
    void step.query({ [name]: list.place[name] ? undefined : '1' })
  }
  /** The next one that remains after the one that is looked at, else the first. */
  function next() {
    const i = indexIn(items.value)
    return (
      items.value.slice(i + 1).find((x) => !list.isDone(x)) ??
      left.value.find((x) => x !== chosen.value)
    )
  }
  /** Ticks what is looked at and goes on; once more takes the tick back, in large letters it only goes on. */
  function tickAndGo(tick: (item: T, isDone: boolean) => unknown) {
    const now = chosen.value
    if (now === undefined || !(list.isShown?.() ?? true)) return
    const to = next()
    if (!list.isDone(now)) void tick(now, true)
    else if (!list.place.large) {
      void tick(now, false)
      return
    }
    if (to !== undefined) void go(list.idOf(to))
  }

  return {
    ...step,
    left,
    shown,
    chosen,
    number: computed(() => indexIn(items.value) + 1),
    go,
    walk,
    set,
    next,
    tickAndGo,
  }
}
