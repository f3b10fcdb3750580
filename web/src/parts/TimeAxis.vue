<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { TimeScale } from './timeScale'

/** The axis under lanes: clock times, or hours from the beginning. */
const props = defineProps<{
  scale: TimeScale
  /** Now, for clock times; without it hours are counted from the beginning. */
  nowS?: number
}>()

const LABEL_PX = 84

/** About as wide as it is written. */
function textPx(text: string): number {
  return 8 * text.length + 8
}

const frame = useTemplateRef('frame')
const { width } = useElementSize(frame, { width: 600, height: 0 })

const marks = computed(() => {
  const room = width.value || 600
  const most = Math.max(2, Math.floor(room / LABEL_PX))
  const all =
    props.nowS === undefined ? props.scale.hours(most) : props.scale.clock(props.nowS, most)
  // A name that would run out at the end stands before its mark, where there is room for both.
  return all.map((mark, i) => {
    const before = all[i - 1]
    const apart = ((mark.percent - (before?.percent ?? -100)) / 100) * room
    const late = (mark.percent / 100) * room + textPx(mark.text) > room
    const fits = !late || apart > textPx(mark.text) + textPx(before?.text ?? '')
    return { ...mark, late, text: fits ? mark.text : '' }
  })
})
</script>

<template>
  <div ref="frame" class="axis" aria-hidden="true">
    <span
      v-for="mark in marks"
      :key="mark.timeS"
      :class="{ late: mark.late }"
      :style="{ left: `${mark.percent}%` }"
      >{{ mark.text }}</span
    >
  </div>
</template>

<style scoped>
.axis {
  position: relative;
  height: 1.4rem;
  overflow: hidden;
  border-top: 2px solid var(--ink);
  font-size: var(--size-1);
  color: var(--soft);
}

span {
  position: absolute;
  padding-left: 0.25rem;
  border-left: 1px solid var(--soft);
  white-space: nowrap;
}

span.late {
  padding: 0 0.25rem 0 0;
  border-left: 0;
  border-right: 1px solid var(--soft);
  translate: -100% 0;
}
</style>
