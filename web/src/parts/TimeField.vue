<script setup lang="ts">
import FieldProblemLine from './FieldProblemLine.vue'
import { useFieldProblem } from './formProblem'

/** A labelled date with its clock time. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  id: string
  label: string
  /** Its name in the request, so that what the server says of it stands here. */
  name?: string
}>()
const value = defineModel<Date | null>({ required: true })
const problem = useFieldProblem(
  () => props.name,
  () => ({ label: props.label, id: props.id }),
  value,
)
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <el-date-picker
      :id="id"
      v-model="value"
      type="datetime"
      format="D MMM YYYY, HH:mm"
      :aria-invalid="problem !== null"
      :aria-describedby="problem ? `${id}-problem` : undefined"
      v-bind="$attrs"
    />
    <FieldProblemLine :id="id" :problem="problem" />
  </div>
</template>
