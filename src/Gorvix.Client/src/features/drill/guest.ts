/** True at the door for other computers: only practice sessions are open there. The program itself answers to these names alone. */
export const isGuest = !['127.0.0.1', 'localhost', '[::1]'].includes(location.hostname)
