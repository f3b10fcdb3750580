<script setup lang="ts">
import { computed } from 'vue'
import { usePreferences } from '@/stores/preferences'
import FieldProblemLine from './FieldProblemLine.vue'
import { useFieldProblem } from './formProblem'

/**
 * A labelled number; steps go through to the input. A field whose label says °C takes °F where the
 * person chose that; the value stays in °C.
 */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  id: string
  label: string
  /** Its name in the request, so that what the server says of it stands here. */
  name?: string
  min?: number
  max?: number
  /** A difference of temperatures, not a temperature. */
  difference?: boolean
}>()
const value = defineModel<number | null>({ required: true })
const preferences = usePreferences()

const inF = computed(() => preferences.fahrenheit && props.label.includes('°C'))
const shownLabel = computed(() => (inF.value ? props.label.replace('°C', '°F') : props.label))
const zero = computed(() => (props.difference ? 0 : 32))

function toShown<T extends number | null | undefined>(celsius: T): T | number {
  return inF.value && typeof celsius === 'number'
    ? Math.round(10 * (celsius * 1.8 + zero.value)) / 10
    : celsius
}

const shown = computed({
  get: () => toShown(value.value),
  set: (typed) =>
    (value.value =
      inF.value && typeof typed === 'number'
        ? Math.round(1000 * ((typed - zero.value) / 1.8)) / 1000
        : typed),
})
const problem = useFieldProblem(
  () => props.name,
  () => ({ label: shownLabel.value, id: props.id }),
  value,
)
</script>

<template>
  <div class="field">
    <label :for="id">{{ shownLabel }}</label>
    <el-input-number
      :id="id"
      v-model="shown"
      controls-position="right"
      :min="toShown(min)"
      :max="toShown(max)"
      :aria-invalid="problem !== null"
      :aria-describedby="problem ? `${id}-problem` : undefined"
      v-bind="$attrs"
    />
    <FieldProblemLine :id="id" :problem="problem" />
  </div>
</template>
