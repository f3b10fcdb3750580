<script setup lang="ts" generic="T extends string | number | null">
import FieldProblemLine from './FieldProblemLine.vue'
import { useFieldProblem } from './formProblem'

/** A labelled choice among a few. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  id: string
  label: string
  options: readonly { value: T; label: string }[]
  /** Its name in the request, so that what the server says of it stands here. */
  name?: string
}>()
const value = defineModel<T>({ required: true })
const problem = useFieldProblem(
  () => props.name,
  () => ({ label: props.label, id: props.id }),
  value,
)
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <!-- An empty text is a choice like the others, such as "none". -->
    <el-select
      :id="id"
      v-model="value"
      :aria-label="label"
      :empty-values="[null, undefined]"
      v-bind="$attrs"
    >
      <el-option
        v-for="option in options"
        :key="String(option.value)"
        :value="option.value ?? ''"
        :label="option.label"
      />
    </el-select>
    <FieldProblemLine :id="id" :problem="problem" />
  </div>
</template>
