import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, type Problem, type Setting, type SettingsView } from '@/api/client'
import { useBuild } from '@/stores/build'

/**
 * The settings of a build; the last answer stays until the next one is there. A tick is shown at once and given back when it is
 * refused.
 */
export function useSettings(build: () => string) {
  const store = useBuild()
  const view = shallowRef<SettingsView | null>(null)
  const problem = ref<Problem | null>(null)
  const pending = shallowRef(new Map<string, boolean>())
  let turn = 0

  const settings = computed<Setting[]>(() =>
    (view.value?.sheet.settings ?? []).map((s) => ({
      ...s,
      isDone: pending.value.get(s.key) ?? s.isDone,
    })),
  )

  async function read() {
    const own = ++turn
    const { data, problem: refused } = await ask(() =>
      api.GET('/api/builds/{id}/settings', { params: { path: { id: build() } } }),
    )
    if (own !== turn) return
    view.value = data ?? view.value
    problem.value = refused
    if (store.unsent === 0) pending.value = new Map()
  }

  function tick(keys: string[], isDone: boolean) {
    const next = new Map(pending.value)
    for (const key of keys) next.set(key, isDone)
    pending.value = next
    return store.tickSettings(keys, isDone)
  }
  watch(
    () => store.unsent,
    (unsent) => {
      if (unsent === 0 && pending.value.size > 0) void read()
    },
  )
  return { view, problem, settings, read, tick }
}

/** Settings that are made in one place, in the order of the work. */
export function byPlace(settings: Setting[]) {
  const words = {
    port: 'Ports (set together)',
    board: 'Flight controller',
    device: 'Devices',
    radio: 'Radio',
  }
  return (['port', 'board', 'device', 'radio'] as const)
    .map((place) => ({ words: words[place], settings: settings.filter((s) => s.place === place) }))
    .filter((g) => g.settings.length > 0)
}

/** A number as it is read, with a thin gap at the thousands. */
export const grouped = (n: number) => n.toLocaleString('en').replaceAll(',', '\u202f')
