import { useLocalStorage, watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import {
  api,
  ask,
  type Board,
  type BoardAnswer,
  type BuildTouched,
  type LeafletStep,
  type Problem,
} from '@/api/client'

/** What is kept of a board in the making until it is saved. */
interface Kept {
  board: Board | null
  /** The version that it was made from; null for a new one. */
  version: number | null
  /** The leaflet as it is typed, while it stands as text and cannot be read whole. */
  text: string | null
}

/**
 * A board that is being described. It is kept in the browser until it is saved, so it outlives leaving, a reload and a
 * server that is gone; the server only looks at it. Each change can be taken back.
 */
export function useBoardDraft(id: string | null, from: string | null) {
  const key = id ? `gorvix-board-${id}` : from ? `gorvix-board-from-${from}` : 'gorvix-board-new'
  const kept = useLocalStorage<Kept>(key, { board: null, version: null, text: null })
  const answer = shallowRef<BoardAnswer | null>(null)
  const problem = ref<Problem | null>(null)
  const touched = shallowRef<BuildTouched[]>([])
  const before = shallowRef<Board[]>([])
  const saved = ref(false)
  const begun = computed(() => kept.value.board !== null || kept.value.text !== null)

  const look = computed(() => answer.value?.look ?? null)
  const board = computed(() => look.value?.board ?? null)
  let asked = 0

  async function read(body: { board?: Board | null; text?: string | null; lines?: string | null }) {
    const turn = ++asked
    const { data, problem: refused } = await ask(() =>
      api.POST('/api/describe/board', { body: { board: null, text: null, lines: null, ...body } }),
    )
    // Answers that come late are not shown.
    if (turn !== asked) return null
    problem.value = refused
    return data ?? null
  }

  /** A change of the board as it stands. */
  async function change(edit: (board: Board) => Board) {
    if (!board.value) return
    const next = edit(structuredClone(board.value))
    push()
    kept.value = { ...kept.value, board: next, text: null }
    const seen = await read({ board: next })
    if (seen) take(seen)
  }

  /** Lines of leaflet text; when one of them cannot be read, nothing is taken. */
  async function add(lines: string): Promise<BoardAnswer | null> {
    const seen = await read({ board: board.value, lines })
    if (!seen || seen.problems.length > 0) return seen
    push()
    take(seen)
    return seen
  }

  /** What lines would come to; nothing is taken. */
  async function preview(lines: string): Promise<BoardAnswer | null> {
    const { data } = await ask(() =>
      api.POST('/api/describe/board', { body: { board: board.value, text: null, lines } }),
    )
    return data ?? null
  }

  /** The whole leaflet as text; what can be read of it is the board. */
  async function write(text: string) {
    if (kept.value.text === null) push()
    kept.value = { ...kept.value, text }
    const seen = await read({ text })
    if (!seen) return
    answer.value = seen
    kept.value = { ...kept.value, board: seen.look.board }
  }

  function take(seen: BoardAnswer) {
    answer.value = seen
    saved.value = false
    kept.value = { ...kept.value, board: seen.look.board, text: null }
  }
  function push() {
    if (board.value) before.value = [...before.value.slice(-49), board.value]
  }
  async function undo() {
    const last = before.value.at(-1)
    if (!last) return
    before.value = before.value.slice(0, -1)
    const seen = await read({ board: last })
    if (seen) take(seen)
  }

  /** Begins with what is kept, else with the part that is changed or copied, else with an empty leaflet. */
  async function open() {
    const source = id ?? from
    if (kept.value.text !== null) return void (await write(kept.value.text))
    let start = kept.value.board
    if (!start && source) {
      const { data, problem: refused } = await ask(() =>
        api.GET('/api/library/boards/{id}/sheet', { params: { path: { id: source } } }),
      )
      problem.value = refused
      if (!data) return
      start = id ? data.part : { ...data.part, id: '' }
      if (id) kept.value = { ...kept.value, version: data.version }
    }
    const seen = await read(start ? { board: start } : { text: '' })
    if (seen) answer.value = seen
  }

  /** Forgets what is kept and begins again. */
  async function reset() {
    kept.value = { board: null, version: null, text: null }
    before.value = []
    await open()
  }

  /** Stores it. Tells the id; null when it was refused, with the reason in problem. */
  async function save(): Promise<string | null> {
    if (!board.value) return null
    // A new board is called after maker, name and revision by the server.
    const part = { ...board.value, id: id ?? '' }
    const { data, problem: refused } = id
      ? await ask(() =>
          api.PUT('/api/library/boards/{id}', {
            params: { path: { id } },
            body: { version: kept.value.version ?? 1, part },
          }),
        )
      : await ask(() => api.POST('/api/library/boards', { body: part }))
    problem.value = refused
    if (!data) return null
    kept.value = { board: null, version: null, text: null }
    saved.value = true
    return data.id
  }

  /** After a refusal because it was changed elsewhere: the other version is now the one that this is saved over. */
  async function adopt() {
    if (!id) return
    const { data } = await ask(() =>
      api.GET('/api/library/boards/{id}/sheet', { params: { path: { id } } }),
    )
    if (data) kept.value = { ...kept.value, version: data.version }
    problem.value = null
  }

  // What it would do to the builds that have it, while it is changed.
  watchDebounced(
    board,
    async (now) => {
      if (!id || !now || !look.value?.usable || !begun.value) return (touched.value = [])
      const { data } = await ask(() =>
        api.POST('/api/library/boards/{id}/foretold', { params: { path: { id } }, body: now }),
      )
      if (now === board.value) touched.value = data ?? []
    },
    { debounce: 400 },
  )

  const notesAt = (step: LeafletStep) => look.value?.notes.filter((n) => n.step === step) ?? []

  watch(() => [id, from], open, { immediate: true })
  return {
    answer,
    look,
    board,
    kept,
    begun,
    problem,
    touched,
    saved,
    canUndo: computed(() => before.value.length > 0),
    notesAt,
    change,
    add,
    preview,
    write,
    undo,
    reset,
    save,
    adopt,
  }
}

export type BoardDraft = ReturnType<typeof useBoardDraft>
