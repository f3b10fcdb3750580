<script setup lang="ts">
import { computed } from 'vue'

/** Days until a limit on a scale from a day to ten years, tight to leaky. */
const props = defineProps<{
  tight: number | null
  typical: number | null
  leaky: number | null
  measured: boolean
}>()

const MOST = 3650
const WIDTH = 560
const LEFT = 14
const MARKS = [
  { days: 1, text: '1 day' },
  { days: 7, text: 'week' },
  { days: 30, text: 'month' },
  { days: 182, text: 'half a year' },
  { days: 730, text: '2 years' },
  { days: MOST, text: '10' },
]

function x(days: number | null): number {
  const shown = days === null ? MOST : Math.min(MOST, Math.max(1, days))
  return LEFT + ((WIDTH - 2 * LEFT) * Math.log(shown)) / Math.log(MOST)
}

function text(days: number | null): string {
  if (days === null) {
    return 'not within 10 years'
  }
  if (days < 1) {
    return days === 0 ? 'at once' : 'hours'
  }
  return days < 60
    ? `${days.toFixed(days < 10 ? 1 : 0)} days`
    : `${(days / 30.4).toFixed(0)} months`
}

const from = computed(() => x(props.leaky))
const to = computed(() => x(props.tight))
const at = computed(() => x(props.typical))
const words = computed(() =>
  props.measured
    ? `by this box's own leak: ${text(props.typical)}`
    : `leaky ${text(props.leaky)}, usual ${text(props.typical)}, tight ${text(props.tight)}`,
)
</script>

<template>
  <figure data-testid="days-scale">
    <p class="main">
      {{ text(typical) }}
      <span v-if="!measured" class="soft small">
        if its leak is usual; {{ text(leaky) }} if leaky, {{ text(tight) }} if tight</span
      >
      <span v-else class="soft small">by its own measured leak</span>
    </p>
    <svg :viewBox="`0 0 ${WIDTH} 58`" role="img" :aria-label="words">
      <line :x1="LEFT" :x2="WIDTH - LEFT" y1="24" y2="24" class="axis" />
      <g v-for="mark in MARKS" :key="mark.days">
        <line :x1="x(mark.days)" :x2="x(mark.days)" y1="24" y2="31" class="axis" />
        <text
          :x="x(mark.days)"
          y="46"
          :text-anchor="mark.days === 1 ? 'start' : mark.days === MOST ? 'end' : 'middle'"
        >
          {{ mark.text }}
        </text>
      </g>
      <rect :x="from" y="16" :width="Math.max(2, to - from)" height="16" class="span" />
      <rect :x="at - 2.5" y="9" width="5" height="30" class="usual" />
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

.main {
  font-size: var(--size-4);
  font-weight: 700;
}

.main .small {
  font-weight: 400;
}

svg {
  width: 100%;
  max-width: 35rem;
  display: block;
}

.axis {
  stroke: var(--board);
}

.span {
  fill: var(--board);
}

.usual {
  fill: var(--ink);
}

text {
  font-size: 13px;
  fill: var(--soft);
}
</style>
