<script setup lang="ts">
import { onMounted, useTemplateRef, watch } from 'vue'
import { usePreferences } from '@/stores/preferences'
import { drawSpoolFace, type Face } from './spoolFace'

const props = defineProps<{ face: Face; size: number; label: string }>()

const canvas = useTemplateRef('canvas')
const preferences = usePreferences()

function draw() {
  const element = canvas.value
  const context = element?.getContext('2d')
  if (!element || !context) {
    return
  }
  const ratio = Math.min(3, window.devicePixelRatio || 1)
  const pixels = Math.round(props.size * ratio)
  if (element.width !== pixels) {
    element.width = pixels
    element.height = pixels
  }
  context.setTransform(ratio, 0, 0, ratio, 0, 0)
  const style = getComputedStyle(document.documentElement)
  drawSpoolFace(context, props.size, props.face, {
    ink: style.getPropertyValue('--face-ink'),
    disc: style.getPropertyValue('--disc'),
    soft: style.getPropertyValue('--board'),
  })
}

onMounted(draw)
watch([() => props.face, () => props.size, () => preferences.theme], draw, { flush: 'post' })
</script>

<template>
  <canvas
    ref="canvas"
    class="face"
    role="img"
    :aria-label="label"
    :style="{ width: `${size}px`, height: `${size}px` }"
  />
</template>

<style scoped>
.face {
  display: block;
  flex: none;
}
</style>
