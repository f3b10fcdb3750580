<script setup lang="ts">
import { computed } from 'vue'
import { moisture } from '@/parts/format'
import type { MoistureNow } from '@/parts/spoolAtTime'
import { radiusOfShare, shareAtRadius, type Face } from '@/parts/spoolFace'
import SpoolFace from '@/parts/SpoolFace.vue'

const props = defineProps<{
  face: Face
  at: MoistureNow | null
  limitPercent: number
  label: string
}>()

const SIZE = 224
const WIDTH = 318
const TEXT_X = 249
const COMMON_RIM_MM = 100

/** Leaders from a depth in the winding to its number: the middle of the tenth that it stands for. */
const leaders = computed(() => {
  const at = props.at
  if (!at) {
    return []
  }
  const middleMm = radiusOfShare(props.face, 0.5)
  const middle = shareAtRadius(props.face, middleMm) * props.limitPercent
  const scale = (SIZE / 2 - 3) / Math.max(COMMON_RIM_MM, props.face.rimRadiusMm)
  return [
    { name: 'outer', value: at.outer, share: 0.95, angle: -38, y: 46 },
    { name: 'middle', value: middle, share: 0.5, angle: -4, y: SIZE / 2 },
    { name: 'core', value: at.core, share: 0.05, angle: 34, y: SIZE - 46 },
  ].map((leader) => {
    const radius = radiusOfShare(props.face, leader.share) * scale
    const turn = (leader.angle * Math.PI) / 180
    return {
      ...leader,
      x: SIZE / 2 + radius * Math.cos(turn),
      from: SIZE / 2 + radius * Math.sin(turn),
    }
  })
})
</script>

<template>
  <div class="wrap" :style="{ width: `${WIDTH}px`, height: `${SIZE}px` }">
    <SpoolFace :face="face" :size="SIZE" :label="label" />
    <svg :width="WIDTH" :height="SIZE" aria-hidden="true">
      <g v-for="leader in leaders" :key="leader.name">
        <path :d="`M${leader.x} ${leader.from}L${TEXT_X - 22} ${leader.y}H${TEXT_X - 4}`" />
        <circle :cx="leader.x" :cy="leader.from" r="3.5" />
        <text :x="TEXT_X" :y="leader.y - 2">{{ leader.name }}</text>
        <text class="value" :x="TEXT_X" :y="leader.y + 16">{{ moisture(leader.value) }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.wrap {
  position: relative;
  max-width: 100%;
}

svg {
  position: absolute;
  inset: 0;
  overflow: visible;
}

path {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}

circle {
  fill: var(--disc);
  stroke: var(--face-ink);
  stroke-width: 1.5;
}

text {
  font-size: 13px;
  fill: var(--soft);
}

.value {
  font-size: 16px;
  font-weight: 700;
  fill: var(--ink);
}
</style>
