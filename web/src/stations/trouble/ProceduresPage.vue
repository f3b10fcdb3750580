<script setup lang="ts">
import { inShownUnits } from '@/parts/format'
import { ref } from 'vue'
import { answer, client, Problem } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import type { Procedure } from './walk'

/** Work at the bench that has stop points: what there is. */
const procedures = ref<Procedure[]>([])
const problem = ref<Problem | null>(null)
answer(client.GET('/api/procedures'))
  .then((read) => (procedures.value = read))
  .catch((cause: unknown) => (problem.value = Problem.of(cause)))
</script>

<template>
  <div class="procedures">
    <h1>Step by step</h1>
    <p class="soft">
      Work with points at which one has to look, and may have to stop.
      <router-link to="/trouble">Cases</router-link>
    </p>
    <ProblemNote v-if="problem" :problem="problem" />
    <ul>
      <li v-for="each in procedures" :key="each.id">
        <router-link :to="`/trouble/steps/${each.id}`">{{ inShownUnits(each.title) }}</router-link>
        <span class="soft">
          {{ each.steps.length }} steps, {{ each.minutes }} min; needs {{ each.needs.join(', ') }}
        </span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.procedures {
  display: grid;
  gap: 0.8rem;
  max-width: 60rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(14rem, 22rem) minmax(0, 1fr);
  gap: 0.2rem 1rem;
  align-items: center;
  min-height: 2.6rem;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--hairline);
}

@media (max-width: 40rem) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
