<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { atMost, inShownUnits, setTo, temperature } from '@/parts/format'

const props = defineProps<{ forecast: Schemas['DryingAnswer']; roomTemperatureC: number }>()

const LOW_C = 20

/** Upper end of the scale: the highest limit, rounded up, so that all of them show. */
const high = computed(() => {
  const most = Math.max(
    props.forecast.setpointC,
    ...props.forecast.ceiling.limits.map((limit) => limit.temperatureC),
  )
  return Math.ceil((most + 6) / 10) * 10
})

function left(celsius: number): string {
  return `${(100 * (celsius - LOW_C)) / (high.value - LOW_C)}%`
}

const ticks = computed(() => {
  const all = []
  for (let celsius = LOW_C; celsius <= high.value; celsius += 10) {
    all.push(celsius)
  }
  return all
})
</script>

<template>
  <div class="scale">
    <div class="axis" aria-hidden="true">
      <div class="safe" :style="{ width: left(forecast.ceiling.cautiousC) }" />
      <div
        class="risky"
        :style="{
          left: left(forecast.ceiling.cautiousC),
          right: `calc(100% - ${left(forecast.ceiling.temperatureC)})`,
        }"
      />
      <div class="over" :style="{ left: left(forecast.ceiling.temperatureC) }" />
      <div v-for="celsius in ticks" :key="celsius" class="tick" :style="{ left: left(celsius) }">
        <span v-if="celsius % 20 === 0">{{ temperature(celsius) }}</span>
      </div>
      <div class="set" :style="{ left: left(forecast.setpointC) }">
        <span>set {{ setTo(forecast.setpointC) }}</span>
      </div>
    </div>
    <p v-if="forecast.ceiling.risk" class="small">
      Safe up to {{ atMost(forecast.ceiling.cautiousC) }} also in a dryer among the hottest of its
      kind; from there to the ceiling hatched, at a risk.
    </p>
    <ul>
      <li
        v-for="limit in forecast.ceiling.limits"
        :key="limit.what"
        :class="{ sets: limit.what === forecast.ceiling.setBy }"
      >
        <b class="number">{{ atMost(limit.temperatureC) }}</b>
        <span
          >{{ limit.what
          }}<template v-if="limit.what === forecast.ceiling.setBy"
            >, sets the ceiling</template
          ></span
        >
        <span class="soft small">{{ inShownUnits(limit.why) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.axis {
  position: relative;
  height: 3.6rem;
  margin: 0 1.5rem 0.4rem 0.5rem;
}

.safe,
.risky,
.over {
  position: absolute;
  top: 1.5rem;
  height: 0.7rem;
}

.safe {
  left: 0;
  background: var(--board);
}

.risky {
  background: repeating-linear-gradient(135deg, var(--board) 0 5px, transparent 5px 9px);
}

.over {
  right: 0;
  background: repeating-linear-gradient(135deg, var(--call) 0 2px, transparent 2px 7px);
  border-left: 3px solid var(--call);
}

.tick {
  position: absolute;
  top: 2.2rem;
  height: 0.4rem;
  border-left: 1px solid var(--soft);
}

.tick span {
  position: absolute;
  top: 0.45rem;
  left: 0;
  translate: -50% 0;
  font-size: 0.75rem;
  color: var(--soft);
  white-space: nowrap;
}

.set {
  position: absolute;
  top: 1.05rem;
  margin-left: -0.5rem;
  border: 0.5rem solid transparent;
  border-top: 0.75rem solid var(--ink);
}

.set span {
  position: absolute;
  bottom: 0.85rem;
  left: 0;
  translate: -50% 0;
  white-space: nowrap;
  font-weight: 700;
}

ul {
  list-style: none;
  padding: 0;
  margin: 0;
}

li {
  display: grid;
  grid-template-columns: 4.5rem auto;
  gap: 0 0.75rem;
  padding: 0.3rem 0 0.3rem 0.6rem;
  border-left: 4px solid transparent;
}

li.sets {
  border-left-color: var(--call);
}

li .small {
  grid-column: 2;
}
</style>
