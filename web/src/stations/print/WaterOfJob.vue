<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { answer, client, Problem } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { atMost, hours, moisture, moment } from '@/parts/format'
import type { JobSheet } from './sheet'

/** Water of the very metres of a job, from its first to its last. */
const props = defineProps<{ view: JobSheet }>()

const SECONDS = 10
const WIDTH = 640
const HEIGHT = 96
const LEFT = 4
const TOP = 20
const BOTTOM = 20

const limit = computed(() => props.view.printLimitPercent ?? 1)
const last = computed(() => props.view.metres.at(-1)?.hour ?? 1)
const most = computed(
  () => 1.25 * Math.max(limit.value, ...props.view.metres.map((point) => point.percent)),
)

function x(hour: number): number {
  return LEFT + (hour / last.value) * (WIDTH - 2 * LEFT)
}
function y(percent: number): number {
  return HEIGHT - BOTTOM - (percent / most.value) * (HEIGHT - TOP - BOTTOM)
}
const path = computed(() =>
  props.view.metres
    .map(
      (point, i) =>
        `${i === 0 ? 'M' : 'L'}${x(point.hour).toFixed(1)} ${y(point.percent).toFixed(1)}`,
    )
    .join(''),
)
const wet = computed(() => props.view.metres.some((point) => point.percent >= limit.value))

const router = useRouter()
const problem = ref<Problem | null>(null)
const nowS = Date.now() / 1000

/** How the plan has it dried, in words; none where it is not planned. */
const planned = computed(() => {
  const plan = props.view.planned
  if (!plan) {
    return null
  }
  const other = plan.code === props.view.code ? '' : `The plan gives this job ${plan.code}. `
  if (plan.dryer === null || plan.dryerId === null) {
    return plan.served
      ? `${other}The plan has it print as it is.`
      : `${other}The plan finds no dryer in time.`
  }
  const set = plan.setpointC == null ? '' : ` at ${atMost(plan.setpointC)}`
  return `${other}Planned: into ${plan.dryer} ${moment(plan.startS, nowS)}${set}, out ${moment(plan.endS, nowS)}${plan.served ? '' : ', not dry by then'}.`
})

async function plan() {
  try {
    await answer(client.POST('/api/plan/runs', { body: { seconds: SECONDS } }))
    await router.push('/plan')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <section aria-labelledby="water-title">
    <h2 id="water-title">Water in the metres of this job</h2>
    <p :class="{ call: wet }">{{ view.waterVerdict }}</p>
    <p v-if="wet || view.planned?.dryerId != null" class="drying" data-testid="sheet-drying">
      <template v-if="planned">
        {{ planned }} <router-link to="/plan">The plan</router-link>
      </template>
      <template v-else>
        <button v-if="view.runId === null" class="button" @click="plan">Plan its drying</button>
        <router-link v-if="view.code" :to="`/dry/${view.code}`">Dry it now</router-link>
      </template>
    </p>
    <ProblemNote v-if="problem" :problem="problem" />
    <figure>
      <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" aria-label="Moisture over the job">
        <line :x1="LEFT" :x2="WIDTH - LEFT" :y1="y(limit)" :y2="y(limit)" class="limit" />
        <text :x="LEFT + 4" :y="y(limit) - 5" class="limit-word">
          print limit {{ moisture(limit) }}
        </text>
        <line :x1="LEFT" :x2="WIDTH - LEFT" :y1="y(0)" :y2="y(0)" class="ground" />
        <path :d="path" class="water" />
        <text :x="LEFT" :y="HEIGHT - 4" class="word">
          first metre {{ moisture(view.metres[0]?.percent ?? 0) }}
        </text>
        <text :x="WIDTH - LEFT" :y="HEIGHT - 4" class="word end">
          last metre, {{ hours(last) }} later, {{ moisture(view.metres.at(-1)?.percent ?? 0) }}
        </text>
      </svg>
      <figcaption class="soft small">Hanging in {{ view.hangsIn }} while it prints.</figcaption>
    </figure>
  </section>
</template>

<style scoped>
figure {
  margin: 0.4rem 0 0;
}

.drying {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.9rem;
  align-items: center;
}

svg {
  width: 100%;
  max-width: 44rem;
  height: auto;
}

.limit {
  stroke: var(--call);
  stroke-width: 1.6;
}

.limit-word {
  fill: var(--call);
  font-size: 12px;
  font-weight: 700;
}

.ground {
  stroke: var(--board);
}

.water {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.4;
}

.word {
  font-size: 12px;
  fill: var(--soft);
}

.word.end {
  text-anchor: end;
}
</style>
