import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import {
  api,
  ask,
  type Board,
  type BoardAnswer,
  type BoardDraft,
  type LeafletStep,
  type Problem,
} from '@/api/client'
import { usePartDraft } from './usePartDraft'

interface Place {
  x: number
  y: number
}
const round = (mm: number) => Math.round(mm * 100) / 100

/** A board that is being described: by fields, by lines typed beside it, or as one text. */
export function useBoardDraft(id: string | null, from: string | null) {
  const key = id ? `gorvix-board-${id}` : from ? `gorvix-board-from-${from}` : 'gorvix-board'
  /** The leaflet as it is typed, while it stands as text; null while it stands as fields. */
  const text = useLocalStorage<string | null>(`${key}-text`, null)
  const look = (body: Partial<BoardDraft>) =>
    ask(() =>
      api.POST('/api/describe/board', { body: { board: null, text: null, lines: null, ...body } }),
    )
  const draft = usePartDraft<Board, BoardAnswer>({
    key,
    id,
    from,
    look: (board) => look(board ? { board } : { text: '' }),
    partOf: (answer) => answer.look.board,
    isUsable: (answer) => answer.look.usable && answer.problems.length === 0,
    sheet: (of) =>
      ask(() => api.GET('/api/library/boards/{id}/sheet', { params: { path: { id: of } } })),
    put: (of, version, part) =>
      ask(() =>
        api.PUT('/api/library/boards/{id}', {
          params: { path: { id: of } },
          body: { version, part },
        }),
      ),
    post: (body) => ask(() => api.POST('/api/library/boards', { body })),
    preview: (of, body) =>
      ask(() =>
        api.POST('/api/library/boards/{id}/preview', { params: { path: { id: of } }, body }),
      ),
  })

  /** What lines would come to; nothing is taken. */
  async function preview(lines: string): Promise<BoardAnswer | null> {
    return (await look({ board: draft.part.value, lines })).data
  }

  /** Lines of leaflet text; when one of them cannot be read, nothing is taken. */
  async function add(lines: string): Promise<BoardAnswer | null> {
    const seen = await draft.read(() => look({ board: draft.part.value, lines }))
    if (!seen || seen.problems.length > 0) return seen
    draft.push()
    draft.take(seen)
    return seen
  }

  /** New pads at places of one side, in a row from the first to the last; tells what is wrong with their labels. */
  async function put(labels: string[], side: 'top' | 'bottom', from: Place, to: Place) {
    const before = new Set(draft.part.value?.pads.map((p) => p.id))
    const seen = await draft.read(() =>
      look({ board: draft.part.value, lines: `${side}: ${labels.join(' ')}` }),
    )
    if (!seen || seen.problems.length > 0) return seen
    const last = Math.max(1, labels.length - 1)
    const fresh = seen.look.board.pads.filter((p) => !before.has(p.id))
    const pads = seen.look.board.pads.map((p) => {
      const at = fresh.indexOf(p)
      return at < 0
        ? p
        : {
            ...p,
            x: round(from.x + ((to.x - from.x) * at) / last),
            y: round(from.y + ((to.y - from.y) * at) / last),
          }
    })
    const placed = await draft.read(() => look({ board: { ...seen.look.board, pads } }))
    if (!placed) return null
    draft.push()
    draft.take(placed)
    return placed
  }

  /** A list of pads (CSV) in place of those that the board has; tells what is wrong with it. */
  async function list(pads: string): Promise<Problem | null> {
    const { data, problem } = await look({ board: draft.part.value, pads })
    if (!data) return problem
    draft.push()
    draft.take(data)
    return null
  }

  /** The whole leaflet as text; what can be read of it is the board. */
  async function write(now: string) {
    if (text.value === null) draft.push()
    text.value = now
    const seen = await draft.read(() => look({ text: now }))
    if (seen) draft.take(seen)
  }
  /** Back to fields: what can be read of the text stays. */
  function leaveText() {
    text.value = null
  }

  /** What is taken back was a board; it stands as fields again. */
  async function undo() {
    text.value = null
    await draft.undo()
  }

  async function open() {
    if (text.value !== null) await write(text.value)
    else await draft.open()
  }
  async function reset() {
    text.value = null
    await draft.reset()
  }
  async function save() {
    const saved = await draft.save()
    if (saved) text.value = null
    return saved
  }

  const seen = computed(() => draft.answer.value?.look ?? null)
  const notesAt = (step: LeafletStep) => seen.value?.notes.filter((n) => n.step === step) ?? []
  void open()
  return {
    ...draft,
    look: seen,
    text,
    notesAt,
    preview,
    add,
    put,
    list,
    write,
    leaveText,
    undo,
    reset,
    save,
  }
}
