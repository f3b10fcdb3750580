<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'

type Wall = Schemas['WallView']

/** Brightness along the height of one or two walls, bottom at the left, one under the other. */
const props = defineProps<{ first: Wall; second: Wall | null }>()

const WIDTH = 900
const HEIGHT = 90
const GAP = 14
const walls = computed(() => (props.second ? [props.first, props.second] : [props.first]))
const most = computed(() => Math.max(1e-9, ...walls.value.map((wall) => wall.heightMm)))
const height = computed(() => walls.value.length * (HEIGHT + GAP) + 24)

function path(wall: Wall, top: number): string {
  const swing = Math.max(1e-9, ...wall.brightness.map(Math.abs))
  return wall.brightness
    .map((value, i) => {
      const x = (((i + 0.5) * wall.stepMm) / most.value) * WIDTH
      const y = top + HEIGHT / 2 - (value / swing) * (HEIGHT / 2)
      return `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`
    })
    .join('')
}

const ticks = computed(() => {
  const step = [1, 2, 5, 10, 20, 50, 100].find((each) => most.value / each <= 12) ?? 200
  return Array.from({ length: Math.floor(most.value / step) + 1 }, (_, i) => i * step)
})
</script>

<template>
  <svg
    class="profiles"
    :viewBox="`0 0 ${WIDTH} ${height}`"
    role="img"
    aria-label="Brightness along the height of the walls"
  >
    <g v-for="tick in ticks" :key="tick">
      <line
        class="tick"
        :x1="(tick / most) * WIDTH"
        :x2="(tick / most) * WIDTH"
        y1="0"
        :y2="height - 20"
      />
      <text :x="Math.min(WIDTH - 40, (tick / most) * WIDTH + 3)" :y="height - 6">
        {{ tick }} mm
      </text>
    </g>
    <path
      v-for="(wall, i) in walls"
      :key="i"
      class="profile"
      :d="path(wall, i * (HEIGHT + GAP) + 2)"
    />
  </svg>
</template>

<style scoped>
.profiles {
  width: 100%;
  height: auto;
}

.profile {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.2;
}

.tick {
  stroke: var(--hairline);
}

text {
  fill: var(--soft);
  font-size: 13px;
}
</style>
