import { useThrottleFn } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import { api, ask, type Problem, type RailsView } from '@/api/client'
import { amps } from '@/ui/quantities'

/** What the rails of a build do; asked anew while the charge moves, the last answer stays until the next one is there. */
export function useRails(build: () => string) {
  const view = shallowRef<RailsView | null>(null)
  const problem = ref<Problem | null>(null)
  let turn = 0

  async function read(cell: number | null, at: string | null) {
    const own = ++turn
    const { data, problem: refused } = await ask(() =>
      api.GET('/api/builds/{id}/rails', {
        params: {
          path: { id: build() },
          query: { ...(cell === null ? {} : { cell }), ...(at === null ? {} : { at }) },
        },
      }),
    )
    if (own !== turn) return
    view.value = data ?? view.value
    problem.value = refused
  }
  return { view, problem, read: useThrottleFn(read, 40, true, true) }
}

/** A current some part of which may not be known. */
export const drawn = (a: number, atLeast: boolean | undefined) =>
  atLeast && a < 0.0005 ? 'current unknown' : `${atLeast ? 'at least ' : ''}${amps(a)}`

/** How it stands with a supply lead, in words. */
export const feedWords = {
  unfed: 'not powered',
  ungrounded: 'no ground',
  burns: 'OVER-VOLTAGE',
  starves: 'UNDER-VOLTAGE',
  tight: 'marginal',
  silent: 'off',
  usbUnknown: 'unknown on USB',
  good: 'OK',
}
