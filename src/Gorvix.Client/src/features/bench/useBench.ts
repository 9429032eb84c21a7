import { promiseTimeout, until, useLocalStorage } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import {
  api,
  ask,
  type Answer,
  type BenchCheck,
  type BenchView,
  type CheckState,
  type Judgement,
  type Problem,
  type TakenView,
} from '@/api/client'
import { craftChanged } from '@/features/build/useCraft'
import { amps, volts } from '@/ui/quantities'

/** A reading that was taken here; it waits until the server has it. */
export interface Taken {
  key: string
  check: string
  value: number | null
  answer: Answer | null
  at: string
  /** The print of the check as it was then: a reading of another wiring is not taken for the one of now. */
  print: string | null
  reason: string | null
}

/** A check with how it stands, readings that wait included. */
export interface Row {
  check: BenchCheck
  state: CheckState
  /** What was read last, in words, with what it came to; null where it never was. */
  last: { read: string; judgement: Judgement; at: string; who: string } | null
  /** What has changed since, line by line. */
  changed: string[]
  /** Why it is not safe to do yet; null where it is. */
  against: string | null
}

const retryEvery = 3000
export const stateOf = { good: 'proved', doubtful: 'doubtful', stop: 'stopped' } as const

/** What a check makes of a reading: looked up in what it brought along, so it works where no server is in reach. */
export function judge(check: BenchCheck, value: number | null, answer: Answer | null) {
  return value !== null
    ? check.bands.find((b) => b.upTo === null || b.upTo === undefined || value <= b.upTo)?.judgement
    : check.answers.find((a) => a.answer === answer)?.judgement
}

/** The answer that is good. */
export const goodAnswer = (check: BenchCheck) =>
  check.answers.find((a) => a.judgement.mark === 'good')?.answer ?? 'yes'

const units = { volts: 'V', amps: 'A', ohms: 'Ω' }

/** Why a dangerous check waits: what does so comes with the checks, here it is only looked up. Null where nothing does. */
export function heldBack(
  check: BenchCheck,
  before: Row[],
  unsafe: string[],
  gate: BenchView['gate'],
): string | null {
  if (!check.isDangerous) return null
  if (unsafe[0]) return unsafe[0]
  for (const state of gate.halting) {
    const halts = before.filter((r) => r.state === state).flatMap((r) => r.check.halts ?? [])
    const halt = halts.find((h) => h.state === state)
    if (halt) return halt.words
  }
  const after = new Set(check.after)
  const missing = before.filter((r) => after.has(r.check.id) && !gate.done.includes(r.state))
  return missing.length === 0
    ? null
    : (missing.length === 1 ? gate.one : gate.many)
        .replace('{count}', `${missing.length}`)
        .replace('{title}', missing[0]?.check.title ?? '')
}

/** The sign of a check's unit; empty where it takes no number. */
export const unitOf = (check: BenchCheck) => (check.unit ? units[check.unit] : '')

/** What an answer is called at a check. */
export const answerWords = (check: BenchCheck, answer: Answer) =>
  check.labels?.[['yes', 'no', 'unsure'].indexOf(answer)] ?? ''

function readWords(check: BenchCheck, value: number | null, answer: Answer | null) {
  return value === null
    ? answerWords(check, answer ?? 'unsure').toLowerCase()
    : check.unit === 'volts'
      ? volts(value)
      : check.unit === 'amps'
        ? amps(value)
        : `${value} ${unitOf(check)}`
}

/**
 * The bench of a build. A reading is judged and shown at once and sent after: what cannot be sent waits in the browser, through a restart as well,
 * and is sent when the server answers again.
 */
export function useBench(build: () => string) {
  const view = shallowRef<BenchView | null>(null)
  const problem = ref<Problem | null>(null)
  const offline = ref(false)
  /** Readings that the server refused, with its sentence. */
  const refused = ref<{ taken: Taken; title: string; sentence: string }[]>([])
  const queues = useLocalStorage<Record<string, Taken[]>>('gorvix-bench', {})
  const waiting = computed(() => queues.value[build()] ?? [])
  // What was read here, the last last: it can be taken back one by one.
  const done = ref<{ key: string; check: string }[]>([])
  const last = computed(() => done.value.at(-1) ?? null)
  let turn = 0
  let running = false
  let gone = false
  onScopeDispose(() => (gone = true))

  const rows = computed<Row[]>(() => {
    if (!view.value) return []
    const known = new Map(view.value.readings.map((r) => [r.check, r]))
    const taken = new Map(waiting.value.map((t) => [t.check, t]))
    const standings = new Map(view.value.standings.map((s) => [s.check, s]))
    const list = view.value.checks.map((check): Row => {
      const standing = standings.get(check.id)
      const own = taken.get(check.id)
      const judgement = own && judge(check, own.value, own.answer)
      if (own && judgement)
        return {
          check,
          state: stateOf[judgement.mark],
          last: { read: readWords(check, own.value, own.answer), judgement, at: own.at, who: '' },
          changed: [],
          against: null,
        }
      const read = known.get(check.id)
      return {
        check,
        state: standing?.state ?? 'open',
        last: read
          ? {
              read: readWords(check, read.value ?? null, read.answer ?? null),
              judgement: judge(check, read.value ?? null, read.answer ?? null) ?? {
                mark: read.mark,
                words: read.words,
                look: null,
              },
              at: read.at,
              who: read.who ?? '',
            }
          : null,
        changed: standing?.changed ?? [],
        against: null,
      }
    })
    const { unsafe, gate } = view.value
    return list.map((row, i) => ({
      ...row,
      against: heldBack(row.check, list.slice(0, i), unsafe, gate),
    }))
  })

  function show(data: BenchView | null, refusal: Problem | null) {
    view.value = data ?? view.value
    problem.value = refusal?.status === 0 && view.value ? null : refusal
    offline.value = refusal?.status === 0
  }

  // What a reading changed comes back, not the checks; only where the source was measured do they expect something else.
  function follow(now: TakenView | null) {
    if (!now) return
    craftChanged()
    if (view.value?.version !== now.version || view.value.sourceVolts !== now.sourceVolts) {
      void read()
      return
    }
    const reading = now.reading
    view.value = {
      ...view.value,
      standings: now.standings,
      readings: reading
        ? [...view.value.readings.filter((r) => r.check !== reading.check), reading]
        : view.value.readings,
    }
  }

  async function read() {
    const own = ++turn
    const { data, problem: refusal } = await ask(() =>
      api.GET('/api/builds/{id}/bench', { params: { path: { id: build() } } }),
    )
    if (own !== turn) return
    show(data, refusal)
    void pump()
  }

  function put(list: Taken[]) {
    queues.value = { ...queues.value, [build()]: list }
  }

  /** Takes a reading. */
  function take(
    check: BenchCheck,
    value: number | null,
    answer: Answer | null,
    reason: string | null,
  ) {
    const key = crypto.randomUUID()
    done.value = [...done.value, { key, check: check.id }]
    put([
      ...waiting.value,
      {
        key,
        check: check.id,
        value,
        answer,
        at: new Date().toISOString(),
        print: check.print ?? null,
        reason,
      },
    ])
    void pump()
  }

  /** Takes the last reading of this page back: it stays in the log, struck out. */
  async function undo() {
    const taken = last.value
    if (!taken) return null
    // One that is on its way is let arrive first.
    await until(() => offline.value || !waiting.value.some((t) => t.key === taken.key)).toBe(true)
    if (waiting.value.some((t) => t.key === taken.key))
      put(waiting.value.filter((t) => t.key !== taken.key))
    else if (!refused.value.some((r) => r.taken.key === taken.key)) {
      const { problem: refusal } = await ask(() =>
        api.PUT('/api/builds/{id}/log/readings/struck', {
          params: { path: { id: build() } },
          body: { key: taken.key, struck: true },
        }),
      )
      if (refusal) {
        problem.value = refusal
        return null
      }
    }
    done.value = done.value.filter((t) => t.key !== taken.key)
    craftChanged()
    await read()
    return taken.check
  }

  async function pump() {
    if (running) return
    running = true
    try {
      for (let next = waiting.value[0]; next && !gone; next = waiting.value[0]) {
        const taken = next
        const of = build()
        const check = view.value?.checks.find((c) => c.id === taken.check)
        const { data, problem: refusal } = await ask(() =>
          api.POST('/api/builds/{id}/bench/readings', {
            params: { path: { id: of } },
            body: { ...taken, unit: taken.value === null ? null : (check?.unit ?? null) },
          }),
        )
        if (refusal?.status === 0) {
          offline.value = true
          await promiseTimeout(retryEvery)
          continue
        }
        offline.value = false
        if (refusal)
          refused.value = [
            ...refused.value,
            { taken, title: check?.title ?? taken.check, sentence: refusal.sentence },
          ]
        else if (of === build()) follow(data)
        // Only now: what was followed stands already where the reading stood that waited.
        queues.value = {
          ...queues.value,
          [of]: (queues.value[of] ?? []).filter((t) => t.key !== taken.key),
        }
      }
    } finally {
      running = false
    }
  }

  function dismiss(key: string) {
    refused.value = refused.value.filter((r) => r.taken.key !== key)
  }

  watch(build, () => {
    view.value = null
    refused.value = []
    done.value = []
  })
  return { view, problem, rows, waiting, offline, refused, last, read, take, undo, dismiss }
}

/** The phases, as they are called. */
export const phases: Record<BenchCheck['phase'], string> = {
  cold: 'Before power-up',
  firstPower: 'First power-up',
  volts: 'Voltages',
  usb: 'USB only',
  settings: 'Settings',
  links: 'Each link',
  together: 'All links together',
  failsafe: 'Failsafe',
}

/** Checks of one phase, in order. */
export function byPhase(rows: Row[]) {
  const groups: { phase: BenchCheck['phase']; words: string; rows: Row[] }[] = []
  for (const row of rows) {
    const last = groups[groups.length - 1]
    if (last?.phase === row.check.phase) last.rows.push(row)
    else groups.push({ phase: row.check.phase, words: phases[row.check.phase], rows: [row] })
  }
  return groups
}

/** A number as it was typed, with its prefix: "4,98", "490 m", "1k2" is not taken. Null for what is none. */
export function numberOf(text: string) {
  const match = /^\s*([-+−]?\d+(?:[.,]\d+)?)\s*(m|k|M)?\s*(?:V|A|Ω|Ohm)?\s*$/.exec(text)
  if (!match?.[1]) return null
  const value = Number(match[1].replace(',', '.').replace('−', '-'))
  return value * ({ m: 0.001, k: 1000, M: 1e6 }[match[2] ?? ''] ?? 1)
}
