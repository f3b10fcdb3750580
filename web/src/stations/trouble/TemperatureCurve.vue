<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { temperature } from '@/parts/format'

/** A nozzle's temperature against time. */
const props = defineProps<{ points: readonly Schemas['LogPointView'][] }>()
const WIDTH = 640
const HEIGHT = 160
const EDGE = 8

const low = computed(() => Math.min(...props.points.map((p) => p.temperatureC)))
const high = computed(() => Math.max(...props.points.map((p) => p.temperatureC)))
const endS = computed(() => props.points[props.points.length - 1]?.atS ?? 0)

const path = computed(() => {
  const span = Math.max(1, high.value - low.value)
  const wide = WIDTH - 2 * EDGE
  const tall = HEIGHT - 2 * EDGE
  return props.points
    .map((p, i) => {
      const x = EDGE + (wide * p.atS) / Math.max(1, endS.value)
      const y = EDGE + tall * (1 - (p.temperatureC - low.value) / span)
      return `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`
    })
    .join('')
})
const words = computed(
  () =>
    `${temperature(low.value, 1)} to ${temperature(high.value, 1)} over ${(endS.value / 60).toFixed(1)} min`,
)
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="words">
      <path :d="path" />
    </svg>
    <figcaption class="small soft">{{ words }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  width: 100%;
  background: var(--sheet);
}

path {
  fill: none;
  stroke: var(--air-warm);
  stroke-width: 1.5;
}
</style>
