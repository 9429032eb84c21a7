import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { useBuild } from '@/stores/build'

/** The server as the store sees it: a version that every taken change raises. */
class Server {
  version = 1
  gone = false
  refuse: ((path: string) => number | null) | null = null
  seen: string[] = []

  readonly fetch = (input: RequestInfo | URL) => this.answer(input as Request)

  private async answer(request: Request): Promise<Response> {
    if (this.gone) throw new TypeError('Failed to fetch')
    const path = new URL(request.url).pathname.split('/').pop() ?? ''
    this.seen.push(path)
    const refused = this.refuse?.(path) ?? null
    if (refused !== null) return this.json({ detail: `refused ${path}` }, refused)
    if (request.method === 'POST') {
      const body = (await request.json()) as { version: number }
      if (body.version !== this.version) return this.json({ detail: 'changed elsewhere' }, 409)
      this.version++
    }
    return this.json({ version: this.version, moved: [], sheet: { conflicts: [] } }, 200)
  }

  private json(body: unknown, status: number) {
    const headers = { 'Content-Type': 'application/json' }
    return new Response(JSON.stringify(body), { status, headers })
  }
}

const pin = { kind: 'pin', match: { kind: 'route', link: 'a', port: 'U1' } } as const
let server: Server

beforeEach(() => {
  vi.useFakeTimers()
  server = new Server()
  vi.spyOn(globalThis, 'fetch').mockImplementation((input) => server.fetch(input))
  setActivePinia(createPinia())
})
afterEach(() => {
  vi.useRealTimers()
  vi.restoreAllMocks()
})

test('changes go one after the other, each with the version of the one before', async () => {
  const build = useBuild()
  await build.open('hare')
  await Promise.all([build.change(pin), build.undo(), build.redo()])
  await vi.waitFor(() => expect(build.unsent).toBe(0))
  expect(server.seen).toEqual(['fit', 'changes', 'undo', 'redo'])
  expect([build.view?.version, build.standing]).toEqual([4, 'saved'])
})

test('a refused change is done with, and what comes after it is sent all the same', async () => {
  const build = useBuild()
  await build.open('hare')
  server.refuse = (path) => (path === 'changes' ? 422 : null)
  await build.change(pin)
  expect([build.standing, build.unsent]).toEqual(['refused', 0])
  expect(build.problem?.sentence).toBe('refused changes')
  await build.undo()
  expect([build.standing, build.problem]).toEqual(['saved', null])
})

test('what cannot be sent waits in its order and goes when the server is back', async () => {
  const build = useBuild()
  await build.open('hare')
  server.gone = true
  await build.change(pin)
  await build.undo()
  expect([build.standing, build.unsent]).toEqual(['offline', 2])
  server.gone = false
  await vi.advanceTimersByTimeAsync(3100)
  await vi.waitFor(() => expect(build.unsent).toBe(0))
  expect(server.seen).toEqual(['fit', 'fit', 'changes', 'undo'])
  expect(build.standing).toBe('saved')
})

test('a change on an old version is offered again: done in the newer build, or given up', async () => {
  const build = useBuild()
  await build.open('hare')
  server.version = 7
  await build.change(pin)
  expect([build.standing, build.unsent]).toEqual(['stale', 1])
  await build.resend()
  expect([build.standing, build.unsent, server.version]).toEqual(['saved', 0, 8])
  server.version = 20
  await build.change(pin)
  await build.drop()
  expect([build.standing, build.unsent, server.version]).toEqual(['saved', 0, 20])
})

test('what waits is sent when its build is opened again, and a decision that is owed stays owed', async () => {
  const build = useBuild()
  await build.open('hare')
  server.gone = true
  await build.change(pin)
  server.gone = false
  await build.open('hare')
  expect([build.unsent, build.standing, server.version]).toEqual([0, 'saved', 2])
  server.version = 9
  await build.change(pin)
  await build.open('hare')
  expect([build.unsent, build.standing, server.version]).toEqual([1, 'stale', 9])
})

test('what waits for one build is kept while another is looked at, and sent when it is opened again', async () => {
  const build = useBuild()
  await build.open('hare')
  server.gone = true
  await build.change(pin)
  server.gone = false
  await build.open('owl')
  expect([build.id, build.unsent, build.standing, server.version]).toEqual(['owl', 0, 'saved', 1])
  await build.open('hare')
  expect([build.unsent, build.standing, server.version]).toEqual([0, 'saved', 2])
})

test('an old change is not done behind the back of a builder who comes back to it', async () => {
  const build = useBuild()
  await build.open('hare')
  server.version = 9
  await build.change(pin)
  await build.open('owl')
  await build.open('hare')
  expect([build.unsent, build.standing, server.version]).toEqual([1, 'stale', 9])
  expect(build.problem?.sentence).toBe('changed elsewhere')
})

test('an answer that comes late is not shown in another build', async () => {
  const build = useBuild()
  await build.open('hare')
  const sent = build.change(pin)
  const opened = build.open('owl')
  await Promise.all([sent, opened])
  expect([build.id, build.unsent, server.version]).toEqual(['owl', 0, 2])
  await build.open('hare')
  expect([build.unsent, server.version]).toEqual([0, 2])
})
