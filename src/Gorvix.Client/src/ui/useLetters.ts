import { useStorage } from '@vueuse/core'

/** Whether plain letters act as keys; the builder's choice, kept in the browser (WCAG 2.1.4). */
export const useLetters = () => useStorage('gorvix-letters', true)
