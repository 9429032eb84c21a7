<script setup lang="ts">
import { useTitle } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, type PartPage, type Problem } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import LazyPicture from '@/features/picture/LazyPicture.vue'
import FactList from '@/ui/FactList.vue'
import ProblemNote from '@/ui/ProblemNote.vue'
import PartDeeds from './PartDeeds.vue'
import WideTable from '@/ui/WideTable.vue'

/** One part as its leaflet tells it: facts, face, ports or leads, and the builds that have it. */
const props = defineProps<{ type: string; id: string }>()
const page = shallowRef<PartPage | null>(null)
const problem = ref<Problem | null>(null)

async function load() {
  const path = { id: props.id }
  const answer = await (props.type === 'boards'
    ? ask(() => api.GET('/api/library/boards/{id}', { params: { path } }))
    : ask(() => api.GET('/api/library/devices/{id}', { params: { path } })))
  if (path.id !== props.id) return
  page.value = answer.data
  problem.value = answer.problem
}
watch(() => [props.type, props.id], load, { immediate: true })

const leaflet = computed(() => page.value?.leaflet)
/** The rows of the pad that was pressed are marked. */
const pressed = ref<string | null>(null)
const ports = computed(
  () => leaflet.value?.face?.pads.find((p) => p.id === pressed.value)?.ports ?? [],
)
useTitle(computed(() => `${leaflet.value?.line.name ?? 'Part'} – Library – Gorvix`))
</script>

<template>
  <main class="part">
    <p class="back"><RouterLink :to="{ name: 'library' }">Parts library</RouterLink></p>
    <ProblemNote v-if="problem" title="Could not load part" :problem="problem">
      <v-btn v-if="problem.status === 0" @click="load">Try again</v-btn>
      <v-btn v-else :to="{ name: 'library' }">Back to library</v-btn>
    </ProblemNote>
    <template v-if="leaflet && page">
      <h1>{{ leaflet.line.name }}</h1>
      <p class="quiet">{{ leaflet.line.kind }} · {{ leaflet.line.brief }}</p>
      <PartDeeds :id="id" :type="type" :page="page" @changed="load" />
      <div class="columns narrow-aside">
        <div class="told">
          <FactList :facts="leaflet.facts" />
          <section v-if="leaflet.sisters.length > 0">
            <h2>Other revisions</h2>
            <ul>
              <li v-for="sister in leaflet.sisters" :key="sister.id">
                <RouterLink :to="{ name: 'part', params: { type: 'boards', id: sister.id } }"
                  >Revision {{ sister.revision }}</RouterLink
                >: {{ sister.recognise ?? 'no known way to identify it.' }}
                <RouterLink :to="{ name: 'compare', query: { board: [id, sister.id] } }"
                  >Show differences</RouterLink
                >
              </li>
            </ul>
          </section>
          <section v-for="table in leaflet.tables" :key="table.title">
            <h2>{{ table.title }}</h2>
            <div class="scroll">
              <WideTable>
                <thead>
                  <tr>
                    <th v-for="column in table.columns" :key="column" scope="col">{{ column }}</th>
                  </tr>
                </thead>
                <tbody>
                  <tr
                    v-for="(row, i) in table.rows"
                    :key="i"
                    :class="{ lit: ports.includes(row[0] ?? '') }"
                  >
                    <td v-for="(text, j) in row" :key="j" :class="{ label: j === 0 }">
                      {{ text }}
                    </td>
                  </tr>
                </tbody>
              </WideTable>
            </div>
          </section>
          <section>
            <h2>Used in</h2>
            <p v-if="page.usedIn.length === 0" class="quiet">Not used in any build.</p>
            <ul v-else>
              <li v-for="use in page.usedIn" :key="use.id">
                <RouterLink :to="{ name: 'parts', params: { id: use.id } }"
                  ><bdi>{{ use.name }}</bdi></RouterLink
                >
              </li>
            </ul>
          </section>
        </div>
        <BoardFace
          v-if="leaflet.face"
          class="drawing"
          :face="leaflet.face"
          :name="leaflet.line.name"
          :lit="pressed ? [pressed] : []"
          @pad="pressed = $event"
        />
        <figure v-else class="drawing device">
          <LazyPicture labels :of="{ kind: 'device', id, version: page.version }" />
        </figure>
      </div>
    </template>
  </main>
</template>

<style scoped>
.part {
  padding: 12px 24px 32px;
  overflow-wrap: anywhere;
}

.back {
  font-size: 0.9375rem;
}

h2 {
  margin: 16px 0 2px;
  font-size: 1.125rem;
  font-weight: 650;
}

.told {
  min-width: 0;
}

.told ul a {
  display: inline-block;
  padding: 3px 0;
}

.drawing {
  position: sticky;
  top: 60px;
  padding: 12px;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.device {
  height: min(420px, 60vh);
  margin: 0;
}

.device > div {
  height: 100%;
}

.scroll {
  overflow-x: auto;
  border: 1px solid var(--line);
  background: var(--sheet);
}

.scroll :deep(table) {
  background: var(--sheet);
}

th {
  height: 34px !important;
  color: var(--ink-2);
  font-weight: 400 !important;
  white-space: nowrap;
}

td {
  height: 36px !important;
  overflow-wrap: normal;
}

td.label {
  font-weight: 600;
  white-space: nowrap;
}

.lit td {
  background: var(--ground);
  color: var(--chosen);
}

@media (max-width: 1020px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  .drawing {
    position: static;
    max-width: 460px;
  }
}
</style>
