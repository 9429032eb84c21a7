<script setup lang="ts">
import TermHelp from '@/ui/TermHelp.vue'
import { computed, reactive, watch } from 'vue'
import type { BuildSettings, CompassAdvice, Setting } from '@/api/client'
import LineField from '@/ui/LineField.vue'
import NumberField from '@/ui/NumberField.vue'

/** How the compass sits, drawn; its bus, its declination, and how it is calibrated. */
const props = defineProps<{
  compass: CompassAdvice
  settings: BuildSettings
  declination: Setting | null
}>()
const emit = defineEmits<{ change: [settings: BuildSettings] }>()
const text = reactive({ latitude: '', longitude: '' })
watch(
  () => props.settings.place,
  (p) => {
    text.latitude = p ? String(p.latitude) : ''
    text.longitude = p ? String(p.longitude) : ''
  },
  { immediate: true },
)
const valueOf = (word: string) =>
  word.trim() === '' ? null : Number(word.trim().replace(',', '.'))
const errorOf = (word: string, most: number) => {
  const value = valueOf(word)
  return value === null || (Math.abs(value) <= most && !Number.isNaN(value))
    ? ''
    : `Enter -${most} to ${most} degrees, e.g. 53.27.`
}
const errors = computed(() => ({
  latitude: errorOf(text.latitude, 90),
  longitude: errorOf(text.longitude, 180),
}))
const half = computed(() => (text.latitude.trim() === '') !== (text.longitude.trim() === ''))
function take() {
  if (errors.value.latitude || errors.value.longitude || half.value) return
  const [latitude, longitude] = [valueOf(text.latitude), valueOf(text.longitude)]
  emit('change', {
    ...props.settings,
    place: latitude === null || longitude === null ? null : { latitude, longitude },
  })
}
const turns = [
  { value: 'forward', title: 'arrow to nose' },
  { value: 'right', title: 'arrow to right' },
  { value: 'back', title: 'arrow to tail' },
  { value: 'left', title: 'arrow to left' },
] as const
</script>

<template>
  <div class="columns halves">
    <section>
      <h2>Orientation</h2>
      <div class="sits">
        <svg viewBox="-60 -60 120 120" role="img" :aria-label="`Mounted ${compass.turn}`">
          <path d="M0 -56l7 12h-14zM0 -44V44" class="nose" />
          <text x="10" y="-46">nose</text>
          <g :transform="`rotate(${compass.degrees})`">
            <rect
              x="-24"
              y="-24"
              width="48"
              height="48"
              class="module"
              :class="{ down: compass.isUpsideDown }"
            />
            <path d="M0 16V-16M-7 -8L0 -16L7 -8" class="arrow" />
          </g>
        </svg>
        <div>
          <LineField v-slot="{ id }" label="Arrow (from above)">
            <v-select
              :id="id"
              data-field="turn"
              :items="[...turns]"
              :model-value="settings.compassTurn ?? 'forward'"
              @update:model-value="
                (t: (typeof turns)[number]['value']) =>
                  emit('change', { ...settings, compassTurn: t })
              "
            />
          </LineField>
          <v-checkbox
            data-field="face"
            density="compact"
            hide-details
            label="Upside down"
            :model-value="settings.compassFace === 'down'"
            @update:model-value="
              (down: boolean | null) =>
                emit('change', { ...settings, compassFace: down ? 'down' : 'up' })
            "
          />
          <p>
            Set alignment to <strong>{{ compass.turn }}</strong>.
          </p>
        </div>
      </div>
      <h2>Flying site <TermHelp term="declination" /></h2>
      <div class="row">
        <NumberField
          v-model="text.latitude"
          label="Latitude, °N"
          field="latitude"
          placeholder="53.27"
          keys="decimal"
          :error="errors.latitude"
          @change="take"
        />
        <NumberField
          v-model="text.longitude"
          label="Longitude, °E"
          field="longitude"
          placeholder="-1.81"
          keys="decimal"
          :error="errors.longitude"
          @change="take"
        />
      </div>
      <p v-if="half" class="quiet" role="status">Fill in both or neither.</p>
      <p v-if="declination" data-testid="declination">
        <strong>{{ declination.words }}.</strong> {{ declination.why }}
      </p>
      <p v-else class="quiet">
        Enter your site to get the declination (World Magnetic Model). It stays on this computer.
      </p>
    </section>
    <section>
      <h2>I²C bus <TermHelp term="i2c" /></h2>
      <p>
        {{ compass.bus }},
        {{
          compass.address
            ? `address 0x${compass.address.toString(16).toUpperCase().padStart(2, '0')}`
            : 'address unknown'
        }}.
      </p>
      <p v-if="compass.others.length > 0">Also on this bus: {{ compass.others.join('; ') }}.</p>
      <p v-else class="quiet">No other known device on this bus.</p>
      <h2>Calibration</h2>
      <ol>
        <li v-for="s in compass.steps" :key="s">{{ s }}</li>
      </ol>
      <p class="away">{{ compass.keepAway }}</p>
    </section>
  </div>
</template>

<style scoped>
h2 {
  margin: 8px 0 2px;
}

.sits {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
}

.sits > div {
  flex: 1;
}

svg {
  width: 180px;
  height: 180px;
}

.nose {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.5;
}

text {
  fill: var(--ink-2);
  font-size: 9px;
}

.module {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.5;
}

.module.down {
  stroke-dasharray: 4 3;
}

.arrow {
  fill: none;
  stroke: var(--chosen);
  stroke-width: 3;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
}

ol {
  margin: 0;
  padding-left: 22px;
}

li {
  padding: 3px 0;
}

.away {
  margin-top: 8px;
  padding-left: 10px;
  border-left: 3px solid var(--warn);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
