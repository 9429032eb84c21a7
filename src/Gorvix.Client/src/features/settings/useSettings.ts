import { api, ask, type Setting } from '@/api/client'
import { useTicked } from '@/features/build/useTicked'
import { useBuild } from '@/stores/build'

/** The settings of a build. */
export function useSettings(build: () => string) {
  const store = useBuild()
  const settings = useTicked(
    () => ask(() => api.GET('/api/builds/{id}/settings', { params: { path: { id: build() } } })),
    (view) => view.sheet.settings,
    (setting) => setting.key,
  )
  return {
    ...settings,
    tick(keys: string[], isDone: boolean) {
      settings.mark(keys, isDone)
      return store.tickSettings(keys, isDone)
    },
  }
}

const places = {
  port: 'Ports (set together)',
  board: 'Flight controller',
  device: 'Devices',
  radio: 'Radio',
} as const

/** Where a setting is made. */
export const placeOf = (setting: Setting) => places[setting.place]

/** Settings that are made in one place, in the order of the work. */
export function byPlace(settings: Setting[]) {
  return (['port', 'board', 'device', 'radio'] as const)
    .map((place) => ({ words: places[place], settings: settings.filter((s) => s.place === place) }))
    .filter((g) => g.settings.length > 0)
}

/** A number as it is read, with a thin gap at the thousands. */
export const grouped = (n: number) => n.toLocaleString('en').replaceAll(',', '\u202f')
