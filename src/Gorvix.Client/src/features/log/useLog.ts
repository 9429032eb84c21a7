import { ref, shallowRef } from 'vue'
import { craftChanged } from '@/features/build/useCraft'
import {
  api,
  ask,
  type EntryKind,
  type Interval,
  type LogEntry,
  type LogView,
  type NoteRequest,
  type Problem,
  sendFile,
} from '@/api/client'

/** As many entries as a screen or three hold; older ones are asked for. */
const page = 50

/** The log of a build: read page by page, written to, and photos put in. */
export function useLog(build: () => string, kinds: () => EntryKind[]) {
  const view = shallowRef<LogView | null>(null)
  const entries = shallowRef<LogEntry[]>([])
  const problem = ref<Problem | null>(null)
  const busy = ref(false)
  let turn = 0

  async function read(older = false) {
    const own = ++turn
    const before = older ? (view.value?.older ?? undefined) : undefined
    const { data, problem: refused } = await ask(() =>
      api.GET('/api/builds/{id}/log', {
        params: {
          path: { id: build() },
          query: { before, most: page, kinds: kinds().join(',') || undefined },
        },
      }),
    )
    if (own !== turn) return
    problem.value = refused
    if (!data) return
    view.value = data
    entries.value = older ? [...entries.value, ...data.entries] : data.entries
  }

  async function act(request: () => ReturnType<typeof ask>) {
    busy.value = true
    const answer = await request()
    busy.value = false
    if (answer.problem) {
      problem.value = answer.problem
      return false
    }
    craftChanged()
    await read()
    return true
  }

  const params = () => ({ path: { id: build() } })
  const write = (note: Pick<NoteRequest, 'kind'> & Partial<NoteRequest>) =>
    act(() =>
      ask(() =>
        api.POST('/api/builds/{id}/log/notes', {
          params: params(),
          body: { words: '', flights: 0, ...note },
        }),
      ),
    )
  const put = (intervals: Interval[]) =>
    act(() =>
      ask(() =>
        api.PUT('/api/builds/{id}/log/intervals', { params: params(), body: { intervals } }),
      ),
    )
  const photo = (file: File, words: string, tied: string, tiedId: string | null) =>
    act(() => {
      const query = new URLSearchParams({ words, tied, ...(tiedId ? { tiedId } : {}) })
      return sendFile(`/api/builds/${encodeURIComponent(build())}/log/photos?${query}`, file)
    })
  const remove = (entry: LogEntry) =>
    act(() =>
      ask(() =>
        entry.kind === 'photo'
          ? api.DELETE('/api/builds/{id}/log/photos/{number}', {
              params: { path: { id: build(), number: entry.number } },
            })
          : entry.kind === 'text'
            ? api.DELETE('/api/builds/{id}/texts/{number}', {
                params: { path: { id: build(), number: entry.number } },
              })
            : api.DELETE('/api/builds/{id}/log/notes/{number}', {
                params: { path: { id: build(), number: entry.number } },
              }),
      ),
    )
  const strike = (entry: LogEntry, struck: boolean) =>
    act(() =>
      ask(() =>
        api.PUT('/api/builds/{id}/log/readings/struck', {
          params: { path: { id: build() } },
          body: { key: entry.key ?? '', struck },
        }),
      ),
    )
  return { view, entries, problem, busy, read, write, put, photo, remove, strike }
}

/** What each kind of entry is called, and the letter that stands for it. */
export const kindsOf: Record<EntryKind, { letter: string; words: string; one: string }> = {
  change: { letter: 'C', words: 'Changes', one: 'change' },
  reading: { letter: 'R', words: 'Readings', one: 'reading' },
  text: { letter: 'T', words: 'Dumps', one: 'dump' },
  photo: { letter: 'P', words: 'Photos', one: 'photo' },
  note: { letter: 'N', words: 'Notes', one: 'note' },
}

/** Entries of one day. */
export function byDay(entries: LogEntry[], dayOf: (at: string) => string) {
  const days: { day: string; entries: LogEntry[] }[] = []
  for (const entry of entries) {
    const day = dayOf(entry.at)
    const last = days[days.length - 1]
    if (last?.day === day) last.entries.push(entry)
    else days.push({ day, entries: [entry] })
  }
  return days
}
