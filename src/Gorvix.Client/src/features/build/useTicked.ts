import { computed, ref, shallowRef, watch } from 'vue'
import type { ask, Problem } from '@/api/client'
import { useBuild } from '@/stores/build'

/**
 * A sheet whose lines are ticked; the last answer stays until the next one is there. A tick is shown at once and given back when it is refused.
 */
export function useTicked<V, T extends { isDone?: boolean | undefined }>(
  get: () => ReturnType<typeof ask<V>>,
  linesOf: (view: V) => T[],
  idOf: (line: T) => string,
) {
  const store = useBuild()
  const view = shallowRef<V | null>(null)
  const problem = ref<Problem | null>(null)
  const pending = shallowRef(new Map<string, boolean>())
  let turn = 0

  const stored = () => (view.value ? linesOf(view.value) : [])
  const lines = computed(() =>
    stored().map((l) => ({ ...l, isDone: pending.value.get(idOf(l)) ?? l.isDone ?? false })),
  )

  async function read() {
    const own = ++turn
    const { data, problem: refused } = await get()
    if (own !== turn) return
    view.value = data ?? view.value
    problem.value = refused
    // A tick that is on its way stays as it was made; what was answered is as it is stored.
    const done = new Map(stored().map((l) => [idOf(l), l.isDone ?? false]))
    pending.value = new Map(
      [...pending.value].filter(
        ([id, isDone]) => store.unsent > 0 && done.has(id) && done.get(id) !== isDone,
      ),
    )
  }

  /** Shows lines as ticked, or not, until the server has answered. */
  function mark(ids: string[], isDone: boolean) {
    pending.value = new Map([...pending.value, ...ids.map((id) => [id, isDone] as const)])
  }
  // Taken or refused: all has been answered.
  watch(
    () => store.unsent,
    (unsent) => {
      if (unsent === 0 && pending.value.size > 0) void read()
    },
  )
  return { view, problem, lines, read, mark }
}
