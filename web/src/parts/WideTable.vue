<script setup lang="ts">
/** A table that scrolls within itself where the page is narrower; columns of class `desk` go first. */
defineOptions({ inheritAttrs: false })
defineProps<{ label: string }>()
</script>

<template>
  <div class="wide-table" role="region" :aria-label="label" tabindex="0">
    <table class="table" v-bind="$attrs">
      <slot />
    </table>
  </div>
</template>

<style scoped>
.wide-table {
  /* What is hidden for the eye only must not widen the page. */
  position: relative;
  max-width: 100%;
  overflow-x: auto;
}
</style>
