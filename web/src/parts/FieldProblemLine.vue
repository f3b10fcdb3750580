<script setup lang="ts">
import type { FieldProblem } from '@/api/client'
import { inShownUnits } from './format'
import { readable } from './formProblem'

/** What is wrong with the field above. */
defineProps<{ id: string; problem: FieldProblem | null }>()
</script>

<template>
  <p v-if="problem" :id="`${id}-problem`" class="wrong small" role="alert">
    Allowed: {{ inShownUnits(readable(problem.allowed)) }}.
    {{ inShownUnits(readable(problem.advice)) }}
  </p>
</template>

<style scoped>
.wrong {
  margin: 0.15rem 0 0;
  color: var(--call);
}
</style>
