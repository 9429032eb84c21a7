<script setup lang="ts">
/** The build's name and its screens, in the bar at the top. */
defineProps<{ id: string; name: string; step: 'fit' | 'sweep'; count?: number; saved?: string }>()
</script>

<template>
  <Teleport to="#crumbs">
    <span class="build">{{ name }}</span>
    <nav class="steps" aria-label="Screens of this build">
      <RouterLink
        :to="{ name: 'fit', params: { id } }"
        class="step"
        :class="{ here: step === 'fit' }"
        :aria-current="step === 'fit' ? 'step' : undefined"
      >
        Fit<span v-if="count" class="count" :title="`${count} open findings`">{{ count }}</span>
      </RouterLink>
      <RouterLink
        id="to-sweep"
        :to="{ name: 'sweep', params: { id } }"
        class="step"
        :class="{ here: step === 'sweep' }"
        :aria-current="step === 'sweep' ? 'step' : undefined"
        >Before you buy</RouterLink
      >
    </nav>
    <span v-if="saved" class="saved quiet" role="status">{{ saved }}</span>
    <a class="export" :class="{ last: !saved }" :href="`/api/builds/${id}/export`" download
      >Export</a
    >
  </Teleport>
</template>

<style scoped>
.build {
  overflow: hidden;
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.steps {
  display: flex;
  gap: 4px;
}

.step {
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  padding: 0 12px;
  border-bottom: 2px solid transparent;
  color: var(--ink);
  text-decoration: none;
  white-space: nowrap;
}

.step:hover {
  border-color: var(--line);
}

.here,
.here:hover {
  border-color: var(--chosen);
  color: var(--chosen);
  font-weight: 600;
}

.count {
  margin-left: 8px;
  padding: 0 6px;
  background: var(--warn);
  color: var(--ground);
  font-size: 0.875rem;
}

.saved,
.last {
  margin-left: auto;
  font-size: 0.9375rem;
  white-space: nowrap;
}

.export {
  display: inline-flex;
  align-items: center;
  min-height: 40px;
  text-decoration: none;
}

@media (max-width: 900px) {
  .build {
    max-width: 110px;
  }

  .step {
    padding: 0 6px;
  }
}
</style>
