<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { Schemas } from '@/api/client'
import { atMost, hours, moisture, moment } from '@/parts/format'
import TimeAxis from '@/parts/TimeAxis.vue'
import { TimeScale } from '@/parts/timeScale'
import type { Spool } from '@/stores/shelf'

/** Dryers over time with the loads in them, the jobs they serve, and one spool's moisture. */
const props = defineProps<{
  view: Schemas['PlanView']
  week: Schemas['WindowView'][]
  spools: Spool[]
  /** Moisture of the chosen spool over the plan's hours. */
  course: Schemas['PlanPoint'][]
}>()

const chosen = defineModel<string | null>('chosen', { required: true })
const emit = defineEmits<{ moved: [load: Load, dryerId: number, startHour: number] }>()

type Load = Schemas['LoadPlan']

const WIDTH = 1000
const LANE = 46
const JOBS = 34
const CURVE = 80
const SNAP_H = 0.5
const LEAST_H = 24

const plan = computed(() => props.view.plan)

/** Hours shown: a little more than the last job. */
const span = computed(() => {
  const last = Math.max(LEAST_H, ...(plan.value?.jobs ?? []).map((j) => j.startHour + j.hours))
  return Math.ceil((last + 4) / 12) * 12
})

const scale = computed(
  () => new TimeScale(props.view.startS, props.view.startS + 3600 * span.value, WIDTH),
)

/** Where an hour of the plan lies. */
function x(hour: number): number {
  return scale.value.x(scale.value.atHour(hour))
}

const jobsTop = computed(() => props.view.lanes.length * LANE)
const curveTop = computed(() => jobsTop.value + JOBS)
const height = computed(() => curveTop.value + CURVE)

function laneOf(dryerId: number): number {
  return props.view.lanes.findIndex((lane) => lane.dryerId === dryerId)
}

const days = computed(() => scale.value.midnights())

/** Spans in which nobody is there, between those in which somebody is. */
const absences = computed(() => {
  const spans: { from: number; to: number }[] = []
  let reached = 0
  for (let day = -1; day <= span.value / 24 + 1; day++) {
    const midnight = new Date(1000 * props.view.startS)
    midnight.setHours(0, 0, 0, 0)
    midnight.setDate(midnight.getDate() + day)
    const weekday = midnight.getDay() === 0 ? 7 : midnight.getDay()
    const base = (midnight.getTime() / 1000 - props.view.startS) / 3600
    for (const window of props.week.filter((each) => each.weekday === weekday)) {
      const from = base + (window.fromMin ?? 0) / 60
      const to = base + (window.toMin ?? 0) / 60
      if (to > 0) {
        if (from > reached) {
          spans.push({ from: reached, to: from })
        }
        reached = Math.max(reached, to)
      }
    }
  }
  return spans.filter((each) => each.from < span.value)
})

const loads = computed(() =>
  (plan.value?.charges ?? []).map((load) => ({
    load,
    x: x(load.startHour),
    width: Math.max(4, x(load.endHour) - x(load.startHour)),
    // A spool that only has to print is out before the core is dry.
    needed: Math.max(
      2,
      x(Math.min(load.endHour, load.startHour + load.neededHours)) - x(load.startHour),
    ),
    y: laneOf(load.dryerId) * LANE + 6,
    chosen: load.codes.includes(chosen.value ?? ''),
    label: `${load.dryer}: ${load.codes.join(', ')} at ${atMost(load.setpointC)} from ${moment(props.view.startS + 3600 * load.startHour, props.view.startS)} for ${hours(load.endHour - load.startHour)}`,
  })),
)

const jobs = computed(() =>
  (plan.value?.jobs ?? []).map((job) => ({
    job,
    x: x(job.startHour),
    width: Math.max(4, x(job.startHour + job.hours) - x(job.startHour)),
  })),
)

/** The chosen spool: as it lies, dried, in its bag, printed; by the model. */
const curve = computed(() => {
  const spool = props.spools.find((each) => each.code === chosen.value)
  const points = props.course.filter((point) => point.hour <= span.value)
  const last = points.at(-1)
  if (!spool || !last) {
    return null
  }
  const highest = points.map((point) => Math.max(point.outerPercent, point.corePercent))
  const most = 1.1 * Math.max(spool.printLimitPercent, ...highest)
  const y = (percent: number) => curveTop.value + CURVE - (CURVE - 8) * (percent / most)
  const at = (hour: number, percent: number) => `${x(hour)},${y(percent)}`
  const kept = [...points, { ...last, hour: span.value }]
  return {
    spool,
    line: kept.map((point) => at(point.hour, point.meanPercent)).join(' '),
    depths: [
      ...kept.map((point) => at(point.hour, point.outerPercent)),
      ...[...kept].reverse().map((point) => at(point.hour, point.corePercent)),
    ].join(' '),
    limit: y(spool.printLimitPercent),
    target: y(spool.dryTargetPercent),
  }
})

const dragging = ref<{
  load: Load
  fromX: number
  fromY: number
  dx: number
  dy: number
} | null>(null)

function grab(event: PointerEvent, load: Load) {
  chosen.value = load.codes[0] ?? null
  dragging.value = { load, fromX: event.clientX, fromY: event.clientY, dx: 0, dy: 0 }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}

function drag(event: PointerEvent) {
  const held = dragging.value
  if (held) {
    const box = (event.currentTarget as SVGElement).ownerSVGElement?.getBoundingClientRect()
    const scaleX = box ? WIDTH / box.width : 1
    const scaleY = box ? height.value / box.height : 1
    held.dx = (event.clientX - held.fromX) * scaleX
    held.dy = (event.clientY - held.fromY) * scaleY
  }
}

function drop() {
  const held = dragging.value
  dragging.value = null
  if (!held || Math.hypot(held.dx, held.dy) < 6) {
    return
  }
  const lane = laneOf(held.load.dryerId) + Math.round(held.dy / LANE)
  const to = props.view.lanes[Math.min(props.view.lanes.length - 1, Math.max(0, lane))]
  const hour = held.load.startHour + scale.value.hoursOf(held.dx)
  if (to) {
    emit('moved', held.load, to.dryerId, Math.max(0, Math.round(hour / SNAP_H) * SNAP_H))
  }
}

/** Where the arrow keys have put a load that is not yet dropped. */
const carried = shallowRef<{ load: Load; hours: number; lanes: number } | null>(null)

function key(event: KeyboardEvent, load: Load) {
  const step = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[
    event.key
  ]
  if (step) {
    event.preventDefault()
    const held = carried.value?.load === load ? carried.value : { load, hours: 0, lanes: 0 }
    const lane = laneOf(load.dryerId)
    carried.value = {
      load,
      hours: Math.max(-load.startHour, held.hours + SNAP_H * step[0]!),
      lanes:
        Math.min(props.view.lanes.length - 1, Math.max(0, lane + held.lanes + step[1]!)) - lane,
    }
  } else if (event.key === 'Escape') {
    carried.value = null
  } else if (event.key === 'Enter') {
    chosen.value = load.codes[0] ?? null
    putDown(load)
  }
}

function putDown(load: Load) {
  const held = carried.value
  carried.value = null
  const to = held && props.view.lanes[laneOf(load.dryerId) + held.lanes]
  if (held?.load === load && to && (held.hours || held.lanes)) {
    emit('moved', load, to.dryerId, load.startHour + held.hours)
  }
}

/** Said aloud and shown while a load is carried by keys. */
const carrying = computed(() => {
  const held = carried.value
  const to = held && props.view.lanes[laneOf(held.load.dryerId) + held.lanes]
  return held && to
    ? `${held.load.codes.join(', ')} to ${to.name}, ${moment(props.view.startS + 3600 * (held.load.startHour + held.hours), props.view.startS)}: Enter pins it there, Escape leaves it`
    : ''
})

/** How far a load is from its place while it is carried or drawn, in the picture's units. */
function away(load: Load): { dx: number; dy: number } {
  const moving = carried.value
  if (moving?.load === load) {
    return { dx: (WIDTH * moving.hours) / span.value, dy: moving.lanes * LANE }
  }
  const held = dragging.value
  return held?.load === load ? held : { dx: 0, dy: 0 }
}

function shift(load: Load): string {
  const { dx, dy } = away(load)
  return dx || dy ? `translate(${dx} ${dy})` : ''
}
</script>

<template>
  <div class="frame">
    <div
      class="names"
      :style="{ gridTemplateRows: `repeat(${view.lanes.length}, ${LANE}px) ${JOBS}px auto` }"
    >
      <span v-for="lane in view.lanes" :key="lane.dryerId" class="name">
        <router-link :to="`/dryer/${lane.dryerId}`">{{ lane.name }}</router-link>
        <span class="small soft">{{
          lane.outOfOrder ? 'out of order' : `${lane.slots} ${lane.slots === 1 ? 'reel' : 'reels'}`
        }}</span>
      </span>
      <span class="name small">jobs</span>
      <span v-if="curve" class="name small soft">
        {{ curve.spool.code }}, mean moisture, shaded from outside to core; red: print limit;
        dashed: dry target <span class="whole">{{ moisture(curve.spool.dryTargetPercent) }}</span>
      </span>
    </div>
    <svg
      :viewBox="`0 0 ${WIDTH} ${height}`"
      :style="{ height: `${height}px` }"
      preserveAspectRatio="none"
      role="group"
      aria-label="Plan: dryers over time"
    >
      <rect
        v-for="span_ in absences"
        :key="span_.from"
        :x="x(span_.from)"
        :width="x(span_.to) - x(span_.from)"
        y="0"
        :height="curveTop"
        class="absent"
      />
      <g v-for="day in days" :key="day.timeS">
        <line :x1="scale.x(day.timeS)" :x2="scale.x(day.timeS)" y1="0" :y2="height" class="day" />
      </g>
      <line
        v-for="(lane, i) in view.lanes"
        :key="lane.dryerId"
        x1="0"
        :x2="WIDTH"
        :y1="(i + 1) * LANE"
        :y2="(i + 1) * LANE"
        class="lane"
      />
      <rect
        v-for="(lane, i) in view.lanes.filter((each) => each.freeFromS > view.startS)"
        :key="`busy-${lane.dryerId}`"
        x="0"
        :y="laneOf(lane.dryerId) * LANE + 6"
        :width="x((lane.freeFromS - view.startS) / 3600)"
        :height="LANE - 12"
        class="busy"
        :data-index="i"
      />
      <g
        v-for="each in loads"
        :key="`${each.load.dryerId}-${each.load.startHour}`"
        class="load"
        :class="{ chosen: each.chosen }"
        role="button"
        tabindex="0"
        :aria-label="each.label"
        :transform="shift(each.load)"
        @pointerdown="grab($event, each.load)"
        @pointermove="drag"
        @pointerup="drop"
        @keydown="key($event, each.load)"
        @blur="carried = null"
      >
        <title>{{ each.label }}</title>
        <rect :x="each.x" :y="each.y" :width="each.width" :height="LANE - 12" class="hot" />
        <rect :x="each.x" :y="each.y" :width="each.needed" :height="LANE - 12" class="needed" />
      </g>
      <g v-for="each in jobs" :key="each.job.jobId">
        <title>{{ each.job.name }}: {{ each.job.why }}</title>
        <line
          :x1="each.x"
          :x2="each.x"
          :y1="0"
          :y2="jobsTop + JOBS - 8"
          class="deadline"
          :class="{ missed: !each.job.served }"
        />
        <rect
          :x="each.x"
          :y="jobsTop + 8"
          :width="each.width"
          :height="JOBS - 16"
          class="job"
          :class="{ missed: !each.job.served }"
        />
      </g>
      <template v-if="curve">
        <line x1="0" :x2="WIDTH" :y1="curve.limit" :y2="curve.limit" class="limit" />
        <line x1="0" :x2="WIDTH" :y1="curve.target" :y2="curve.target" class="target" />
        <polygon :points="curve.depths" class="depths" />
        <polyline :points="curve.line" class="curve" />
      </template>
    </svg>
    <p v-if="carrying" class="carrying small" role="status">{{ carrying }}</p>
    <div class="labels" aria-hidden="true">
      <span
        v-for="each in loads"
        :key="`l-${each.load.dryerId}-${each.load.startHour}`"
        class="tag"
        :style="{
          left: `${(each.x + away(each.load).dx) / 10}%`,
          top: `${each.y + 6 + away(each.load).dy}px`,
          maxWidth: `${each.width / 10}%`,
        }"
        >{{ each.load.codes.join(' ') }}</span
      >
    </div>
    <TimeAxis class="under" :scale="scale" :now-s="view.startS" />
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  display: grid;
  grid-template-columns: 9rem minmax(0, 1fr);
  gap: 0 1rem;
}

.names {
  display: grid;
  align-content: start;
}

.name {
  display: flex;
  flex-direction: column;
  justify-content: center;
  line-height: 1.2;
}

svg {
  width: 100%;
  background: var(--sheet);
  touch-action: none;
}

svg * {
  vector-effect: non-scaling-stroke;
}

.labels {
  grid-column: 2;
  grid-row: 1;
  position: relative;
  pointer-events: none;
}

svg {
  grid-column: 2;
  grid-row: 1;
}

.under {
  grid-column: 2;
  grid-row: 2;
}

.carrying {
  grid-column: 2;
  grid-row: 3;
  margin: 0.25rem 0 0;
}

.whole {
  white-space: nowrap;
}

.tag {
  position: absolute;
  padding-left: 0.35rem;
  font-size: var(--size-1);
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
}

.absent {
  fill: var(--hairline);
  opacity: 0.45;
}

.day,
.lane {
  stroke: var(--hairline);
}

.busy {
  fill: var(--board);
  opacity: 0.6;
}

.load {
  cursor: grab;
}

.hot {
  fill: var(--forecast);
  stroke: var(--ink);
}

.needed {
  fill: var(--board);
  opacity: 0.75;
}

.chosen .hot {
  stroke-width: 3;
}

.deadline {
  stroke: var(--ink);
  stroke-dasharray: 2 4;
}

.job {
  fill: var(--ink);
}

.missed {
  stroke: var(--call);
}

.job.missed {
  fill: var(--call);
}

.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}

.depths {
  fill: var(--board);
  opacity: 0.35;
}

.limit {
  stroke: var(--call);
}

.target {
  stroke: var(--soft);
  stroke-dasharray: 4 3;
}

@media (max-width: 700px) {
  .frame {
    grid-template-columns: 6rem minmax(0, 1fr);
  }
}
</style>
