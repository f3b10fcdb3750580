<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '@/api/client'
import { fieldWords, readable, useKnownFields } from './formProblem'
import { inShownUnits } from './format'

/** What went wrong; what concerns a field on the page stands at that field, too. */
const props = defineProps<{ problem: Problem }>()
const fieldOf = useKnownFields()

const lines = computed(() =>
  props.problem.errors.map((error) => {
    const known = fieldOf(error.field)
    const value = inShownUnits(readable(error.value))
    const rest = `${inShownUnits(readable(error.allowed))}. ${inShownUnits(readable(error.advice))}`
    return { ...error, known, words: known?.label ?? fieldWords(error.field), value, rest }
  }),
)

function goTo(id: string) {
  document.getElementById(id)?.focus()
}
</script>

<template>
  <div class="problem" role="alert">
    <strong>{{ problem.title }}.</strong>
    <template v-if="lines.length">
      <p v-for="line in lines" :key="line.field">
        <button v-if="line.known" type="button" class="link" @click="goTo(line.known.id)">
          {{ line.words }}</button><b v-else>{{ line.words }}</b
        >: {{ line.value }} is not accepted; allowed: {{ line.rest }}
      </p>
    </template>
    <p v-else>{{ inShownUnits(problem.detail) }}</p>
  </div>
</template>

<style scoped>
.problem {
  border-left: 4px solid var(--call);
  padding: 0.3rem 0 0.3rem 0.75rem;
}

.link {
  padding: 0;
  border: 0;
  background: none;
  font: inherit;
  font-weight: 700;
  color: inherit;
  text-decoration: underline;
  cursor: pointer;
}
</style>
