<script setup lang="ts" generic="T extends string | number">
/** A choice within a sentence; empty shows what holds then. */
defineProps<{
  label: string
  empty: string
  options: readonly { value: T; label: string }[]
  wide?: boolean
  clearable?: boolean
}>()
const value = defineModel<T | null>({ required: true })
</script>

<template>
  <span class="inline" :class="{ wide }">
    <el-select
      v-model="value"
      :aria-label="label"
      :placeholder="empty"
      :clearable="clearable"
      :value-on-clear="null"
    >
      <el-option
        v-for="option in options"
        :key="option.value"
        :value="option.value"
        :label="option.label"
      />
    </el-select>
  </span>
</template>

<style scoped>
.inline {
  width: 11.5rem;
  max-width: 100%;
}

.wide {
  width: 17rem;
}
</style>
