<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import type { BuildChange, FitCell, FitLink, FitSheet, FitStrand, RuleText } from '@/api/client'
import RuleCode from '@/features/rules/RuleCode.vue'
import TermHelp from '@/ui/TermHelp.vue'
import KeyButton from '@/ui/KeyButton.vue'
import { useBuild } from '@/stores/build'
import BoardFace from '@/features/board/BoardFace.vue'
import { usesOf } from '@/features/board/face'
import SupplyWay from '@/features/rails/SupplyWay.vue'
import StrandLane from './StrandLane.vue'

/** The selected link on the selected port: the answer in a sentence, its strand, and what to do about it. */
const props = defineProps<{
  sheet: FitSheet
  link: FitLink
  cell: FitCell
  rules: RuleText[]
  /** Whether only the answer is shown where the panel lies over the page. */
  folded?: boolean
}>()
const emit = defineEmits<{
  pin: []
  fold: []
  ban: []
  change: [change: BuildChange]
  select: [link: string, port: string]
}>()

const mode = computed(() => props.link.modes.find((m) => m.id === props.cell.mode))
const rule = computed(() => props.rules.find((r) => r.id === props.cell.code))

const build = useBuild()
const route = useRoute()
const strand = shallowRef<FitStrand | null>(null)
// The one that was asked for last is shown; the one before it stays until then, so that nothing jumps.
watch(
  () => [props.link.id, props.cell.port, build.view] as const,
  async ([link, port, view]) => {
    const answer = await build.strand(link, port)
    const same = props.link.id === link && props.cell.port === port && build.view === view
    if (same) strand.value = answer.data
  },
  { immediate: true },
)
const lanes = computed(() => strand.value?.lanes ?? [])
/** What the signal's polarity is called, where it is a train of pulses. */
const polarity = computed(() => {
  const first = lanes.value.find((l) => l.wave.length > 0)?.hops[0]?.after
  return first === 'inverted' ? 'inverted' : first === 'normal' ? 'non-inverted' : null
})

// Where the plan puts the link, its own wires; elsewhere the pads of the way that is shown.
const wired = computed(() => props.sheet.pads.filter((p) => p.link === props.link.id))
const lit = computed(() =>
  props.cell.state === 'chosen' ? wired.value.map((p) => p.pad) : lanes.value.map((l) => l.pad),
)
const device = computed(() => build.view?.wants.find((w) => w.link === props.link.id)?.device)
const near = computed(() =>
  props.sheet.pads.filter((p) => p.device === device.value && !p.link).map((p) => p.pad),
)
// Its supply, as it is with the pack full: the way beside the way of the signal.
const supplies = computed(() =>
  props.cell.state === 'chosen'
    ? props.sheet.supplies.filter((l) => l.device === device.value)
    : [],
)
const uses = computed(() => usesOf(props.sheet.pads))

// A pad tells its link; one without a link of its own, where the link in sight would go on its port.
function press(pad: string) {
  const link = props.sheet.pads.find((p) => p.pad === pad && p.link)?.link
  const port = props.sheet.links.find((l) => l.id === link)?.port
  const other = props.sheet.face.pads.find((p) => p.id === pad)?.ports[0]
  if (link && port) emit('select', link, port)
  else if (other) emit('select', props.link.id, other)
}
const port = computed(
  () => props.sheet.ports.find((p) => p.id === props.cell.port)?.name ?? props.cell.port,
)
const heading = computed(() => `${props.link.need} on ${port.value}`)
</script>

<template>
  <section class="panel" :class="{ folded }" tabindex="0" aria-labelledby="strand-title">
    <div class="inside">
      <div class="answer">
        <div class="top">
          <h2 id="strand-title">{{ heading }}</h2>
          <span v-if="mode" class="quiet">
            {{ mode.name }}, <span class="label">{{ mode.framing }}</span>
            <TermHelp v-if="polarity" class="term" :term="polarity" />
          </span>
          <span class="actions no-print">
            <KeyButton id="pin" letter="Enter" :pressed="cell.pinned" @click="$emit('pin')">
              {{ cell.pinned ? 'Unpin' : 'Pin here' }}
            </KeyButton>
            <KeyButton id="ban" letter="X" :pressed="cell.banned" @click="$emit('ban')">
              {{ cell.banned ? 'Unblock port' : 'Block this port' }}
            </KeyButton>
            <v-btn
              class="fold"
              size="small"
              :aria-expanded="!folded"
              data-do="fold"
              @click="$emit('fold')"
              >{{ folded ? 'Details' : 'Less' }}</v-btn
            >
          </span>
        </div>
        <p class="sentence" :class="cell.state" data-testid="sentence">
          <RuleCode v-if="cell.code" class="code" :code="cell.code" /> {{ cell.sentence }}
        </p>
        <p v-if="rule?.mend" class="reason" data-testid="mend">{{ rule.mend }}</p>
        <p v-if="rule" class="quiet reason">{{ rule.reason }}</p>
        <div v-if="lanes.length > 0" class="lanes">
          <StrandLane v-for="(lane, i) in lanes" :key="i" :lane="lane" />
        </div>

        <div v-if="supplies.length > 0" class="lanes supply" data-testid="supply">
          <SupplyWay v-for="l in supplies" :key="l.lead" :lead="l" />
        </div>
      </div>
      <div class="below">
        <div v-if="cell.state === 'chosen' && !link.inside">
          <h3>Wires</h3>
          <ul>
            <li v-for="wire in link.wires" :key="wire.lead">
              <span class="label">{{ wire.lead }}</span><template v-if="wire.colour">
                ({{ wire.colour }})</template
              >
              → {{ wire.where }}
            </li>
          </ul>
          <p class="no-print">
            <RouterLink
              data-do="to-picture"
              :to="{
                name: 'loom',
                params: route.params,
                query: { view: 'picture', link: link.id },
              }"
              >Show in wiring picture</RouterLink
            >
          </p>
        </div>
        <div v-if="cell.state === 'chosen'">
          <h3>Settings of {{ port }}</h3>
          <p>{{ link.settings.join(', ') }}</p>
        </div>
        <div class="modes">
          <h3>Device modes</h3>
          <ul>
            <li v-for="m in link.modes" :key="m.id" class="mode">
              <span :class="{ struck: m.banned }">{{ m.name }}</span>
              <span v-if="m.condition" class="quiet">{{ m.condition }}</span>
              <v-btn
                variant="text"
                size="small"
                class="no-print"
                :data-mode="m.id"
                @click="
                  $emit('change', {
                    kind: m.banned ? 'unblock' : 'block',
                    match: { kind: 'route', link: link.id, mode: m.id },
                  })
                "
              >
                {{ m.banned ? 'Unblock mode' : 'Block mode' }}
              </v-btn>
            </li>
          </ul>
        </div>
      </div>
      <BoardFace
        class="board"
        :face="sheet.face"
        :name="sheet.board"
        :lit="lit"
        :near="near"
        :uses="uses"
        @pad="press"
      />
    </div>
  </section>
</template>

<style scoped>
.panel {
  border: 1px solid var(--line);
  background: var(--sheet);
  container-type: inline-size;
}

.inside {
  display: grid;
  grid-template: 'answer board' auto 'below board' 1fr / minmax(0, 1fr) 360px;
  gap: 12px 24px;
  padding: 14px 20px 16px;
}

.answer {
  grid-area: answer;
  min-width: 0;
}

.board {
  grid-area: board;
}

.fold {
  display: none;
}

@media (max-width: 1179px) {
  .fold {
    display: inline-flex;
  }

  .folded .board,
  .folded .below,
  .folded .lanes {
    display: none;
  }
}

.top {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}

.actions {
  display: flex;
  gap: 8px;
  margin-left: auto;
}

.sentence {
  max-width: 120ch;
  font-size: 1.0625rem;
}

.sentence.blocked .code {
  color: var(--stop);
}

.reason {
  max-width: 120ch;
  font-size: 0.9375rem;
}

.lanes {
  margin-top: 8px;
  overflow-x: auto;
  border-top: 1px solid var(--line-faint);
  border-bottom: 1px solid var(--line-faint);
}

.supply {
  margin-top: 0;
  border-top: 0;
}

.below {
  display: flex;
  grid-area: below;
  flex-wrap: wrap;
  gap: 12px 48px;
  font-size: 0.9375rem;
}

h3 {
  font-size: 0.9375rem;
  font-weight: 650;
}

.mode {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
}

.struck {
  text-decoration: line-through;
}

/* Beside the grid there is room for one column: the board before what is looked up more rarely. */
@container (max-width: 780px) {
  .inside {
    grid-template: 'answer' 'board' 'below' / minmax(0, 1fr);
    padding: 10px 14px 14px;
  }

  .lanes {
    overflow-x: hidden;
  }

  .board {
    max-width: 420px;
  }

  .board :deep(.bench svg) {
    max-height: 236px !important;
  }

  .actions {
    flex-wrap: wrap;
    flex-basis: 100%;
    margin: 2px 0 4px;
  }

  .sentence {
    font-size: 1rem;
    line-height: 1.3;
  }
}
</style>
