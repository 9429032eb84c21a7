import type { BuildChange, Wish } from '@/api/client'

/** The change that takes a pin or ban back. */
export function lifting(wish: Wish): BuildChange {
  return { kind: wish.kind === 'pin' ? 'unpin' : 'unblock', match: wish.match }
}
