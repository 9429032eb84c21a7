<script setup lang="ts">
/** From a pad to where it leads, station by station. */
defineProps<{ label: string; stations: string[] }>()
</script>

<template>
  <span class="way"
    ><span class="station label">{{ label }}</span
    ><template v-for="(station, i) in stations" :key="i"
      ><span class="hop" aria-hidden="true"></span
      ><span class="station label">{{ station }}</span></template
    ></span
  >
</template>

<style scoped>
.way {
  display: flex;
  align-items: center;
  min-height: 34px;
  white-space: nowrap;
}

.station {
  padding: 2px 7px;
  border: 1px solid var(--ink);
}

.hop {
  flex: 0 0 18px;
  height: 1px;
  background: var(--ink);
}
</style>
