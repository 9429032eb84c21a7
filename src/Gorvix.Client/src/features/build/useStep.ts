import { useTitle } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { useBuild } from '@/stores/build'
import { useScreenKeys } from '@/ui/useScreenKeys'

/** The steps of a build. */
export type StepName =
  'parts' | 'fit' | 'rails' | 'loom' | 'settings' | 'bench' | 'faults' | 'log' | 'sweep'

export interface StepOptions {
  id: () => string
  name: StepName
  /** Keys of this step alone. */
  keys?: Record<string, () => void>
  /** What they do, for the list. */
  list?: [string, string][]
  /** Reads what the step shows: when the build has changed, and when what it names beside has. */
  read?: () => unknown
  /** What else is read for. */
  by?: () => unknown[]
}

/**
 * What the screens of a build's steps share: the build, its title, undo and redo, the keys and their list, and reading anew what the step shows
 * whenever the build has changed.
 */
export function useStep(step: StepOptions) {
  const router = useRouter()
  const route = useRoute()
  const build = useBuild()
  const { view } = storeToRefs(build)
  const keysOpen = ref(false)
  const words = step.name[0]?.toUpperCase() + step.name.slice(1)

  useScreenKeys(
    {
      z: () => void build.undo(),
      y: () => void build.redo(),
      f: () => void router.push({ name: 'fit', params: { id: step.id() }, query: route.query }),
      '?': () => (keysOpen.value = true),
      ...step.keys,
    },
    keysOpen,
  )
  useTitle(computed(() => `${view.value?.name ?? 'Build'} – ${words} – Gorvix`))
  watch(step.id, build.open, { immediate: true })
  watch(
    () => [view.value?.version, ...(step.by?.() ?? [])],
    ([version]) => {
      if (version !== undefined) void step.read?.()
    },
    { immediate: true },
  )

  const own = step.list ?? []
  const common: [string, string][] = [
    ['Z', 'undo'],
    ['Y', 'redo'],
    ['I', 'board drawing or photo'],
    ['K', 'search everything'],
    ...(step.name === 'fit' ? [] : [['F', 'go to Fit'] as [string, string]]),
    ['?', 'show shortcuts'],
  ]
  return {
    name: step.name,
    build,
    view,
    keysOpen,
    showKeys: (on: boolean) => {
      keysOpen.value = on
    },
    keyList: [...own, ...common.filter(([key]) => own.every(([k]) => k !== key))],
    /** Changes what the address says beside the step. */
    query: (change: Record<string, string | undefined>) =>
      router.replace({ query: { ...route.query, ...change } }),
  }
}
