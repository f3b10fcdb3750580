<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { Problem, Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { inShownUnits } from '@/parts/format'
import type { Sheet } from './sheet'

/** What must hold before start; starting against a hard check takes a reason. */
const props = defineProps<{
  sheet: Sheet
  startable: boolean
  running: boolean
  /** Why it was not started when that was asked. */
  refused: Problem | null
}>()
const emit = defineEmits<{ start: [overrides: Schemas['OverrideRequest'][]] }>()

const reasons = reactive<Record<string, string>>({})
const unmet = computed(() => props.sheet.gates.filter((gate) => !gate.met))
const met = computed(() => props.sheet.gates.filter((gate) => gate.met))
const hard = computed(() => unmet.value.filter((gate) => gate.hard))
const open = computed(() => hard.value.filter((gate) => (reasons[gate.id] ?? '').trim().length < 3))

function start() {
  emit(
    'start',
    hard.value.map((gate) => ({ gate: gate.id, reason: (reasons[gate.id] ?? '').trim() })),
  )
}
</script>

<template>
  <section aria-labelledby="checks-title">
    <h2 id="checks-title">Before start</h2>
    <ul class="gates">
      <li
        v-for="gate in unmet"
        :key="gate.id"
        :class="{ hard: gate.hard }"
        :data-testid="`gate-${gate.id}`"
      >
        <span class="sign" aria-hidden="true">{{ gate.hard ? '!' : '·' }}</span>
        <div>
          <b>{{ inShownUnits(gate.words) }}</b>
          <span class="sr-only">{{ gate.hard ? 'Must hold.' : 'To know.' }}</span>
          <p v-if="gate.remedy" class="small">{{ inShownUnits(gate.remedy) }}</p>
          <label v-if="gate.hard && startable && !running" class="small reason">
            Start all the same, because
            <input v-model="reasons[gate.id]" type="text" maxlength="120" />
          </label>
        </div>
      </li>
    </ul>
    <details>
      <summary>{{ met.length }} checks are met</summary>
      <ul class="gates">
        <li v-for="gate in met" :key="gate.id">
          <span class="sign" aria-hidden="true">✓</span>
          <span>{{ inShownUnits(gate.words) }}</span>
        </li>
      </ul>
    </details>
    <h3>At the bench</h3>
    <ul class="bench">
      <li v-for="step in sheet.benchSteps" :key="step">
        <label class="small"><input type="checkbox" /> {{ inShownUnits(step) }}</label>
      </li>
    </ul>
    <template v-if="running">
      <p class="soft">It is printing.</p>
    </template>
    <template v-else-if="startable">
      <p v-if="open.length" class="small soft">
        {{ open.length === 1 ? 'One check must' : `${open.length} checks must` }} hold first, or
        take a reason.
      </p>
      <button class="button primary" data-testid="start" :disabled="open.length > 0" @click="start">
        {{ hard.length ? 'Start all the same' : 'Start' }}
      </button>
      <ProblemNote v-if="refused" :problem="refused" />
    </template>
  </section>
</template>

<style scoped>
.gates,
.bench {
  margin: 0.4rem 0;
  padding: 0;
  list-style: none;
}

.gates li {
  display: grid;
  grid-template-columns: 1.2rem 1fr;
  padding: 0.4rem 0;
  border-top: 1px solid var(--hairline);
}

.hard b,
.hard .sign {
  color: var(--call);
}

.sign {
  font-weight: 700;
}

.reason {
  display: grid;
  gap: 0.2rem;
  margin-top: 0.3rem;
}

.reason input {
  min-height: 2rem;
  padding: 0 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

.bench li {
  padding: 0.2rem 0;
}

.bench label {
  display: grid;
  grid-template-columns: 1.5rem 1fr;
  min-height: 1.5rem;
}

summary {
  min-height: 1.75rem;
  cursor: pointer;
}

h3 {
  margin-top: 0.8rem;
}
</style>
