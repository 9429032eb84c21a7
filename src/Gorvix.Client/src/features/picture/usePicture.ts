import { watchThrottled } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import { api, ask, type Problem, type WiringPicture } from '@/api/client'
import { useBuild } from '@/stores/build'

export interface Situation {
  at?: string | null
  /** Volts of a cell. */
  cell?: number | null
}

/** The wiring picture of a build, read anew whenever the build has changed; not while there is none to be drawn. */
export function usePicture(
  build: () => string | null,
  /** The situation whose volts it tells; a full battery where none is named. */
  situation: () => Situation = () => ({}),
) {
  const store = useBuild()
  const picture = shallowRef<WiringPicture | null>(null)
  const problem = ref<Problem | null>(null)
  let turn = 0
  // A slider asks more often than anyone can look.
  watchThrottled(
    () => [build(), store.view?.version, situation().at, situation().cell] as const,
    async ([id, version, at, cell]) => {
      if (id === null || version === undefined) return
      const own = ++turn
      const { data, problem: refused } = await ask(() =>
        api.GET('/api/builds/{id}/picture', {
          params: {
            path: { id },
            query: { ...(at ? { at } : {}), ...(cell == null ? {} : { cell }) },
          },
        }),
      )
      // Only the last that was asked for counts.
      if (own !== turn) return
      problem.value = refused
      picture.value = data ?? picture.value
    },
    { immediate: true, throttle: 60 },
  )
  return { picture, problem }
}
