<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { inShownUnits } from '@/parts/format'
import SignDrawing from './SignDrawing.vue'
import type { KnownSign } from './signs'

type Answer = Schemas['CaseSignView']['answer']

/** A sign with its drawing; a second tap on what was said takes it back. */
defineProps<{
  sign: KnownSign
  said: Answer | undefined
  /** Whether the first cause does not show it though it is there. */
  unexplained: boolean
  /** What must be at hand to tell, where it is asked for; empty where a look will do. */
  needs?: string
  disabled: boolean
}>()
const emit = defineEmits<{ say: [answer: Answer | null] }>()

const ANSWERS = [
  { id: 'YES', label: 'yes' },
  { id: 'NO', label: 'no' },
  { id: 'UNSURE', label: 'not sure' },
] as const
</script>

<template>
  <li>
    <SignDrawing :sign="sign.id" />
    <span class="name">
      {{ inShownUnits(sign.name) }}
      <span v-if="needs" class="soft small">{{ needs }}</span>
      <span v-if="unexplained" class="call small">not explained by the first cause</span>
    </span>
    <span class="answers" role="group" :aria-label="inShownUnits(sign.name)">
      <button
        v-for="each in ANSWERS"
        :key="each.id"
        type="button"
        :aria-pressed="said === each.id"
        :disabled="disabled"
        @click="emit('say', said === each.id ? null : each.id)"
      >
        {{ each.label }}
      </button>
    </span>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 48px minmax(0, 1fr) auto;
  gap: 0.7rem;
  align-items: center;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--hairline);
}

.name {
  line-height: 1.25;
}

.answers {
  display: flex;
}

.answers button {
  min-height: 2.1rem;
  padding: 0 0.6rem;
  border: 1px solid var(--board);
  background: var(--field);
  cursor: pointer;
}

.answers button + button {
  border-left: 0;
}

.answers button[aria-pressed='true'] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--ground);
}

.answers button:disabled {
  cursor: default;
}

@media (max-width: 40rem) {
  li {
    grid-template-columns: 48px minmax(0, 1fr);
  }

  .answers {
    grid-column: 2;
  }

  .answers button {
    min-height: 2.6rem;
    padding: 0 0.9rem;
  }
}
</style>
