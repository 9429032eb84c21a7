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
  return {
    link,
    lead,
    isAny: computed(() => link.value !== null || lead.value !== null),
    /** Whether a wire is what is selected, or belongs to it. */
    has: (wire: { id: string; link?: string | null }) =>
      lead.value ? wire.id === lead.value : link.value !== null && wire.link === link.value,
    wiresIn: (picture: WiringPicture | null) =>
      (picture?.wires ?? []).filter((w) =>
        lead.value ? w.id === lead.value : link.value !== null && w.link === link.value,
      ),
    /** What the address says of a selected wire. */
    of: (wire: Pick<PictureWire, 'id' | 'link'>) => ({
      lead: wire.id,
      link: wire.link ?? undefined,
      port: undefined,
    }),
    /** Selects a wire, and changes what else the address says. */
    select: (wire: Pick<PictureWire, 'id' | 'link'>, besides: Record<string, string | undefined>) =>
      router.replace({
        query: {
          ...route.query,
          lead: wire.id,
          link: wire.link ?? undefined,
          port: undefined,
          ...besides,
        },
      }),
  }
}
