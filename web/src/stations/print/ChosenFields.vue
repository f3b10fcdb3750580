<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import NumberField from '@/parts/NumberField.vue'
import ToggleButtons from '@/parts/ToggleButtons.vue'
import { useMaterials } from './materials'
import type { Choices } from './sheet'

/** What somebody sets by hand; an empty field is computed. */
const props = defineProps<{
  practices: Schemas['PrintOptionView'][]
  /** What the part is mostly of. */
  material?: string | null
}>()
const choices = defineModel<Choices>({ required: true })

function field<K extends keyof Choices>(key: K) {
  return computed({
    get: () => (choices.value[key] as number | null | undefined) ?? null,
    set: (value: number | null) => {
      choices.value = { ...choices.value, [key]: value }
    },
  })
}

const FIELDS = [
  { key: 'speedMmPerS', label: 'Speed, mm/s', min: 1, max: 2000, step: 10 },
  { key: 'nozzleTemperatureC', label: 'Nozzle, °C', min: 100, max: 500, step: 5 },
  { key: 'bedTemperatureC', label: 'Bed, °C', min: 0, max: 220, step: 5 },
  { key: 'chamberTemperatureC', label: 'Air around the part, °C', min: -20, max: 180, step: 5 },
  { key: 'fanPercent', label: 'Part fan, %', min: 0, max: 100, step: 5 },
  { key: 'layerTimeS', label: 'Time of a layer, s', min: 0.1, max: 36_000, step: 5 },
  { key: 'squish', label: 'First layer pressed on, 0 to 1', min: 0.05, max: 1, step: 0.1 },
  { key: 'raftMarginMm', label: 'Raft beyond the part, mm', min: 0, max: 100, step: 1 },
] as const
const fields = FIELDS.map((each) => ({ ...each, value: field(each.key) }))

/** Nothing said is the cause first. */
const practice = computed({
  get: () => choices.value.practice ?? 'CAUSE_FIRST',
  set: (value: NonNullable<Choices['practice']>) => {
    choices.value = { ...choices.value, practice: value }
  },
})
const materials = useMaterials()
const others = computed(() =>
  materials.value
    .filter((each) => each.value !== props.material)
    .map((each) => ({ id: each.value, title: each.label })),
)
const together = computed({
  get: () => choices.value.together,
  set: (value: string[]) => {
    choices.value = { ...choices.value, together: value }
  },
})

const remedies = computed(() =>
  props.practices.map((each) => ({
    value: each.id as NonNullable<Choices['practice']>,
    label: each.title,
  })),
)
</script>

<template>
  <div class="field-grid">
    <NumberField
      v-for="each in fields"
      :id="`chosen-${each.key}`"
      :key="each.key"
      v-model="each.value.value"
      :label="each.label"
      :name="each.key"
      :min="each.min"
      :max="each.max"
      :step="each.step"
    />
    <ChoiceField id="chosen-practice" v-model="practice" label="Remedies" :options="remedies" />
  </div>
  <details :open="together.length > 0">
    <summary>Other materials in this part</summary>
    <ToggleButtons
      v-model="together"
      legend="Supports, inlays: whether they suit is among the checks."
      :options="others"
    />
  </details>
</template>

<style scoped>
details {
  margin-top: 0.6rem;
}

summary {
  min-height: 1.75rem;
  cursor: pointer;
}
</style>
