import { useLocalStorage, watchDebounced } from '@vueuse/core'
import { computed, ref, shallowRef, toRaw, type ShallowRef } from 'vue'
import type { BuildTouched, Problem } from '@/api/client'

type Answered<T> = { data: T; problem: null } | { data: null; problem: Problem }

/** How a kind of part is looked at and stored. */
export interface PartDoors<Part, Answer> {
  /** Where it is kept in the browser. */
  key: string
  /** The part that is changed, or null for a new one. */
  id: string | null
  /** The part that is copied, or null. */
  from: string | null
  look: (part: Part | null) => Promise<Answered<Answer>>
  partOf: (answer: Answer) => Part
  isUsable: (answer: Answer) => boolean
  sheet: (id: string) => Promise<Answered<{ part: Part; version: number }>>
  put: (id: string, version: number, part: Part) => Promise<Answered<{ id: string }>>
  post: (part: Part) => Promise<Answered<{ id: string }>>
  preview: (id: string, part: Part) => Promise<Answered<BuildTouched[]>>
}

/**
 * A part that is being described. It is kept in the browser until it is saved, so it outlives leaving, a reload and a
 * server that is gone; the server only looks at it. Each change can be taken back.
 */
export function usePartDraft<Part extends { id: string }, Answer>(doors: PartDoors<Part, Answer>) {
  const kept = useLocalStorage<{ part: Part | null; version: number | null }>(doors.key, {
    part: null,
    version: null,
  })
  const answer: ShallowRef<Answer | null> = shallowRef(null)
  const problem = ref<Problem | null>(null)
  const touched = shallowRef<BuildTouched[]>([])
  const before = shallowRef<Part[]>([])
  const begun = computed(() => kept.value.part !== null)
  /** The part as it stands: at once as it was changed, then as the server has read it. */
  const part: ShallowRef<Part | null> = shallowRef(null)
  let asked = 0

  /** Asks; answers that come late are not taken. */
  async function read(request: () => Promise<Answered<Answer>>): Promise<Answer | null> {
    const turn = ++asked
    const { data, problem: refused } = await request()
    if (turn !== asked) return null
    problem.value = refused
    return data
  }

  /** A change of the part as it stands. What the server refuses to look at is kept all the same. */
  async function change(edit: (part: Part) => Part) {
    if (!part.value) return
    const next = edit(structuredClone(toRaw(part.value)))
    push()
    part.value = next
    kept.value = { ...kept.value, part: next }
    const seen = await read(() => doors.look(next))
    if (seen) show(seen)
  }

  function show(seen: Answer) {
    answer.value = seen
    part.value = doors.partOf(seen)
  }

  function take(seen: Answer) {
    show(seen)
    kept.value = { ...kept.value, part: doors.partOf(seen) }
  }
  function push() {
    if (part.value) before.value = [...before.value.slice(-49), part.value]
  }
  async function undo() {
    const last = before.value.at(-1)
    if (!last) return
    before.value = before.value.slice(0, -1)
    const seen = await read(() => doors.look(last))
    if (seen) take(seen)
  }

  /** Begins with what is kept, else with the part that is changed or copied, else with nothing. */
  async function open() {
    const source = doors.id ?? doors.from
    let start = toRaw(kept.value.part)
    if (!start && source) {
      const { data, problem: refused } = await doors.sheet(source)
      problem.value = refused
      if (!data) return
      start = doors.id ? data.part : { ...data.part, id: '' }
      if (doors.id) kept.value = { ...kept.value, version: data.version }
    }
    const seen = await read(() => doors.look(start))
    if (seen) show(seen)
  }

  function forget() {
    kept.value = { part: null, version: null }
    before.value = []
  }
  /** Forgets what is kept and begins again. */
  async function reset() {
    forget()
    await open()
  }

  /** Stores it. Tells the id; null when it was refused, with the reason in problem. */
  async function save(): Promise<string | null> {
    if (!part.value) return null
    // A new part is called after what it is by the server.
    const own = { ...part.value, id: doors.id ?? '' }
    const { data, problem: refused } = doors.id
      ? await doors.put(doors.id, kept.value.version ?? 1, own)
      : await doors.post(own)
    problem.value = refused
    if (data) forget()
    return data?.id ?? null
  }

  /** After a refusal because it was changed elsewhere: this one is saved over the other version, knowingly. */
  async function adopt() {
    if (!doors.id) return
    const { data } = await doors.sheet(doors.id)
    if (data) kept.value = { ...kept.value, version: data.version }
    problem.value = null
  }

  // What it would do to the builds that have it, while it is changed.
  watchDebounced(
    [part, begun],
    async () => {
      const now = part.value
      const seen = answer.value
      if (!doors.id || !now || !seen || !begun.value || !doors.isUsable(seen)) {
        touched.value = []
        return
      }
      const { data } = await doors.preview(doors.id, now)
      if (now === part.value) touched.value = data ?? []
    },
    { debounce: 400 },
  )

  return {
    answer,
    part,
    kept,
    begun,
    problem,
    touched,
    canUndo: computed(() => before.value.length > 0),
    read,
    change,
    take,
    push,
    undo,
    open,
    reset,
    save,
    adopt,
  }
}
