<script setup lang="ts">
import { useActs } from '@/stores/acts'
import ProblemNote from './ProblemNote.vue'

const acts = useActs()

async function undo() {
  try {
    if (acts.done?.act) {
      await acts.undo(acts.done.act)
    }
  } catch (cause) {
    acts.fail(cause)
  }
}
</script>

<template>
  <div class="bar" aria-live="polite">
    <div v-if="acts.done" class="done" data-testid="act-done">
      <span>
        {{ acts.done.text }}
        <span v-if="acts.done.remark" class="remark">{{ acts.done.remark }}</span>
      </span>
      <button v-if="acts.done.act" class="button" data-testid="undo" @click="undo">Undo</button>
      <button class="button plain" @click="acts.show(null, null)">Close</button>
    </div>
    <div v-if="acts.problem" class="done">
      <ProblemNote :problem="acts.problem" />
      <button class="button plain" @click="acts.show(null, null)">Close</button>
    </div>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  left: 50%;
  bottom: 1rem;
  translate: -50% 0;
  z-index: 3000;
  max-width: calc(100vw - 2rem);
}

.done {
  display: flex;
  align-items: center;
  gap: 1rem;
  padding: 0.6rem 1rem;
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-radius: var(--corner);
}

.remark {
  display: block;
  color: var(--call);
}

@media (max-width: 700px) {
  .bar {
    bottom: 4.5rem;
    width: calc(100vw - 1rem);
    max-width: none;
  }
}
</style>
