<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { inShownUnits, ago, lowerFirst, moisture } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import SegmentChoice from '@/parts/SegmentChoice.vue'
import TextField from '@/parts/TextField.vue'
import { useActs } from '@/stores/acts'
import CaseFacts from './CaseFacts.vue'
import CauseList from './CauseList.vue'
import NextTest from './NextTest.vue'
import SafetyFirst from './SafetyFirst.vue'
import SignPicker from './SignPicker.vue'

type Case = Schemas['TroubleView']
type Answer = Schemas['CaseSignView']['answer']

/** One case: what is seen, what is known, what it may be, what would tell. */
const props = defineProps<{ id: number }>()
const acts = useActs()
const saving = ref<Problem | null>(null)
useFormProblem(saving)
const path = computed(() => ({ params: { path: { id: props.id } } }))

const knowledge = ref<Schemas['TroubleKnowledgeView'] | null>(null)
answer(client.GET('/api/trouble-knowledge')).then((read) => (knowledge.value = read))
const procedures = ref<Schemas['ProcedureView'][]>([])
answer(client.GET('/api/procedures')).then((read) => (procedures.value = read))

const { view, problem } = usePolled(
  [() => acts.changes, () => props.id],
  async () => answer(client.GET('/api/troubles/{id}', path.value)),
  () => 60_000,
)
/** What the last answer to an act said: it may be newer than what was read. */
const latest = ref<Case | null>(null)
watch(
  () => props.id,
  () => (latest.value = null),
)
const trouble = computed(() => {
  const read = view.value ?? null
  const said = latest.value
  return said !== null && (read === null || said.version >= read.version) ? said : read
})
const isOpen = computed(() => trouble.value !== null && trouble.value.closing === null)
const nowS = computed(() => (trouble.value, Date.now() / 1000))

const headline = computed(() => {
  const it = trouble.value
  if (!it) {
    return 'Case'
  }
  if (it.closing) {
    return `${it.title}: it was ${lowerFirst(it.closing.causeName)}`
  }
  const first = it.ranking.causes[0]
  if (it.untold || !first) {
    return `${it.title}: what is seen?`
  }
  return first.word === 'less likely' || first.word === 'unlikely'
    ? `${it.title}: nothing stands out yet`
    : `${it.title}: ${first.word} ${lowerFirst(first.name)}`
})

/** Whether something was seen that stops all work first. */
const isStopped = computed(() =>
  (knowledge.value?.signs ?? []).some(
    (sign) => sign.stop !== null && signs.value[sign.id] === 'YES',
  ),
)

/** Acts one after the other: a quick second tap is a change of what the first one made. */
let queue = Promise.resolve()

function attempt(act: () => Promise<Case>) {
  queue = queue.then(async () => {
    try {
      latest.value = await act()
      saving.value = null
    } catch (cause) {
      saving.value = Problem.of(cause)
    }
  })
  return queue
}

type Answers = Partial<Omit<Schemas['TroubleAnswersRequest'], 'version'>>

function say(answers: () => Answers, words: string) {
  return attempt(() =>
    acts.record(
      client.PUT('/api/troubles/{id}/answers', {
        ...path.value,
        body: { version: trouble.value?.version, ...answers() },
      }),
      words,
    ),
  )
}

const signs = computed(
  () =>
    Object.fromEntries(
      (trouble.value?.signs ?? []).map((each) => [each.id, each.answer]),
    ) as Record<string, Answer>,
)
const tests = computed(() =>
  Object.fromEntries((trouble.value?.tests ?? []).map((each) => [each.id, each.outcome])),
)

function changed<T>(from: Record<string, T>, id: string, to: T | null): Record<string, T> {
  const next = { ...from }
  if (to === null) {
    delete next[id]
  } else {
    next[id] = to
  }
  return next
}

function saySign(id: string, said: Answer | null) {
  return say(() => ({ signs: changed(signs.value, id, said) }), 'Noted what is seen')
}

function sayTest(id: string, outcome: string | null) {
  return say(() => ({ tests: changed(tests.value, id, outcome) }), 'Noted the test')
}

function struckOut(): string[] {
  const facts = (trouble.value?.facts ?? []).filter((fact) => fact.struck).map((fact) => fact.id)
  return trouble.value?.moisture?.struck ? [...facts, 'moisture'] : facts
}

function strike(id: string, struck: boolean) {
  return say(
    () => ({ struck: [...struckOut().filter((each) => each !== id), ...(struck ? [id] : [])] }),
    struck ? 'Struck out' : 'Counts again',
  )
}

function addFact(id: string) {
  return say(() => {
    const said = (trouble.value?.facts ?? []).filter((fact) => fact.said).map((fact) => fact.id)
    return { facts: [...new Set([...said, id])] }
  }, 'Noted')
}

const habit = computed({
  get: () => trouble.value?.habit ?? 'NONE',
  set: (chosen) => void say(() => ({ habit: chosen }), 'Read with another habit'),
})
const HABITS = [
  { value: 'NONE', label: 'By the records' },
  { value: 'WET_FIRST', label: 'Wet until shown otherwise' },
  { value: 'WET_LAST', label: 'Wet last' },
] as const

const closing = reactive({
  cause: '',
  worked: 'YES' as Schemas['CloseTroubleRequest']['worked'] & string,
  remedy: '',
  note: '',
  lostG: null as number | null,
  lostHours: null as number | null,
})
const touched = ref(false)

/** Nobody weighs or times a loss more closely. */
function tenth(value: number | null | undefined): number | null {
  return value == null ? null : Math.round(10 * value) / 10
}

watch(trouble, (it) => {
  if (it && !touched.value) {
    closing.cause = it.ranking.causes[0]?.id ?? ''
    closing.lostG = tenth(it.lostG)
    closing.lostHours = tenth(it.lostHours)
  }
})
const WORKED = [
  { value: 'YES', label: 'It worked' },
  { value: 'NO', label: 'It did not' },
  { value: 'NOT_TRIED', label: 'Not tried' },
] as const
const causeOptions = computed(() => [
  ...(trouble.value?.ranking.causes ?? []).map((each) => ({ value: each.id, label: each.name })),
  { value: 'other', label: 'something else' },
])

const close = () =>
  attempt(() =>
    acts.record(
      client.POST('/api/troubles/{id}/close', {
        ...path.value,
        body: {
          version: trouble.value?.version,
          cause: closing.cause || undefined,
          worked: closing.worked,
          remedy: closing.remedy || undefined,
          note: closing.note || undefined,
          lostG: closing.lostG ?? undefined,
          lostHours: closing.lostHours ?? undefined,
        },
      }),
    ),
  )
const reopen = () =>
  attempt(() => acts.record(client.POST('/api/troubles/{id}/reopen', path.value)))
</script>

<template>
  <div class="case">
    <ProblemNote v-if="problem" :problem="problem" />
    <template v-if="trouble">
      <header>
        <h1 data-testid="case-headline">{{ headline }}</h1>
        <p>
          <router-link to="/trouble">All cases</router-link>
          <template v-if="trouble.runId != null">
            · print
            <router-link :to="`/print/runs/${trouble.runId}`">{{ trouble.run }}</router-link>
          </template>
          <template v-if="trouble.code">
            · spool
            <router-link :to="`/spool/${trouble.code}`" class="code">{{
              trouble.code
            }}</router-link>
          </template>
          <template v-if="trouble.printer"> · {{ trouble.printer }}</template>
          <span class="soft"> · begun {{ ago(trouble.openedS, nowS) }}</span>
        </p>
      </header>
      <ProblemNote v-if="saving" :problem="saving" />

      <section v-if="trouble.closing" aria-labelledby="closed-title" class="closed">
        <h2 id="closed-title">Closed</h2>
        <p>
          It was <b>{{ trouble.closing.causeName }}</b>{{
            trouble.closing.remedy ? `; ${trouble.closing.remedy}` : ''
          }}.
          {{
            { YES: 'That worked.', NO: 'That did not work.', NOT_TRIED: 'Nothing was tried.' }[
              trouble.closing.worked as 'YES' | 'NO' | 'NOT_TRIED'
            ]
          }}
          {{ trouble.closing.note ?? '' }}
        </p>
        <p><button class="button" @click="reopen">Open it again</button></p>
      </section>

      <SafetyFirst
        v-if="isOpen && knowledge"
        :known="knowledge.signs"
        :said="signs"
        @say="saySign"
      />

      <div class="columns">
        <SignPicker
          v-if="knowledge"
          :known="knowledge.signs"
          :said="signs"
          :asked="trouble.ranking.questions"
          :contradictions="trouble.ranking.contradictions"
          :unexplained="trouble.ranking.unexplained"
          :disabled="!isOpen"
          :told="trouble.runId === null ? trouble.title : ''"
          @say="saySign"
        />
        <div class="side">
          <CauseList
            :case-id="id"
            :version="trouble.version"
            :ranking="trouble.ranking"
            :reasons="trouble.reasons"
            :untold="trouble.untold"
            :learned-from="trouble.learnedFrom"
          />
          <NextTest
            :ranking="trouble.ranking"
            :done="trouble.tests"
            :known="knowledge?.tests ?? []"
            :procedures="procedures"
            :case-id="id"
            :material="trouble.material"
            :disabled="!isOpen"
            :stopped="isStopped"
            @say="sayTest"
          />
          <CaseFacts
            :trouble="trouble"
            :known="knowledge?.facts ?? []"
            :disabled="!isOpen"
            @strike="strike"
            @add="addFact"
          />
          <section v-if="isOpen" aria-labelledby="habit-title">
            <h2 id="habit-title">How one thinks of water</h2>
            <SegmentChoice v-model="habit" label="Habit" name="habit" :options="HABITS" />
            <ul class="small">
              <li v-for="each in trouble.ranking.habits" :key="each.id">
                {{ inShownUnits(each.name) }}: first <b>{{ inShownUnits(each.causeName) }}</b>, wet
                filament {{ (100 * each.wetShare).toFixed(0) }} %.
              </li>
            </ul>
            <p v-if="trouble.moisture" class="small soft">
              The prior comes from the computed moisture, {{ moisture(trouble.moisture.percent) }}:
              {{ inShownUnits(trouble.moisture.because) }}.
            </p>
          </section>
          <section v-if="isOpen" aria-labelledby="close-title">
            <h2 id="close-title">It was</h2>
            <AppForm class="close" @submit="close" @input="touched = true">
              <ChoiceField
                id="close-cause"
                v-model="closing.cause"
                label="Cause"
                name="cause"
                :options="causeOptions"
                filterable
                @change="touched = true"
              />
              <TextField
                id="close-remedy"
                v-model="closing.remedy"
                label="What was done"
                name="remedy"
              />
              <SegmentChoice
                v-model="closing.worked"
                label="Did it work"
                name="worked"
                :options="WORKED"
              />
              <div class="field-grid">
                <NumberField
                  id="close-grams"
                  v-model="closing.lostG"
                  label="Lost, g"
                  name="lostG"
                  :min="0"
                  :step="0.1"
                />
                <NumberField
                  id="close-hours"
                  v-model="closing.lostHours"
                  label="Lost, h"
                  name="lostHours"
                  :min="0"
                  :step="0.1"
                />
              </div>
              <TextField id="close-note" v-model="closing.note" label="Note" name="note" />
              <button class="button primary" data-testid="close-case">Close the case</button>
            </AppForm>
          </section>
        </div>
      </div>
    </template>
  </div>
</template>

<style scoped>
.case {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.2rem;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 2rem;
  align-items: start;
}

.side,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
}

.side {
  gap: 1.6rem;
}

.closed {
  border-left: 4px solid var(--ink);
  padding-left: 0.8rem;
}

.case :deep(.segments) {
  flex-wrap: wrap;
}

.close {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
}

ul {
  margin: 0;
  padding-left: 1.1rem;
}

@media (max-width: 60rem) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
