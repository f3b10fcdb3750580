<script setup lang="ts">
import type { Schemas } from '@/api/client'

/** A factor on what the table says: its band before and after, on a scale of doublings. */
defineProps<{
  title: string
  before: Schemas['LearnedFactor']
  after: Schemas['LearnedFactor']
}>()

const WIDTH = 240
const LOW = 0.4
const HIGH = 2.5

function x(factor: number): number {
  const share = Math.log(factor / LOW) / Math.log(HIGH / LOW)
  return 6 + Math.min(1, Math.max(0, share)) * (WIDTH - 12)
}
</script>

<template>
  <figure>
    <figcaption class="small">
      {{ title }}: <b>{{ after.median.toFixed(2) }}</b> ({{ after.low.toFixed(2) }} to
      {{ after.high.toFixed(2) }})
    </figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} 40`"
      role="img"
      :aria-label="`${title}: ${after.median.toFixed(2)}, before ${before.low.toFixed(2)} to ${before.high.toFixed(2)}, now ${after.low.toFixed(2)} to ${after.high.toFixed(2)}`"
    >
      <line :x1="x(1)" :x2="x(1)" y1="2" y2="30" class="one" />
      <line :x1="x(before.low)" :x2="x(before.high)" y1="9" y2="9" class="before" />
      <line :x1="x(after.low)" :x2="x(after.high)" y1="21" y2="21" class="after" />
      <circle :cx="x(after.median)" cy="21" r="5" class="median" />
      <text v-for="mark in [0.5, 1, 2]" :key="mark" :x="x(mark)" y="39" class="mark">
        {{ mark }}
      </text>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  width: 15rem;
  height: auto;
}

.one {
  stroke: var(--ink);
}

.before {
  stroke: var(--board);
  stroke-width: 5;
  opacity: 0.6;
}

.after {
  stroke: var(--ink);
  stroke-width: 3;
}

.median {
  fill: var(--ink);
}

.mark {
  font-size: 10px;
  text-anchor: middle;
  fill: var(--soft);
}
</style>
