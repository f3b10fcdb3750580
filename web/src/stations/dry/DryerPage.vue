<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import TimeField from '@/parts/TimeField.vue'
import { choices, useOptions } from '@/stores/options'
import { useActs } from '@/stores/acts'
import UndoButton from '@/parts/UndoButton.vue'
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import { useConflict } from '@/parts/conflict'
import ChoiceField from '@/parts/ChoiceField.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { atMost, dateTime, difference, inShownUnits, temperature } from '@/parts/format'
import { questions } from '@/parts/latestAnswer'
import { useDryers } from '@/stores/dryers'

/** A dryer: what it is, and how it truly behaves. */
const props = defineProps<{ id: number }>()

const store = useDryers()
const acts = useActs()
const dryer = ref<Schemas['DryerView'] | null>(null)
const options = useOptions()
const problem = ref<Problem | null>(null)
const saved = ref(false)
type Described = Schemas['DescribeDryerRequest']
/** Everything of the request, null where nothing is said. */
type Form = { [K in keyof Described]-?: Exclude<Described[K], undefined> | null }

const form = reactive<Form>(blank())

const run = reactive({
  setpointC: 60 as number | null,
  instrumentUncertaintyK: 1 as number | null,
  log: '',
  from: null as Date | null,
})
const found = ref<Schemas['MeasurementView'] | null>(null)
const runProblem = ref<Problem | null>(null)

const vent = reactive({
  openW: null as number | null,
  closedW: null as number | null,
  insideC: 60 as number | null,
  roomC: 22 as number | null,
})
const changes = ref<number | null>(null)
const ventProblem = ref<Problem | null>(null)
useFormProblem(problem, runProblem, ventProblem)

function blank(): Form {
  return {
    kind: 'PURPOSE_MADE',
    ratedMaxC: null,
    volumeL: null,
    insideLengthMm: null,
    insideWidthMm: null,
    insideHeightMm: null,
    ventedFreely: false,
    airChangesPerHour: null,
    slots: 1,
    maxReelDiameterMm: null,
    maxReelWidthMm: null,
    powerW: null,
    feedsOut: false,
    turnsItselfOff: true,
    outOfOrder: false,
    desiccant: null,
    desiccantDryG: null,
    desiccantWaterG: null,
    switchTopic: null,
    switchOffPayload: null,
    maySwitchOff: false,
    version: 0,
  }
}

/** Fields that two people may have changed, in words. */
const LABELS = {
  kind: 'kind',
  ratedMaxC: 'rated maximum, °C',
  volumeL: 'volume, L',
  insideLengthMm: 'inside length, mm',
  insideWidthMm: 'inside width, mm',
  insideHeightMm: 'inside height, mm',
  airChangesPerHour: 'air changes per hour',
  slots: 'slots',
  maxReelDiameterMm: 'reel diameter that fits, mm',
  maxReelWidthMm: 'reel width that fits, mm',
  powerW: 'power, W',
  feedsOut: 'feeds out while drying',
  turnsItselfOff: 'turns itself off',
  outOfOrder: 'out of order',
  desiccant: 'desiccant',
  desiccantDryG: 'desiccant, dry g',
  desiccantWaterG: 'water in the desiccant, g',
  switchTopic: 'switch topic',
  switchOffPayload: 'message that switches off',
  maySwitchOff: 'may be switched off',
}

const { keepMine, takeTheirs } = useConflict<Schemas['DryerView']>(
  problem,
  (version) => {
    form.version = version
    void save()
  },
  show,
)

function show(view: Schemas['DryerView']) {
  dryer.value = view
  for (const key of Object.keys(form) as (keyof typeof form)[]) {
    if (key in view) {
      Object.assign(form, { [key]: view[key as keyof typeof view] })
    }
  }
  form.ventedFreely = view.airChangesPerHour === null
}

const question = questions()

async function read() {
  const isLast = question()
  try {
    const view = await answer(
      client.GET('/api/dryers/{placeId}', { params: { path: { placeId: props.id } } }),
    )
    if (isLast()) {
      show(view)
      problem.value = null
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
}

watch([() => props.id, () => acts.changes], read, { immediate: true })

/** Who has a rule at hand need not compute the volume. */
const SIDES = [
  { name: 'length', key: 'insideLengthMm' },
  { name: 'width', key: 'insideWidthMm' },
  { name: 'height', key: 'insideHeightMm' },
] as const

function measureInside() {
  const [length, width, height] = SIDES.map((side) => form[side.key])
  if (length && width && height) {
    form.volumeL = Math.round((length * width * height) / 1e5) / 10
  }
}

const kindOptions = computed(() =>
  options.dryerKinds.map((k) => ({ value: k.kind, label: k.title })),
)
const kind = computed(() => options.dryerKinds.find((each) => each.kind === form.kind))
/** Only what its own heat or an ordinary dryer can make dry again belongs in a closed dryer. */
const desiccantOptions = computed(() => [
  { value: null, label: 'none' },
  ...choices(options.desiccants.filter((each) => each.regenerationC !== null)),
])

function said(all: Form): Described {
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== null))
}

async function save() {
  try {
    show(
      await answer(
        client.PUT('/api/dryers/{placeId}', {
          params: { path: { placeId: props.id } },
          body: said(form),
        }),
      ),
    )
    problem.value = null
    saved.value = true
    setTimeout(() => (saved.value = false), 4000)
    await store.read()
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

async function load(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (file) {
    run.log = await file.text()
    await measure(false)
  }
}

async function measure(keep: boolean) {
  try {
    found.value = await answer(
      client.POST('/api/dryers/{placeId}/measurements', {
        params: { path: { placeId: props.id } },
        body: { ...run, from: run.from?.toISOString(), keep },
      }),
    )
    runProblem.value = null
    if (keep) {
      found.value = null
      run.log = ''
      await Promise.all([read(), store.read()])
    }
  } catch (cause) {
    found.value = null
    runProblem.value = Problem.of(cause)
  }
}

async function measureVent(keep: boolean) {
  try {
    const answered = await answer(
      client.POST('/api/dryers/{placeId}/air-exchange', {
        params: { path: { placeId: props.id } },
        body: { ...vent, keep },
      }),
    )
    changes.value = answered.airChangesPerHour
    ventProblem.value = null
    if (keep) {
      await Promise.all([read(), store.read()])
    }
  } catch (cause) {
    changes.value = null
    ventProblem.value = Problem.of(cause)
  }
}
</script>

<template>
  <ProblemNote v-if="problem && !problem.current" :problem="problem" />
  <template v-if="dryer">
    <h1>{{ dryer.name }}</h1>
    <p class="soft">
      {{ dryer.kindTitle }}, up to {{ atMost(dryer.ratedMaxC) }};
      <router-link :to="`/place/${dryer.placeId}`">its place and air</router-link>
    </p>

    <section class="behaviour sheet" data-testid="behaviour">
      <h2>
        {{ dryer.behaviour.measured ? 'As measured' : 'Not measured: taken for one of its kind' }}
      </h2>
      <dl>
        <div>
          <dt>true air against the setpoint</dt>
          <dd>
            {{ dryer.behaviour.biasK >= 0 ? '+' : '' }}{{ difference(dryer.behaviour.biasK, 1) }}
          </dd>
        </div>
        <div>
          <dt>hottest spot above the setpoint</dt>
          <dd>
            {{ dryer.behaviour.hottestAboveSetK.toFixed(1) }} ±
            {{ difference(dryer.behaviour.uncertaintyK, 1) }}
          </dd>
        </div>
        <div>
          <dt>minutes to heat up</dt>
          <dd>{{ dryer.behaviour.heatUpMin.toFixed(0) }}</dd>
        </div>
        <template v-if="dryer.measurement">
          <div>
            <dt>overshoot</dt>
            <dd>{{ difference(dryer.measurement.overshootK, 1) }}</dd>
          </div>
          <div>
            <dt>ripple</dt>
            <dd>{{ difference(dryer.measurement.rippleK, 1) }}</dd>
          </div>
          <div>
            <dt>from side to side</dt>
            <dd>{{ difference(dryer.measurement.uniformityK, 1) }}</dd>
          </div>
        </template>
      </dl>
      <p v-if="!dryer.behaviour.measured" class="small">
        Every limit is lowered by
        {{ difference(dryer.behaviour.hottestAboveSetK + dryer.behaviour.uncertaintyK, 0) }}
        because nobody knows better. A run with probes usually gains most of it back.
      </p>
      <template v-if="dryer.measurement">
        <p v-for="line in dryer.measurement.remarks" :key="line" class="small">{{ line }}</p>
        <p class="small soft">
          measured {{ dateTime(dryer.measurement.atS ?? 0) }} at
          {{ temperature(dryer.measurement.setpointC) }}
          <UndoButton
            v-if="dryer.measurement.actId"
            :act="dryer.measurement.actId"
            what="this measured run"
          />
        </p>
      </template>
    </section>

    <div class="halves">
      <section>
        <h2>Measure it</h2>
        <ol class="small">
          <li>Put probes where a reel's bore, its hottest rim and its far rim will be.</li>
          <li>Start the log cold, set the temperature, and leave it for 90 minutes.</li>
          <li>
            Choose the log (time, then a column per probe), or say when the devices that are in this
            dryer began to show it.
          </li>
        </ol>
        <AppForm class="grid" @submit="measure(false)">
          <NumberField
            id="run-set"
            v-model="run.setpointC"
            name="setpointC"
            label="set to, °C"
            :min="20"
            :max="250"
          />
          <NumberField
            id="run-unsure"
            v-model="run.instrumentUncertaintyK"
            name="instrumentUncertaintyK"
            label="probes good to ±, °C"
            difference
            :min="0"
            :max="10"
            :step="0.1"
          />
          <div class="field">
            <label for="run-file">log, CSV</label>
            <input id="run-file" type="file" accept=".csv,.txt,text/*" @change="load" />
          </div>
          <TimeField id="run-from" v-model="run.from" label="or devices in it, since" name="from" />
          <button class="button">Evaluate</button>
        </AppForm>
        <ProblemNote v-if="runProblem" :problem="runProblem" />
        <div v-if="found" class="found" data-testid="run-found">
          <p>
            Bias {{ difference(found.biasK, 1) }}, overshoot {{ difference(found.overshootK, 1) }},
            ripple {{ difference(found.rippleK, 1) }}, side to side
            {{ difference(found.uniformityK, 1) }}, warm after {{ found.heatUpMin.toFixed(0) }} min,
            hottest {{ difference(found.hottestAboveSetK, 1) }} above the setpoint.
          </p>
          <p v-for="line in found.remarks" :key="line" class="small">{{ line }}</p>
          <button class="button primary" data-testid="keep-run" @click="measure(true)">
            Keep this run
          </button>
        </div>

        <h2 class="second">Air exchange by its power</h2>
        <p class="small">
          Hot and steady, read a power meter with the vent open and closed: the difference warms the
          air that passes.
        </p>
        <AppForm class="grid" @submit="measureVent(false)">
          <NumberField
            id="open-w"
            v-model="vent.openW"
            name="openW"
            label="vent open, W"
            :min="0"
          />
          <NumberField
            id="closed-w"
            v-model="vent.closedW"
            name="closedW"
            label="vent closed, W"
            :min="0"
          />
          <NumberField
            id="inside-c"
            v-model="vent.insideC"
            name="insideC"
            label="inside, °C"
            :min="20"
          />
          <NumberField id="room-c" v-model="vent.roomC" name="roomC" label="room, °C" :min="-10" />
          <button class="button">Evaluate</button>
        </AppForm>
        <ProblemNote v-if="ventProblem" :problem="ventProblem" />
        <p v-if="changes !== null" class="found">
          {{ changes.toFixed(0) }} air changes an hour
          <button class="button" @click="measureVent(true)">Use it</button>
        </p>
      </section>

      <section>
        <h2>What it is</h2>
        <AppForm class="grid" @submit="save">
          <ChoiceField
            id="kind"
            v-model="form.kind"
            name="kind"
            label="kind"
            :options="kindOptions"
          />
          <NumberField
            id="rated-max"
            v-model="form.ratedMaxC"
            name="ratedMaxC"
            label="rated maximum, °C"
            :min="30"
            :max="250"
          />
          <NumberField
            id="slots"
            v-model="form.slots"
            name="slots"
            label="slots for reels"
            :min="1"
            :max="24"
          />
          <NumberField
            id="dryer-volume"
            v-model="form.volumeL"
            name="volumeL"
            label="inside volume, L"
            :min="1"
            :max="2000"
          />
          <NumberField
            v-for="side in SIDES"
            :id="`inside-${side.name}`"
            :key="side.name"
            v-model="form[side.key]"
            :label="`or inside ${side.name}, mm`"
            :min="50"
            :max="3000"
            @update:model-value="measureInside"
          />
          <NumberField
            id="reel-diameter"
            v-model="form.maxReelDiameterMm"
            name="maxReelDiameterMm"
            label="clear across a reel, mm"
            :min="50"
            :max="1000"
          />
          <NumberField
            id="reel-width"
            v-model="form.maxReelWidthMm"
            name="maxReelWidthMm"
            label="clear width per reel, mm"
            :min="10"
            :max="1000"
          />
          <NumberField
            id="power"
            v-model="form.powerW"
            name="powerW"
            label="power, W"
            :min="1"
            :max="10000"
          />
          <NumberField
            v-if="!form.ventedFreely"
            id="dryer-ach"
            v-model="form.airChangesPerHour"
            name="airChangesPerHour"
            :label="`air changes per hour (${kind?.airChangesLow} to ${kind?.airChangesHigh} usual)`"
            :min="0.01"
            :max="1000"
          />
          <ChoiceField
            id="desiccant"
            v-model="form.desiccant"
            name="desiccant"
            label="desiccant in it"
            placeholder="none"
            :options="desiccantOptions"
          />
          <template v-if="form.desiccant">
            <NumberField
              id="desiccant-dry"
              v-model="form.desiccantDryG"
              name="desiccantDryG"
              label="desiccant, dry, g"
              :min="1"
            />
            <NumberField
              id="desiccant-water"
              v-model="form.desiccantWaterG"
              name="desiccantWaterG"
              label="water in it, g (little if empty)"
              :min="0"
            />
          </template>
          <div class="checks">
            <label><input v-model="form.ventedFreely" type="checkbox" /> vented freely</label>
            <label><input v-model="form.feedsOut" type="checkbox" /> feeds out while drying</label>
            <label
              ><input v-model="form.turnsItselfOff" type="checkbox" /> its timer ends the
              heat</label
            >
            <label><input v-model="form.outOfOrder" type="checkbox" /> out of order</label>
          </div>
          <div class="field wide">
            <label for="topic">MQTT topic that switches it</label>
            <input id="topic" v-model="form.switchTopic" class="text" />
          </div>
          <div class="field wide">
            <label for="payload">message that switches it off</label>
            <input id="payload" v-model="form.switchOffPayload" class="text" />
          </div>
          <label class="wide">
            <input v-model="form.maySwitchOff" type="checkbox" />
            the program may switch it off when a probe shows that something inside is harmed
          </label>
          <button v-if="!problem?.current" class="button primary" data-testid="save-dryer">
            Keep this
          </button>
          <span v-if="saved" role="status">kept</span>
        </AppForm>
        <ConflictChoice
          v-if="problem?.current"
          :problem="problem"
          :mine="form"
          :labels="LABELS"
          @mine="keepMine"
          @theirs="takeTheirs"
        />
      </section>
    </div>
    <div class="small cautions">
      <p v-for="caution in kind?.cautions" :key="caution">{{ inShownUnits(caution) }}</p>
      <p>{{ dryer.generalCaution }}</p>
    </div>
  </template>
</template>

<style scoped>
.behaviour {
  margin: 1rem 0;
}

dl {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 2.5rem;
  margin: 0.5rem 0;
}

dt {
  font-size: var(--size-1);
  color: var(--soft);
}

dd {
  margin: 0;
  font-size: var(--size-3);
  font-weight: 700;
}

.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(20rem, 1fr));
  gap: 2rem;
}

.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem 1rem;
  align-items: end;
  margin-top: 0.5rem;
}

.grid > .button {
  justify-self: start;
}

.wide,
.checks {
  grid-column: 1 / -1;
}

.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
}

.text {
  padding: 0.4rem 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

.found {
  margin-top: 0.75rem;
  padding-left: 0.9rem;
  border-left: 4px solid var(--ink);
}

.second {
  margin-top: 1.5rem;
}

.cautions {
  margin-top: 1.25rem;
  display: grid;
  gap: 0.25rem;
}
</style>
