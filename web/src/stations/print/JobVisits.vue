<script setup lang="ts">
import { computed } from 'vue'
import { moment } from '@/parts/format'
import type { JobSheet } from './sheet'

/** When a job wants somebody at the printer, and whether somebody is there then. */
const props = defineProps<{ visits: JobSheet['visits']; next: JobSheet['next']; nowS: number }>()

const WIDTH = 640
const HEIGHT = 34
const PAD = 10
const LINE = 17

const first = computed(() => props.visits[0]?.fromS ?? 0)
const last = computed(() => Math.max(first.value + 1, ...props.visits.map((visit) => visit.toS)))

function x(at: number): number {
  return PAD + ((at - first.value) / (last.value - first.value)) * (WIDTH - 2 * PAD)
}

const alone = computed(() => props.visits.filter((visit) => !visit.present))
</script>

<template>
  <section aria-labelledby="visits-title">
    <h2 id="visits-title">When it wants somebody</h2>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" aria-hidden="true">
      <line :x1="PAD" :x2="WIDTH - PAD" :y1="LINE" :y2="LINE" class="job" />
      <g v-for="visit in visits" :key="visit.why + visit.fromS" :class="{ alone: !visit.present }">
        <line
          v-if="visit.toS > visit.fromS"
          :x1="x(visit.fromS)"
          :x2="x(visit.toS)"
          :y1="LINE"
          :y2="LINE"
          class="stay"
        />
        <path :d="`M${x(visit.fromS)} ${LINE - 10}V${LINE + 10}`" class="at" />
      </g>
    </svg>
    <ul>
      <li
        v-for="visit in visits"
        :key="visit.why + visit.fromS"
        :data-testid="`visit-${visit.why}`"
      >
        <span :class="{ call: !visit.present }">{{ moment(visit.fromS, nowS) }}</span>
        <span>
          {{ visit.words
          }}<template v-if="visit.why === 'RUNOUT' && next">
            (<router-link :to="`/spool/${next.code}`" class="code">{{ next.code }}</router-link>
            {{ next.colourName }} has enough{{
              next.sameColour ? '' : ', in another colour'
            }})</template
          ><b v-if="!visit.present" class="call">; nobody is there then</b>
        </span>
      </li>
    </ul>
    <p class="soft small">
      <template v-if="alone.length"> Start it at another time, or have somebody come. </template>
      Who is there, <router-link to="/plan">the plan's week</router-link> says. Whether a printer
      may run with nobody near is for local rules and its maker: smoke alarm, clear space around it.
    </p>
  </section>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 44rem;
  height: auto;
}

.job {
  stroke: var(--board);
  stroke-width: 3;
}

.stay {
  stroke: var(--ink);
  stroke-width: 8;
}

.at {
  stroke: var(--ink);
  stroke-width: 3;
}

.alone .at,
.alone .stay {
  stroke: var(--call);
}

ul {
  margin: 0.3rem 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 10rem 1fr;
  gap: 0.2rem 0.8rem;
  padding: 0.2rem 0;
}

@media (max-width: 640px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
