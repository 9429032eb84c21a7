import { onKeyStroke } from '@vueuse/core'
import type { Ref } from 'vue'
import { useLetters } from './useLetters'

/**
 * Single letters that do something on a screen. The browser keeps its own shortcuts; fields and dialogs keep their keys;
 * and who dictates or leans on the keyboard can switch them off (WCAG 2.1.4).
 */
export function useScreenKeys(keys: Record<string, () => void>, held?: Ref<boolean>) {
  const letters = useLetters()
  onKeyStroke(
    (event) => event.key.toLowerCase() in keys,
    (event) => {
      const typing = (event.target as HTMLElement).closest?.('input, select, textarea') != null
      const own = event.ctrlKey || event.metaKey || event.altKey
      if (!letters.value || own || held?.value || typing) return
      keys[event.key.toLowerCase()]?.()
      // What the key opened must not be typed into as well.
      event.preventDefault()
    },
  )
}
