<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import TimeAxis from '@/parts/TimeAxis.vue'
import { TimeScale } from '@/parts/timeScale'
import DeedDialog from '../today/DeedDialog.vue'
import UndoButton from '@/parts/UndoButton.vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SetpointRisk from '@/parts/SetpointRisk.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import WeighDialog from '@/parts/WeighDialog.vue'
import {
  atMost,
  dateTime,
  hours,
  inShownUnits,
  moisture,
  moment,
  setTo,
  temperature,
} from '@/parts/format'
import { usePolled } from '@/parts/polled'
import { faceAt, faceLabel, moistureAt } from '@/parts/spoolAtTime'
import { useActs } from '@/stores/acts'
import { useDryers } from '@/stores/dryers'
import { useShelf } from '@/stores/shelf'
import AfterDrying from './AfterDrying.vue'
import CycleLane from './CycleLane.vue'
import HeatLane from './HeatLane.vue'

const props = defineProps<{ id: number }>()

const REFRESH_MS = 20_000
/** Room after the last moment of interest. */
const TAIL = 1.04

const acts = useActs()
const store = useDryers()
const shelf = useShelf()
const router = useRouter()
const actProblem = ref<Problem | null>(null)
const weighing = ref<string | null>(null)
const leaving = ref<string | null>(null)
const emptying = ref(false)
const setting = ref<number | null>(null)
const lasting = ref<number | null>(null)
const adding = ref('')
const nowS = ref(Date.now() / 1000)

const { view, problem } = usePolled(
  [() => props.id, () => acts.changes],
  () => answer(client.GET('/api/cycles/{id}', { params: { path: { id: props.id } } })),
  () => REFRESH_MS,
)
watch(view, () => (nowS.value = Date.now() / 1000))

const cycle = computed(() => view.value?.summary)
const open = computed(() => cycle.value?.stage !== 'STOPPED')
const heats = computed(() => open.value && cycle.value?.stage !== 'TO_EMPTY')

/** Until when the lanes reach: the planned end, or when the last is surely dry. */
const endS = computed(() => {
  const v = view.value
  if (!v) {
    return 0
  }
  const last = Math.max(
    v.summary.plannedEndS,
    nowS.value,
    ...v.spools.map((spool) => spool.sureDryS ?? 0),
  )
  return v.summary.startedS + TAIL * (last - v.summary.startedS)
})

const headline = computed(() => {
  const c = cycle.value
  if (!c) {
    return 'Cycle'
  }
  const end = moment(c.plannedEndS, nowS.value)
  switch (c.stage) {
    case 'RUNNING':
      return `${c.dryer}: ${setTo(c.setpointC)} until ${end}`
    case 'PAUSED':
      return `${c.dryer}: paused`
    case 'OVER':
      return `${c.dryer}: over since ${end}, reels inside`
    case 'TO_EMPTY':
      return `${c.dryer}: stopped ${moment(c.stoppedS ?? c.plannedEndS, nowS.value)}, ${c.codes.join(', ')} still inside`
    default:
      return `${c.dryer}: stopped ${moment(c.stoppedS ?? c.plannedEndS, nowS.value)}`
  }
})

/** The one thing to do next, with its reason. */
const next = computed(() => {
  const v = view.value
  const c = cycle.value
  if (!v || !c || !open.value) {
    return ''
  }
  if (c.stage === 'OVER' || c.stage === 'PAUSED' || c.stage === 'TO_EMPTY') {
    return c.stage !== 'PAUSED'
      ? 'Take them out and bag them: cold and open, they take up water again.'
      : 'It does not heat. Resume it, or stop it and bag what is inside.'
  }
  const dry = v.spools.filter((spool) => spool.dryNow)
  if (dry.length > 0) {
    const codes = dry.map((spool) => spool.code).join(', ')
    return `${codes}: dry to the core, nine times in ten. Take ${dry.length > 1 ? 'them' : 'it'} out.`
  }
  const weigh = v.spools
    .filter((spool) => spool.nextWeighingS !== null)
    .sort((a, b) => (a.nextWeighingS ?? 0) - (b.nextWeighingS ?? 0))[0]
  const sure = Math.max(...v.spools.map((spool) => spool.sureDryS ?? Infinity))
  const tooShort = Number.isFinite(sure) && sure > c.plannedEndS + 900
  const lines = []
  const printable = v.spools.filter(
    (spool) => spool.surePrintsS !== null && spool.surePrintsS <= nowS.value + 60,
  )
  if (printable.length > 0) {
    const codes = printable.map((spool) => spool.code).join(', ')
    lines.push(
      printable.length > 1
        ? `${codes} print already; what is left of the cycle dries their cores.`
        : `${codes} prints already; what is left of the cycle dries its core.`,
    )
  }
  if (!weigh && v.spools.length) {
    lines.push('The scale used last tells too little of when they are dry; a finer one would.')
  }
  if (weigh?.nextWeighingS) {
    lines.push(
      `Weigh ${weigh.code} at ${moment(weigh.nextWeighingS, nowS.value)}: it tells most of when it is dry.`,
    )
  }
  if (tooShort) {
    lines.push(`To be sure of all it should run until ${moment(sure, nowS.value)}.`)
  } else if (!Number.isFinite(sure)) {
    lines.push('Not all get dry in this air at this temperature; see the dashed floor.')
  }
  return lines.join(' ')
})

const scale = computed(() => new TimeScale(cycle.value?.startedS ?? 0, endS.value))

const PROOFS: Record<NonNullable<Schemas['SpoolInCycle']['proof']>, string> = {
  LOSING: 'still losing water',
  GAINING: 'taking up water: wrong air',
  NOT_YET_PROVEN: 'hardly changing; not proven yet',
  SCALE_TOO_COARSE: 'constant, but this scale is too coarse to prove it',
  DRY: 'constant mass: proven dry',
  AIR_TAKES_NO_MORE: 'constant, but this air can take no more: not dry',
}

function spoolOf(code: string) {
  return shelf.spools.find((spool) => spool.code === code)
}

/** A time to come; what is past is now. */
function from(timeS: number): string {
  return timeS <= nowS.value + 60 ? 'now' : moment(timeS, nowS.value)
}

/** What matters first: from when it prints. */
function prints(spool: Schemas['SpoolInCycle']): string {
  if (!heats.value) {
    return `outer wraps ${moisture(spool.outerPercent)}`
  }
  if (spool.dryNow) {
    return 'surely dry to the core (nine times in ten)'
  }
  if (spool.likelyPrintsS === null) {
    return 'never dry enough to print in this air'
  }
  if (spool.surePrintsS === null) {
    return `prints probably from ${from(spool.likelyPrintsS)}`
  }
  return from(spool.surePrintsS) === 'now'
    ? 'prints now'
    : `prints surely from ${from(spool.surePrintsS)}, probably ${from(spool.likelyPrintsS)}`
}

/** Then from when it is dry to the core. */
function dries(spool: Schemas['SpoolInCycle']): string {
  if (spool.dryNow || !heats.value) {
    return ''
  }
  if (spool.likelyDryS === null) {
    return `never below ${moisture(spool.floorPercent)} here`
  }
  return spool.sureDryS === null
    ? `fully dry probably ${from(spool.likelyDryS)}`
    : `fully dry surely ${from(spool.sureDryS)}, probably ${from(spool.likelyDryS)}`
}

const candidates = computed(() =>
  shelf.spools.filter(
    (spool) => !view.value?.spools.some((inside) => inside.code === spool.code) && !spool.sealed,
  ),
)

async function act(body: Schemas['ActRequest']) {
  try {
    await store.act(props.id, body)
    actProblem.value = null
  } catch (cause) {
    actProblem.value = Problem.of(cause)
  }
}

async function takeOut(placeId: number) {
  const code = leaving.value
  leaving.value = null
  if (code) {
    await act({ act: 'REMOVE', code, placeId })
  }
}

function tell(span: Schemas['CycleEventView'], ran: boolean) {
  const at = new Date(1000 * span.atS).toISOString()
  const until = new Date(1000 * (span.untilS ?? span.atS)).toISOString()
  void act({ act: ran ? 'RAN_ON' : 'WITHOUT_POWER', at, until })
}
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem" />
  <template v-if="view && cycle">
    <h1 data-testid="cycle-headline">{{ headline }}</h1>
    <p class="soft">
      started {{ dateTime(cycle.startedS) }}, {{ hours(cycle.hours) }} of heat;
      <router-link :to="`/dryer/${cycle.dryerId}`">the dryer</router-link>
    </p>
    <p v-if="next" class="next" data-testid="cycle-next">{{ next }}</p>

    <div v-for="span in view.unanswered" :key="span.id" class="asking" role="alert">
      <p>
        The program was off from {{ moment(span.atS, nowS) }} to
        {{ moment(span.untilS ?? span.atS, nowS) }}. Did the dryer run on?
      </p>
      <button class="button" @click="tell(span, true)">It ran on</button>
      <button class="button" @click="tell(span, false)">It was without power too</button>
    </div>
    <div v-for="span in view.coldSpans" :key="span.fromS" class="asking">
      <p>
        Cold from {{ moment(span.fromS, nowS) }} to {{ moment(span.toS, nowS) }}: a power cut, a
        tripped cut-out, or the lid was open. What the thermometer showed is what counts.
      </p>
    </div>

    <div class="lanes">
      <template v-if="view.temperatures.length">
        <div class="who">
          <b>Heat</b>
          <span class="small soft">thermometer inside</span>
        </div>
        <HeatLane :view="view" :scale="scale" />
        <div class="small">
          <template v-if="view.shownC !== null">{{ temperature(view.shownC, 1) }} now; </template>
          set {{ setTo(cycle.setpointC)
          }}<template v-if="view.harmC !== null"
            >; hotter than {{ atMost(view.harmC) }} harms what is inside</template
          >
        </div>
      </template>
      <template v-for="spool in view.spools" :key="spool.code">
        <div class="who">
          <SpoolFace
            v-if="spoolOf(spool.code)"
            :face="faceAt(spoolOf(spool.code)!, shelf.frameHours, 0)"
            :size="44"
            :label="
              faceLabel(spoolOf(spool.code)!, moistureAt(spoolOf(spool.code)!, shelf.frameHours, 0))
            "
          />
          <span>
            <router-link class="code" :to="`/spool/${spool.code}`">{{ spool.code }}</router-link>
            {{ spoolOf(spool.code)?.material }} {{ spoolOf(spool.code)?.colourName }}
          </span>
        </div>
        <CycleLane
          :spool="spool"
          :scale="scale"
          :now-s="nowS"
          :heated="view.heated"
          :label="`${spool.code}: ${prints(spool)}; ${dries(spool)}`"
        />
        <div class="result">
          <b>{{ prints(spool) }}</b>
          <span v-if="dries(spool)">{{ dries(spool) }}</span>
          <span class="small">
            core {{ moisture(spool.corePercent) }}, target {{ moisture(spool.targetPercent) }}
            <template v-if="spool.removedG !== null">
              · {{ spool.removedG.toFixed(1) }} g of water out</template
            ><template v-if="spool.proof"> · {{ PROOFS[spool.proof] }}</template
            ><template v-if="spool.scaleTooCoarse && spool.scaleStepNeededG">
              · take a scale of {{ spool.scaleStepNeededG.toFixed(2) }} g</template
            >
          </span>
          <span class="acts">
            <button class="button" @click="weighing = spool.code">weigh</button>
            <button class="button" @click="leaving = spool.code">take out</button>
          </span>
        </div>
      </template>
    </div>
    <div v-if="view.spools.length" class="lanes axis">
      <span />
      <TimeAxis :scale="scale" :now-s="nowS" />
      <span />
    </div>
    <p v-if="view.spools.length" class="small soft legend">
      Thick: mean with its 80 % band; solid: outer wraps; dotted: core; red: dry target; dashed
      below: what this air allows; tinted: heat; upright: now, and dashed when it is surely dry;
      black mark: best weighing.
    </p>

    <p v-if="open && view.spools.length > 1" class="acts">
      <button class="button" :class="{ primary: !heats }" @click="emptying = true">
        Take all out
      </button>
    </p>

    <section v-if="heats" class="controls" aria-label="What to do with it">
      <button
        v-if="cycle.stage === 'PAUSED'"
        class="button primary"
        @click="act({ act: 'RESUME' })"
      >
        Resume
      </button>
      <button v-else class="button" @click="act({ act: 'PAUSE' })">Pause</button>
      <button class="button" data-testid="stop-cycle" @click="act({ act: 'STOP' })">Stop</button>
      <AppForm @submit="act({ act: 'HOURS', value: lasting ?? cycle.hours })">
        <NumberField
          id="lasting"
          v-model="lasting"
          label="hours in all"
          :min="0.25"
          :max="240"
          :step="0.5"
          :placeholder="String(cycle.hours)"
        />
        <button class="button">Set</button>
      </AppForm>
      <AppForm @submit="act({ act: 'SETPOINT', value: setting ?? cycle.setpointC })">
        <NumberField
          id="setting"
          v-model="setting"
          label="setpoint, °C"
          :min="20"
          :max="250"
          :placeholder="String(cycle.setpointC)"
        />
        <button class="button">Set</button>
        <SetpointRisk
          v-if="setting !== null"
          :dryer-id="cycle.dryerId"
          :codes="cycle.codes"
          :setpoint-c="setting"
        />
      </AppForm>
      <AppForm @submit="act({ act: 'ADD', code: adding })">
        <div class="field">
          <label for="adding">put another in</label>
          <el-select
            id="adding"
            v-model="adding"
            filterable
            default-first-option
            aria-label="put another in"
          >
            <el-option
              v-for="spool in candidates"
              :key="spool.code"
              :value="spool.code"
              :label="`${spool.code} ${spool.material} ${spool.colourName}`"
            />
          </el-select>
        </div>
        <button class="button" :disabled="!adding">Put in</button>
      </AppForm>
    </section>
    <ProblemNote v-if="actProblem" :problem="actProblem" />

    <h2>What happened</h2>
    <ul class="events">
      <li v-for="event in [...view.events].reverse()" :key="event.id">
        <span class="number soft">{{ moment(event.atS, nowS) }}</span>
        <span :class="{ call: event.alarming }">
          {{ inShownUnits(event.what) }}
          <template v-if="event.untilS">until {{ moment(event.untilS, nowS) }}</template>
          <span v-if="event.person" class="soft small">{{ event.person }}</span>
          <UndoButton
            v-if="event.origin !== 'PROGRAM' && event.actId !== cycle.actId"
            :act="event.actId"
            :what="event.what"
          />
        </span>
      </li>
    </ul>
    <p class="small soft">
      Started by mistake? <UndoButton :act="cycle.actId" what="the whole cycle" /> takes back all of
      it, as if it had never run.
    </p>
    <p v-for="caution in view.cautions" :key="caution" class="small">{{ caution }}</p>

    <WeighDialog
      v-if="weighing && spoolOf(weighing)"
      :spool="spoolOf(weighing)!"
      @close="weighing = null"
    />
    <DeedDialog
      v-if="emptying"
      what="Take all out"
      :deed="{
        kind: 'TAKE_OUT',
        cycleId: id,
        placeId: cycle.dryerId,
        jobId: null,
        codes: cycle.codes,
        setpointC: null,
        hours: null,
      }"
      @close="emptying = false"
    />
    <AfterDrying
      v-if="leaving"
      :cycle-id="id"
      :code="leaving"
      @close="leaving = null"
      @put="takeOut"
    />
    <p v-if="!open" class="soft">
      <button class="button" @click="router.push('/dry')">Back to the dryers</button>
    </p>
  </template>
</template>

<style scoped>
.next {
  margin: 0.75rem 0;
  padding-left: 0.9rem;
  border-left: 4px solid var(--call);
  font-size: var(--size-3);
}

.asking {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: center;
  margin: 0.75rem 0;
  padding: 0.5rem 0.9rem;
  border: 2px solid var(--ink);
}

.lanes {
  display: grid;
  grid-template-columns: 11rem minmax(0, 1fr) 15rem;
  gap: 0.35rem 1rem;
  align-items: center;
  margin-top: 0.75rem;
}

.who {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}

.who > span:last-child {
  flex: 1;
}

.result {
  display: grid;
  gap: 0.2rem;
}

.acts {
  display: flex;
  gap: 0.5rem;
}

.acts .button {
  min-height: 2rem;
  padding: 0.15rem 0.6rem;
}

.axis {
  margin-top: 0;
}

.legend {
  margin: 0.5rem 0 1rem;
}

.controls {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem 1.25rem;
  align-items: end;
  margin: 1rem 0;
}

.controls form {
  display: flex;
  gap: 0.4rem;
  align-items: end;
}

.controls .field {
  width: 9rem;
}

.events {
  list-style: none;
  margin: 0.5rem 0 1rem;
  padding: 0;
}

.events li {
  display: grid;
  grid-template-columns: 6.5rem 1fr;
  gap: 0.75rem;
  padding: 0.2rem 0;
}

@media (max-width: 900px) {
  .lanes {
    grid-template-columns: minmax(0, 1fr);
  }

  .result {
    margin-bottom: 0.75rem;
  }
}
</style>
