<script setup lang="ts">
import { computed } from 'vue'
import type { Problem } from '@/api/client'

/** Somebody else changed a thing meanwhile: both are shown, and one of them is chosen. */
const props = defineProps<{
  problem: Problem
  /** What was sent, by the names of its fields. */
  mine: Readonly<Record<string, unknown>>
  /** Names of fields in words; fields without one are not shown. */
  labels: Readonly<Record<string, string>>
  /** Values in words, by field, where they are numbers of something. */
  words?: Readonly<Record<string, (value: unknown) => string>>
}>()
const emit = defineEmits<{ mine: []; theirs: [] }>()

function shown(field: string, value: unknown): string {
  if (value === null || value === undefined || value === '') {
    return 'nothing'
  }
  const words = props.words?.[field]
  if (words) {
    return words(value)
  }
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)
}

const theirs = computed(() => (props.problem.current ?? {}) as Record<string, unknown>)
const differences = computed(() =>
  Object.entries(props.labels)
    .map(([field, label]) => ({
      field,
      label,
      mine: shown(field, props.mine[field]),
      theirs: shown(field, theirs.value[field]),
    }))
    .filter((row) => row.mine !== row.theirs),
)
</script>

<template>
  <div class="conflict" role="alert" data-testid="conflict">
    <strong>{{ problem.title }}.</strong>
    <p>{{ problem.detail }}</p>
    <table v-if="differences.length" class="table">
      <thead>
        <tr>
          <th scope="col">what</th>
          <th scope="col">yours</th>
          <th scope="col">theirs</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in differences" :key="row.field">
          <th scope="row">{{ row.label }}</th>
          <td>{{ row.mine }}</td>
          <td>{{ row.theirs }}</td>
        </tr>
      </tbody>
    </table>
    <p class="buttons">
      <button type="button" class="button" @click="emit('mine')">Keep yours</button>
      <button type="button" class="button" @click="emit('theirs')">Take theirs</button>
    </p>
  </div>
</template>

<style scoped>
.conflict {
  border-left: 4px solid var(--call);
  margin: 0.9rem 0;
  padding: 0.3rem 0 0.3rem 0.75rem;
}

tbody th {
  border-bottom: 1px solid var(--hairline);
}

.buttons {
  display: flex;
  gap: 0.5rem;
  margin-top: 0.6rem;
}
</style>
