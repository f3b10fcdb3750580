<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { moisture } from '@/parts/format'

const props = defineProps<{ points: Schemas['Balance'][]; target: number; limit: number }>()

const WIDTH = 700
const HEIGHT = 220
const LEFT = 56
const RIGHT = 210
const TOP = 12
const BOTTOM = 30
/** Two labels one above the other need so much. */
const LABEL_HEIGHT = 15

const top = computed(() =>
  Math.max(props.limit * 1.2, ...props.points.map((p) => p.moisturePercent)),
)

function x(humidity: number): number {
  return LEFT + (humidity / 100) * (WIDTH - LEFT - RIGHT)
}

function y(percent: number): number {
  return HEIGHT - BOTTOM - (percent / top.value) * (HEIGHT - TOP - BOTTOM)
}

const path = computed(() =>
  props.points
    .map((p, i) => `${i ? 'L' : 'M'}${x(p.relativeHumidityPercent)} ${y(p.moisturePercent)}`)
    .join(''),
)

/** Humidity at which the balance reaches a moisture, for the note beside its line. */
function humidityFor(percent: number): string {
  const above = props.points.findIndex((p) => p.moisturePercent >= percent)
  if (above <= 0) {
    return 'never reached'
  }
  const a = props.points[above - 1]!
  const b = props.points[above]!
  const share = (percent - a.moisturePercent) / (b.moisturePercent - a.moisturePercent)
  return `at ${(a.relativeHumidityPercent + share * (b.relativeHumidityPercent - a.relativeHumidityPercent)).toFixed(0)} % humidity`
}

const lines = computed(() => {
  const targetY = y(props.target) + 4
  return [
    {
      name: 'print limit',
      value: props.limit,
      call: true,
      labelY: Math.min(y(props.limit) + 4, targetY - LABEL_HEIGHT),
    },
    { name: 'dry target', value: props.target, call: false, labelY: targetY },
  ]
})
const ticks = computed(() => [0.25, 0.5, 0.75, 1].map((share) => share * top.value))
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="`Rises to ${moisture(points.at(-1)?.moisturePercent ?? 0)} at 100 % humidity; print limit ${humidityFor(limit)}`"
  >
    <g v-for="tick in ticks" :key="tick" class="tick">
      <path :d="`M${LEFT} ${y(tick)}H${WIDTH - RIGHT}`" />
      <text :x="LEFT - 8" :y="y(tick) + 4" text-anchor="end">{{ moisture(tick) }}</text>
    </g>
    <g v-for="humidity in [0, 20, 40, 60, 80, 100]" :key="humidity">
      <text :x="x(humidity)" :y="HEIGHT - 8" text-anchor="middle">{{ humidity }} %</text>
    </g>
    <path class="axis" :d="`M${LEFT} ${HEIGHT - BOTTOM}H${WIDTH - RIGHT}`" />
    <g v-for="line in lines" :key="line.name" :class="{ alert: line.call }">
      <path class="line" :d="`M${LEFT} ${y(line.value)}H${WIDTH - RIGHT}`" />
      <text :x="WIDTH - RIGHT + 6" :y="line.labelY">
        {{ line.name }} {{ line.value }} %, {{ humidityFor(line.value) }}
      </text>
    </g>
    <path class="curve" :d="path" />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 52rem;
  height: auto;
}

text {
  font-size: 12px;
  fill: var(--soft);
}

.tick path {
  stroke: var(--hairline);
}

.axis {
  stroke: var(--ink);
  stroke-width: 2;
}

.line {
  stroke: var(--soft);
  stroke-dasharray: 4 3;
}

.alert .line {
  stroke: var(--call);
  stroke-dasharray: none;
  stroke-width: 2;
}

.alert text {
  fill: var(--call);
}

.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
</style>
