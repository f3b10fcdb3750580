<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

type Point = Schemas['Point']

/** Measured points with what was fitted through them; those that were left out are crossed. */
const props = defineProps<{
  points: readonly Point[]
  curve: readonly Point[]
  leftOut: readonly number[]
  /** What is drawn from left to right, and up. */
  across: string
  up: string
}>()
const WIDTH = 560
const HEIGHT = 300
const LEFT = 60
const BOTTOM = 40
const EDGE = 14

const all = computed(() => [...props.points, ...props.curve])
function span(of: (point: Point) => number) {
  const values = all.value.map(of)
  const low = Math.min(...values)
  const high = Math.max(...values)
  const room = 0.06 * Math.max(1e-6, high - low)
  return { low: low - room, high: high + room }
}
const xs = computed(() => span((point) => point.x))
const ys = computed(() => span((point) => point.y))

function x(value: number): number {
  const { low, high } = xs.value
  return LEFT + ((WIDTH - LEFT - EDGE) * (value - low)) / (high - low)
}

function y(value: number): number {
  const { low, high } = ys.value
  return HEIGHT - BOTTOM - ((HEIGHT - BOTTOM - EDGE) * (value - low)) / (high - low)
}

const path = computed(() =>
  props.curve
    .map((point, i) => `${i ? 'L' : 'M'}${x(point.x).toFixed(1)} ${y(point.y).toFixed(1)}`)
    .join(''),
)

/** Round numbers along an axis. */
function ticks({ low, high }: { low: number; high: number }): number[] {
  const rough = (high - low) / 5
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((each) => each * power).find((each) => each >= rough) ?? rough
  const found: number[] = []
  for (let at = Math.ceil(low / step) * step; at <= high; at += step) {
    found.push(Number(at.toPrecision(6)))
  }
  return found
}

function isOut(i: number): boolean {
  return props.leftOut.includes(i)
}
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="`${points.length} measurements, ${up} over ${across}`"
  >
    <g class="grid">
      <template v-for="tick in ticks(xs)" :key="`x${tick}`">
        <path :d="`M${x(tick)} ${EDGE}V${HEIGHT - BOTTOM}`" />
        <text :x="x(tick)" :y="HEIGHT - BOTTOM + 16" text-anchor="middle">{{ tick }}</text>
      </template>
      <template v-for="tick in ticks(ys)" :key="`y${tick}`">
        <path :d="`M${LEFT} ${y(tick)}H${WIDTH - EDGE}`" />
        <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end">{{ tick }}</text>
      </template>
      <text :x="WIDTH - EDGE" :y="HEIGHT - 6" text-anchor="end">{{ across }}</text>
      <text :x="LEFT + 4" :y="EDGE + 2">{{ up }}</text>
    </g>
    <path :d="path" class="curve" />
    <template v-for="(point, i) in points" :key="i">
      <path
        v-if="isOut(i)"
        :d="`M${x(point.x) - 5} ${y(point.y) - 5}l10 10m0-10l-10 10`"
        class="out"
      />
      <circle v-else :cx="x(point.x)" :cy="y(point.y)" r="4.5" />
    </template>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 44rem;
  background: var(--sheet);
}

.grid path {
  stroke: var(--hairline);
}

.grid text {
  font-size: 12px;
  fill: var(--soft);
}

.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}

circle {
  fill: var(--field);
  stroke: var(--ink);
  stroke-width: 2;
}

.out {
  stroke: var(--call);
  stroke-width: 2.5;
}
</style>
