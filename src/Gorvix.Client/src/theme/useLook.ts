import { useStorage } from '@vueuse/core'
import { watchEffect } from 'vue'
import { useTheme } from 'vuetify'

const looks = ['system', 'light', 'dark'] as const
export type Look = (typeof looks)[number]

/** The builder's choice of light or dark, kept in the browser. */
export function useLook() {
  const look = useStorage<Look>('gorvix-look', 'system')
  const theme = useTheme()
  watchEffect(() => theme.change(looks.includes(look.value) ? look.value : 'system'))
  function next() {
    look.value = looks[(looks.indexOf(look.value) + 1) % looks.length] ?? 'system'
  }
  return { look, next }
}
