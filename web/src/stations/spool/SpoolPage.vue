<script setup lang="ts">
import WideTable from '@/parts/WideTable.vue'
import UndoButton from '@/parts/UndoButton.vue'
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import LabelDialog from '@/parts/LabelDialog.vue'
import MoistureLegend from '@/parts/MoistureLegend.vue'
import MoveDialog from '@/parts/MoveDialog.vue'
import { usePageKeys } from '@/parts/pageKeys'
import { useScans } from '@/parts/scans'
import { questions } from '@/parts/latestAnswer'
import ProblemNote from '@/parts/ProblemNote.vue'
import WeighDialog from '@/parts/WeighDialog.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import {
  ago,
  band,
  dateTime,
  grams,
  inShownUnits,
  metres,
  moisture,
  temperature,
  lowerFirst,
} from '@/parts/format'
import { faceAt, faceLabel, moistureAt, standingAt } from '@/parts/spoolAtTime'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import { useTime } from '@/stores/time'
import CorrectDialog from './CorrectDialog.vue'
import FaceWithNumbers from './FaceWithNumbers.vue'
import HandlingPanel from './HandlingPanel.vue'
import LearnedPanel from './LearnedPanel.vue'

const props = defineProps<{ code: string }>()

const HistoryRibbon = defineAsyncComponent(() => import('./HistoryRibbon.vue'))

const shelf = useShelf()
const time = useTime()
const acts = useActs()
const page = ref<Schemas['SpoolPage'] | null>(null)
const problem = ref<Problem | null>(null)
const weighing = ref(false)
const moving = ref(false)
const labelling = ref(false)
const correcting = ref(false)
const job = ref<number | string>(shelf.jobG)
const question = questions()

async function read() {
  const isLast = question()
  try {
    const fresh = await answer(
      client.GET('/api/spools/{code}', {
        params: { path: { code: props.code }, query: { grams: shelf.jobG } },
      }),
    )
    if (isLast()) {
      page.value = fresh
      problem.value = null
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
}

watch(
  () => props.code,
  () => {
    page.value = null
    void read()
  },
  { immediate: true },
)
watch([() => acts.changes, () => shelf.jobG], read)

/** A place that is scanned while a spool is shown is where it goes; a dryer asks first. */
useScans((scan) => {
  const target =
    'placeId' in scan
      ? shelf.places.find((each) => each.place.id === scan.placeId)?.place
      : undefined
  const here = page.value?.spool
  if (!target || !here || target.kind === 'DRYER' || target.id === here.placeId) {
    return false
  }
  acts.move(here.code, target.id).catch((cause: unknown) => acts.fail(cause))
  return true
})

function setJob() {
  const mass = Number(job.value)
  if (mass >= 1 && mass <= 10_000) {
    shelf.setJob(mass)
  }
}

const spool = computed(() => page.value?.spool)
const at = computed(() =>
  spool.value && page.value
    ? moistureAt(spool.value, page.value.frameHours, time.hoursAhead)
    : null,
)
const face = computed(() =>
  spool.value && page.value ? faceAt(spool.value, page.value.frameHours, time.hoursAhead) : null,
)
const standing = computed(() =>
  spool.value && page.value ? standingAt(spool.value, page.value.nowS, time.shownS) : null,
)

const DEPTHS = [
  { key: 'outer', name: 'outer wraps', what: 'the outermost tenth of the mass, used next' },
  { key: 'mean', name: 'mean', what: 'the whole winding' },
  { key: 'core', name: 'core', what: 'the innermost tenth, used last' },
] as const

/** Right end of the bars: room for the limit and for whatever is shown. */
const barEnd = computed(() => {
  const values = at.value
  const most = values ? Math.max(values.outer, values.mean, values.core) : 0
  return Math.max(1.5 * (spool.value?.printLimitPercent ?? 1), 1.1 * most)
})

function bar(percent: number): string {
  return `${(100 * percent) / barEnd.value}%`
}

const ARRIVALS: Record<Schemas['BasisView']['arrival'], string> = {
  SEALED_TIGHT: 'sealed tight',
  SLACK_BAG: 'in a slack bag',
  OPEN: 'open',
}

const ORIGINS: Record<Schemas['FactView']['origin'], string> = {
  HAND: 'by hand',
  FILE: 'from a file',
  PROGRAM: 'by the program',
  DEVICE: 'by a device',
  DEMO: 'demo',
}

const facts = computed(() => [...(page.value?.facts ?? [])].reverse())

usePageKeys({ w: () => (weighing.value = true), m: () => (moving.value = true) })

async function open() {
  try {
    await acts.open(props.code)
  } catch (cause) {
    acts.fail(cause)
  }
}
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem" />
  <p v-if="problem && !page">
    Go to the <router-link to="/shelf">shelf</router-link>, or press <kbd>/</kbd> to look again.
  </p>
  <article v-if="page && spool && face" :aria-label="`Spool ${spool.code}`">
    <div class="title">
      <h1>
        <span class="code">{{ spool.code }}</span> {{ spool.material }} {{ spool.colourName }}
      </h1>
      <span class="soft">
        in
        <router-link :to="`/place/${spool.placeId}`">{{
          shelf.placeName(spool.placeId)
        }}</router-link><template v-if="spool.sealed">, bag closed</template
        ><b v-if="spool.empty">, used up</b>
      </span>
      <MoistureLegend class="legend" />
    </div>

    <div class="upper">
      <div class="picture">
        <FaceWithNumbers
          :face="face"
          :at="at"
          :limit-percent="spool.printLimitPercent"
          :label="faceLabel(spool, at)"
        />
      </div>

      <div class="numbers">
        <div class="until" data-testid="printable">
          <WhyNumber what="Printable until">
            <span class="headline" :class="{ call: standing?.past }">{{ standing?.text }}</span>
            <template v-if="spool.printable" #why>
              <p>
                When the wettest stretch of the next {{ grams(spool.printable.jobG) }} passes the
                print limit of {{ spool.printLimitPercent }} % where the spool now lies. A stretch
                is a tenth of the spool, or the job if that is less.
              </p>
              <p>
                Headroom now:
                {{ spool.printable.headroomPercent < 0 ? '−' : ''
                }}{{ moisture(Math.abs(spool.printable.headroomPercent)) }}.
              </p>
              <p>
                Outlook: {{ page.outlookAssumption }}. Limit: judgement from practice, not a
                measurement (grade D).
              </p>
            </template>
          </WhyNumber>
          <label class="soft">
            for the next
            <input
              v-model="job"
              type="number"
              min="1"
              max="10000"
              data-testid="job-grams"
              @change="setJob"
            />
            g
          </label>
        </div>

        <dl v-if="at" class="depths">
          <template v-for="depth in DEPTHS" :key="depth.key">
            <dt>{{ depth.name }}</dt>
            <dd>
              <div class="bar" aria-hidden="true">
                <div class="fill" :style="{ width: bar(at[depth.key]) }" />
                <div class="target" :style="{ left: bar(spool.dryTargetPercent) }" />
                <div class="limit" :style="{ left: bar(spool.printLimitPercent) }" />
              </div>
              <WhyNumber :what="`Moisture, ${depth.name}`">
                <span class="value" :data-testid="`moisture-${depth.key}`">{{
                  moisture(at[depth.key])
                }}</span>
                <span v-if="time.isNow" class="soft small">
                  ±{{ page.band[depth.key].toFixed(3) }}</span
                >
                <template #why>
                  <p>
                    Water per dry polymer, {{ depth.what }}. Computed: diffusion in the filament,
                    vapour between the wraps, heat, replayed from the record since
                    {{ dateTime(page.arrivedS) }}.
                  </p>
                  <p>
                    Start: as if in balance with {{ page.basis.startHumidityPercent.toFixed(0) }} ±
                    {{ page.basis.startUncertaintyPercent.toFixed(0) }} % humidity (arrived
                    {{ ARRIVALS[page.basis.arrival] }}). Winding {{ grams(page.basis.dryMassG) }},
                    air between wraps {{ (100 * page.basis.voidFraction).toFixed(0) }} %.
                  </p>
                  <p>
                    <template v-if="page.learned && !page.learned.doubtful">
                      Band, 80 %, of the estimate now: the 64 states that the weighings allow, each
                      replayed.
                    </template>
                    <template v-else>
                      Band, 80 %, of the estimate now: diffusivity ×÷1.8, uptake ×÷1.2, the start;
                      each by a replay. Weighings with nothing used between narrow it.
                    </template>
                    <template v-if="page.basis.unrecordedHours >= 1">
                      For {{ page.basis.unrecordedHours.toFixed(0) }} h there is no climate record;
                      the air is assumed and the true band is wider.
                    </template>
                  </p>
                  <p>
                    <router-link :to="`/materials/${spool.material}`"
                      >Sources of {{ spool.material }}</router-link
                    >
                  </p>
                </template>
              </WhyNumber>
            </dd>
          </template>
        </dl>
        <p class="soft small scale">
          dashed: dry target {{ spool.dryTargetPercent }} %; red: print limit
          {{ spool.printLimitPercent }} %<template v-if="spool.ownLimitReason"
            >, this workshop's own: {{ spool.ownLimitReason }}</template
          ><template v-if="page.basis.coreTemperatureC > 28"
            >; core at {{ temperature(page.basis.coreTemperatureC) }}</template
          >
        </p>
        <p v-if="page.basis.unrecordedHours >= 1" class="small call">
          No climate record for {{ page.basis.unrecordedHours.toFixed(0) }} h:
          <router-link :to="`/place/${spool.placeId}`">import or type it</router-link>, that helps
          most.
        </p>

        <p class="left">
          <WhyNumber what="Filament left">
            <span
              ><b>{{ band(spool.remainingG, grams) }}</b> left,
              {{ band(spool.remainingM, metres) }}</span
            >
            <template #why>
              <p>
                Latest gross mass minus the empty reel ({{ lowerFirst(page.reelTitle) }},
                {{ band(page.emptyReelG, grams) }}); length from mass, density and
                {{ page.diameterMm }} mm. A range where the empty reel was not weighed.
              </p>
            </template>
          </WhyNumber>
        </p>

        <p
          v-for="cold in page.coldRooms"
          :key="cold.room"
          class="small call"
          data-testid="cold-reel"
        >
          It is at {{ temperature(cold.reelC, 0) }}: do not open it in {{ cold.room }} before it has
          warmed to {{ temperature(cold.openFromC, 0) }}, or water condenses on it.
        </p>

        <div class="acts">
          <router-link class="button primary" :to="`/dry/${spool.code}`">Dry it</router-link>
          <button class="button" data-testid="weigh" @click="weighing = true">Weigh</button>
          <button class="button" data-testid="move" @click="moving = true">Move</button>
          <button v-if="spool.sealed" class="button" @click="open">Open its bag</button>
          <router-link class="button plain" :to="{ path: '/trouble', query: { code: spool.code } }"
            >something is wrong</router-link
          >
          <button class="button plain" @click="labelling = true">label</button>
          <button class="button plain" data-testid="correct" @click="correcting = true">
            correct
          </button>
        </div>
      </div>
    </div>

    <div class="ribbon"><HistoryRibbon class="sheet" :page="page" /></div>

    <LearnedPanel :page="page" />

    <HandlingPanel :page="page" />

    <section class="record">
      <h2>Record</h2>
      <WideTable label="Record">
        <tbody>
          <tr v-for="fact in facts" :key="fact.id" :class="{ undone: fact.undone }">
            <td class="number">{{ dateTime(fact.atS) }}</td>
            <td class="soft small desk">{{ ago(fact.atS, page.nowS) }}</td>
            <td>
              {{ inShownUnits(fact.what) }}
            </td>
            <td class="soft small desk">
              {{ fact.person ?? ORIGINS[fact.origin]
              }}<template v-if="fact.person && fact.origin === 'DEVICE'">, by a device</template>
            </td>
            <td>
              <UndoButton :act="fact.actId" :undone="fact.undone" :what="fact.what" />
            </td>
          </tr>
        </tbody>
      </WideTable>
    </section>

    <WeighDialog
      v-if="weighing"
      :weighed-before="page.facts.some((fact) => fact.grossMassG !== null && !fact.undone)"
      :spool="spool"
      :empty-reel-g="page.emptyReelG"
      @close="weighing = false"
    />
    <MoveDialog v-if="moving" :spools="[spool]" @close="moving = false" />
    <CorrectDialog v-if="correcting" :code="spool.code" @close="correcting = false" />
    <LabelDialog v-if="labelling" :codes="[spool.code]" @close="labelling = false" />
  </article>
</template>

<style scoped>
/* As high as it is once the chart is loaded. */
.ribbon {
  min-height: 28.5rem;
}

@media (max-width: 700px) {
  .ribbon {
    min-height: 31.5rem;
  }
}

.title {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1rem;
  margin-bottom: 0.75rem;
}

.legend {
  margin-left: auto;
}

.upper {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2rem;
  align-items: start;
  margin-bottom: 1.25rem;
}

.until {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1rem;
}

.headline {
  font-size: var(--size-4);
  font-weight: 700;
}

.until input {
  width: 5rem;
  padding: 0.2rem 0.4rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  text-align: right;
}

.depths {
  display: grid;
  grid-template-columns: 6.5rem minmax(0, 1fr);
  gap: 0.3rem 1rem;
  margin: 0.9rem 0 0.2rem;
  align-items: center;
}

.depths dd {
  margin: 0;
  display: grid;
  grid-template-columns: minmax(0, 22rem) auto;
  gap: 1rem;
  align-items: center;
  justify-content: start;
}

.value {
  font-size: var(--size-3);
  font-weight: 700;
}

.bar {
  position: relative;
  height: 1.25rem;
  border-left: 2px solid var(--ink);
  background: var(--sheet);
}

.fill {
  position: absolute;
  inset: 0.25rem auto 0.25rem 0;
  background: var(--ink);
}

.target,
.limit {
  position: absolute;
  top: 0;
  bottom: 0;
}

.target {
  border-left: 2px dashed var(--board);
}

.limit {
  border-left: 3px solid var(--call);
}

.scale {
  margin-left: 7.5rem;
}

.left {
  margin-top: 0.75rem;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  margin-top: 1rem;
}

.record {
  margin-top: 1.5rem;
  max-width: 52rem;
}

.undone td {
  text-decoration: line-through;
  color: var(--soft);
}

.undone td:last-child {
  text-decoration: none;
}

.record .button {
  min-height: 1.5rem;
  padding-block: 0;
}

@media (max-width: 700px) {
  .upper {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.75rem;
  }

  .picture {
    display: grid;
    place-items: center;
  }

  .legend {
    margin-left: 0;
  }

  .depths {
    grid-template-columns: 5.5rem minmax(0, 1fr);
    gap: 0.3rem 0.5rem;
  }

  .depths dd {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0.5rem;
  }

  .scale {
    margin-left: 0;
  }

  .record .number {
    white-space: normal;
  }

  .acts {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }

  .acts .button {
    justify-content: center;
    min-height: 3rem;
  }
}
</style>
