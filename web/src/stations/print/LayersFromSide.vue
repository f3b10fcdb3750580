<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { hours, moisture, temperature } from '@/parts/format'

/**
 * A print file from the side: time runs to the right as in the water's drawing, each layer is a
 * step; above, its flow over what the melt allows; below, how it bonds.
 */
const props = defineProps<{ file: Schemas['PartFileView'] }>()

const WIDTH = 640
const HEIGHT = 150
const PAD = 4
const FLOW = { top: 12, bottom: 72 }
const BOND = { top: 86, bottom: 136 }
const MOST_FLOW = 1.6

const layers = computed(() => props.file.part.layers)
const checks = computed(() => props.file.layerChecks)
const total = computed(() => props.file.part.printTimeS ?? 1)
const chosen = ref(0)

function x(at: number): number {
  return PAD + (Math.min(at, total.value) / total.value) * (WIDTH - 2 * PAD)
}
function flowY(share: number): number {
  return FLOW.bottom - (Math.min(MOST_FLOW, share) / MOST_FLOW) * (FLOW.bottom - FLOW.top)
}
function bondY(bond: number): number {
  return BOND.bottom - Math.min(1, bond) * (BOND.bottom - BOND.top)
}

/** Neighbouring layers fall together where there are more than the drawing has places. */
const steps = computed(() => {
  const every = Math.max(1, Math.ceil(layers.value.length / 320))
  const out: { from: number; to: number; flow: number; bond: number | null; first: number }[] = []
  for (let i = 0; i < layers.value.length; i += every) {
    const part = layers.value.slice(i, i + every)
    const checked = checks.value.slice(i, i + every)
    const last = part.at(-1)
    const bonds = checked.flatMap((each) => (each.bond == null ? [] : [each.bond]))
    out.push({
      from: part[0]?.startS ?? 0,
      to: (last?.startS ?? 0) + (last?.timeS ?? 0),
      flow: Math.max(0, ...checked.map((each) => each.flowShare)),
      bond: bonds.length ? Math.min(...bonds) : null,
      first: i,
    })
  }
  return out
})

const now = computed(() => layers.value[chosen.value])
const check = computed(() => checks.value[chosen.value])
const said = computed(() => {
  const layer = now.value
  if (!layer) {
    return ''
  }
  const words = [
    `Layer ${chosen.value + 1} at ${layer.zMm.toFixed(2)} mm`,
    `after ${hours(layer.startS / 3600)}, takes ${layer.timeS.toFixed(0)} s`,
    `${layer.maxFlowMm3PerS.toFixed(1)} mm³/s`,
    layer.nozzleTemperatureC == null ? '' : temperature(layer.nozzleTemperatureC),
    `fan ${layer.fanPercent.toFixed(0)} %`,
    check.value ? `melt ${temperature(check.value.meltC)}` : '',
    check.value?.bond == null ? '' : `bond ${check.value.bond.toFixed(2)}`,
    check.value?.moisturePercent == null ? '' : `water ${moisture(check.value.moisturePercent)}`,
  ]
  return words.filter(Boolean).join(' · ')
})

function under(event: PointerEvent) {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const at = ((event.clientX - box.left) / box.width) * total.value
  const next = layers.value.findIndex((layer) => layer.startS + layer.timeS >= at)
  chosen.value = next < 0 ? layers.value.length - 1 : next
}
function keys(event: KeyboardEvent) {
  const by = { ArrowRight: 1, ArrowLeft: -1, PageUp: 20, PageDown: -20 }[event.key]
  if (by !== undefined) {
    chosen.value = Math.max(0, Math.min(layers.value.length - 1, chosen.value + by))
    event.preventDefault()
  }
}
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      tabindex="0"
      :aria-label="`Layers over time: flow and bond. ${said}`"
      data-testid="layers"
      @pointermove="under"
      @keydown="keys"
    >
      <line :x1="PAD" :x2="WIDTH - PAD" :y1="flowY(1)" :y2="flowY(1)" class="limit" />
      <text :x="PAD + 2" :y="flowY(1) - 3" class="word">what the melt allows</text>
      <rect
        v-for="step in steps"
        :key="step.first"
        :x="x(step.from)"
        :width="Math.max(0.6, x(step.to) - x(step.from) - 0.3)"
        :y="flowY(step.flow)"
        :height="FLOW.bottom - flowY(step.flow)"
        :class="step.flow > 1 ? 'over' : 'flow'"
      />
      <template v-for="step in steps" :key="`b${step.first}`">
        <rect
          v-if="step.bond !== null"
          :x="x(step.from)"
          :width="Math.max(0.6, x(step.to) - x(step.from) - 0.3)"
          :y="bondY(step.bond)"
          :height="BOND.bottom - bondY(step.bond)"
          :class="step.bond < 0.4 ? 'over' : 'bond'"
        />
      </template>
      <text :x="PAD" :y="FLOW.bottom + 11" class="word">flow</text>
      <text :x="PAD" :y="BOND.bottom + 12" class="word">bond across layers</text>
      <text :x="WIDTH - PAD" :y="BOND.bottom + 12" class="word end">{{ hours(total / 3600) }}</text>
      <line
        v-if="now"
        :x1="x(now.startS + now.timeS / 2)"
        :x2="x(now.startS + now.timeS / 2)"
        :y1="FLOW.top - 6"
        :y2="BOND.bottom"
        class="cursor"
      />
    </svg>
    <figcaption class="small" aria-live="polite">{{ said }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0.4rem 0;
}

svg {
  width: 100%;
  max-width: 44rem;
  height: auto;
  background: var(--sheet);
}

.limit {
  stroke: var(--call);
  stroke-dasharray: 4 3;
}

.flow {
  fill: var(--ink);
}

.bond {
  fill: var(--soft);
}

.over {
  fill: var(--call);
}

.word {
  font-size: 11px;
  fill: var(--soft);
}

.word.end {
  text-anchor: end;
}

.cursor {
  stroke: var(--ink);
}
</style>
