import { ref, shallowRef, watch } from 'vue'
import { api, ask, type Problem, type WiringPicture } from '@/api/client'
import { useBuild } from '@/stores/build'

/** The wiring picture of a build, read anew whenever the build has changed. */
export function usePicture(build: () => string) {
  const store = useBuild()
  const picture = shallowRef<WiringPicture | null>(null)
  const problem = ref<Problem | null>(null)
  let turn = 0
  watch(
    () => [build(), store.view?.version] as const,
    async ([id, version]) => {
      if (version === undefined) return
      const own = ++turn
      const { data, problem: refused } = await ask(() =>
        api.GET('/api/builds/{id}/picture', { params: { path: { id } } }),
      )
      // Only the last that was asked for counts.
      if (own !== turn) return
      problem.value = refused
      picture.value = data ?? picture.value
    },
    { immediate: true },
  )
  return { picture, problem }
}
