<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import type { TimeScale } from '@/parts/timeScale'

/** One spool's way through a cycle: what was, what is to come with its band, target and weighings. */
const props = defineProps<{
  spool: Schemas['SpoolInCycle']
  scale: TimeScale
  nowS: number
  heated: Schemas['SpanView'][]
  label: string
}>()

const HEIGHT = 84
const TOP = 6

function x(timeS: number): number {
  return props.scale.x(timeS)
}

const ahead = computed(() =>
  props.spool.ahead
    .map((point) => ({ ...point, timeS: props.nowS + 3600 * point.hour }))
    .filter((point) => point.timeS <= props.scale.toS),
)
const most = computed(
  () =>
    1.05 *
    Math.max(
      props.spool.targetPercent,
      ...props.spool.past.map((point) => Math.max(point.outerPercent, point.corePercent)),
      ...ahead.value.map((point) => point.highPercent),
    ),
)

function y(percent: number): number {
  return HEIGHT - (HEIGHT - TOP) * (percent / most.value)
}

const band = computed(() =>
  [
    ...ahead.value.map((p) => `${x(p.timeS)},${y(p.highPercent)}`),
    ...[...ahead.value].reverse().map((p) => `${x(p.timeS)},${y(p.lowPercent)}`),
  ].join(' '),
)

type Depth = 'outerPercent' | 'meanPercent' | 'corePercent'

function line(depth: Depth): string {
  return [...props.spool.past, ...ahead.value]
    .map((point) => `${x(point.timeS)},${y(point[depth])}`)
    .join(' ')
}
</script>

<template>
  <svg
    :viewBox="`0 0 ${scale.width} ${HEIGHT}`"
    preserveAspectRatio="none"
    role="img"
    :aria-label="label"
  >
    <rect
      v-for="span in heated"
      :key="span.fromS"
      :x="x(span.fromS)"
      :width="x(span.toS) - x(span.fromS)"
      y="0"
      :height="HEIGHT"
      class="heat"
    />
    <polygon :points="band" class="band" />
    <line
      x1="0"
      :x2="scale.width"
      :y1="y(spool.floorPercent)"
      :y2="y(spool.floorPercent)"
      class="floor"
    />
    <line
      x1="0"
      :x2="scale.width"
      :y1="y(spool.targetPercent)"
      :y2="y(spool.targetPercent)"
      class="target"
    />
    <polyline :points="line('outerPercent')" class="outer" />
    <polyline :points="line('corePercent')" class="core" />
    <polyline :points="line('meanPercent')" class="mean" />
    <line :x1="x(nowS)" :x2="x(nowS)" y1="0" :y2="HEIGHT" class="now" />
    <line
      v-if="spool.sureDryS !== null && spool.sureDryS <= scale.toS"
      :x1="x(spool.sureDryS)"
      :x2="x(spool.sureDryS)"
      y1="0"
      :y2="HEIGHT"
      class="sure"
    />
    <path
      v-if="spool.nextWeighingS !== null && spool.nextWeighingS <= scale.toS"
      :d="`M ${x(spool.nextWeighingS)} 10 l -6 -10 l 12 0 z`"
      class="weigh"
    />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: 5.25rem;
  background: var(--sheet);
  border-bottom: 1px solid var(--board);
}

svg * {
  vector-effect: non-scaling-stroke;
}

.heat {
  fill: var(--forecast);
}

.band {
  fill: var(--board);
  opacity: 0.55;
}

.mean,
.core,
.outer {
  fill: none;
  stroke: var(--ink);
}

.mean {
  stroke-width: 2.5;
}

.core {
  stroke-width: 1.5;
  stroke-dasharray: 1.5 3;
}

.outer {
  stroke-width: 1.5;
}

.target {
  stroke: var(--call);
  stroke-width: 2;
}

.floor {
  stroke: var(--air-damp);
  stroke-width: 1.5;
  stroke-dasharray: 2 3;
}

.now {
  stroke: var(--ink);
  stroke-width: 2;
}

.sure {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 6 3;
}

.weigh {
  fill: var(--ink);
}
</style>
