<script setup lang="ts">
import { computed } from 'vue'
import { DRAWINGS } from './drawings'

/** A small drawing of a sign. */
const props = defineProps<{ sign: string }>()

const drawing = computed(() => DRAWINGS[props.sign])
</script>

<template>
  <svg v-if="drawing" class="drawing" viewBox="0 0 48 32" width="48" height="32" aria-hidden="true">
    <path class="lines" :d="drawing.lines" />
    <path class="wrong" :d="drawing.wrong" />
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke-width: 1.3;
  stroke-linecap: round;
  stroke-linejoin: round;
}

.lines {
  stroke: var(--soft);
}

.wrong {
  stroke: var(--call);
  stroke-width: 1.6;
}
</style>
