import type { CauseLine, PictureWire } from '@/api/client'
import type { WireLook } from '@/features/picture/drawing'

type Place = CauseLine['places'][number]

const isOn = (wire: PictureWire) => (p: Place) =>
  p.lead
    ? wire.id === `${p.device} ${p.lead}`
    : !p.device && !!wire.pad && !!p.pads?.includes(wire.pad)

/** Where the causes that are left sit in the wiring picture. */
export function suspectsIn(causes: () => CauseLine[]) {
  /** How likely the causes are that sit in a place, together. */
  const share = (sits: (place: Place) => boolean) =>
    Math.min(
      1,
      causes()
        .filter((c) => c.places.some(sits))
        .reduce((sum, c) => sum + c.share, 0),
    )
  return {
    look(wire: PictureWire): WireLook | null {
      const of = share(isOn(wire))
      return of > 0 ? { share: of, note: `fault here: ${Math.round(100 * of)} %` } : null
    },
    suspect: (device: string) => share((p) => p.device === device && !p.lead),
    causeOn: (wire: PictureWire) => causes().find((c) => c.places.some(isOn(wire))),
  }
}
