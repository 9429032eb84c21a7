import { promiseTimeout, useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  api,
  ask,
  type BuildChange,
  type FitStrand,
  type FitView,
  type ChangePreview,
  type LinkUnlocks,
  type PartsChange,
  type Problem,
  type Setup,
} from '@/api/client'

/**
 * How the build on the screen stands to the one that is stored:
 * loading – nothing is known yet; saved – they are the same; saving – a change is on its way;
 * refused – the last change was not taken, the one before it stands; stale – another tab has changed the build;
 * offline – the server does not answer, or cannot store anything now; changes wait here.
 */
export type Standing = 'loading' | 'saved' | 'saving' | 'refused' | 'stale' | 'offline'

type Answer = ReturnType<typeof ask<FitView>>
type Change = (version: number) => Answer

/** No answer; the data folder or the file cannot be written; the disk is full: the change is as good as before, and waits. */
const waits = (status: number | undefined) => status === 0 || status === 503 || status === 507

/** Time between two tries while the server does not answer. */
const retryEvery = 3000

/**
 * The build that all its screens look at, with one queue of changes: they are sent one after the other, each with the
 * version that the one before it gave. A change that could not be sent stays in the queue and is offered again.
 */
export const useBuild = defineStore('build', () => {
  const id = ref('')
  const view = shallowRef<FitView | null>(null)
  const problem = ref<Problem | null>(null)
  const standing = ref<Standing>('loading')
  const moved = ref<string[]>([])
  /** What would carry the links that are left out; null while it is looked for. */
  const unlocks = shallowRef<LinkUnlocks[] | null>([])
  const waiting = shallowRef<Change[]>([])
  const unsent = computed(() => waiting.value.length)
  /** What waits for builds that the builder has gone away from; nothing is dropped but by drop. */
  const left = new Map<string, { changes: Change[]; owed: Problem | null }>()
  let running = false
  /** What is still thought about for the view on the screen; stopped when the builder goes on. */
  let thought = new AbortController()

  const path = () => ({ id: id.value })
  const again = useIntervalFn(() => void resend(), retryEvery, { immediate: false })

  function show(next: FitView) {
    view.value = next
    moved.value = next.moved
    void look(next)
  }

  function settle(answer: Awaited<Answer>): boolean {
    problem.value = answer.problem
    if (answer.data) show(answer.data)
    const status = answer.problem?.status
    if (status === undefined) standing.value = 'saved'
    else standing.value = waits(status) ? 'offline' : status === 409 ? 'stale' : 'refused'
    // Who has to make room says himself when it is made.
    if (status === 0) again.resume()
    else again.pause()
    return standing.value !== 'offline' && standing.value !== 'stale'
  }

  // Every change of parts is planned for this, so it is asked for only where a link is left out, once the sheet is
  // painted and the builder holds still.
  async function look(at: FitView) {
    rest()
    const { signal } = thought
    unlocks.value = at.sheet.conflicts.length > 0 ? null : []
    if (unlocks.value !== null && !at.sheet.proof?.isWorking) return
    await promiseTimeout(250)
    if (view.value !== at || signal.aborted) return
    if (at.sheet.proof?.isWorking) await think(at, signal)
    if (view.value !== at || unlocks.value !== null) return
    const answer = await ask(() =>
      api.GET('/api/builds/{id}/unlocks', { params: { path: path() }, signal }),
    )
    if (view.value === at) unlocks.value = answer.data ?? []
  }

  /** The first look has left something open: what comes of a longer one takes its place. */
  async function think(at: FitView, signal: AbortSignal) {
    const answer = await ask(() =>
      api.GET('/api/builds/{id}/fit/patient', {
        params: { path: path(), query: { version: at.version } },
        signal,
      }),
    )
    if (view.value !== at || !answer.data) return
    show({ ...answer.data, moved: [...at.moved, ...answer.data.moved] })
  }

  /** Nobody looks any more: what is still thought about is stopped. */
  function rest() {
    thought.abort()
    thought = new AbortController()
  }

  async function read() {
    const of = id.value
    if (view.value === null) standing.value = 'loading'
    const answer = await ask(() =>
      api.GET('/api/builds/{id}/fit', { params: { path: { id: of } } }),
    )
    // The builder may have gone to another build meanwhile.
    if (of === id.value) settle(answer)
  }

  /** Opens a build. Opened again, it is read again and what waits is sent, unless the builder has to decide about that first. */
  async function open(build: string) {
    let owed = standing.value === 'stale' ? problem.value : null
    if (build !== id.value) {
      left.set(id.value, { changes: waiting.value, owed })
      const back = left.get(build)
      left.delete(build)
      id.value = build
      view.value = null
      waiting.value = back?.changes ?? []
      owed = back?.owed ?? null
    }
    if (unsent.value === 0) await read()
    else if (owed === null) await resend()
    else {
      await read()
      if (id.value === build && standing.value === 'saved') {
        standing.value = 'stale'
        problem.value = owed
      }
    }
  }

  /** Reads the build again and sends what waits. */
  async function resend() {
    if (running) return
    await read()
    if (standing.value === 'saved') await pump()
  }

  /** Gives up what waits and shows what is stored. */
  async function drop() {
    waiting.value = []
    await read()
  }

  function send(change: Change) {
    waiting.value = [...waiting.value, change]
    return pump()
  }

  async function pump() {
    if (running) return
    running = true
    try {
      for (let next = waiting.value[0]; next; next = waiting.value[0]) {
        const of = id.value
        const version = view.value?.version
        if (version === undefined) return
        standing.value = 'saving'
        const answer = await next(version)
        // What was answered, taken or refused, is done with; what was not stays and is offered again.
        if (of === id.value) {
          if (!settle(answer)) return
          waiting.value = waiting.value.slice(1)
        } else {
          const there = left.get(of)
          const status = answer.problem?.status
          if (there && status === 409) there.owed = answer.problem
          else if (there && !waits(status)) there.changes = there.changes.slice(1)
        }
      }
    } finally {
      running = false
    }
  }

  const change = (change: BuildChange) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/changes', {
          params: { path: path() },
          body: { version, change },
        }),
      ),
    )

  const setUp = (setup: Setup) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/setup', { params: { path: path() }, body: { version, setup } }),
      ),
    )

  const changeParts = (change: PartsChange) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/parts', { params: { path: path() }, body: { version, change } }),
      ),
    )

  const unlock = (unlock: string) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/unlock', {
          params: { path: path() },
          body: { version, unlock },
        }),
      ),
    )

  const undo = () =>
    send((version) =>
      ask(() => api.POST('/api/builds/{id}/undo', { params: { path: path() }, body: { version } })),
    )

  const redo = () =>
    send((version) =>
      ask(() => api.POST('/api/builds/{id}/redo', { params: { path: path() }, body: { version } })),
    )

  const choose = (plan: number) =>
    send((version) =>
      ask(() =>
        api.POST('/api/builds/{id}/choose', { params: { path: path() }, body: { version, plan } }),
      ),
    )

  /** A step of the loom is done, done on another pad, or not done after all. */
  const tick = (step: string, isDone: boolean, pad: string | null = null) =>
    send(() =>
      ask(() =>
        api.POST('/api/builds/{id}/loom/ticks', {
          params: { path: path() },
          body: { step, isDone, pad },
        }),
      ),
    )

  /** Settings stand as wanted, or not after all. */
  const tickSettings = (keys: string[], isDone: boolean) =>
    send(() =>
      ask(() =>
        api.POST('/api/builds/{id}/settings/ticks', {
          params: { path: path() },
          body: { keys, isDone },
        }),
      ),
    )

  /** What a change of the parts would do to the plan; nothing is stored. */
  const preview = (change: PartsChange): ReturnType<typeof ask<ChangePreview>> =>
    ask(() =>
      api.POST('/api/builds/{id}/parts/preview', {
        params: { path: path() },
        body: { version: view.value?.version ?? 0, change },
      }),
    )

  /** The strand of one cell; asked for when the cell is looked at. */
  const strand = (link: string, port: string): ReturnType<typeof ask<FitStrand>> =>
    ask(() =>
      api.GET('/api/builds/{id}/strand', { params: { path: path(), query: { link, port } } }),
    )

  return {
    id,
    view,
    problem,
    standing,
    unsent,
    moved,
    unlocks,
    open,
    rest,
    resend,
    drop,
    change,
    setUp,
    changeParts,
    unlock,
    choose,
    tick,
    tickSettings,
    undo,
    redo,
    preview,
    strand,
  }
})
