import { useEventListener, useStorage } from '@vueuse/core'
import { ref, watch } from 'vue'
import { useTheme } from 'vuetify'

export const looks = ['system', 'light', 'dark'] as const
export type Look = (typeof looks)[number]

/** The builder's choice of light or dark, kept in the browser; what is printed is always on paper. */
export function useLook() {
  const look = useStorage<Look>('gorvix-look', 'system')
  const printing = ref(false)
  const theme = useTheme()
  useEventListener(window, 'beforeprint', () => (printing.value = true))
  useEventListener(window, 'afterprint', () => (printing.value = false))
  watch(
    [look, printing],
    () =>
      theme.change(printing.value ? 'light' : looks.includes(look.value) ? look.value : 'system'),
    // The page is laid out for the printer as soon as the event is over.
    { immediate: true, flush: 'sync' },
  )
  return { look }
}
