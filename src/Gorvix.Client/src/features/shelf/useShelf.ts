import { computed, ref, shallowRef } from 'vue'
import { api, ask, type PartsChange, type Problem, sendFile, type ShelfBuild } from '@/api/client'

/** How the shelf is ordered. */
export const orders = [
  { value: 'changed', title: 'last changed' },
  { value: 'name', title: 'name' },
  { value: 'verdict', title: 'most problems' },
] as const
export type Order = (typeof orders)[number]['value']

/** Cards that are put on the page at once; the rest is asked for. */
const step = 48

/** So many are planned at once. */
const together = 2

const weight = { stop: 0, warn: 1, note: 2 }
const leftOut = (b: ShelfBuild) => b.verdict.wanted - b.verdict.carried
const compare: Record<Order, (a: ShelfBuild, b: ShelfBuild) => number> = {
  changed: (a, b) => b.changedAt.localeCompare(a.changedAt),
  name: (a, b) => a.name.localeCompare(b.name),
  verdict: (a, b) =>
    weight[a.verdict.severity] - weight[b.verdict.severity] || leftOut(b) - leftOut(a),
}

/** The builds on the shelf: searched, ordered, named, duplicated, laid aside, removed and put back. */
export function useShelf() {
  const builds = shallowRef<ShelfBuild[] | null>(null)
  const problem = ref<Problem | null>(null)
  const fresh = ref<string | null>(null)
  /** The last thing that was done and can be taken back. */
  const done = shallowRef<{ words: string; back: () => Promise<void> } | null>(null)
  const search = ref('')
  const order = ref<Order>('changed')
  const aside = ref(false)
  const most = ref(step)

  const laidAside = computed(() => builds.value?.filter((b) => b.isArchived).length ?? 0)
  const found = computed(() => {
    const words = search.value.toLowerCase().split(/\s+/)
    return (builds.value ?? [])
      .filter((b) => b.isArchived === aside.value)
      .filter((b) => {
        const text = `${b.name} ${b.note ?? ''} ${b.board} ${b.verdict.sentence}`.toLowerCase()
        return words.every((w) => text.includes(w))
      })
      .sort(compare[order.value])
  })
  const shown = computed(() => found.value.slice(0, most.value))
  const more = () => (most.value += step)

  let planning = new AbortController()

  async function load() {
    rest()
    const { signal } = planning
    const answer = await ask(() => api.GET('/api/builds', { signal }))
    if (signal.aborted) return
    problem.value = answer.problem
    builds.value = answer.data ?? builds.value
    // The last one was put in front, or taken away.
    if (laidAside.value === 0) aside.value = false
    // What is on the page first.
    const first = new Map(shown.value.map((b, i) => [b.id, i]))
    const pending = (builds.value ?? [])
      .filter((b) => b.isPending)
      .sort((a, b) => (first.get(a.id) ?? step) - (first.get(b.id) ?? step))
    await Promise.all(Array.from({ length: together }, () => plan(pending, signal)))
  }

  /** Has the builds planned that stand there with what was told before, one after the other. */
  async function plan(pending: ShelfBuild[], signal: AbortSignal) {
    for (let next = pending.shift(); next; next = pending.shift()) {
      const { id } = next
      const answer = await ask(() =>
        api.GET('/api/builds/{id}/card', { params: { path: { id } }, signal }),
      )
      if (signal.aborted) return
      const card = answer.data ?? notPlanned(next, answer.problem?.sentence ?? '')
      builds.value = builds.value?.map((b) => (b.id === id ? card : b)) ?? null
    }
  }

  /** A build that could not be planned now keeps what was told of it last. */
  const notPlanned = (last: ShelfBuild, why: string): ShelfBuild => ({
    ...last,
    isPending: false,
    verdict: last.board
      ? { ...last.verdict, sentence: `${last.verdict.sentence} Plan out of date: ${why}` }
      : { ...last.verdict, sentence: why, severity: 'stop' },
  })

  /** Nobody looks any more. */
  function rest() {
    planning.abort()
    planning = new AbortController()
  }

  type Step = 'remove' | 'restore' | 'archive' | 'unarchive' | 'duplicate'
  function post(id: string, step: Step) {
    const params = { params: { path: { id } } }
    switch (step) {
      case 'remove':
        return ask(() => api.POST('/api/builds/{id}/remove', params))
      case 'restore':
        return ask(() => api.POST('/api/builds/{id}/restore', params))
      case 'archive':
        return ask(() => api.POST('/api/builds/{id}/archive', params))
      case 'unarchive':
        return ask(() => api.POST('/api/builds/{id}/unarchive', params))
      default:
        return ask(() => api.POST('/api/builds/{id}/duplicate', params))
    }
  }

  async function act(build: ShelfBuild, step: Step, words: string, undo: Step) {
    const answer = await post(build.id, step)
    await load()
    problem.value = answer.problem ?? problem.value
    if (answer.problem) return
    const id = (answer.data as ShelfBuild | undefined)?.id ?? build.id
    if (step === 'duplicate') fresh.value = id
    done.value = {
      words,
      back: async () => {
        done.value = null
        const undone = await post(id, undo)
        await load()
        problem.value = undone.problem ?? problem.value
      },
    }
  }

  const remove = (b: ShelfBuild) => act(b, 'remove', `“${b.name}” deleted.`, 'restore')
  const duplicate = (b: ShelfBuild) => act(b, 'duplicate', `“${b.name}” duplicated.`, 'remove')
  const archive = (b: ShelfBuild) =>
    b.isArchived
      ? act(b, 'unarchive', `“${b.name}” unarchived.`, 'archive')
      : act(b, 'archive', `“${b.name}” archived.`, 'unarchive')

  /** Another name or note; the reason when it was refused. */
  async function change(build: ShelfBuild, changes: PartsChange[]): Promise<Problem | null> {
    let version = build.version
    for (const change of changes) {
      const answer = await ask(() =>
        api.POST('/api/builds/{id}/parts', {
          params: { path: { id: build.id } },
          body: { version, change },
        }),
      )
      if (answer.problem) return answer.problem
      version = answer.data.version
    }
    await load()
    return null
  }

  /** The whole record of a build, from its archive. */
  async function takeRecord(file: File) {
    const answer = await sendFile<ShelfBuild>('/api/records', file)
    await load()
    problem.value = answer.problem ?? problem.value
    if (answer.data) fresh.value = answer.data.id
  }

  return {
    takeRecord,
    builds,
    found,
    shown,
    more,
    search,
    order,
    aside,
    laidAside,
    problem,
    fresh,
    done,
    load,
    rest,
    remove,
    duplicate,
    archive,
    change,
  }
}
