<script setup lang="ts">
import { inShownUnits } from '@/parts/format'
import { computed, onScopeDispose, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import TemperatureCurve from './TemperatureCurve.vue'
import {
  answered,
  begun,
  clock,
  isOver,
  keep,
  kept,
  leftS,
  onward,
  type Procedure,
  type ProcedureStep,
  type Walk,
} from './walk'

/** One procedure, a step at a time: timers, measured values, points at which to stop. */
const props = defineProps<{ id: string }>()
const route = useRoute()
const acts = useActs()
const caseId = computed(() => (route.query.case ? Number(route.query.case) : null))
const material = ref((route.query.material as string | undefined) ?? '')
const procedure = ref<Procedure | null>(null)
const materials = ref<Schemas['MaterialView'][]>([])
const printers = ref<Schemas['PrinterView'][]>([])
const trouble = ref<Schemas['TroubleView'] | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)

const name = computed(() => (caseId.value === null ? props.id : `${props.id}-${caseId.value}`))
const walk = ref<Walk>(kept(name.value) ?? begun())
const goesOn = ref(walk.value.at !== 1)
watch(name, (now) => (walk.value = kept(now) ?? begun()))
watch(walk, (now) => keep(name.value, now), { deep: true })

async function attempt(act: () => Promise<void>) {
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

/** What the page can do without: a refusal of it does not stand in the way. */
async function readAround() {
  materials.value = await answer(client.GET('/api/materials'))
  printers.value = await answer(client.GET('/api/printers'))
  if (caseId.value !== null) {
    trouble.value = await answer(
      client.GET('/api/troubles/{id}', { params: { path: { id: caseId.value } } }),
    )
  }
}
readAround().catch((cause: unknown) => (problem.value = Problem.of(cause)))
watch(
  [() => props.id, material],
  () =>
    attempt(async () => {
      const all = await answer(
        client.GET('/api/procedures', {
          params: { query: { material: material.value || undefined } },
        }),
      )
      procedure.value = all.find((each) => each.id === props.id) ?? null
      for (const each of procedure.value?.steps ?? []) {
        if (each.value && walk.value.values[each.value.field] === undefined) {
          walk.value.values[each.value.field] = null
        }
      }
      if (procedure.value === null) {
        throw new Problem('Not found', `There is no procedure called ${props.id}.`)
      }
    }),
  { immediate: true },
)

const nowMs = ref(Date.now())
const ticking = setInterval(() => (nowMs.value = Date.now()), 500)
onScopeDispose(() => clearInterval(ticking))

const over = computed(() => procedure.value !== null && isOver(walk.value, procedure.value))
const step = computed(() => procedure.value?.steps[walk.value.at - 1] ?? null)
const left = computed(() => (step.value ? leftS(step.value, walk.value.timerMs, nowMs.value) : 0))
const measured = computed(() =>
  (procedure.value?.steps ?? []).filter((each) => each.value !== null),
)
const missing = computed(
  () => step.value?.value != null && typeof walk.value.values[step.value.value.field] !== 'number',
)

const reading = ref<Schemas['ProcedureReadingView'] | null>(null)
const source = reactive({ printerId: 0, log: '', file: '' })
const computes = computed(() => procedure.value?.reading ?? null)

async function read() {
  const values = Object.fromEntries(
    Object.entries(walk.value.values).filter(([, value]) => typeof value === 'number'),
  ) as Record<string, number>
  reading.value = await answer(
    client.POST('/api/procedures/{id}/reading', {
      params: { path: { id: props.id } },
      body: {
        values,
        log: source.log || undefined,
        printerId: source.log ? undefined : source.printerId || undefined,
      },
    }),
  )
  walk.value = { ...walk.value, outcome: reading.value.outcome ?? walk.value.outcome }
}

function next() {
  const last = measured.value[measured.value.length - 1]
  const computesNow = computes.value !== null && computes.value !== 'heater' && step.value === last
  if (!computesNow) {
    walk.value = onward(walk.value)
    return
  }
  void attempt(async () => {
    await read()
    walk.value = onward(walk.value)
  })
}

async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) {
    source.log = await file.text()
    source.file = file.name
    await attempt(read)
  }
}

function again() {
  walk.value = begun()
  reading.value = null
  goesOn.value = false
}

const outcomeName = ref<string | null>(null)
const noted = ref(false)
function note() {
  return attempt(async () => {
    const id = caseId.value
    const testId = procedure.value?.testId
    const outcome = walk.value.outcome
    if (id === null || !testId || !outcome) {
      return
    }
    const now = await answer(client.GET('/api/troubles/{id}', { params: { path: { id } } }))
    const tests = Object.fromEntries(now.tests.map((each) => [each.id, each.outcome]))
    const then = await acts.record(
      client.PUT('/api/troubles/{id}/answers', {
        params: { path: { id } },
        body: { version: now.version, tests: { ...tests, [testId]: outcome } },
      }),
      'Noted in the case',
    )
    outcomeName.value = then.tests.find((each) => each.id === testId)?.outcomeName ?? outcome
    noted.value = true
  })
}

function state(number: number): 'done' | 'now' | 'later' {
  return number === walk.value.at ? 'now' : number < walk.value.at || over.value ? 'done' : 'later'
}

function fieldLabel(each: ProcedureStep): string {
  return `${each.words}, ${each.value?.unit ?? ''}`
}

const printerOptions = computed(() => [
  { value: 0, label: 'none' },
  ...printers.value.map((each) => ({ value: each.placeId, label: each.name })),
])
const materialOptions = computed(() => [
  { value: '', label: 'any' },
  ...materials.value.map((each) => ({ value: each.name, label: each.name })),
])
</script>

<template>
  <div class="walk">
    <ProblemNote v-if="problem" :problem="problem" />
    <template v-if="procedure">
      <header>
        <h1>{{ procedure.title }}</h1>
        <p class="soft">
          <router-link v-if="trouble" :to="`/trouble/${trouble.id}`">{{
            trouble.title
          }}</router-link>
          <router-link v-else to="/trouble/steps">All of them</router-link>
          · about {{ procedure.minutes }} min · needs {{ procedure.needs.join(', ') }}
        </p>
        <p class="caution" role="note">
          {{ inShownUnits(procedure.caution) }} {{ inShownUnits(procedure.defers) }}
        </p>
        <div class="material">
          <ChoiceField
            id="walk-material"
            v-model="material"
            label="Material"
            :options="materialOptions"
          />
        </div>
        <p v-if="goesOn" class="soft">
          You were here before; it goes on from there.
          <button class="button plain" @click="again">Begin anew</button>
        </p>
      </header>

      <ol data-testid="walk-steps">
        <li
          v-for="(each, i) in procedure.steps"
          :key="i"
          :class="[state(i + 1), { stop: each.kind === 'ASK' }]"
          :aria-current="state(i + 1) === 'now' ? 'step' : undefined"
        >
          <span class="number">{{ i + 1 }}</span>
          <div class="what">
            <p>
              {{ inShownUnits(each.words) }}
              <span v-if="walk.answers[i + 1]" class="soft">{{ walk.answers[i + 1] }}.</span>
              <span v-if="each.value && walk.values[each.value.field] != null" class="soft">
                {{ walk.values[each.value.field] }} {{ each.value.unit }}
              </span>
            </p>
            <template v-if="state(i + 1) === 'now'">
              <p v-if="walk.words" class="means">{{ inShownUnits(walk.words) }}</p>
              <p v-if="each.kind === 'WAIT'" class="timer">
                <span class="number" role="timer">{{ clock(left) }}</span>
                <button
                  v-if="walk.timerMs === null"
                  class="button"
                  @click="walk = { ...walk, timerMs: Date.now() }"
                >
                  Start the timer
                </button>
                <span v-else-if="left <= 0" class="call">over</span>
              </p>
              <NumberField
                v-if="each.value"
                :id="`walk-${each.value.field}`"
                v-model="walk.values[each.value.field]!"
                :label="fieldLabel(each)"
                :name="each.value.field"
                :min="each.value.least"
                :max="each.value.most"
                :step="0.1"
              />
              <p v-if="each.kind === 'ASK'" class="answers">
                <button
                  v-for="option in each.answers"
                  :key="option.label"
                  class="button"
                  @click="walk = answered(walk, option)"
                >
                  {{ option.label }}
                </button>
              </p>
              <p v-else>
                <button class="button primary" :disabled="missing" @click="next">
                  {{
                    each.kind === 'WAIT'
                      ? left > 0
                        ? 'Go on without waiting'
                        : 'Go on'
                      : each.value
                        ? 'Go on'
                        : 'I did that'
                  }}
                </button>
                <button
                  v-if="each.value && computes === 'heater'"
                  class="button plain"
                  @click="walk = onward(walk)"
                >
                  I do not know it
                </button>
              </p>
            </template>
          </div>
        </li>
      </ol>

      <section v-if="computes === 'heater' && over" aria-labelledby="log-title" class="log">
        <h2 id="log-title">The log</h2>
        <div class="sources">
          <label class="file">
            <span class="soft">A file: time, temperature</span>
            <input type="file" accept=".csv,.txt,text/csv" @change="choose" />
          </label>
          <ChoiceField
            id="walk-printer"
            v-model="source.printerId"
            label="Or a printer that reports its nozzle"
            name="printerId"
            :options="printerOptions"
            @change="((source.log = ''), attempt(read))"
          />
        </div>
      </section>
      <section v-if="reading" class="result" aria-live="polite" data-testid="walk-reading">
        <p>{{ inShownUnits(reading.words) }}</p>
        <TemperatureCurve v-if="reading.points.length" :points="reading.points" />
      </section>
      <section v-if="over" class="over" data-testid="walk-over">
        <h2>{{ walk.at === 0 ? 'Stop here' : 'That is all' }}</h2>
        <p v-if="walk.words">{{ inShownUnits(walk.words) }}</p>
        <p class="answers">
          <button
            v-if="caseId !== null && procedure.testId && walk.outcome && !noted"
            class="button primary"
            @click="note"
          >
            Note what came out in the case
          </button>
          <button class="button" @click="again">Begin anew</button>
        </p>
        <p v-if="noted">Noted: {{ outcomeName }}.</p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.walk,
header,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.7rem;
}

.walk {
  max-width: 52rem;
  gap: 1.2rem;
}

.material {
  max-width: 14rem;
}

.caution {
  border-left: 4px solid var(--call);
  padding-left: 0.8rem;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 2.4rem minmax(0, 1fr);
  padding: 0.6rem 0;
  border-bottom: 1px solid var(--hairline);
}

li.now {
  background: var(--sheet);
  border-top: 3px solid var(--ink);
  padding: 0.9rem 0.9rem 0.9rem 0;
}

li > .number {
  text-align: center;
  font-weight: 700;
}

li.done {
  color: var(--soft);
}

li.stop > .number {
  color: var(--call);
}

.what {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
}

.answers,
.timer {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: center;
}

.timer .number {
  font-size: 1.6rem;
}

.means {
  border-left: 4px solid var(--ink);
  padding-left: 0.7rem;
}

.sources {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
  gap: 1rem;
  align-items: end;
}

.file {
  display: grid;
  gap: 0.3rem;
}
</style>
