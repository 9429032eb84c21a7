import { computed, shallowRef, watch } from 'vue'
import { api, ask, type FitView } from '@/api/client'

/** Something of a build that a note or photo can be about; its value is `kind id`. */
export interface Place {
  title: string
  value: string
}

/** What a note or photo can be about: the build, its devices, its pads, the steps of its loom. Steps are asked for once a version. */
export function usePlaces(view: () => FitView | null | undefined) {
  const steps = shallowRef<Place[]>([])
  watch(
    () => [view()?.id, view()?.version] as const,
    async ([id]) => {
      if (id === undefined) return
      const { data } = await ask(() =>
        api.GET('/api/builds/{id}/loom', { params: { path: { id } } }),
      )
      if (id === view()?.id)
        steps.value =
          data?.sheet.steps.map((s) => ({ title: s.words, value: `step ${s.id}` })) ?? []
    },
    { immediate: true },
  )
  return computed<Place[]>(() => {
    const sheet = view()?.sheet
    if (!sheet) return []
    return [
      { title: 'whole build', value: 'build' },
      ...sheet.devices.map((d) => ({ title: d.name, value: `device ${d.id}` })),
      ...(sheet.face?.pads ?? []).map((p) => ({ title: p.words, value: `pad ${p.id}` })),
      ...steps.value,
    ]
  })
}
