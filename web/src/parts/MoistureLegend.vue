<script setup lang="ts">
import { LEGEND_SHARES, moistureColour } from './ramp'
</script>

<template>
  <div class="legend small soft" aria-label="Shading: moisture as a share of the print limit">
    <span>dry</span>
    <span
      v-for="share in LEGEND_SHARES"
      :key="share"
      class="step"
      :class="{ limit: share === 1 }"
      :style="{ background: moistureColour(share) }"
    />
    <span>wet; frame = print limit</span>
  </div>
</template>

<style scoped>
.legend {
  display: flex;
  align-items: center;
  gap: 0.35rem;
}

.step {
  width: 1.5rem;
  height: 0.8rem;
}

.limit {
  outline: 2px solid var(--ink);
  outline-offset: 1px;
  margin-inline: 3px;
}

@media (max-width: 700px) {
  .step {
    width: 1rem;
  }
}
</style>
