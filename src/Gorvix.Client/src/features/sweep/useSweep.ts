import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { ask, problemOf, type Problem, type SweepLine, type SweepStep } from '@/api/client'

/** What is tried: every board (nothing set), every part of the kind of a device, or one more device of a kind. */
export interface SweepOver {
  device?: string
  add?: string
}

/** A sweep that fills up line by line as the server finds them, and can be stopped. */
export function useSweep(id: string) {
  const lines = shallowRef<SweepLine[]>([])
  const done = ref(0)
  const of = ref(0)
  const running = ref(false)
  const stopped = ref(false)
  const problem = ref<Problem | null>(null)
  let source: EventSource | null = null

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

  function close() {
    source?.close()
    source = null
    running.value = false
  }

  /** Sweeps over all boards, over the parts of the kind of one device, or over a kind that is added. */
  function run(over: SweepOver) {
    close()
    lines.value = []
    done.value = of.value = 0
    problem.value = null
    stopped.value = false
    running.value = true
    const query = new URLSearchParams(over as Record<string, string>).toString()
    const address = `/api/builds/${encodeURIComponent(id)}/sweep?${query}`
    source = new EventSource(address)
    source.addEventListener('step', (event) => take(JSON.parse(event.data) as SweepStep))
    source.addEventListener('end', close)
    source.addEventListener('error', () => void fail(address))
  }

  // Events say only that there was an error. Where nothing came at all, the server has a reason in words.
  async function fail(address: string) {
    close()
    const broken =
      'Gorvix is not responding. Check that ./start is still running. Results so far are below.'
    problem.value = problemOf({ detail: broken }, 0)
    if (done.value > 0) return
    const answer = await ask(async () => {
      const response = await fetch(address, { headers: { Accept: 'application/problem+json' } })
      const error: unknown = response.ok ? null : await response.json().catch(() => null)
      await response.body?.cancel().catch(() => undefined)
      return { response, error }
    })
    if (answer.problem && answer.problem.status > 0) problem.value = answer.problem
  }

  function stop() {
    stopped.value = true
    close()
  }

  onBeforeUnmount(close)
  return { ranked, byRoom, done, of, running, stopped, problem, run, stop }
}
