<script setup lang="ts">
import { inShownUnits, lowerFirst } from '@/parts/format'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import type { Procedure } from './walk'

type Proposed = Schemas['ProposedTestView']

/** What to test next and what to try, with what each outcome means; tests that were done. */
const props = defineProps<{
  ranking: Schemas['TroubleAnswer']
  done: readonly Schemas['CaseTestView'][]
  known: readonly Schemas['TestKnowledgeView'][]
  procedures: readonly Procedure[]
  caseId: number
  material: string | null
  disabled: boolean
  /** A danger was seen: nothing is switched on to test. */
  stopped: boolean
}>()
const emit = defineEmits<{ say: [id: string, outcome: string | null] }>()

/** In the place of an outcome; such a test is not proposed again. */
const SKIPPED = 'skipped'
const other = ref('')
const proposed = computed(() =>
  [props.ranking.nextTest, props.ranking.quickTest].filter(
    (each): each is Proposed => each !== null,
  ),
)
const chosen = computed(() => props.known.find((test) => test.id === other.value) ?? null)

/** Where a test or a remedy is walked through step by step; none where it is too short for that. */
function walkOf(procedure: Procedure | undefined) {
  return procedure
    ? {
        path: `/trouble/steps/${procedure.id}`,
        query: { case: String(props.caseId), material: props.material ?? undefined },
      }
    : null
}
const walkOfTest = (id: string) => walkOf(props.procedures.find((each) => each.testId === id))
const walkOfCause = (id: string) =>
  walkOf(props.procedures.find((each) => each.causes.includes(id)))

function takes(test: { minutes: number; waitMinutes: number; costsPart: boolean }): string {
  const wait =
    test.waitMinutes >= 90
      ? `, ${(test.waitMinutes / 60).toFixed(0)} h of waiting`
      : test.waitMinutes > 0
        ? `, ${test.waitMinutes} min of waiting`
        : ''
  return `${test.minutes} min of work${wait}${test.costsPart ? ', a small print' : ''}`
}
</script>

<template>
  <section aria-labelledby="next-title" class="tests">
    <h2 id="next-title">What would tell</h2>
    <p v-if="stopped" class="call">
      Nothing is switched on to test before the reason for the danger is found. With the power off
      look at plugs, wires, motors and the hot end; mains are for a qualified person.
    </p>
    <p v-else-if="!proposed.length" class="soft">
      No test tells enough for its work now: try the first remedy.
    </p>
    <article
      v-for="(test, i) in disabled || stopped ? [] : proposed"
      :key="test.id"
      class="test"
      :data-testid="i ? 'quick-test' : 'next-test'"
    >
      <h3>{{ inShownUnits(test.name) }}</h3>
      <p class="small soft">
        {{ takes(test) }}. {{ i ? 'Quick, and it splits the first two.' : test.why }}
      </p>
      <ol>
        <li v-for="step in test.steps" :key="step">{{ inShownUnits(step) }}</li>
      </ol>
      <p v-if="test.meaning" class="small">{{ test.meaning }}</p>
      <p v-if="walkOfTest(test.id)">
        <router-link :to="walkOfTest(test.id)!">Go through it step by step</router-link>
      </p>
      <p class="outcomes">
        <button
          v-for="outcome in test.outcomes"
          :key="outcome.id"
          class="button"
          :data-testid="`outcome-${outcome.id}`"
          @click="emit('say', test.id, outcome.id)"
        >
          {{ outcome.name }}
        </button>
        <button
          class="button plain small"
          :data-testid="`skip-${test.id}`"
          @click="emit('say', test.id, SKIPPED)"
        >
          Cannot be done here<span class="sr-only">: {{ inShownUnits(test.name) }}</span>
        </button>
      </p>
    </article>
    <details v-if="!disabled">
      <summary>Another test was done</summary>
      <select v-model="other" aria-label="Test">
        <option value="">choose</option>
        <option v-for="test in known" :key="test.id" :value="test.id">
          {{ inShownUnits(test.name) }}
        </option>
      </select>
      <p v-if="chosen" class="outcomes">
        <button
          v-for="outcome in chosen.outcomes"
          :key="outcome.id"
          class="button"
          @click="emit('say', chosen.id, outcome.id)"
        >
          {{ outcome.name }}
        </button>
      </p>
    </details>
    <ul v-if="done.length" data-testid="tests-done">
      <li v-for="test in done" :key="test.id">
        {{ inShownUnits(test.name) }}: <b>{{ test.outcomeName }}</b>
        <button v-if="!disabled" class="button plain small" @click="emit('say', test.id, null)">
          take back
        </button>
      </li>
    </ul>
    <h2>What to try</h2>
    <ol class="remedies">
      <li v-for="remedy in ranking.remedies" :key="remedy.cause">
        <b>{{ inShownUnits(remedy.name) }}</b>: {{ inShownUnits(remedy.remedy) }}
        <span v-if="remedy.minutes" class="small soft">{{ remedy.minutes }} min.</span>
        <span v-if="remedy.testFirst" class="small call">
          First: {{ lowerFirst(remedy.testFirst) }}.</span
        >
        <router-link
          v-if="walkOfCause(remedy.cause)"
          :to="walkOfCause(remedy.cause)!"
          class="small"
        >
          Step by step<span class="sr-only">: {{ inShownUnits(remedy.name) }}</span>
        </router-link>
      </li>
    </ol>
    <p v-if="!ranking.remedies.length" class="soft">Say more of what is seen first.</p>
    <p class="small soft">
      Follow the maker's data sheet and local rules. Power off before hands go near moving parts,
      mains or heaters; hot ends burn.
    </p>
  </section>
</template>

<style scoped>
.tests {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
}

.test {
  display: grid;
  gap: 0.4rem;
  padding: 0.7rem 0.9rem;
  background: var(--sheet);
  border-top: 3px solid var(--ink);
}

.outcomes {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

ol,
ul {
  margin: 0;
  padding-left: 1.2rem;
}

.remedies li {
  margin-bottom: 0.4rem;
}

select {
  min-height: 2.4rem;
  width: 100%;
  min-width: 0;
  margin: 0.4rem 0;
}

summary {
  cursor: pointer;
  min-height: 2rem;
}
</style>
