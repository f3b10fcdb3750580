<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Choices } from './sheet'
import { lineOf, pathOf, pointsOf, type PartAnswer } from './partFile'

/**
 * First layer from above. Of a mesh: outline, brim, pads, raft, corners shaded by their hold; of a
 * print file: its lines as they are laid.
 */
const props = defineProps<{
  part: PartAnswer
  choices: Choices
  /** Pull over grip at each corner; empty where nothing was computed. */
  ratios: readonly number[]
}>()

const EDGE_MM = 6
const ZOOMS = [1, 2, 4, 8]
const zoom = ref(0)
const chosen = ref<number | null>(null)

const outline = computed(() => props.part.footprint?.outline ?? [])
const corners = computed(() => props.part.footprint?.corners ?? [])
const low = computed(() => props.part.lowMm)
const size = computed(() => props.part.boundsMm)
const around = computed(() => Math.max(props.choices.brimMm ?? 0, props.choices.raftMarginMm ?? 0))
const top = computed(() => 2 * low.value.y + size.value.y)

/** Lines as they are laid; a skirt reaches beyond the part. */
const laid = computed(() => (props.part.firstLayer ?? []).map(pointsOf))
const laidMm = computed(() => props.part.layers[0]?.widthMm ?? 0.45)
const laidPaths = computed(() => laid.value.map((line) => lineOf(line, top.value)))

const full = computed(() => {
  let [x, y] = [low.value.x, low.value.y]
  let [right, back] = [x + size.value.x, y + size.value.y]
  for (const [px, py] of laid.value.flat()) {
    x = Math.min(x, px)
    right = Math.max(right, px)
    y = Math.min(y, py)
    back = Math.max(back, py)
  }
  const edge = around.value + EDGE_MM
  return {
    x: x - edge,
    y: top.value - back - edge,
    width: right - x + 2 * edge,
    height: back - y + 2 * edge,
  }
})
const centre = computed(() => {
  const corner = chosen.value === null ? undefined : corners.value[chosen.value]
  return corner
    ? { x: corner.xMm, y: top.value - corner.yMm }
    : {
        x: full.value.x + full.value.width / 2,
        y: full.value.y + full.value.height / 2,
      }
})
const box = computed(() => {
  const by = ZOOMS[zoom.value] ?? 1
  const width = full.value.width / by
  const height = full.value.height / by
  const x = by === 1 ? full.value.x : centre.value.x - width / 2
  const y = by === 1 ? full.value.y : centre.value.y - height / 2
  return `${x.toFixed(2)} ${y.toFixed(2)} ${width.toFixed(2)} ${height.toFixed(2)}`
})
const line = computed(() => Math.max(size.value.x, size.value.y) / 220 / (ZOOMS[zoom.value] ?? 1))

const paths = computed(() =>
  outline.value.map((polygon) =>
    [polygon.points, ...polygon.holes].map((ring) => pathOf(ring, top.value)).join(''),
  ),
)

/** The nearer to letting go, the fuller; bare where nothing was computed. */
function shade(corner: number): number {
  return Math.min(1, props.ratios[corner] ?? 0)
}
const said = computed(() => {
  const corner = chosen.value === null ? undefined : corners.value[chosen.value]
  if (laid.value.length) {
    return `Its lines as the print file lays them, ${laidMm.value.toFixed(2)} mm wide; + and − zoom.`
  }
  if (!corner) {
    return `${outline.value.length === 1 ? 'One outline' : `${outline.value.length} outlines`}, ${corners.value.length} corners; arrow keys go from corner to corner, + and − zoom.`
  }
  return `Corner ${chosen.value! + 1}: ${corner.angleDeg.toFixed(0)}°, ${
    corner.radiusMm < 0.05 ? 'sharp' : `rounded by ${corner.radiusMm.toFixed(1)} mm`
  }, at ${corner.xMm.toFixed(0)}, ${corner.yMm.toFixed(0)} mm${
    props.ratios[chosen.value!] === undefined
      ? ''
      : `; pull is ${props.ratios[chosen.value!]!.toFixed(2)} of its grip`
  }.`
})

function keys(event: KeyboardEvent) {
  const count = corners.value.length
  if ((event.key === 'ArrowRight' || event.key === 'ArrowLeft') && count > 0) {
    const by = event.key === 'ArrowRight' ? 1 : count - 1
    chosen.value = ((chosen.value ?? -by + count) + by) % count
    event.preventDefault()
  } else if (event.key === '+' || event.key === '=') {
    zoom.value = Math.min(ZOOMS.length - 1, zoom.value + 1)
  } else if (event.key === '-') {
    zoom.value = Math.max(0, zoom.value - 1)
  } else if (event.key === 'Escape') {
    chosen.value = null
    zoom.value = 0
  }
}
</script>

<template>
  <figure>
    <svg
      :viewBox="box"
      role="img"
      tabindex="0"
      :aria-label="`First layer from above. ${said}`"
      @keydown="keys"
    >
      <template v-if="choices.raftMarginMm">
        <path
          v-for="(d, i) in paths"
          :key="`r${i}`"
          :d="d"
          class="raft"
          :stroke-width="2 * choices.raftMarginMm"
        />
      </template>
      <template v-if="choices.brimMm">
        <path
          v-for="(d, i) in paths"
          :key="`b${i}`"
          :d="d"
          class="brim"
          :stroke-width="2 * choices.brimMm"
        />
      </template>
      <path v-for="(d, i) in paths" :key="i" :d="d" class="sole" :stroke-width="line" />
      <path
        v-for="(d, i) in laidPaths"
        :key="`l${i}`"
        :d="d"
        class="laid"
        :stroke-width="0.85 * laidMm"
      />
      <template v-for="(corner, i) in corners" :key="`c${i}`">
        <circle
          v-if="choices.padDiameterMm"
          :cx="corner.xMm"
          :cy="top - corner.yMm"
          :r="choices.padDiameterMm / 2"
          class="pad"
          :stroke-width="line"
        />
        <circle
          :cx="corner.xMm"
          :cy="top - corner.yMm"
          :r="3.2 * line + 1.2"
          class="corner"
          :class="{ chosen: chosen === i }"
          :fill-opacity="shade(i)"
          :stroke-width="line"
          @pointerenter="chosen = i"
        />
      </template>
    </svg>
    <figcaption class="soft small">
      {{ said }}
      <button class="button plain small" :disabled="zoom === ZOOMS.length - 1" @click="zoom++">
        closer
      </button>
      <button class="button plain small" :disabled="zoom === 0" @click="zoom--">farther</button>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  width: 100%;
  max-height: 19rem;
  background: var(--ground);
}

.sole {
  fill: var(--board);
  fill-rule: evenodd;
  stroke: var(--ink);
}

.laid {
  fill: none;
  stroke: var(--board);
  stroke-linecap: round;
  stroke-linejoin: round;
}

.brim {
  fill: none;
  stroke: var(--board);
  stroke-opacity: 0.45;
  stroke-linejoin: round;
}

.raft {
  fill: none;
  stroke: var(--soft);
  stroke-opacity: 0.3;
  stroke-linejoin: bevel;
}

.pad {
  fill: none;
  stroke: var(--ink);
  stroke-dasharray: 2 2;
}

.corner {
  fill: var(--call);
  stroke: var(--ink);
}

.chosen {
  stroke: var(--call);
}
</style>
