import { ref, shallowRef } from 'vue'
import type { ask, Problem } from '@/api/client'

type Answer<T> = ReturnType<typeof ask<T>>

/**
 * Something that the server keeps step by step, with the answer that was given last. What is done while an answer is on its way is done after it;
 * where another window has gone on, what it came to is shown.
 */
export function useInTurn<T>(id: () => string, get: () => Answer<T>) {
  const view = shallowRef<T | null>(null)
  const problem = ref<Problem | null>(null)
  const busy = ref(false)

  let before: Promise<void> = Promise.resolve()
  function act(request: () => Answer<T>) {
    const of = id()
    before = before.then(async () => {
      if (of !== id()) return
      busy.value = true
      const { data, problem: refused } = await request()
      busy.value = false
      view.value = data ?? view.value
      problem.value = refused
      if (refused?.status === 409) view.value = (await get()).data ?? view.value
    })
    return before
  }
  return { view, problem, busy, act, read: () => act(get) }
}
