<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { answer, client } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import { hours, moisture, temperature } from '@/parts/format'
import { useLatestAnswer } from '@/parts/latestAnswer'
import { faceAt, faceLabel, moistureAt } from '@/parts/spoolAtTime'
import { useShelf } from '@/stores/shelf'
import CeilingScale from './CeilingScale.vue'
import DryerChoices from './DryerChoices.vue'
import { useDryerForm } from './dryerForm'

const props = defineProps<{ code: string }>()

const DryingCurves = defineAsyncComponent(() => import('./DryingCurves.vue'))
const PAUSE_MS = 120

const shelf = useShelf()

const spool = computed(() => shelf.spools.find((each) => each.code === props.code))
const at = computed(() => (spool.value ? moistureAt(spool.value, shelf.frameHours, 0) : null))
const { form, body } = useDryerForm()

const { view, problem, busy } = useLatestAnswer(
  [form, () => props.code],
  () =>
    answer(
      client.POST('/api/spools/{code}/drying-forecast', {
        params: { path: { code: props.code } },
        body: body.value,
      }),
    ),
  PAUSE_MS,
)

const forecast = computed(() => view.value?.forecast)

const headline = computed(() => {
  const f = forecast.value
  if (!f) {
    return ''
  }
  const to = f.hoursToLimit
  if (!f.reachable || to.core === null || to.outer === null || to.mean === null) {
    return `Never to the core at ${temperature(f.setpointC)}`
  }
  const most = Math.max(to.core, to.outer, to.mean)
  return most === 0
    ? 'Dry already, to the core'
    : `Dry it ${hours(Math.ceil(most * 2) / 2)} at ${temperature(f.setpointC)}`
})

const DEPTHS = [
  { key: 'outer', name: 'outer wraps' },
  { key: 'mean', name: 'mean' },
  { key: 'core', name: 'core' },
] as const

function written(value: number | null): string {
  return value === null ? 'never' : value === 0 ? 'dry already' : hours(value)
}
</script>

<template>
  <div class="title">
    <SpoolFace
      v-if="spool"
      :face="faceAt(spool, shelf.frameHours, 0)"
      :size="72"
      :label="faceLabel(spool, at)"
    />
    <div>
      <h1 data-testid="dry-headline">{{ headline || 'Dry' }}</h1>
      <p v-if="spool">
        <router-link :to="`/spool/${spool.code}`" class="code">{{ spool.code }}</router-link>
        {{ spool.materialTitle }} {{ spool.colourName }}
        <span v-if="at" class="soft">
          · now outer {{ moisture(at.outer) }}, mean {{ moisture(at.mean) }}, core
          {{ moisture(at.core) }}
        </span>
      </p>
    </div>
  </div>

  <ProblemNote v-if="problem" :problem="problem" />

  <div class="columns">
    <DryerChoices v-model="form" :setpoint-c="forecast?.setpointC" :room="view ?? undefined" />

    <div v-if="forecast" class="results" :aria-busy="busy">
      <ul v-if="forecast.advice.length" class="advice">
        <li v-for="line in forecast.advice" :key="line">{{ line }}</li>
      </ul>
      <p v-if="view?.sealed" class="call">Take it out of its bag: never dry inside a bag.</p>

      <div class="sheet">
        <div class="depths">
          <div v-for="depth in DEPTHS" :key="depth.key">
            <div class="soft small">{{ depth.name }}</div>
            <WhyNumber :what="`Hours until the ${depth.name} are dry`">
              <span class="big" :data-testid="`hours-${depth.key}`">{{
                written(forecast.hoursToLimit[depth.key])
              }}</span>
              <template #why>
                <p>
                  From the spool's present moisture by depth, in air of
                  {{ temperature(forecast.airTemperatureC) }} with the room's vapour, until it stays
                  below the dry target of {{ forecast.targetPercent }} %. Warming up included.
                  Followed for ten days at most.
                </p>
                <p>Diffusivities are known within a factor of two, and so are hours.</p>
              </template>
            </WhyNumber>
          </div>
          <div>
            <div class="soft small">floor of this air</div>
            <WhyNumber what="Floor">
              <span class="big">{{ moisture(forecast.floorPercent) }}</span>
              <template #why>
                <p>
                  Moisture in balance with the room's vapour once heated: more hours do not get
                  below it. Conservative by 10 to 25 %, since uptake is taken as independent of
                  temperature.
                </p>
              </template>
            </WhyNumber>
          </div>
        </div>
        <DryingCurves :forecast="forecast" />
        <p class="small soft">
          solid and thick: outer wraps; dashed: mean; dotted: core. Marked where they reach the
          target.
        </p>
      </div>

      <div class="lower">
        <section>
          <h2>
            Ceiling {{ temperature(forecast.ceiling.temperatureC) }}, set by the
            {{ forecast.ceiling.setBy }}
          </h2>
          <CeilingScale :forecast="forecast" :room-temperature-c="view!.roomTemperatureC" />
        </section>
        <section>
          <h2>Schools compared</h2>
          <table class="table" data-testid="schools">
            <thead>
              <tr>
                <th>School</th>
                <th class="n">Set</th>
                <th class="n">Time</th>
                <th class="n">Outer</th>
                <th class="n">Mean</th>
                <th class="n">Core</th>
                <th class="n">Energy</th>
              </tr>
            </thead>
            <tbody>
              <template v-for="school in forecast.schools" :key="school.name">
                <tr class="school">
                  <td>
                    <b>{{ school.name }}</b>
                  </td>
                  <td class="n">{{ temperature(school.setpointC) }}</td>
                  <td class="n">{{ written(school.hours) }}</td>
                  <td class="n">{{ moisture(school.outerPercent) }}</td>
                  <td class="n">{{ moisture(school.meanPercent) }}</td>
                  <td class="n">{{ moisture(school.corePercent) }}</td>
                  <td class="n">{{ school.energyKWh.toFixed(2) }} kWh</td>
                </tr>
                <tr>
                  <td colspan="7" class="verdict small soft">{{ school.verdict }}</td>
                </tr>
              </template>
            </tbody>
          </table>
          <p class="small soft">
            Energy: warming up, walls, fresh air and water; walls 1.3 W/K at 12 L, an estimate.
          </p>
        </section>
      </div>
      <p class="small soft caution">
        The maker's data sheet wins over these figures. Do not dry in an oven that is used for food,
        nor leave a dryer running unattended where that is not allowed.
      </p>
    </div>
    <p v-else-if="busy" class="soft">computing…</p>
  </div>
</template>

<style scoped>
.title {
  display: flex;
  align-items: center;
  gap: 1rem;
  margin-bottom: 1rem;
}

.columns {
  display: grid;
  grid-template-columns: 14rem minmax(0, 1fr);
  gap: 1.75rem;
  align-items: start;
}

.advice {
  list-style: none;
  margin: 0 0 1rem;
  padding: 0 0 0 0.9rem;
  border-left: 4px solid var(--call);
  display: grid;
  gap: 0.4rem;
}

.depths {
  display: grid;
  grid-template-columns: repeat(4, auto);
  justify-content: start;
  gap: 0.5rem 2.5rem;
}

.big {
  font-size: var(--size-4);
  font-weight: 700;
}

.lower {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 3fr);
  gap: 2rem;
  margin-top: 1.25rem;
}

.lower h2 {
  margin-bottom: 0.5rem;
}

.school td {
  border-bottom: 0;
  padding-bottom: 0;
}

.verdict {
  padding-top: 0 !important;
}

.table .n {
  padding-right: 0;
  padding-left: 0.75rem;
}

.caution {
  margin-top: 1.25rem;
}

@media (max-width: 1100px) {
  .lower {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 700px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  .depths {
    grid-template-columns: 1fr 1fr;
  }

  .choices {
    grid-template-columns: 1fr 1fr;
  }

  .lower section {
    overflow-x: auto;
  }
}
</style>
