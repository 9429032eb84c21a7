import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { problemOf, type Problem, type SweepLine, type SweepStep } from '@/api/client'

/** A sweep that fills up line by line, best first, and can be stopped. */
export function useSweep(id: string) {
  const lines = shallowRef<SweepLine[]>([])
  const done = ref(0)
  const of = ref(0)
  const running = ref(false)
  const stopped = ref(false)
  const problem = ref<Problem | null>(null)
  let abort: AbortController | null = null

  /** Sorted by the ports that stay open, the best first among equals. */
  const byRoom = ref(false)
  const ranked = computed(() =>
    [...lines.value].sort(
      (a, b) =>
        (byRoom.value ? b.openPorts.length - a.openPorts.length : 0) ||
        (a.rank < b.rank ? -1 : a.rank > b.rank ? 1 : 0),
    ),
  )

  function take(step: SweepStep) {
    lines.value = [...lines.value, step.line]
    done.value = step.done
    of.value = step.of
  }

  /** Sweeps over all boards, or over the parts of the kind of one device. */
  async function run(device: string) {
    abort?.abort()
    const mine = new AbortController()
    abort = mine
    lines.value = []
    done.value = of.value = 0
    problem.value = null
    stopped.value = false
    running.value = true
    try {
      const query = device === '' ? '' : `?device=${encodeURIComponent(device)}`
      const answer = await fetch(`/api/builds/${encodeURIComponent(id)}/sweep${query}`, {
        signal: mine.signal,
      })
      if (!answer.ok || !answer.body) {
        problem.value = problemOf(await answer.json().catch(() => null), answer.status)
        return
      }
      const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader()
      let rest = ''
      for (let part = await reader.read(); !part.done; part = await reader.read()) {
        const texts = (rest + part.value).split('\n')
        rest = texts.pop() ?? ''
        for (const text of texts) take(JSON.parse(text) as SweepStep)
      }
    } catch {
      if (mine.signal.aborted) return
      problem.value = problemOf(
        { detail: 'Gorvix does not answer. Is ./start still running? What was found stays below.' },
        0,
      )
    } finally {
      if (abort === mine) running.value = false
    }
  }

  function stop() {
    stopped.value = true
    running.value = false
    abort?.abort()
  }

  onBeforeUnmount(() => abort?.abort())
  return { ranked, byRoom, done, of, running, stopped, problem, run, stop }
}
