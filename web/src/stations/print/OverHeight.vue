<script setup lang="ts">
import { computed } from 'vue'
import { temperature } from '@/parts/format'
import type { Sheet } from './sheet'

/** Pull against grip, and how layers bond, over the height of the build. */
const props = defineProps<{ sheet: Sheet; heightMm: number }>()

const WIDTH = 380
const HEIGHT = 260
const LEFT = 44
const RIGHT = 12
const TOP = 22
const BOTTOM = 26

const most = computed(() => {
  const { adhesionByHeight, plateByHeight } = props.sheet.hold
  return Math.min(3, Math.max(1.4, ...adhesionByHeight, ...plateByHeight))
})

function x(ratio: number): number {
  return LEFT + (Math.min(ratio, most.value) / most.value) * (WIDTH - LEFT - RIGHT)
}
function y(millimetres: number): number {
  return HEIGHT - BOTTOM - (millimetres / props.heightMm) * (HEIGHT - TOP - BOTTOM)
}
function line(heights: number[], ratios: number[]): string {
  return heights
    .map(
      (height, i) =>
        `${i === 0 ? 'M' : 'L'}${x(ratios[i] ?? 0).toFixed(1)} ${y(height).toFixed(1)}`,
    )
    .join('')
}

const marks = computed(() => {
  const steps = [0.5, 1, 2, 5, 10, 20, 25, 50, 100]
  const step = steps.find((each) => props.heightMm / each <= 5) ?? 200
  return Array.from({ length: Math.floor(props.heightMm / step) + 1 }, (_, i) => i * step)
})
const lift = computed(() => props.sheet.hold.liftsAtHeightMm)
const airs = computed(() => {
  const { airC } = props.sheet.hold
  return { low: airC[0] ?? 0, high: airC.at(-1) ?? 0 }
})
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      aria-label="Pull over grip and bond of layers over the height of the build"
    >
      <g v-for="mark in marks" :key="mark">
        <line :x1="LEFT" :x2="WIDTH - RIGHT" :y1="y(mark)" :y2="y(mark)" class="grid" />
        <text :x="LEFT - 6" :y="y(mark) + 4" class="mark">{{ mark }}</text>
      </g>
      <text :x="LEFT - 6" :y="TOP - 8" class="mark">mm</text>
      <line :x1="x(0.7)" :x2="x(0.7)" :y1="TOP" :y2="HEIGHT - BOTTOM" class="safe" />
      <line :x1="x(1)" :x2="x(1)" :y1="TOP" :y2="HEIGHT - BOTTOM" class="limit" />
      <text :x="x(0.7)" :y="HEIGHT - 8" class="foot">safe</text>
      <text :x="x(1)" :y="HEIGHT - 8" class="foot strong">lets go</text>
      <path :d="line(sheet.bond.heightMm, sheet.bond.zToXyByHeight)" class="bond" />
      <path :d="line(sheet.hold.heightMm, sheet.hold.plateByHeight)" class="plate" />
      <path :d="line(sheet.hold.heightMm, sheet.hold.adhesionByHeight)" class="corner" />
      <template v-if="lift != null">
        <circle :cx="x(1)" :cy="y(lift)" r="5" class="dot" />
        <text :x="x(1) + 9" :y="y(lift) + 4" class="lifts">lifts at {{ lift.toFixed(0) }} mm</text>
      </template>
    </svg>
    <figcaption class="soft small">
      <span class="key corner-key">corners</span>
      <span class="key plate-key">plate</span>
      <span class="key bond-key"
        >bond across layers ({{ sheet.bond.target.toFixed(2) }} asked for)</span
      >
      <br />
      Air around the part: {{ temperature(airs.low) }} at the bed to {{ temperature(airs.high) }} at
      the top.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  width: 100%;
  max-width: 28rem;
  height: auto;
}

.grid {
  stroke: var(--hairline);
}

.mark,
.foot {
  font-size: 11px;
  fill: var(--soft);
  text-anchor: end;
}

.foot {
  text-anchor: middle;
}

.foot.strong {
  fill: var(--ink);
  font-weight: 700;
}

.safe {
  stroke: var(--soft);
  stroke-dasharray: 2 3;
}

.limit {
  stroke: var(--ink);
  stroke-width: 2;
}

.corner,
.plate,
.bond {
  fill: none;
  stroke-width: 2.4;
}

.corner {
  stroke: var(--ink);
}

.plate {
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-dasharray: 6 4;
}

.bond {
  stroke: var(--air-damp);
  stroke-width: 1.8;
  stroke-dasharray: 1.5 3;
}

.dot {
  fill: var(--sheet);
  stroke: var(--call);
  stroke-width: 2;
}

.lifts {
  fill: var(--call);
  font-size: 12px;
  font-weight: 700;
}

.key {
  display: inline-flex;
  align-items: center;
  gap: 0.35rem;
  margin-right: 0.9rem;
}

.key::before {
  content: '';
  width: 1.4rem;
  border-top: 2.4px solid var(--ink);
}

.plate-key::before {
  border-top-style: dashed;
  border-top-width: 2px;
}

.bond-key::before {
  border-top: 2px dotted var(--air-damp);
}
</style>
