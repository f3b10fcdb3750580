<script setup lang="ts" generic="T extends string | number | null">
/** A labelled choice among a few. */
defineOptions({ inheritAttrs: false })
defineProps<{ id: string; label: string; options: readonly { value: T; label: string }[] }>()
const value = defineModel<T>({ required: true })
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <el-select :id="id" v-model="value" :aria-label="label" v-bind="$attrs">
      <el-option
        v-for="option in options"
        :key="String(option.value)"
        :value="option.value ?? ''"
        :label="option.label"
      />
    </el-select>
  </div>
</template>
