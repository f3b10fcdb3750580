<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useFormProblem } from '@/parts/formProblem'
import { dateTime, fromUnit, inShownUnits, inUnit, withUnit } from '@/parts/format'
import NumberField from '@/parts/NumberField.vue'
import { useLatestAnswer } from '@/parts/latestAnswer'
import { usePolled } from '@/parts/polled'
import { numbers } from '@/parts/numbers'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import WideTable from '@/parts/WideTable.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import { AXES, SHEETS, type Kind } from './worksheets'
import WorksheetCurve from './WorksheetCurve.vue'

/** Worksheets that compute a value from measurements, and those that were kept. */
const WAIT_MS = 300
const route = useRoute()
const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)

const { view, problem: reading } = usePolled(
  [() => acts.changes],
  async () => {
    const [kinds, kept, lots, printers] = await Promise.all([
      answer(client.GET('/api/worksheets')),
      answer(client.GET('/api/calibrations')),
      answer(client.GET('/api/lots')),
      answer(client.GET('/api/printers')),
    ])
    return { kinds, kept, lots, printers }
  },
  () => null,
)

const form = reactive({
  kind: 'FLOW' as Kind,
  /** `lot 7`, or `spool 4XHJ` for one that is of no lot. */
  of: route.query.lot ? `lot ${route.query.lot}` : '',
  printerId: 0,
  asked: '',
  measured: '',
  wanted: null as number | null,
  now: null as number | null,
  note: '',
})
const steps = ref(
  [200, 210, 220, 230, 240].map((nozzleC) => ({
    nozzleC: nozzleC as number | null,
    bond: null as number | null,
    strings: null as number | null,
    gloss: null as number | null,
  })),
)
const shelf = useShelf()
const lotId = computed(() => (form.of.startsWith('lot ') ? Number(form.of.slice(4)) : 0))
const code = computed(() => (form.of.startsWith('spool ') ? form.of.slice(6) : undefined))
const sheet = computed(() => SHEETS[form.kind])
watch(
  () => form.kind,
  () => {
    form.wanted = sheet.value.wanted?.usual ?? null
    form.now = sheet.value.now?.usual ?? null
    form.asked = sheet.value.asked?.usual ?? ''
    form.measured = ''
    problem.value = null
  },
)
form.wanted = SHEETS.FLOW.wanted?.usual ?? null
form.now = SHEETS.FLOW.now?.usual ?? null

const worksheet = computed((): Schemas['WorksheetRequest'] => ({
  kind: form.kind,
  steps:
    form.kind === 'TEMPERATURE_LADDER'
      ? steps.value
          .filter((step) => step.nozzleC !== null && step.bond !== null && step.strings !== null)
          .map((step) => ({
            nozzleC: step.nozzleC ?? undefined,
            bond: step.bond ?? undefined,
            strings: step.strings ?? undefined,
            gloss: step.gloss ?? undefined,
          }))
      : undefined,
  asked: sheet.value.asked ? numbers(form.asked) : undefined,
  measured: sheet.value.measured ? numbers(form.measured) : undefined,
  wanted: form.wanted ?? undefined,
  now: form.now ?? undefined,
}))
/** Enough was entered that it is worth asking. */
const isReady = computed(() =>
  form.kind === 'TEMPERATURE_LADDER'
    ? (worksheet.value.steps?.length ?? 0) >= 4
    : numbers(form.measured).length >= sheet.value.least,
)

const { view: answered, problem: refused } = useLatestAnswer(
  [worksheet],
  async () => ({
    kind: form.kind,
    sheet: await answer(client.POST('/api/worksheets', { body: worksheet.value })),
  }),
  WAIT_MS,
  isReady,
)
/** Of what is entered now; nothing while it cannot be computed. */
const found = computed(() =>
  isReady.value && !refused.value && answered.value?.kind === form.kind
    ? answered.value.sheet
    : null,
)
watch(refused, (cause) => (problem.value = cause))

async function attempt(act: () => Promise<unknown>) {
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

const ofLot = computed(() => view.value?.kinds.find((each) => each.id === form.kind)?.ofLot ?? true)
const keep = () =>
  attempt(async () => {
    const kept = await acts.record(
      client.POST('/api/calibrations', {
        body: {
          worksheet: worksheet.value,
          lotId: ofLot.value ? lotId.value || undefined : undefined,
          code: ofLot.value ? code.value : undefined,
          printerId: form.printerId || undefined,
          note: form.note || undefined,
        },
      }),
      'Worksheet kept',
    )
    form.note = ''
    if (kept.lotId !== null) {
      form.of = `lot ${kept.lotId}`
    }
  })
const remove = (id: number) =>
  attempt(() =>
    acts.record(
      client.DELETE('/api/calibrations/{id}', { params: { path: { id } } }),
      'Worksheet taken out',
    ),
  )

/** What tells most of the chosen lot for its minutes. */
const { view: next } = usePolled(
  [() => acts.changes, lotId],
  async () =>
    lotId.value
      ? answer(client.GET('/api/calibrations/next', { params: { query: { lotId: lotId.value } } }))
      : [],
  () => null,
)

const kinds = computed(() =>
  (view.value?.kinds ?? []).map((each) => ({ value: each.id, label: SHEETS[each.id].title })),
)
const ofNoLot = computed(() => {
  const inLots = new Set((view.value?.lots ?? []).flatMap((lot) => lot.spools))
  return shelf.spools.filter((spool) => !inLots.has(spool.code))
})
const lots = computed(() => [
  { value: '', label: 'choose' },
  ...(view.value?.lots ?? []).map((lot) => ({
    value: `lot ${lot.id}`,
    label: `${lot.maker} ${lot.batch} ${lot.material} ${lot.colourName}`,
  })),
  ...ofNoLot.value.map((spool) => ({
    value: `spool ${spool.code}`,
    label: `${spool.code} ${spool.material} ${spool.colourName}, of no lot`,
  })),
])
const printers = computed(() => [
  { value: 0, label: ofLot.value ? 'not said' : 'choose' },
  ...(view.value?.printers ?? []).map((each) => ({ value: each.placeId, label: each.name })),
])

function typedC(event: Event): number | null {
  const typed = (event.target as HTMLInputElement).valueAsNumber
  return Number.isNaN(typed) ? null : fromUnit(typed)
}

/** A point of the picture in the unit of its axis. */
function drawn(point: Schemas['Point']): Schemas['Point'] {
  return AXES[form.kind][0].includes('°C') ? { ...point, x: inUnit(point.x) } : point
}

/** Two significant digits of the uncertainty tell how the value is to be written. */
function rounded(value: number, unsure: number): string {
  const digits = Math.min(4, Math.max(0, 1 - Math.floor(Math.log10(Math.max(1e-4, unsure)))))
  return `${value.toFixed(digits)} ± ${unsure.toFixed(digits)}`
}
</script>

<template>
  <div class="calibrations">
    <h1>{{ sheet.title }}</h1>
    <ProblemNote v-if="reading" :problem="reading" />
    <div class="columns">
      <AppForm class="sheet-form" @submit="keep">
        <ChoiceField id="sheet-kind" v-model="form.kind" label="Worksheet" :options="kinds" />
        <p class="soft">{{ sheet.how }}</p>
        <p v-if="sheet.caution" class="caution">{{ sheet.caution }}</p>
        <NumberField
          v-if="sheet.now"
          id="sheet-now"
          v-model="form.now"
          :label="sheet.now.label"
          name="now"
          :step="0.1"
        />
        <NumberField
          v-if="sheet.wanted"
          id="sheet-wanted"
          v-model="form.wanted"
          :label="sheet.wanted.label"
          name="wanted"
          :step="0.01"
        />
        <TextField
          v-if="sheet.asked"
          id="sheet-asked"
          v-model="form.asked"
          :label="sheet.asked.label"
          name="asked"
        />
        <TextField
          v-if="sheet.measured"
          id="sheet-measured"
          v-model="form.measured"
          :label="sheet.measured.label"
          name="measured"
        />
        <WideTable v-if="form.kind === 'TEMPERATURE_LADDER'" label="Steps of the ladder">
          <thead>
            <tr>
              <th>{{ withUnit('Nozzle, °C') }}</th>
              <th>Bond when broken</th>
              <th>Strings</th>
              <th>Gloss</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(step, i) in steps" :key="i">
              <td>
                <input
                  :value="step.nozzleC === null ? '' : inUnit(step.nozzleC)"
                  type="number"
                  :aria-label="withUnit(`Nozzle of step ${i + 1}, °C`)"
                  @input="step.nozzleC = typedC($event)"
                />
              </td>
              <td v-for="grade in ['bond', 'strings', 'gloss'] as const" :key="grade">
                <input
                  v-model.number="step[grade]"
                  type="number"
                  min="0"
                  max="5"
                  step="0.5"
                  :aria-label="`${grade} of step ${i + 1}, 0 to 5`"
                />
              </td>
            </tr>
          </tbody>
        </WideTable>
        <template v-if="found">
          <div class="field-grid roomy">
            <ChoiceField
              v-if="ofLot"
              id="sheet-lot"
              v-model="form.of"
              label="Lot, or a spool of none"
              name="lotId"
              :options="lots"
              filterable
            />
            <ChoiceField
              id="sheet-printer"
              v-model="form.printerId"
              label="On printer"
              name="printerId"
              :options="printers"
            />
          </div>
          <TextField id="sheet-note" v-model="form.note" label="Note" name="note" />
          <button class="button primary" data-testid="keep-sheet">Keep it</button>
        </template>
        <ProblemNote v-if="problem" :problem="problem" />
      </AppForm>
      <section v-if="found" aria-live="polite" data-testid="sheet-result">
        <h2>{{ inShownUnits(`${rounded(found.value, found.unsure)} ${found.unit}`) }}</h2>
        <p>{{ inShownUnits(found.words) }}</p>
        <p v-if="found.leftOut.length" class="call">
          Left out, too far from the others: number
          {{ found.leftOut.map((i) => i + 1).join(', ') }}. Measure again there.
        </p>
        <WorksheetCurve
          :points="found.points.map(drawn)"
          :curve="found.curve.map(drawn)"
          :left-out="found.leftOut"
          :across="withUnit(AXES[form.kind][0])"
          :up="AXES[form.kind][1]"
        />
      </section>
      <section v-else aria-labelledby="next-title">
        <p class="soft">
          Enter what was measured: the value, how sure it is, and a picture of it appear here.
        </p>
        <template v-if="ofLot">
          <ChoiceField
            id="sheet-lot-first"
            v-model="form.of"
            label="What tells most of this lot"
            :options="lots"
            filterable
          />
          <ol v-if="next?.length" data-testid="next-measurements">
            <li v-for="each in next" :key="each.title">
              <button
                v-if="each.kind"
                type="button"
                class="button plain"
                @click="form.kind = each.kind"
              >
                {{ each.title }}
              </button>
              <b v-else>{{ each.title }}</b>
              <span class="small soft">
                {{ each.why }}{{ each.kind ? '' : ' Weigh it on its own page.' }}
              </span>
            </li>
          </ol>
          <p v-else-if="lotId" class="soft">Nothing more is worth its minutes.</p>
        </template>
      </section>
    </div>
    <section v-if="view?.kept.length" aria-labelledby="kept-title">
      <h2 id="kept-title">Kept</h2>
      <WideTable label="Kept worksheets">
        <thead>
          <tr>
            <th>When</th>
            <th>What</th>
            <th>Value</th>
            <th>Of</th>
            <th>Changes</th>
            <th></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in view.kept" :key="each.id">
            <td>{{ dateTime(each.atS) }}</td>
            <td>{{ each.title }}</td>
            <td>{{ inShownUnits(`${rounded(each.amount, each.unsure)} ${each.unit}`) }}</td>
            <td>
              {{ [each.lot, each.material, each.printer].filter(Boolean).join(', ') }}
              <span v-if="each.note" class="small soft">{{ each.note }}</span>
            </td>
            <td class="small">{{ each.changes }}</td>
            <td>
              <button class="button plain small" @click="remove(each.id)">take out</button>
            </td>
          </tr>
        </tbody>
      </WideTable>
      <p class="small soft">
        Taking one out leaves a lot's nozzle, flow and thickness as they are; undo the act that kept
        it to go back to the value before.
      </p>
    </section>
  </div>
</template>

<style scoped>
.calibrations,
.sheet-form,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.8rem;
  align-content: start;
}

.calibrations {
  gap: 1.4rem;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 2.5rem;
}

.caution {
  border-left: 4px solid var(--call);
  padding-left: 0.8rem;
}

td input {
  width: 5rem;
  min-height: 2.2rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  color: inherit;
  font: inherit;
}

@media (max-width: 60rem) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
