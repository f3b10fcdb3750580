<script setup lang="ts">
import { computed } from 'vue'
import NumberField from '@/parts/NumberField.vue'
import type { Part } from './sheet'

/** A part as a box: its size, corners, inside, and how fine it is printed. */
const part = defineModel<Part>({ required: true })

/** Each field changes the part as a whole, so that a page that compares sees it. */
function field<K extends keyof Part>(key: K) {
  return computed({
    get: () => (part.value[key] as number | null | undefined) ?? null,
    set: (value: number | null) => {
      part.value = { ...part.value, [key]: value ?? undefined }
    },
  })
}

const length = field('lengthMm')
const width = field('widthMm')
const height = field('heightMm')
const walls = field('walls')
const infill = field('infillPercent')
const layer = field('layerHeightMm')
const line = field('lineWidthMm')
const radius = field('cornerRadiusMm')
const angle = field('cornerAngleDeg')
const base = field('baseWidthMm')
</script>

<template>
  <div class="field-grid">
    <NumberField
      id="part-length"
      v-model="length"
      label="Length, mm"
      name="part.lengthMm"
      :min="1"
      :max="2000"
      :step="5"
    />
    <NumberField
      id="part-width"
      v-model="width"
      label="Width, mm"
      name="part.widthMm"
      :min="0.2"
      :max="2000"
      :step="5"
    />
    <NumberField
      id="part-height"
      v-model="height"
      label="Height, mm"
      name="part.heightMm"
      :min="0.1"
      :max="2000"
      :step="5"
    />
    <NumberField
      id="part-walls"
      v-model="walls"
      label="Walls"
      name="part.walls"
      :min="1"
      :max="1000"
      :step="1"
    />
    <NumberField
      id="part-infill"
      v-model="infill"
      label="Infill, %"
      name="part.infillPercent"
      :min="0"
      :max="100"
      :step="5"
    />
    <NumberField
      id="part-layer"
      v-model="layer"
      label="Layer height, mm"
      name="part.layerHeightMm"
      :min="0.02"
      :max="3"
      :step="0.05"
    />
    <NumberField
      id="part-line"
      v-model="line"
      label="Line width, mm"
      name="part.lineWidthMm"
      :min="0.05"
      :max="5"
      :step="0.05"
    />
    <NumberField
      id="part-radius"
      v-model="radius"
      label="Corner radius, mm"
      name="part.cornerRadiusMm"
      :min="0"
      :max="1000"
      :step="1"
    />
    <NumberField
      id="part-angle"
      v-model="angle"
      label="Sharpest corner, °"
      name="part.cornerAngleDeg"
      :min="10"
      :max="180"
      :step="5"
    />
    <NumberField
      id="part-base"
      v-model="base"
      label="Width of a thin foot, mm"
      name="part.baseWidthMm"
      :min="0.2"
      :max="2000"
      :step="1"
    />
  </div>
</template>
