<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { setTo } from '@/parts/format'
import type { TimeScale } from '@/parts/timeScale'

/** What the dryer's thermometer showed against what was set and what harms something inside. */
const props = defineProps<{ view: Schemas['CycleView']; scale: TimeScale }>()

const HEIGHT = 64
const LOW_C = 15

const high = computed(
  () =>
    5 +
    Math.max(
      props.view.summary.setpointC,
      props.view.harmC ?? 0,
      ...props.view.temperatures.map((point) => point.temperatureC),
    ),
)

function x(timeS: number): number {
  return props.scale.x(timeS)
}

function y(celsius: number): number {
  return HEIGHT - (HEIGHT * (celsius - LOW_C)) / (high.value - LOW_C)
}

const shown = computed(() =>
  props.view.temperatures.map((p) => `${x(p.timeS)},${y(p.temperatureC)}`).join(' '),
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${scale.width} ${HEIGHT}`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="`Temperature inside; set to ${setTo(view.summary.setpointC)}`"
  >
    <rect
      v-for="span in view.coldSpans"
      :key="span.fromS"
      :x="x(span.fromS)"
      :width="x(span.toS) - x(span.fromS)"
      y="0"
      :height="HEIGHT"
      class="cold"
    />
    <line
      x1="0"
      :x2="scale.width"
      :y1="y(view.summary.setpointC)"
      :y2="y(view.summary.setpointC)"
      class="set"
    />
    <line
      v-if="view.harmC !== null"
      x1="0"
      :x2="scale.width"
      :y1="y(view.harmC)"
      :y2="y(view.harmC)"
      class="harm"
    />
    <polyline :points="shown" class="shown" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 4rem;
  background: var(--sheet);
  border-bottom: 1px solid var(--board);
}

svg * {
  vector-effect: non-scaling-stroke;
}

.set {
  stroke: var(--soft);
  stroke-dasharray: 6 3;
}

.harm {
  stroke: var(--call);
  stroke-width: 2;
}

.shown {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

.cold {
  fill: var(--board);
  opacity: 0.6;
}
</style>
