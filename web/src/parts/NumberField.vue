<script setup lang="ts">
/** A labelled number; bounds and steps go through to the input. */
defineOptions({ inheritAttrs: false })
defineProps<{ id: string; label: string }>()
const value = defineModel<number | null>({ required: true })
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <el-input-number :id="id" v-model="value" controls-position="right" v-bind="$attrs" />
  </div>
</template>
