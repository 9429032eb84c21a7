import createClient from 'openapi-fetch'
import { limits } from './limits'
import type * as schema from './schema'
import type { Finding, paths } from './schema'

export type * from './schema'
export type Answer = NonNullable<schema.Answer>
export type GnssGeneration = NonNullable<schema.GnssGeneration>

/** Who works here: a name that stands in the log beside what is done, and beside scores. It is no account. */
export const who = {
  get: () => globalThis.localStorage?.getItem('gorvix-who') ?? '',
  set: (name: string) =>
    globalThis.localStorage?.setItem('gorvix-who', name.trim().slice(0, limits.person)),
}

// Asked for at each call: the browser's own, or a stand-in in a test.
export const api = createClient<paths>({
  baseUrl: globalThis.location?.origin ?? '',
  fetch: (request) => {
    request.headers.set('Gorvix-Who', encodeURIComponent(who.get()))
    return globalThis.fetch(request)
  },
})

/** What went wrong, as the builder reads it. */
export interface Problem {
  status: number
  sentence: string
  findings: Finding[]
  /** What a fault is found by in the log; none where it is no fault. */
  number?: string
}

/** Makes a problem of any error body; status 0 means that no answer came. */
export function problemOf(body: unknown, status: number): Problem {
  const details = (body ?? {}) as {
    detail?: string
    title?: string
    findings?: Finding[]
    traceId?: string
  }
  return {
    status,
    sentence:
      details.detail ??
      details.title ??
      `The server returned error ${status} without a reason. Try again.`,
    findings: details.findings ?? [],
    ...(status >= 500 && details.traceId ? { number: details.traceId } : {}),
  }
}

const unreachable: Problem = {
  status: 0,
  sentence:
    'Gorvix is not responding. Check that ./start is still running. This page shows the last saved state.',
  findings: [],
}

/** Sends a file as it is. */
export async function sendFile<T>(
  path: string,
  file: File,
): Promise<{ data: T; problem: null } | { data: null; problem: Problem }> {
  return ask<T>(async () => {
    const response = await globalThis.fetch(path, {
      method: 'POST',
      body: file,
      headers: {
        'Content-Type': 'application/octet-stream',
        'Gorvix-Who': encodeURIComponent(who.get()),
      },
    })
    const body = (await response.json().catch(() => undefined)) as T
    return response.ok ? { data: body, response } : { error: body, response }
  })
}

/** Gets a picture, with its address as a picture of a page can have it; where a photo is sent, one that is made of it. */
export async function askForPicture(
  path: string,
  file: Blob | null = null,
): Promise<
  { data: { url: string; file: Blob }; problem: null } | { data: null; problem: Problem }
> {
  return ask(async () => {
    const sent = { body: file, headers: { 'Content-Type': 'application/octet-stream' } }
    const response = await globalThis.fetch(path, file ? { method: 'POST', ...sent } : undefined)
    if (!response.ok) {
      return { error: (await response.json().catch(() => undefined)) as unknown, response }
    }
    const picture = await response.blob()
    return { data: { url: await addressOf(picture), file: picture }, response }
  })
}

/** A picture as an address that holds all of it. */
const addressOf = (picture: Blob) =>
  new Promise<string>((done, failed) => {
    const reader = new FileReader()
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => failed(reader.error ?? new Error('unreadable'))
    reader.readAsDataURL(picture)
  })

/** Runs a request; a refusal or a dead server comes back as a problem, never as an exception. */
export async function ask<T>(
  request: () => Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<{ data: T; problem: null } | { data: null; problem: Problem }> {
  try {
    const { data, error, response } = await request()
    return response.ok
      ? { data: data as T, problem: null }
      : { data: null, problem: problemOf(error, response.status) }
  } catch {
    return { data: null, problem: unreachable }
  }
}
