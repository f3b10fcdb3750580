<script setup lang="ts">
import { inShownUnits } from '@/parts/format'
import { computed, ref, watch } from 'vue'
import type { Schemas } from '@/api/client'
import { grain, SAFE } from './sheet'

/** One lever: where it stands, how the verdict moves along it, and a slider to move it. */
const props = defineProps<{
  curve: Schemas['CurveView']
  fixed?: boolean
  /** Whether the curve answers an earlier question than the one on screen. */
  pending?: boolean
}>()
const emit = defineEmits<{ moved: [value: number] }>()

const WIDTH = 150
const HEIGHT = 40
const PAD = 5

const ratios = computed(() =>
  props.curve.values.map((_, i) =>
    Math.max(props.curve.adhesion[i] ?? 0, props.curve.plate[i] ?? 0, props.curve.tip[i] ?? 0),
  ),
)
const from = computed(() => props.curve.values[0] ?? 0)
const to = computed(() => props.curve.values.at(-1) ?? 1)
const most = computed(() => Math.max(1.1, Math.min(3, ...[Math.max(...ratios.value)])))

function x(value: number): number {
  const span = to.value - from.value
  return PAD + (span > 0 ? (value - from.value) / span : 0) * (WIDTH - 2 * PAD)
}
function y(ratio: number): number {
  return HEIGHT - PAD - (Math.min(ratio, most.value) / most.value) * (HEIGHT - 2 * PAD)
}
const path = computed(() =>
  props.curve.values
    .map(
      (value, i) =>
        `${i === 0 ? 'M' : 'L'}${x(value).toFixed(1)} ${y(ratios.value[i] ?? 0).toFixed(1)}`,
    )
    .join(''),
)
const now = computed(() => {
  const { values, present } = props.curve
  const next = values.findIndex((value) => value >= present - 1e-9)
  const i = Math.max(1, next === -1 ? values.length - 1 : next)
  const before = values[i - 1] ?? present
  const after = values[i] ?? present
  const share = after > before ? (present - before) / (after - before) : 0
  const low = ratios.value[i - 1] ?? 0
  return low + Math.min(1, Math.max(0, share)) * ((ratios.value[i] ?? low) - low)
})
const best = computed(() => Math.min(...ratios.value))
const step = computed(() => grain(props.curve.id))

/** Where a hand has put the slider: an answer to an earlier question never moves it back. */
const held = ref<number | null>(null)
const position = computed(() => held.value ?? props.curve.present)
watch(
  () => [props.pending, props.curve],
  () => {
    if (!props.pending) {
      held.value = null
    }
  },
)
const shown = computed(() =>
  inShownUnits(`${position.value.toFixed(step.value < 1 ? 1 : 0)} ${props.curve.unit}`.trim()),
)

function move(event: Event) {
  held.value = Number((event.target as HTMLInputElement).value)
  emit('moved', held.value)
}
</script>

<template>
  <div class="lever">
    <label :for="`lever-${curve.id}`">
      <b>{{ curve.title }}</b> <span class="soft small">{{ shown }}</span>
    </label>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" aria-hidden="true">
      <line :x1="PAD" :x2="WIDTH - PAD" :y1="y(SAFE)" :y2="y(SAFE)" class="safe" />
      <path :d="path" class="curve" />
      <circle :cx="x(curve.present)" :cy="y(now)" r="4" class="now" />
    </svg>
    <input
      v-if="!fixed"
      :id="`lever-${curve.id}`"
      type="range"
      :min="from"
      :max="to"
      :step="step"
      :value="position"
      :aria-valuetext="`${shown}, hold ${now.toFixed(2)}`"
      @input="move"
    />
    <span v-else :id="`lever-${curve.id}`" class="soft small">at the bench</span>
    <span class="small number best">
      {{ Math.abs(best - now) < 0.005 ? 'at its best' : `down to ${best.toFixed(2)}` }}
    </span>
  </div>
</template>

<style scoped>
.lever {
  display: grid;
  grid-template-columns: minmax(8rem, 11rem) 9.4rem minmax(6rem, 1fr) 6.5rem;
  gap: 0.3rem 0.9rem;
  align-items: center;
  padding: 0.15rem 0;
  border-bottom: 1px solid var(--hairline);
}

label {
  line-height: 1.25;
}

svg {
  width: 9.4rem;
  height: 2.5rem;
}

.safe {
  stroke: var(--soft);
  stroke-dasharray: 2 3;
}

.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
}

.now {
  fill: var(--call);
}

input {
  width: 100%;
  min-height: 1.5rem;
  accent-color: var(--ink);
}

.best {
  text-align: right;
}

@media (max-width: 640px) {
  .lever {
    grid-template-columns: 1fr 9.4rem;
  }

  .best {
    text-align: left;
  }
}
</style>
