import { useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useBuild } from '@/stores/build'
import { useScreenKeys } from '@/ui/useScreenKeys'

/**
 * What the screens of a build's steps share: the build, its title, undo and redo, the keys and their list, and reading anew what the step shows
 * whenever the build has changed.
 */
export function useStep(step: {
  id: () => string
  /** The step, as it stands in the title. */
  words: string
  /** Keys of this step alone. */
  keys: Record<string, () => void>
  /** What they do, for the list. */
  list: [string, string][]
  /** Reads what the step shows. */
  read: () => unknown
}) {
  const router = useRouter()
  const route = useRoute()
  const build = useBuild()
  const { view } = storeToRefs(build)
  const keysOpen = ref(false)

  useScreenKeys(
    {
      z: () => void build.undo(),
      y: () => void build.redo(),
      f: () => void router.push({ name: 'fit', params: { id: step.id() } }),
      '?': () => (keysOpen.value = true),
      ...step.keys,
    },
    keysOpen,
  )
  useTitle(computed(() => `${view.value?.name ?? 'Build'} – ${step.words} – Gorvix`))
  watch(step.id, build.open, { immediate: true })
  watch(
    () => view.value?.version,
    (version) => {
      if (version !== undefined) void step.read()
    },
    { immediate: true },
  )

  return {
    build,
    view,
    keysOpen,
    keyList: [
      ...step.list,
      ['Z', 'undo'],
      ['Y', 'redo'],
      ['F', 'go to Fit'],
      ['?', 'show shortcuts'],
    ] as [string, string][],
    /** Changes what the address says beside the step. */
    query: (change: Record<string, string | undefined>) =>
      router.replace({ query: { ...route.query, ...change } }),
  }
}
