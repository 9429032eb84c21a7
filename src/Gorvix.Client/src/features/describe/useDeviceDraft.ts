import { api, ask, type Device, type DeviceLook, type DeviceStep } from '@/api/client'
import { usePartDraft } from './usePartDraft'

const nothing = (): Device => ({
  id: '',
  maker: '',
  name: '',
  kind: 'receiver',
  leads: [],
  functions: [],
})

/** A device that is being described. */
export function useDeviceDraft(id: string | null, from: string | null) {
  const draft = usePartDraft<Device, DeviceLook>({
    key: id ? `gorvix-device-${id}` : from ? `gorvix-device-from-${from}` : 'gorvix-device',
    id,
    from,
    look: (body) => ask(() => api.POST('/api/describe/device', { body: body ?? nothing() })),
    partOf: (answer) => answer.device,
    isUsable: (answer) => answer.usable,
    sheet: (of) =>
      ask(() => api.GET('/api/library/devices/{id}/sheet', { params: { path: { id: of } } })),
    put: (of, version, part) =>
      ask(() =>
        api.PUT('/api/library/devices/{id}', {
          params: { path: { id: of } },
          body: { version, part },
        }),
      ),
    post: (body) => ask(() => api.POST('/api/library/devices', { body })),
    preview: (of, body) =>
      ask(() =>
        api.POST('/api/library/devices/{id}/preview', { params: { path: { id: of } }, body }),
      ),
  })
  const notesAt = (step: DeviceStep) =>
    draft.answer.value?.notes.filter((n) => n.step === step) ?? []
  void draft.open()
  return { ...draft, notesAt }
}
