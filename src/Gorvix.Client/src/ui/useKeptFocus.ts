import { nextTick, watch } from 'vue'

/**
 * The focus is never lost: where a change takes away what had it (a card that was pressed, an undo that is used up), it
 * goes to what the screen's keys act on.
 */
export function useKeptFocus(changed: () => unknown, home: () => HTMLElement | null | undefined) {
  watch(
    changed,
    async () => {
      await nextTick()
      if (document.activeElement === document.body) home()?.focus({ preventScroll: true })
    },
    { immediate: true, flush: 'post' },
  )
}
