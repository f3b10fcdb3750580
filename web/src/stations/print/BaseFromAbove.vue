<script setup lang="ts">
import { computed } from 'vue'
import type { Choices, Part, Sheet } from './sheet'

/**
 * The sole of a part from above. At each corner a disc stands for what holds it and a ring for what
 * pulls: a ring beyond its disc is a corner that lifts.
 */
const props = defineProps<{ part: Part; choices: Choices; sheet: Sheet }>()

const WIDTH = 360
const HEIGHT = 260
const MARGIN = 62
const DISC = 34

const scale = computed(() =>
  Math.min(
    (WIDTH - 2 * MARGIN) / (props.part.lengthMm ?? 1),
    (HEIGHT - 2 * MARGIN) / (props.part.widthMm ?? 1),
  ),
)
const box = computed(() => {
  const width = Math.max(6, (props.part.lengthMm ?? 1) * scale.value)
  const height = Math.max(6, (props.part.widthMm ?? 1) * scale.value)
  return { x: (WIDTH - width) / 2, y: (HEIGHT - height) / 2, width, height }
})
const corners = computed(() => {
  const { x, y, width, height } = box.value
  return [
    { x, y },
    { x: x + width, y },
    { x, y: y + height },
    { x: x + width, y: y + height },
  ]
})
const radius = computed(() =>
  Math.min(
    (props.part.cornerRadiusMm ?? 0) * scale.value,
    box.value.width / 2,
    box.value.height / 2,
  ),
)
/** Pull over grip by area, so that the eye compares what counts. */
const ring = computed(
  () => DISC * Math.min(1.75, Math.sqrt(Math.max(0.02, props.sheet.hold.adhesionRatio))),
)
const lifts = computed(() => props.sheet.hold.adhesionRatio >= 1)

function around(millimetres: number | undefined | null) {
  const by = (millimetres ?? 0) * scale.value
  return {
    x: box.value.x - by,
    y: box.value.y - by,
    width: box.value.width + 2 * by,
    height: box.value.height + 2 * by,
    rx: radius.value + by,
  }
}
const padRadius = computed(() => ((props.choices.padDiameterMm ?? 0) / 2) * scale.value)

const words = computed(() => {
  const parts = ['disc: what holds a corner; ring: what pulls at it']
  if (props.choices.brimMm) {
    parts.push(`dotted: brim of ${props.choices.brimMm} mm`)
  }
  if (props.choices.raftMarginMm) {
    parts.push(`dashed: raft, ${props.choices.raftMarginMm} mm beyond`)
  }
  if (props.choices.padDiameterMm) {
    parts.push(`circles: pads of ${props.choices.padDiameterMm} mm`)
  }
  return parts.join('. ') + '.'
})
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`Sole of ${part.lengthMm} by ${part.widthMm} mm from above; at each corner the pull is ${sheet.hold.adhesionRatio.toFixed(2)} of the grip`"
    >
      <g v-for="(corner, i) in corners" :key="i">
        <circle :cx="corner.x" :cy="corner.y" :r="DISC" class="grip" />
        <circle
          :cx="corner.x"
          :cy="corner.y"
          :r="ring"
          class="pull"
          :class="{ loose: lifts }"
          :stroke-dasharray="lifts ? undefined : '4 3'"
        />
      </g>
      <rect v-if="choices.raftMarginMm" v-bind="around(choices.raftMarginMm)" class="raft" />
      <rect v-if="choices.brimMm" v-bind="around(choices.brimMm)" class="brim" />
      <rect v-bind="box" :rx="radius" class="part" />
      <template v-if="padRadius > 0">
        <circle
          v-for="(corner, i) in corners"
          :key="`pad${i}`"
          :cx="corner.x"
          :cy="corner.y"
          :r="padRadius"
          class="pad"
        />
      </template>
      <text :x="WIDTH / 2" :y="HEIGHT / 2 - 4" class="size">
        {{ part.lengthMm }} × {{ part.widthMm }} mm
      </text>
      <text :x="WIDTH / 2" :y="HEIGHT / 2 + 16" class="size" :class="{ loose: lifts }">
        pull {{ sheet.hold.adhesionRatio.toFixed(2) }} of the grip
      </text>
    </svg>
    <figcaption class="soft small">{{ words }}</figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  width: 100%;
  max-width: 26rem;
  height: auto;
}

.grip {
  fill: var(--board);
  opacity: 0.45;
}

.pull {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
}

.pull.loose {
  stroke: var(--call);
  stroke-width: 2.4;
}

.part {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}

.brim,
.raft {
  fill: none;
  stroke: var(--soft);
  stroke-width: 1.4;
  stroke-dasharray: 2 3;
}

.raft {
  stroke-dasharray: 7 4;
}

.pad {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.4;
}

.size {
  text-anchor: middle;
  fill: var(--ink);
  font-size: 13px;
}

.size.loose {
  fill: var(--call);
  font-weight: 700;
}
</style>
