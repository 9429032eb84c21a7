<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { api, ask, type FitView, type PartPage } from '@/api/client'
import BoardFace from '@/features/board/BoardFace.vue'
import { usesOf } from '@/features/board/face'
import FactList from '@/ui/FactList.vue'

/** The board in brief: which revision it is and how to tell, what its input stands, and its face. */
const props = defineProps<{ view: FitView }>()
defineEmits<{ exchange: [] }>()

const page = shallowRef<PartPage | null>(null)
watch(
  () => props.view.boardPart,
  async (id) => {
    const answer = await ask(() =>
      api.GET('/api/library/boards/{id}', { params: { path: { id } } }),
    )
    if (id === props.view.boardPart) page.value = answer.data
  },
  { immediate: true },
)
const sisters = computed(() => page.value?.leaflet.sisters ?? [])
const uses = computed(() => usesOf(props.view.sheet.pads))
</script>

<template>
  <section class="board">
    <header>
      <h2>
        <RouterLink :to="{ name: 'part', params: { type: 'boards', id: view.boardPart } }">{{
          view.sheet.board
        }}</RouterLink>
      </h2>
      <v-btn size="small" data-exchange="board" @click="$emit('exchange')">Swap board</v-btn>
    </header>
    <FactList v-if="page" class="facts" :facts="page.leaflet.facts" />
    <p v-for="sister in sisters" :key="sister.id" class="sister">
      Or revision {{ sister.revision }}? {{ sister.recognise }}
    </p>
    <BoardFace :face="view.sheet.face" :name="view.sheet.board" :uses="uses" />
  </section>
</template>

<style scoped>
.board {
  padding: 14px 16px 16px;
  border: 1px solid var(--line);
  background: var(--sheet);
  overflow-wrap: anywhere;
}

header {
  display: flex;
  gap: 12px;
  align-items: flex-start;
}

h2 {
  flex: 1;
  font-size: 1.125rem;
  font-weight: 650;
  line-height: 1.3;
}

h2 a {
  color: var(--ink);
}

.facts {
  margin: 6px 0 8px;
  font-size: 0.9375rem;
}

.sister {
  margin-bottom: 8px;
  padding-left: 10px;
  border-left: 3px solid var(--warn);
  font-size: 0.9375rem;
}
</style>
