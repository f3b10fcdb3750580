<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import { grams, hours, inShownUnits, metres, moment, temperature } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import { useLatestAnswer } from '@/parts/latestAnswer'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import AmountFields from './AmountFields.vue'
import BaseFromAbove from './BaseFromAbove.vue'
import ChosenFields from './ChosenFields.vue'
import InlineChoice from './InlineChoice.vue'
import JobVisits from './JobVisits.vue'
import LeverRow from './LeverRow.vue'
import OverHeight from './OverHeight.vue'
import PartDrop from './PartDrop.vue'
import { filled } from './partFile'
import PartFields from './PartFields.vue'
import PartOfJob from './PartOfJob.vue'
import SettingsTable from './SettingsTable.vue'
import StartChecks from './StartChecks.vue'
import WaterOfJob from './WaterOfJob.vue'
import WaysTable from './WaysTable.vue'
import {
  asText,
  benchWork,
  draftOf,
  isChoice,
  moved,
  newPart,
  NO_CHOICES,
  requestOf,
  SAFE,
  taken,
  unsure,
  verdict,
  worst,
  type Draft,
  type JobSheet,
} from './sheet'

const props = defineProps<{ id: number }>()
type Load = NonNullable<Draft['choices']['load']>
const PAUSE_MS = 40

const acts = useActs()
const shelf = useShelf()
const router = useRouter()
const stored = shallowRef<JobSheet | null>(null)
const draft = ref<Draft | null>(null)
const printers = ref<Schemas['PrinterView'][]>([])
const plates = ref<Schemas['PlateView'][]>([])
const layers = ref<Schemas['PrintOptionView'][]>([])
const practices = ref<Schemas['PrintOptionView'][]>([])
const loads = ref<{ value: Load; label: string }[]>([])
const loading = ref<Problem | null>(null)
const saving = ref<Problem | null>(null)
const newBox = ref(newPart())
const copied = ref(false)

async function read() {
  try {
    const [sheet, foundPrinters, foundPlates, choices] = await Promise.all([
      answer(client.GET('/api/jobs/{id}/sheet', { params: { path: { id: props.id } } })),
      answer(client.GET('/api/printers')),
      answer(client.GET('/api/plates')),
      answer(client.GET('/api/print-choices')),
    ])
    const untouched = !dirty.value
    stored.value = sheet
    printers.value = foundPrinters
    plates.value = foundPlates
    layers.value = choices.interfaceLayers
    practices.value = choices.practices
    loads.value = choices.loads.map((each) => ({ value: each.id as Load, label: each.title }))
    loading.value = null
    if (untouched) {
      draft.value = draftOf(sheet)
    }
  } catch (cause) {
    loading.value = Problem.of(cause)
  }
}

const dirty = computed(
  () =>
    stored.value !== null &&
    draft.value !== null &&
    JSON.stringify(draft.value) !== JSON.stringify(draftOf(stored.value)),
)

const ready = computed(() => draft.value !== null)
const {
  view: preview,
  problem: previewProblem,
  busy,
} = useLatestAnswer(
  [draft, () => acts.changes],
  () =>
    answer(
      client.POST('/api/jobs/{id}/sheet/preview', {
        params: { path: { id: props.id } },
        body: requestOf(draft.value as Draft),
      }),
    ),
  PAUSE_MS,
  ready,
)
useFormProblem(previewProblem, saving)

/** What is shown: the last answer, or what is stored until there is one. */
const view = computed(() => preview.value ?? stored.value)
const sheet = computed(() => view.value?.sheet ?? null)
const job = computed(() => view.value?.job ?? null)
const remedy = computed(() => sheet.value?.hold.cheapest ?? sheet.value?.hold.nearest ?? null)
const suffices = computed(() => sheet.value?.hold.cheapest != null)
const nowS = computed(() => Date.now() / 1000)

watch([() => props.id, () => acts.changes], read, { immediate: true })

const headline = computed(() =>
  job.value === null
    ? 'Setup sheet'
    : sheet.value
      ? `${job.value.name}: ${verdict(sheet.value)}`
      : job.value.name,
)

const spools = computed(() => {
  const first = view.value?.candidates ?? []
  const codes = [
    ...first,
    ...(draft.value?.code && !first.includes(draft.value.code) ? [draft.value.code] : []),
  ]
  return codes.map((code) => {
    const spool = shelf.spools.find((each) => each.code === code)
    return {
      value: code,
      label: spool
        ? `${code}, ${spool.material} ${spool.colourName}, ${grams(spool.remainingG.typical)}`
        : code,
    }
  })
})

/** Places that a spool can hang in while it prints. */
const feeds = computed(() =>
  shelf.places
    .filter(({ place }) => ['DRY_BOX', 'DRYER', 'FEEDER'].includes(place.kind))
    .map(({ place }) => ({ value: place.id, label: place.name })),
)

function take(remedy: Schemas['RemedyView']) {
  if (draft.value) {
    draft.value = taken(draft.value, remedy.change)
  }
}

function move(lever: string, value: number) {
  if (draft.value) {
    draft.value = moved(draft.value, lever, value) ?? draft.value
  }
}

/** What the part must bear, by which its layers are asked. */
const load = computed({
  get: () => draft.value?.choices.load ?? 'HANDLED',
  set: (said: Load) => {
    if (draft.value) {
      draft.value = { ...draft.value, choices: { ...draft.value.choices, load: said } }
    }
  },
})

/** What a file tells of the part; the rest stays as it was said. */
function fillPart(file: Schemas['PartAnswer']) {
  if (draft.value) {
    draft.value = { ...draft.value, part: filled(draft.value.part ?? newBox.value, file) }
  }
}

function addPart() {
  if (draft.value) {
    draft.value = { ...draft.value, part: { ...newBox.value } }
  }
}

async function keep(): Promise<boolean> {
  if (!draft.value || !stored.value) {
    return false
  }
  try {
    const kept = await acts.record(
      client.PUT('/api/jobs/{id}/sheet', {
        params: { path: { id: props.id } },
        body: { ...requestOf(draft.value), version: stored.value.version },
      }),
    )
    stored.value = kept
    draft.value = draftOf(kept)
    saving.value = null
    return true
  } catch (cause) {
    saving.value = Problem.of(cause)
    return false
  }
}

function discard() {
  if (stored.value) {
    draft.value = draftOf(stored.value)
    saving.value = null
  }
}

/** Why it was not started, said where Start was pressed. */
const refused = ref<Problem | null>(null)

async function start(overrides: Schemas['OverrideRequest'][]) {
  refused.value = null
  if (dirty.value && !(await keep())) {
    refused.value = saving.value
    return
  }
  try {
    const run = await acts.record(
      client.POST('/api/prints', { body: { jobId: props.id, overrides } }),
    )
    await router.push(`/print/runs/${run.id}`)
  } catch (cause) {
    refused.value = Problem.of(cause)
  }
}

async function bench(work: 'wash' | 'spread', layer?: string | null) {
  const plate = draft.value?.plateId
  if (!plate) {
    return
  }
  try {
    await (work === 'wash'
      ? acts.record(client.POST('/api/plates/{id}/washes', { params: { path: { id: plate } } }))
      : acts.record(
          client.POST('/api/plates/{id}/coats', {
            params: { path: { id: plate } },
            body: { interfaceLayer: layer ?? 'none' },
          }),
        ))
    saving.value = null
  } catch (cause) {
    saving.value = Problem.of(cause)
  }
}

function layerTitle(id: string | null | undefined): string {
  return layers.value.find((each) => each.id === id)?.title ?? id ?? ''
}

function repeatLast() {
  const last = view.value?.lastGood
  if (draft.value && last) {
    draft.value = {
      ...draft.value,
      printerId: last.printerId,
      plateId: plates.value.some((each) => each.id === last.plateId)
        ? (last.plateId ?? null)
        : draft.value.plateId,
      choices: { ...last.choices },
    }
  }
}

function clearChoices() {
  if (draft.value) {
    draft.value = { ...draft.value, choices: { ...NO_CHOICES } }
  }
}

async function copy() {
  if (job.value && sheet.value) {
    await navigator.clipboard?.writeText(asText(job.value.name, sheet.value))
    copied.value = true
    setTimeout(() => (copied.value = false), 2_000)
  }
}

/** What grams and hours rest on. */
const amountFrom = computed(
  () =>
    ({ PRINT_FILE: 'by its print file', MESH: 'by its mesh', PERSON: 'as you said' })[
      view.value?.amount.from ?? 'PERSON'
    ],
)

function minutes(value: number | null | undefined): string {
  return value == null ? 'not here' : value < 1 ? 'at once' : hours(value / 60)
}
</script>

<template>
  <div class="sheet-page">
    <ProblemNote v-if="loading" :problem="loading" />
    <template v-if="draft && job">
      <header>
        <h1
          data-testid="print-headline"
          :class="{ call: sheet && (worst(sheet.hold) >= 1 || sheet.hold.danger) }"
        >
          {{ headline }}
        </h1>
        <p class="sentence">
          <span v-if="draft.part"
            >{{ draft.part.lengthMm }} × {{ draft.part.widthMm }} ×
            {{ draft.part.heightMm }} mm</span
          >
          <span v-else>a part</span>
          of {{ view?.materialTitle ?? 'a material' }} from
          <InlineChoice
            v-model="draft.code"
            label="Spool"
            empty="no spool yet"
            :options="spools"
            wide
          />
          on
          <InlineChoice
            v-model="draft.printerId"
            label="Printer"
            empty="no printer"
            :options="printers.map((it) => ({ value: it.placeId, label: it.name }))"
          />
          with
          <InlineChoice
            v-model="draft.plateId"
            label="Plate"
            empty="no plate"
            :options="
              plates.map((it) => ({ value: it.id, label: `${it.name}, ${it.interfaceLayerTitle}` }))
            "
          />
          hanging in
          <InlineChoice
            v-model="draft.feedId"
            label="Place that the spool hangs in"
            empty="the printer's holder"
            :options="feeds"
            clearable
          />
        </p>
        <p class="soft small">
          {{
            job.someTime
              ? 'Some time this week; counted as it would be if it began now'
              : `Counted for its start, ${moment(Math.max(nowS, job.startS), nowS)}`
          }}
          <template v-if="sheet">
            · {{ grams(sheet.grams) }}, {{ metres(sheet.metres) }}, {{ hours(sheet.hours) }}
            {{ amountFrom }}
          </template>
          <template v-if="view?.runId">
            · <router-link :to="`/print/runs/${view.runId}`">printing now</router-link></template
          >
        </p>
      </header>

      <p v-if="printers.length === 0" class="cure">
        There is no printer yet.
        <router-link to="/print/machines?add=printer">Add one first.</router-link>
      </p>
      <p v-else-if="plates.length === 0" class="cure">
        There is no build plate yet.
        <router-link to="/print/machines?add=plate">Add one first.</router-link>
      </p>

      <section v-if="!draft.part" aria-labelledby="part-title">
        <h2 id="part-title">How large is it?</h2>
        <p class="soft">
          A box around the part, as it stands on the plate: what decides is its length, its height
          and its corners.
        </p>
        <PartDrop :job-id="id" :again="view?.partFileId != null" @read="fillPart" />
        <PartFields v-model="newBox" />
        <button class="button primary" data-testid="part-done" @click="addPart">Compute</button>
      </section>

      <template v-if="sheet && draft.part">
        <p v-if="sheet.hold.danger" class="cure danger" data-testid="danger">
          <b>{{ inShownUnits(sheet.hold.danger) }}</b>
          Whatever the ratios below say, this goes first.
        </p>
        <div v-if="remedy" class="cure" data-testid="cure">
          <p>
            {{ suffices ? 'Cheapest remedy' : 'Nothing makes it safe here. Nearest comes' }}:
            <b>{{ inShownUnits(remedy.words) }}</b>, hold-down
            {{ unsure(worst(remedy), sheet.hold.unsurePercent)
            }}<template v-if="remedy.but">; but {{ inShownUnits(remedy.but) }}</template
            >.
            <template v-if="!suffices">
              Another plate, printer or material may do: see the ways below.
            </template>
          </p>
          <button
            v-if="isChoice(remedy.change)"
            class="button"
            data-testid="take-cure"
            @click="take(remedy)"
          >
            Use these settings
          </button>
          <button
            v-if="benchWork(remedy.change).includes('wash')"
            class="button"
            @click="bench('wash')"
          >
            I washed the plate
          </button>
          <button
            v-if="benchWork(remedy.change).includes('spread')"
            class="button"
            @click="bench('spread', remedy.change.interfaceLayer)"
          >
            {{ layerTitle(remedy.change.interfaceLayer) }} is on the plate
          </button>
          <span v-if="benchWork(remedy.change).includes('plate')" class="soft small">
            The other plate is chosen above, once it is there.
          </span>
        </div>
        <p v-else-if="worst(sheet.hold) >= SAFE" class="cure">
          Nothing here holds it better. Another plate, printer or material may: see the ways below.
        </p>

        <div v-if="dirty" class="keep" role="status">
          <span>Not kept yet.</span>
          <button class="button primary" data-testid="keep" @click="keep">Keep this setup</button>
          <button class="button plain" @click="discard">Discard</button>
        </div>
        <ProblemNote v-if="saving" :problem="saving" />
        <ProblemNote v-if="previewProblem" :problem="previewProblem" />

        <div class="columns">
          <div class="left">
            <section class="drawings" aria-label="Hold-down">
              <div>
                <h2>Sole, from above</h2>
                <BaseFromAbove :part="draft.part" :choices="draft.choices" :sheet="sheet" />
              </div>
              <div>
                <h2>Pull against grip, over height</h2>
                <OverHeight :sheet="sheet" :height-mm="draft.part.heightMm ?? 1" />
              </div>
              <p class="ratios small">
                Corners {{ unsure(sheet.hold.adhesionRatio, sheet.hold.unsurePercent) }} · plate
                {{ unsure(sheet.hold.plateRatio, sheet.hold.unsurePercent) }} · tipping
                {{ unsure(sheet.hold.tipRatio, sheet.hold.unsurePercent) }}. From 1 on it comes
                loose; the order of remedies is surer than the figures.
                <template v-if="sheet.hold.liftMm > 0.05">
                  A corner would end up {{ sheet.hold.liftMm.toFixed(1) }} mm high.
                </template>
                <template v-if="view?.learned && view.learned.prints > 0">
                  {{ view.learned.prints }} prints taught that this plate grips
                  {{ view.learned.grip.median.toFixed(2) }} times ({{
                    view.learned.grip.low.toFixed(2)
                  }}
                  to {{ view.learned.grip.high.toFixed(2) }}) what the table says.
                </template>
              </p>
            </section>

            <section aria-labelledby="levers-title">
              <h2 id="levers-title">Levers</h2>
              <p class="soft small">
                Each curve: the worst ratio along the lever; dotted, what is safe; the dot, where it
                stands.
              </p>
              <LeverRow
                v-for="curve in sheet.curves"
                :key="curve.id"
                :curve="curve"
                :fixed="curve.id === 'clean'"
                :pending="busy"
                @moved="move(curve.id, $event)"
              />
              <p class="row">
                <button class="button plain small" @click="clearChoices">
                  Back to what the material and the machine suggest
                </button>
                <button
                  v-if="view?.lastGood"
                  class="button plain small"
                  data-testid="repeat"
                  @click="repeatLast"
                >
                  As the last good one: {{ view.lastGood.name }}
                </button>
              </p>
            </section>

            <WaterOfJob v-if="view && view.metres.length > 1" :view="view" />
            <PartOfJob
              :job-id="id"
              :file-id="stored?.partFileId ?? null"
              :version="stored?.version ?? 0"
              :choices="draft.choices"
              :sheet="sheet"
              @read="fillPart"
            />
            <JobVisits v-if="view" :visits="view.visits" :next="view.next" :now-s="nowS" />

            <section aria-labelledby="settings-title">
              <div class="row">
                <h2 id="settings-title">Settings</h2>
                <button class="button plain small" @click="copy">
                  {{ copied ? 'Copied' : 'Copy' }}
                </button>
                <a class="small" :href="`/api/jobs/${id}/card.pdf`" target="_blank">Card, PDF</a>
                <a class="small" :href="`/api/jobs/${id}/card.csv`">CSV</a>
                <a class="small" :href="`/api/jobs/${id}/sheet`" target="_blank">JSON</a>
                <router-link class="small" to="/print/compare">Side by side</router-link>
                <span v-if="dirty" class="soft small">card and files show what is kept</span>
              </div>
              <SettingsTable :settings="sheet.settings" />
            </section>
          </div>

          <div class="right">
            <StartChecks
              :sheet="sheet"
              :running="view?.runId != null"
              :startable="job.startedS == null && job.doneS == null"
              :refused="refused"
              @start="start"
            />
            <section aria-labelledby="part-side">
              <h2 id="part-side">The part</h2>
              <PartFields v-model="draft.part" />
              <ChoiceField id="part-load" v-model="load" label="It must bear" :options="loads" />
              <AmountFields
                v-if="view"
                v-model:grams="draft.grams"
                v-model:hours="draft.hours"
                :amount="view.amount"
                :started="job.startedS != null"
              />
            </section>
            <section aria-labelledby="chosen-title">
              <h2 id="chosen-title">Set by hand</h2>
              <p class="soft small">An empty field is computed.</p>
              <ChosenFields
                v-model="draft.choices"
                :practices="practices"
                :material="view?.material"
              />
            </section>
            <section aria-labelledby="cooling-title">
              <h2 id="cooling-title">After the print</h2>
              <dl class="facts">
                <dt>door may open</dt>
                <dd>
                  {{ minutes(sheet.cooling.doorMinutes) }}
                  <span v-if="(sheet.cooling.doorMinutes ?? 0) >= 1" class="soft small">
                    bed under {{ temperature(sheet.cooling.doorBelowC) }}
                  </span>
                </dd>
                <dt>lets go by itself</dt>
                <dd>
                  {{ minutes(sheet.cooling.releaseMinutes) }}
                  <span class="soft small"
                    >bed under {{ temperature(sheet.cooling.releaseBelowC) }}</span
                  >
                </dd>
                <dt>a power cut</dt>
                <dd>
                  {{
                    sheet.powerCut.bridgedMinutes > 0
                      ? `bridged for ${hours(sheet.powerCut.bridgedMinutes / 60)}`
                      : 'not bridged'
                  }}
                  <span class="soft small">
                    then the bed holds {{ minutes(sheet.powerCut.bedHoldsMinutes) }}
                  </span>
                </dd>
              </dl>
              <p class="small">{{ inShownUnits(sheet.cooling.words) }}</p>
            </section>
          </div>
        </div>
        <WaysTable
          :id="id"
          :code="draft.code"
          @taken="(way) => Object.assign(draft as Draft, way)"
        />
      </template>
    </template>
  </div>
</template>

<style scoped>
.sheet-page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
}

.sentence {
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem;
  align-items: center;
  margin-top: 0.3rem;
  font-size: var(--size-3);
}

.cure {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  align-items: center;
  padding-left: 0.8rem;
  border-left: 4px solid var(--call);
}

.keep {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: center;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.9fr) minmax(17rem, 1fr);
  gap: 2rem;
}

.left,
.right {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.6rem;
  align-content: start;
  min-width: 0;
}

.drawings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(17rem, 1fr));
  gap: 1rem 1.4rem;
  padding: 0.8rem;
  border-top: 3px solid var(--ink);
  background: var(--sheet);
}

.ratios {
  grid-column: 1 / -1;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1rem;
  align-items: baseline;
}

.facts {
  display: grid;
  grid-template-columns: 8rem 1fr;
  gap: 0.3rem 0.8rem;
  margin: 0.4rem 0;
}

.facts dd {
  margin: 0;
}

@media (max-width: 960px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  .right {
    order: -1;
  }
}
</style>
