<script setup lang="ts">
import type { BuildChange, FitDevice, FitLead, FitSeat } from '@/api/client'

/** Each device as it is joined to the board: where its plug sits, and what becomes of every lead. */
defineProps<{ devices: FitDevice[] }>()
const emit = defineEmits<{ change: [change: BuildChange] }>()

function pinSeat(seat: FitSeat) {
  emit('change', { kind: seat.pinned ? 'unpin' : 'pin', match: seat.match })
}
function banSeat(seat: FitSeat) {
  emit('change', { kind: seat.banned ? 'unblock' : 'block', match: seat.match })
}
function pinFeed(lead: FitLead) {
  if (lead.feed) emit('change', { kind: lead.feedPinned ? 'unpin' : 'pin', match: lead.feed })
}
function takeOut(lead: FitLead) {
  if (lead.out) emit('change', { kind: lead.outPinned ? 'unpin' : 'pin', match: lead.out })
}
</script>

<template>
  <section class="plugs" aria-labelledby="plugs-title" data-testid="plugs">
    <h2 id="plugs-title">Plugs and power</h2>
    <div class="devices">
      <article
        v-for="device in devices"
        :key="device.id"
        :aria-label="device.name"
        :data-device="device.id"
      >
        <header>
          <h3>{{ device.name }}</h3>
          <span class="where">{{ device.where }}</span>
        </header>
        <ul v-if="device.seats.length > 0" class="seats no-print" aria-label="Plug positions">
          <li v-for="seat in device.seats" :key="seat.words">
            <v-btn
              class="seat"
              :class="{ chosen: seat.chosen, banned: seat.banned }"
              :aria-pressed="seat.pinned"
              :aria-label="`${seat.pinned ? 'Unpin' : 'Pin'} ${seat.words}`"
              :disabled="seat.banned"
              @click="pinSeat(seat)"
            >
              {{ seat.words }}<span v-if="seat.pinned" class="mark">pinned</span>
            </v-btn>
            <v-btn
              variant="text"
              size="small"
              :aria-label="`${seat.banned ? 'Unblock' : 'Block'} ${seat.words}`"
              @click="banSeat(seat)"
            >
              {{ seat.banned ? 'Unblock' : 'Block' }}
            </v-btn>
          </li>
        </ul>
        <ul class="leads">
          <li
            v-for="lead in device.leads"
            :key="lead.id"
            :class="{ unused: !lead.used }"
            :data-lead="lead.id"
          >
            <span class="label name">{{ lead.label }}</span>
            <span class="text">
              <span class="quiet">{{ lead.job }}</span>
              <strong v-if="lead.starved" class="dead">{{ lead.where }}</strong>
              <template v-else>{{ lead.where }}</template>
              <span v-if="lead.takes" class="volts">
                {{ lead.gives ? `has ${lead.gives}, ` : '' }}needs {{ lead.takes }}
              </span>
            </span>
            <v-btn
              v-if="lead.feed"
              variant="text"
              size="small"
              class="no-print"
              :aria-pressed="lead.feedPinned"
              :aria-label="`${lead.feedPinned ? 'Unpin' : 'Pin'} the supply pad of ${device.name} ${lead.label}`"
              @click="pinFeed(lead)"
            >
              {{ lead.feedPinned ? 'Unpin' : 'Pin' }}
            </v-btn>
            <v-btn
              v-else-if="lead.out && (lead.outPinned || lead.used || lead.pad)"
              variant="text"
              size="small"
              class="no-print"
              :aria-pressed="lead.outPinned"
              :aria-label="`${lead.outPinned ? 'Undo de-pin' : 'De-pin'}: ${device.name} ${lead.label}`"
              @click="takeOut(lead)"
            >
              {{ lead.outPinned ? 'Undo de-pin' : 'De-pin' }}
            </v-btn>
          </li>
        </ul>
      </article>
    </div>
  </section>
</template>

<style scoped>
.plugs {
  padding: 18px 20px 4px;
}

h2 {
  font-size: 1.125rem;
  font-weight: 650;
}

.devices {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
  gap: 12px;
  align-items: start;
  margin-top: 10px;
}

article {
  border: 1px solid var(--line);
  background: var(--sheet);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 0 10px;
  align-items: baseline;
  padding: 8px 12px 6px;
  border-bottom: 1px solid var(--line-faint);
}

h3 {
  font-size: 1rem;
  font-weight: 650;
}

.seats {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 6px 12px;
  border-bottom: 1px solid var(--line-faint);
}

.seats li {
  display: flex;
  align-items: center;
}

.seat {
  min-height: 40px;
  padding: 0 12px;
  border: 1px solid var(--line);
  background: none;
  color: var(--ink);
  font: inherit;
  font-family: var(--mono);
  font-size: 0.9375rem;
  cursor: pointer;
}

.seat.chosen {
  border-color: var(--chosen);
  background: var(--chosen);
  color: var(--on-chosen);
}

.seat.banned {
  border-style: dashed;
  color: var(--ink-2);
  text-decoration: line-through;
  cursor: default;
}

.mark {
  margin-left: 8px;
  font-family: var(--sans);
  font-size: 0.8125rem;
}

.leads {
  padding: 4px 12px 8px;
}

.leads li {
  display: grid;
  grid-template-columns: 64px 1fr auto;
  gap: 0 8px;
  align-items: center;
  min-height: 40px;
  padding: 5px 0;
  font-size: 0.9375rem;
  line-height: 1.25;
}

.leads .v-btn {
  margin: -5px 0;
}

.leads li + li {
  border-top: 1px solid var(--line-faint);
}

.name {
  overflow-wrap: anywhere;
}

.unused .name,
.unused .text {
  color: var(--ink-2);
}

.text .quiet::after {
  content: ' · ';
}

.volts {
  display: block;
  color: var(--ink-2);
}

.dead {
  color: var(--stop);
}
</style>
