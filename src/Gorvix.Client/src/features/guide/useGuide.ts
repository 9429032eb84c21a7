import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useRouter, type RouteLocationRaw } from 'vue-router'
import { api, ask } from '@/api/client'

interface Stop {
  title: string
  words: string
  to: (build: string) => RouteLocationRaw
}

/** The four stops, each on the real screen of a build. */
export const stops: Stop[] = [
  {
    title: 'Parts',
    words:
      'Board, devices and pack. Add what you own; what would be destroyed or cannot work is said at once.',
    to: (id) => ({ name: 'parts', params: { id } }),
  },
  {
    title: 'Fit',
    words:
      'Links down, ports across: the best plan there is. Select a cell to see why it works or what blocks it. Pin what must stay.',
    to: (id) => ({ name: 'fit', params: { id } }),
  },
  {
    title: 'Loom',
    words:
      'Every wire in the order to solder it. Wiring picture shows the same as one drawing; Large view is for the bench.',
    to: (id) => ({ name: 'loom', params: { id }, query: { view: 'picture' } }),
  },
  {
    title: 'Bench',
    words:
      'What to measure before the first power-up, and what the meter should read. A bad reading leads to Faults.',
    to: (id) => ({ name: 'bench', params: { id } }),
  },
]

// At which stop one is; -1 before the first, "over" when it was left.
const state = useLocalStorage<{ at: number; build: string; isOver: boolean }>('gorvix-tour', {
  at: -1,
  build: '',
  isOver: false,
})

/** A short way through the program: begun on Builds or from the menu, left at any time. */
export function useGuide() {
  const router = useRouter()
  const stop = computed(() => (state.value.isOver ? undefined : stops[state.value.at]))

  async function go(at: number) {
    const there = stops[at]
    if (!there) {
      leave()
      return
    }
    state.value = { ...state.value, at, isOver: false }
    await router.push(there.to(state.value.build))
  }
  function leave() {
    state.value = { ...state.value, at: -1, isOver: true }
  }
  return {
    /** Where one is; undefined where nobody is guided. */
    stop,
    at: computed(() => state.value.at),
    /** Whether it was never taken and never turned down. */
    isNew: computed(() => !state.value.isOver && state.value.at < 0),
    go,
    leave,
    /** Begins on the first build there is; where there is none, on making one. */
    async start() {
      const { data } = await ask(() => api.GET('/api/builds'))
      const [first] = (data ?? []).filter((b) => !b.isArchived)
      if (!first) return router.push({ name: 'new' })
      state.value = { at: 0, build: first.id, isOver: false }
      await go(0)
    },
  }
}
