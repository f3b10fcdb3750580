<script setup lang="ts">
import { computed } from 'vue'
import { hours, moisture } from '@/parts/format'
import type { JobSheet } from './sheet'

/** Water of the very metres of a job, from its first to its last. */
const props = defineProps<{ view: JobSheet }>()

const WIDTH = 640
const HEIGHT = 96
const LEFT = 4
const TOP = 20
const BOTTOM = 20

const limit = computed(() => props.view.printLimitPercent ?? 1)
const last = computed(() => props.view.metres.at(-1)?.hour ?? 1)
const most = computed(
  () => 1.25 * Math.max(limit.value, ...props.view.metres.map((point) => point.percent)),
)

function x(hour: number): number {
  return LEFT + (hour / last.value) * (WIDTH - 2 * LEFT)
}
function y(percent: number): number {
  return HEIGHT - BOTTOM - (percent / most.value) * (HEIGHT - TOP - BOTTOM)
}
const path = computed(() =>
  props.view.metres
    .map(
      (point, i) =>
        `${i === 0 ? 'M' : 'L'}${x(point.hour).toFixed(1)} ${y(point.percent).toFixed(1)}`,
    )
    .join(''),
)
const wet = computed(() => props.view.metres.some((point) => point.percent >= limit.value))
</script>

<template>
  <section aria-labelledby="water-title">
    <h2 id="water-title">Water in the metres of this job</h2>
    <p :class="{ call: wet }">{{ view.waterVerdict }}</p>
    <figure>
      <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" aria-label="Moisture over the job">
        <line :x1="LEFT" :x2="WIDTH - LEFT" :y1="y(limit)" :y2="y(limit)" class="limit" />
        <text :x="LEFT + 4" :y="y(limit) - 5" class="limit-word">
          print limit {{ moisture(limit) }}
        </text>
        <line :x1="LEFT" :x2="WIDTH - LEFT" :y1="y(0)" :y2="y(0)" class="ground" />
        <path :d="path" class="water" />
        <text :x="LEFT" :y="HEIGHT - 4" class="word">
          first metre {{ moisture(view.metres[0]?.percent ?? 0) }}
        </text>
        <text :x="WIDTH - LEFT" :y="HEIGHT - 4" class="word end">
          last metre, {{ hours(last) }} later, {{ moisture(view.metres.at(-1)?.percent ?? 0) }}
        </text>
      </svg>
      <figcaption class="soft small">Hanging in {{ view.hangsIn }} while it prints.</figcaption>
    </figure>
  </section>
</template>

<style scoped>
figure {
  margin: 0.4rem 0 0;
}

svg {
  width: 100%;
  max-width: 44rem;
  height: auto;
}

.limit {
  stroke: var(--call);
  stroke-width: 1.6;
}

.limit-word {
  fill: var(--call);
  font-size: 12px;
  font-weight: 700;
}

.ground {
  stroke: var(--board);
}

.water {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}

.word {
  font-size: 12px;
  fill: var(--soft);
}

.word.end {
  text-anchor: end;
}
</style>
