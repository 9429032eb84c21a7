import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { PictureWire, WiringPicture } from '@/api/client'

const one = (value: unknown) => (typeof value === 'string' ? value : null)

/**
 * What is selected on every step: a link, or one lead of a device by its wire. It stands in the address, so that the next step, and who is sent the
 * address, finds it lit.
 */
export function useSelected() {
  const route = useRoute()
  const router = useRouter()
  const link = computed(() => one(route.query.link))
  const lead = computed(() => one(route.query.lead))
  const has = (wire: { id: string; link?: string | null }) =>
    lead.value ? wire.id === lead.value : link.value !== null && wire.link === link.value
  const of = (wire: Pick<PictureWire, 'id' | 'link'>) => ({
    lead: wire.id,
    link: wire.link ?? undefined,
    port: undefined,
  })
  return {
    link,
    lead,
    isAny: computed(() => link.value !== null || lead.value !== null),
    /** Whether a wire is what is selected, or belongs to it. */
    has,
    wiresIn: (picture: WiringPicture | null) => (picture?.wires ?? []).filter(has),
    /** What the address says of a selected wire. */
    of,
    select: (wire: Pick<PictureWire, 'id' | 'link'>) =>
      router.replace({ query: { ...route.query, ...of(wire) } }),
  }
}
