/** True on another computer: only practice sessions are open there. The server says by which door the page came in. */
export const isGuest =
  document.querySelector<HTMLMetaElement>('meta[name=door]')?.content === 'club'
