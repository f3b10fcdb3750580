<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import TimeAxis from '@/parts/TimeAxis.vue'
import { TimeScale } from '@/parts/timeScale'
import WhyNumber from '@/parts/WhyNumber.vue'
import { atMost, hours, moisture } from '@/parts/format'
import type { Spool } from '@/stores/shelf'

/** One lane per spool over common hours: its mean moisture with its band on the way to the target. */
const props = defineProps<{
  forecast: Schemas['LoadAnswer']
  spools: Record<string, Spool | undefined>
}>()

const HEIGHT = 64
const ROOM_BELOW = 4

const end = computed(
  () => Math.max(...props.forecast.spools.map((s) => s.series.at(-1)?.hour ?? 1)) || 1,
)

/** Counted from when it is switched on. */
const scale = computed(() => new TimeScale(0, 3600 * end.value))

function x(hour: number): number {
  return scale.value.x(scale.value.atHour(hour))
}

const lanes = computed(() =>
  props.forecast.spools.map((spool) => {
    const most = 1.05 * Math.max(spool.targetPercent, ...spool.series.map((p) => p.highPercent))
    const y = (percent: number) => HEIGHT - ROOM_BELOW - ((HEIGHT - 10) * percent) / most
    const upper = spool.series.map((p) => `${x(p.hour)},${y(p.highPercent)}`)
    const lower = [...spool.series].reverse().map((p) => `${x(p.hour)},${y(p.lowPercent)}`)
    const last = spool.series.at(-1)
    return {
      ...spool,
      spool: props.spools[spool.name],
      band: [...upper, ...lower].join(' '),
      mean: spool.series.map((p) => `${x(p.hour)},${y(p.meanPercent)}`).join(' '),
      core: spool.series.map((p) => `${x(p.hour)},${y(p.corePercent)}`).join(' '),
      target: y(spool.targetPercent),
      floor: y(spool.floorPercent),
      done: spool.dryHours === null ? null : x(spool.dryHours),
      words:
        spool.dryHours === null
          ? spool.floorPercent >= spool.targetPercent
            ? `never below ${moisture(spool.floorPercent)} in this air`
            : `not dry to the core within ${hours(end.value)}`
          : spool.dryHours === 0
            ? 'dry already'
            : `dry to the core after ${hours(spool.dryHours)}`,
      ends: last ? moisture(last.meanPercent) : '',
    }
  }),
)

const dampest = computed(() =>
  Math.max(1, ...props.forecast.air.map((p) => p.relativeHumidityPercent)),
)
const air = computed(() =>
  props.forecast.air
    .filter((p) => p.hour <= end.value)
    .map((p) => `${x(p.hour)},${30 - (26 * p.relativeHumidityPercent) / dampest.value}`)
    .join(' '),
)
</script>

<template>
  <div class="lanes">
    <template v-for="lane in lanes" :key="lane.name">
      <div class="who">
        <span class="code">{{ lane.name }}</span>
        {{ lane.spool?.material }} {{ lane.spool?.colourName }}
      </div>
      <svg
        :viewBox="`0 0 ${scale.width} ${HEIGHT}`"
        preserveAspectRatio="none"
        role="img"
        :aria-label="`${lane.name}: ${lane.words}; ends at ${lane.ends} mean`"
      >
        <rect
          v-if="lane.done !== null"
          :x="lane.done"
          y="0"
          :width="scale.width - lane.done"
          :height="HEIGHT"
          class="free"
        />
        <polygon :points="lane.band" class="band" />
        <line x1="0" :x2="scale.width" :y1="lane.floor" :y2="lane.floor" class="floor" />
        <line x1="0" :x2="scale.width" :y1="lane.target" :y2="lane.target" class="target" />
        <polyline :points="lane.core" class="core" />
        <polyline :points="lane.mean" class="mean" />
        <line
          v-if="lane.done !== null"
          :x1="lane.done"
          :x2="lane.done"
          y1="0"
          :y2="HEIGHT"
          class="done"
        />
      </svg>
      <div class="result" :class="{ call: lane.dryHours === null }">
        <WhyNumber :what="`When ${lane.name} is dry`">
          <span class="words">{{ lane.words }}</span>
          <template #why>
            <p>
              From its present moisture by depth until outer wraps, mean and core stay below the dry
              target of {{ lane.targetPercent }} %, in the air that all of them share. Hours are
              known within a factor of two, as diffusivities are.
            </p>
            <p>
              Its ceiling is {{ atMost(lane.ceiling.temperatureC) }}, set by the
              {{ lane.ceiling.setBy
              }}<template v-if="lane.ceiling.risk"
                >, and {{ atMost(lane.ceiling.cautiousC) }} is safe also in a hot dryer of its
                kind</template
              >; in this air it gets down to {{ moisture(lane.floorPercent) }}.
            </p>
          </template>
        </WhyNumber>
      </div>
    </template>
    <div class="who soft small">air inside, up to {{ dampest.toFixed(0) }} %</div>
    <svg
      :viewBox="`0 0 ${scale.width} 32`"
      preserveAspectRatio="none"
      class="air"
      role="img"
      :aria-label="`Humidity inside: at most ${dampest.toFixed(0)} %`"
    >
      <polyline :points="air" class="damp" />
    </svg>
    <div />
    <div />
    <TimeAxis :scale="scale" />
  </div>
</template>

<style scoped>
.lanes {
  display: grid;
  grid-template-columns: 9.5rem minmax(0, 1fr) 12rem;
  gap: 0.25rem 1rem;
  align-items: center;
}

svg {
  width: 100%;
  height: 4rem;
  background: var(--sheet);
  border-bottom: 1px solid var(--board);
}

svg.air {
  height: 2rem;
}

svg * {
  vector-effect: non-scaling-stroke;
}

.band {
  fill: var(--board);
  opacity: 0.55;
}

.free {
  fill: var(--forecast);
}

.mean {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}

.core {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 1.5 3;
}

.target {
  stroke: var(--call);
  stroke-width: 2;
}

.floor {
  stroke: var(--air-damp);
  stroke-width: 1.5;
  stroke-dasharray: 2 3;
}

.done {
  stroke: var(--ink);
  stroke-width: 1.5;
}

.damp {
  fill: none;
  stroke: var(--air-damp);
  stroke-width: 2;
}

@media (max-width: 700px) {
  .lanes {
    grid-template-columns: minmax(0, 1fr);
  }

  .result {
    margin-bottom: 0.5rem;
  }
}
</style>
