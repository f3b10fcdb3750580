<script setup lang="ts">
import FieldProblemLine from './FieldProblemLine.vue'
import { useFieldProblem } from './formProblem'

/** A labelled line of text. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  id: string
  label: string
  /** Its name in the request, so that what the server says of it stands here. */
  name?: string
}>()
const value = defineModel<string>({ required: true })
const problem = useFieldProblem(
  () => props.name,
  () => ({ label: props.label, id: props.id }),
  value,
)
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <el-input
      :id="id"
      v-model="value"
      :aria-invalid="problem !== null"
      :aria-describedby="problem ? `${id}-problem` : undefined"
      v-bind="$attrs"
    />
    <FieldProblemLine :id="id" :problem="problem" />
  </div>
</template>
