<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { ago, dateTime, grams, hours, moisture, moment, temperature } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import { usePolled } from '@/parts/polled'
import PhotoRow from '@/parts/PhotoRow.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SegmentChoice from '@/parts/SegmentChoice.vue'
import TextField from '@/parts/TextField.vue'
import ToggleButtons from '@/parts/ToggleButtons.vue'
import { useActs } from '@/stores/acts'
import GoOnWith from './GoOnWith.vue'

type Outcome = Schemas['FinishRequest']['outcome'] & string
type Ending = NonNullable<Schemas['FinishRequest']['ending']>

const props = defineProps<{ id: number }>()
const POLL_MS = 10_000
const acts = useActs()
const router = useRouter()
const saving = ref<Problem | null>(null)
useFormProblem(saving)
const signs = ref<string[]>([])
const correcting = ref(false)
const form = reactive({
  // Asked, never set beforehand: a careless tap would teach the plate what nobody looked at.
  outcome: null as Outcome | null,
  ending: null as Ending | 'UNSEEN' | null,
  failedAtMm: null as number | null,
  usedBy: 'COMPUTED' as 'COMPUTED' | 'WEIGHED' | 'FILE',
  usedG: null as number | null,
  grossMassG: null as number | null,
  note: '',
})
const percent = ref<number | null>(null)

const { view, problem } = usePolled(
  [() => acts.changes, () => props.id],
  async () => {
    const [run, prints] = await Promise.all([
      answer(client.GET('/api/prints/{id}', { params: { path: { id: props.id } } })),
      answer(client.GET('/api/prints')),
    ])
    return { run, signs: prints.signs, nowS: prints.nowS }
  },
  () => POLL_MS,
)
const run = computed(() => view.value?.run ?? null)
const running = computed(() => run.value !== null && run.value.endedS == null)
const nowS = computed(() => view.value?.nowS ?? Date.now() / 1000)
const known = computed(() => view.value?.signs ?? [])
const stopped = computed(() => ['FAILED', 'CANCELLED'].includes(form.outcome ?? ''))

const OUTCOMES = [
  { value: 'GOOD', label: 'Good' },
  { value: 'FLAWED', label: 'Usable, with flaws' },
  { value: 'FAILED', label: 'Failed' },
  { value: 'CANCELLED', label: 'Stopped by hand' },
] as const
const ENDINGS = [
  { value: 'HELD', label: 'It held, all corners down' },
  { value: 'CORNER_LIFTED', label: 'A corner came off the plate' },
  { value: 'PLATE_LIFTED', label: 'The plate rose with it' },
  { value: 'CAME_OFF', label: 'It came off, nobody saw how' },
  { value: 'UNSEEN', label: 'Nobody looked' },
] as const
const USED = [
  { value: 'COMPUTED', label: 'as computed' },
  { value: 'FILE', label: 'as the print file says' },
  { value: 'WEIGHED', label: 'weigh the spool now' },
] as const

/** A sign that says something of the plate says it in the field below too. */
function tellPlate(id: string) {
  form.ending = known.value.find((sign) => sign.id === id)?.ending ?? form.ending
}

/** What is still to be said before it can be recorded. */
function unsaid(): Problem | null {
  const open = [
    ...(form.outcome === null ? ['Say how it came out.'] : []),
    ...(form.ending === null ? ['Look at its corners, or say that nobody looked.'] : []),
  ]
  return open.length ? new Problem('Not recorded yet', open.join(' '), []) : null
}

function body(): Schemas['FinishRequest'] {
  return {
    outcome: form.outcome ?? undefined,
    ending: form.ending === null || form.ending === 'UNSEEN' ? undefined : form.ending,
    failedAtMm: stopped.value ? (form.failedAtMm ?? undefined) : undefined,
    signs: signs.value,
    note: form.note || undefined,
    usedBy: form.usedBy,
    usedG: form.usedBy === 'FILE' ? (form.usedG ?? undefined) : undefined,
    grossMassG: form.usedBy === 'WEIGHED' ? (form.grossMassG ?? undefined) : undefined,
  }
}

/** Records how it came out, once that was said. */
async function recordEnd(act: () => Promise<unknown>) {
  saving.value = unsaid()
  if (saving.value === null) {
    await attempt(act)
  }
}

async function attempt(act: () => Promise<unknown>) {
  try {
    await act()
    saving.value = null
  } catch (cause) {
    saving.value = Problem.of(cause)
  }
}

const path = computed(() => ({ params: { path: { id: props.id } } }))
const finish = () =>
  recordEnd(() =>
    acts.record(client.POST('/api/prints/{id}/finish', { ...path.value, body: body() })),
  )
const correct = () =>
  recordEnd(async () => {
    await acts.record(client.PUT('/api/prints/{id}/outcome', { ...path.value, body: body() }))
    correcting.value = false
  })
const progress = () =>
  attempt(async () => {
    await acts.record(
      client.POST('/api/prints/{id}/progress', {
        ...path.value,
        body: { percent: percent.value ?? undefined },
      }),
      'Noted how far it is',
    )
    percent.value = null
  })
const keepPhoto = (uploadId: string) =>
  acts.record(client.POST('/api/prints/{id}/photos', { ...path.value, body: { uploadId } }))
const again = () =>
  attempt(async () => {
    await acts.record(client.POST('/api/prints/{id}/again', path.value))
    await router.push(`/print/jobs/${run.value?.jobId}`)
  })

const why = () =>
  attempt(async () => {
    const trouble = await acts.record(
      client.POST('/api/troubles', { body: { runId: props.id } }),
      'Its case is open already',
    )
    await router.push(`/trouble/${trouble.id}`)
  })

function beginCorrecting() {
  if (!run.value) {
    return
  }
  form.outcome = run.value.outcome ?? null
  form.ending = run.value.ending ?? 'UNSEEN'
  form.failedAtMm = run.value.failedAtMm ?? null
  form.note = run.value.note ?? ''
  signs.value = [...run.value.signs]
  correcting.value = true
}

function title(id: string): string {
  return known.value.find((sign) => sign.id === id)?.title ?? id
}
</script>

<template>
  <div class="run">
    <ProblemNote v-if="problem" :problem="problem" />
    <template v-if="run">
      <header>
        <h1 data-testid="run-headline">
          {{ run.name }}:
          {{ running ? `${run.progressPercent.toFixed(0)} % done` : run.outcomeTitle }}
        </h1>
        <p>
          <router-link :to="`/spool/${run.code}`" class="code">{{ run.code }}</router-link>
          <template v-if="run.earlierCodes.length">
            (before: {{ run.earlierCodes.join(', ') }})
          </template>
          {{ run.material }} on {{ run.printer }}{{ run.plate ? `, ${run.plate}` : '' }}. Started
          {{ ago(run.startedS, nowS)
          }}<template v-if="run.endsS != null">, until {{ moment(run.endsS, nowS) }}</template
          ><template v-if="run.endedS != null">, ended {{ dateTime(run.endedS) }}</template
          >.
          <router-link :to="`/print/jobs/${run.jobId}`">Its setup sheet</router-link>
        </p>
        <p v-if="run.runOut" class="call">
          The filament has run out. Cut the end square, feed the next reel behind it, or splice;
          then go on at the printer.
        </p>
      </header>

      <dl class="facts">
        <template v-if="running">
          <dt>chamber, bed, nozzle</dt>
          <dd>
            {{ run.chamberC == null ? 'no sensor tells' : temperature(run.chamberC)
            }}<template v-if="run.bedC != null">, {{ temperature(run.bedC) }}</template
            ><template v-if="run.nozzleC != null">, {{ temperature(run.nozzleC) }}</template>
          </dd>
        </template>
        <template v-if="run.adhesionRatio != null && run.plateRatio != null">
          <dt>foretold hold-down</dt>
          <dd>
            corners {{ run.adhesionRatio.toFixed(2) }}, plate {{ run.plateRatio.toFixed(2) }}; from
            1 on it comes loose
          </dd>
        </template>
        <template v-if="run.bond != null">
          <dt>foretold bond</dt>
          <dd>{{ run.bond.toFixed(2) }} of the strength along layers</dd>
        </template>
        <template v-else>
          <dt>foretold</dt>
          <dd>nothing: it was started without a setup sheet</dd>
        </template>
        <dt v-if="run.moisturePercent != null">wettest metres</dt>
        <dd v-if="run.moisturePercent != null">{{ moisture(run.moisturePercent) }}</dd>
        <dt>takes</dt>
        <dd>{{ hours(run.hours) }}, {{ grams(run.grams) }}</dd>
        <template v-if="!running">
          <dt>used</dt>
          <dd>
            {{ run.usedG == null ? 'not known' : grams(run.usedG) }}
            <span class="soft small">{{
              { COMPUTED: 'computed', WEIGHED: 'weighed', FILE: 'by its file' }[
                run.usedBy ?? 'COMPUTED'
              ]
            }}</span>
          </dd>
          <dt v-if="run.chamberMeanC != null">chamber, mean</dt>
          <dd v-if="run.chamberMeanC != null">{{ temperature(run.chamberMeanC) }}</dd>
          <dt v-if="run.roomMeanC != null">room, mean</dt>
          <dd v-if="run.roomMeanC != null">{{ temperature(run.roomMeanC) }}</dd>
          <dt v-if="run.signs.length">seen</dt>
          <dd v-if="run.signs.length">{{ run.signs.map(title).join(', ') }}</dd>
          <dt v-if="run.note">note</dt>
          <dd v-if="run.note">{{ run.note }}</dd>
        </template>
        <dt v-if="run.overrides.length">started all the same</dt>
        <dd v-if="run.overrides.length">
          <span v-for="each in run.overrides" :key="each.gate"
            >{{ each.gate }}: {{ each.reason }}.
          </span>
        </dd>
      </dl>

      <PhotoRow :photos="run.photos" :of="run.name" :keep="keepPhoto" />

      <AppForm v-if="running" class="row" @submit="progress">
        <NumberField
          id="run-percent"
          v-model="percent"
          label="How far is it, %"
          name="percent"
          :min="0"
          :max="100"
        />
        <button class="button" :disabled="percent === null">Note it</button>
      </AppForm>

      <GoOnWith v-if="running" :run="run" />
      <p v-if="running" class="row">
        <button class="button" @click="why">It goes wrong: find the cause</button>
        <span class="soft small"
          >It prints on meanwhile; only what can be seen there is asked.</span
        >
      </p>

      <section v-if="running || correcting" aria-labelledby="finish-title" class="finish">
        <h2 id="finish-title">{{ correcting ? 'Correct how it came out' : 'It has ended' }}</h2>
        <SegmentChoice
          v-model="form.outcome"
          label="How it came out"
          name="outcome"
          :options="OUTCOMES"
        />
        <ToggleButtons
          v-model="signs"
          legend="What was seen"
          :options="known"
          @ticked="tellPlate"
        />
        <div class="row">
          <ChoiceField
            id="run-ending"
            v-model="form.ending"
            label="At the plate"
            name="ending"
            placeholder="what was seen there"
            :options="ENDINGS"
          />
          <NumberField
            v-if="stopped"
            id="run-failed"
            v-model="form.failedAtMm"
            label="Failed at a height of, mm"
            name="failedAtMm"
            :min="0"
          />
          <template v-if="!correcting">
            <ChoiceField
              id="run-used"
              v-model="form.usedBy"
              label="Filament used"
              :options="USED"
            />
            <NumberField
              v-if="form.usedBy === 'FILE'"
              id="run-grams"
              v-model="form.usedG"
              label="Used, g"
              name="usedG"
              :min="0"
            />
            <NumberField
              v-if="form.usedBy === 'WEIGHED'"
              id="run-gross"
              v-model="form.grossMassG"
              label="Spool on the scale, g"
              name="grossMassG"
              :min="1"
            />
          </template>
          <TextField id="run-note" v-model="form.note" label="Note" name="note" />
        </div>
        <p class="soft small">
          What you say of the plate teaches how it really grips; only what was seen counts.
          {{ stopped && !correcting ? 'The job comes back to those to come.' : '' }}
        </p>
        <ProblemNote v-if="saving" :problem="saving" />
        <div class="row">
          <button v-if="!correcting" class="button primary" data-testid="finish" @click="finish">
            Record how it ended
          </button>
          <template v-else>
            <button class="button primary" @click="correct">Correct it</button>
            <button class="button plain" @click="correcting = false">Leave it as it is</button>
          </template>
        </div>
      </section>
      <p v-else class="row">
        <button class="button" @click="beginCorrecting">Correct how it came out</button>
        <button class="button" @click="again">Print it again</button>
        <button v-if="run.outcome !== 'GOOD'" class="button" @click="why">Find the cause</button>
        <ProblemNote v-if="saving" :problem="saving" />
      </p>
    </template>
  </div>
</template>

<style scoped>
.run {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.4rem;
  max-width: 62rem;
}

.facts {
  display: grid;
  grid-template-columns: 12rem 1fr;
  gap: 0.35rem 1rem;
  margin: 0;
}

.facts dd {
  margin: 0;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem 1.2rem;
  align-items: end;
}

.finish {
  display: grid;
  gap: 1rem;
}

.row :deep(.el-select) {
  min-width: 14rem;
}

.finish :deep(.segments) {
  flex-wrap: wrap;
}

@media (max-width: 640px) {
  .facts {
    grid-template-columns: 1fr;
    gap: 0 1rem;
  }

  .facts dt {
    color: var(--soft);
    margin-top: 0.4rem;
  }
}
</style>
