<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import TextField from '@/parts/TextField.vue'
import TimeField from '@/parts/TimeField.vue'
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import NumberField from '@/parts/NumberField.vue'
import { questions } from '@/parts/latestAnswer'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import { atMost, grams, hours, inShownUnits, moment } from '@/parts/format'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import AttendanceEditor from './AttendanceEditor.vue'
import NoDryer from '@/stations/dry/NoDryer.vue'
import PlanLanes from './PlanLanes.vue'

const POLL_MS = 700
const SECONDS = 20

const acts = useActs()
const shelf = useShelf()
const jobProblem = ref<Problem | null>(null)
useFormProblem(jobProblem)
const chosen = ref<string | null>(null)

const form = reactive({
  name: '',
  of: '',
  grams: 120 as number | null,
  hours: 4 as number | null,
  startAt: null as Date | null,
  someTime: false,
  inDryBox: false,
})

/** The job that the form changes; none while it adds one. */
const editing = ref<Schemas['JobView'] | null>(null)

function edit(job: Schemas['JobView']) {
  editing.value = job
  jobProblem.value = null
  Object.assign(form, {
    name: job.name,
    of: job.code ?? job.material ?? '',
    grams: job.grams,
    hours: job.hours,
    startAt: job.someTime ? null : new Date(1000 * job.startS),
    someTime: job.someTime,
    inDryBox: job.inDryBox,
  })
  document.getElementById('job-name')?.focus()
}

function leave() {
  editing.value = null
  form.name = ''
  jobProblem.value = null
}

const {
  view: known,
  problem,
  read,
} = usePolled(
  [() => acts.changes],
  async () => {
    const [plan, jobs, week] = await Promise.all([
      answer(client.GET('/api/plan')),
      answer(client.GET('/api/jobs')),
      answer(client.GET('/api/attendance')),
    ])
    return { plan, jobs, week }
  },
  (now) => (now?.plan.seeking || now?.plan.outdatedBy ? POLL_MS : null),
)
const view = computed(() => known.value?.plan ?? null)
const jobs = computed(() => known.value?.jobs ?? [])
const week = computed(() => known.value?.week ?? { version: 0, windows: [] })
watch(view, (fresh) => (chosen.value ??= fresh?.plan?.charges[0]?.codes[0] ?? null))

const course = ref<Schemas['PlanPoint'][]>([])

const question = questions()

/** Asked again when another is chosen or the plan is another. */
async function follow() {
  const isLast = question()
  const code = chosen.value
  if (!code) {
    course.value = []
    return
  }
  try {
    const points = await answer(
      client.GET('/api/plan/courses/{code}', { params: { path: { code } } }),
    )
    if (isLast()) {
      course.value = points
    }
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

const version = computed(
  () =>
    `${chosen.value} ${view.value?.startS} ${view.value?.improvements} ${view.value?.seeking} ${view.value?.plan?.costPoints}`,
)
watch(version, follow)

async function seek() {
  try {
    await answer(client.POST('/api/plan/runs', { body: { seconds: SECONDS } }))
    await read()
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

async function cancel() {
  await answer(client.POST('/api/plan/cancel'))
  await read()
}

const materials = computed(() => [...new Set(shelf.spools.map((spool) => spool.material))].sort())
const nowS = computed(() => view.value?.startS ?? Date.now() / 1000)
const placed = computed(() => new Map(view.value?.plan?.jobs.map((job) => [job.jobId, job]) ?? []))

const headline = computed(() => {
  const plan = view.value?.plan
  if (!plan) {
    return 'Plan'
  }
  const served = plan.jobs.length - plan.unserved
  return plan.unserved === 0
    ? plan.jobs.length === 1
      ? 'The job will have dry filament'
      : `All ${plan.jobs.length} jobs will have dry filament`
    : `${served} of ${plan.jobs.length} jobs will have dry filament`
})

const energy = computed(() =>
  (view.value?.plan?.charges ?? []).reduce((sum, load) => sum + load.energyKWh, 0),
)

async function save() {
  if (!form.someTime && form.startAt === null) {
    jobProblem.value = new Problem('No start', '', [
      {
        field: 'startAt',
        value: 'missing',
        allowed: 'a time to come',
        advice: 'Or tick that it may print some time this week.',
      },
    ])
    return
  }
  try {
    const spool = shelf.spools.find((each) => each.code === form.of)
    const body = {
      name: form.name,
      material: spool ? undefined : form.of || undefined,
      code: spool?.code,
      grams: form.grams,
      hours: form.hours,
      startAt: form.someTime ? undefined : form.startAt?.toISOString(),
      inDryBox: form.inDryBox,
    }
    const job = editing.value
    await acts.record(
      job
        ? client.PUT('/api/jobs/{id}', {
            params: { path: { id: job.id } },
            body: { ...body, version: job.version },
          })
        : client.POST('/api/jobs', { body }),
    )
    leave()
    await seek()
  } catch (cause) {
    jobProblem.value = Problem.of(cause)
  }
}

async function drop(job: Schemas['JobView']) {
  await acts.record(client.DELETE('/api/jobs/{id}', { params: { path: { id: job.id } } }))
  await seek()
}

async function done(job: Schemas['JobView']) {
  await acts.record(client.POST('/api/jobs/{id}/done', { params: { path: { id: job.id } } }))
  await seek()
}

/** A load that was drawn elsewhere stays there; everything else follows. */
async function moved(load: Schemas['LoadPlan'], dryerId: number, startHour: number) {
  const startAt = new Date(1000 * (nowS.value + 3600 * startHour)).toISOString()
  try {
    const pins = load.jobIds.map((jobId) => ({
      jobId,
      code: placed.value.get(jobId)?.code ?? load.codes[0],
    }))
    await acts.record(client.PUT('/api/plan/pins', { body: { pins, dryerId, startAt } }))
    await seek()
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

async function free(jobId: number) {
  await acts.record(client.DELETE('/api/plan/pins/{jobId}', { params: { path: { jobId } } }))
  await seek()
}

function where(job: Schemas['JobPlan']): string {
  const load = view.value?.plan?.charges.find(
    (each) => each.dryerId === job.dryerId && each.startHour === job.chargeStartHour,
  )
  if (!load) {
    return job.served ? `${job.code}, as it is` : `${job.code}, not dry by then`
  }
  const at = moment(nowS.value + 3600 * load.startHour, nowS.value)
  const out = moment(nowS.value + 3600 * (job.leavesHour ?? load.outHour), nowS.value)
  return `${job.code} into ${load.dryer} ${at}, ${atMost(load.setpointC)}, out ${out}`
}
</script>

<template>
  <div class="head">
    <h1 data-testid="plan-headline">{{ headline }}</h1>
    <p v-if="view?.plan" class="soft">
      {{ view.plan.charges.length }} {{ view.plan.charges.length === 1 ? 'load' : 'loads' }},
      {{ energy.toFixed(1) }} kWh
    </p>
    <span class="seek">
      <template v-if="view?.seeking">
        <progress :value="view.progress" max="1" aria-label="Seeking a plan" />
        <span class="small soft">{{ view.improvements }} better found</span>
        <button class="button" @click="cancel">Good enough</button>
      </template>
      <button v-else class="button primary" :disabled="!jobs.length" @click="seek">
        {{ view?.plan ? 'Plan again' : 'Plan' }}
      </button>
    </span>
  </div>
  <ProblemNote v-if="problem" :problem="problem" />
  <p v-if="view?.problem" class="call">{{ view.problem }}</p>
  <p v-if="view?.plan && view.outdatedBy" class="call" data-testid="plan-outdated">
    Out of date: {{ view.outdatedBy }} since. It is planned again in a moment.
  </p>

  <NoDryer />
  <PlanLanes
    v-if="view"
    v-model:chosen="chosen"
    :view="view"
    :week="week.windows"
    :spools="shelf.spools"
    :course="course"
    @moved="moved"
  />
  <p v-if="view" class="small soft">
    Boxes: loads, darker until dry nine times in ten; shaded: nobody there; upright: a job's start.
    Draw a box elsewhere, or take it there by arrow keys and Enter, to pin it; the rest follows.
    Between its dryer and its job a spool is drawn as sealed in a bag; Today says how long it holds
    where it came from.
  </p>

  <div v-if="known" class="columns">
    <section>
      <h2>Jobs</h2>
      <p v-if="!jobs.length" class="soft">Add the first job: what it needs, how much, and when.</p>
      <ul class="jobs" data-testid="jobs">
        <li v-for="job in jobs" :key="job.id">
          <div class="line">
            <button
              class="name"
              :aria-pressed="chosen === placed.get(job.id)?.code"
              @click="chosen = placed.get(job.id)?.code ?? null"
            >
              {{ job.name }}
            </button>
            <span class="soft">
              {{ job.code || job.material }}, {{ grams(job.grams) }}, {{ hours(job.hours)
              }}{{ job.inDryBox && !job.hangsIn ? ' out of a dry box' : ''
              }}{{ job.hangsIn ? ` from ${job.hangsIn}` : '' }};
              {{ job.someTime ? 'some time, by' : 'starts' }} {{ moment(job.startS, nowS) }}
            </span>
            <span class="acts">
              <button
                v-if="placed.get(job.id)?.pinned"
                class="button plain small"
                @click="free(job.id)"
              >
                unpin
              </button>
              <button class="button plain small" @click="edit(job)">change</button>
              <button class="button plain small" @click="done(job)">printed</button>
              <button class="button plain small" @click="drop(job)">take off</button>
            </span>
          </div>
          <p v-if="job.past" class="call small">
            Its start has passed: say that it is printed, or take it off.
          </p>
          <template v-for="place in [placed.get(job.id)]" :key="place?.jobId">
            <template v-if="place">
              <p>{{ where(place) }}{{ place.pinned ? ', pinned' : '' }}</p>
              <p :class="place.served ? 'soft small' : 'call small'">
                {{ inShownUnits(place.why) }}
              </p>
              <ul v-if="place.waysOut.length" class="ways small">
                <li v-for="way in place.waysOut" :key="way">{{ inShownUnits(way) }}</li>
              </ul>
            </template>
          </template>
        </li>
      </ul>
    </section>
    <section>
      <h2>{{ editing ? 'Change the job' : 'Add a job' }}</h2>
      <AppForm class="grid" @submit="save">
        <div class="wide">
          <TextField id="job-name" v-model="form.name" name="name" label="name" maxlength="80" />
        </div>
        <div class="field wide">
          <label for="job-of">material, or a spool</label>
          <el-select
            id="job-of"
            v-model="form.of"
            filterable
            default-first-option
            aria-label="material, or a spool"
          >
            <el-option v-for="name in materials" :key="name" :value="name" :label="name" />
            <el-option
              v-for="spool in shelf.spools"
              :key="spool.code"
              :value="spool.code"
              :label="`${spool.code} ${spool.material} ${spool.colourName}`"
            />
          </el-select>
        </div>
        <p v-if="editing?.byFile" class="wide small" data-testid="job-by-file">
          Takes {{ grams(editing.grams) }} and {{ hours(editing.hours) }}, as the file of its part
          tells; <router-link :to="`/print/jobs/${editing.id}`">its setup sheet</router-link> has
          walls, infill and speed.
        </p>
        <template v-else>
          <NumberField
            id="job-grams"
            v-model="form.grams"
            name="grams"
            label="filament, g"
            :min="1"
            :step="10"
          />
          <NumberField
            id="job-hours"
            v-model="form.hours"
            name="hours"
            label="prints for, h"
            :min="0.1"
          />
        </template>
        <div v-if="!form.someTime" class="wide">
          <TimeField id="job-start" v-model="form.startAt" name="startAt" label="starts" />
        </div>
        <label class="wide"
          ><input v-model="form.someTime" type="checkbox" /> some time this week, when it suits the
          drying</label
        >
        <p v-if="editing?.hangsIn" class="wide small" data-testid="job-hangs-in">
          Its spool hangs in {{ editing.hangsIn }};
          <router-link :to="`/print/jobs/${editing.id}`">its setup sheet</router-link> changes that.
        </p>
        <label v-else class="wide"
          ><input v-model="form.inDryBox" type="checkbox" /> prints out of a dry box</label
        >
        <span class="wide buttons">
          <button class="button primary" data-testid="add-job">
            {{ editing ? 'Keep and plan' : 'Add and plan' }}
          </button>
          <button v-if="editing" type="button" class="button plain" @click="leave">
            leave it as it was
          </button>
        </span>
      </AppForm>
      <ProblemNote v-if="jobProblem" :problem="jobProblem" />
      <AttendanceEditor :week="week" @saved="seek" />
    </section>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.25rem;
  align-items: center;
  margin-bottom: 0.75rem;
}

.name {
  min-height: 1.5rem;
}

.seek {
  margin-left: auto;
  display: flex;
  gap: 0.75rem;
  align-items: center;
}

progress {
  width: 8rem;
  accent-color: var(--ink);
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(16rem, 1fr);
  gap: 2rem;
  margin-top: 1rem;
}

.jobs {
  list-style: none;
  margin: 0;
  padding: 0;
}

.jobs > li {
  padding: 0.5rem 0;
  border-bottom: 1px solid var(--hairline);
}

.line {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 0.75rem;
  align-items: baseline;
}

.name {
  border: 0;
  padding: 0;
  background: none;
  font-weight: 700;
  text-decoration: underline;
  text-underline-offset: 0.2em;
  cursor: pointer;
}

.acts {
  margin-left: auto;
}

.acts .button {
  min-height: 1.5rem;
  padding-block: 0;
}

.ways {
  margin: 0.2rem 0 0;
  padding-left: 1.1rem;
}

.grid {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.6rem 0.75rem;
  margin: 0.5rem 0;
}

.wide {
  grid-column: 1 / -1;
}

.text {
  padding: 0.4rem 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
