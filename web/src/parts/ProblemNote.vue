<script setup lang="ts">
import type { Problem } from '@/api/client'

defineProps<{ problem: Problem }>()
</script>

<template>
  <div class="problem" role="alert">
    <strong>{{ problem.title }}.</strong>
    <template v-if="problem.errors.length">
      <p v-for="error in problem.errors" :key="error.field">
        <span class="code">{{ error.field }}</span> is {{ error.value }}; allowed:
        {{ error.allowed }}. {{ error.advice }}
      </p>
    </template>
    <p v-else>{{ problem.detail }}</p>
  </div>
</template>

<style scoped>
.problem {
  border-left: 4px solid var(--call);
  padding: 0.3rem 0 0.3rem 0.75rem;
}
</style>
