<script setup lang="ts">
import WideTable from '@/parts/WideTable.vue'
import { computed, defineAsyncComponent } from 'vue'
import { answer, client } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import { atMost, hours, inShownUnits, moisture, setTo, temperature } from '@/parts/format'
import { useLatestAnswer } from '@/parts/latestAnswer'
import { atRisk } from '@/parts/setpointRisk'
import { faceAt, faceLabel, moistureAt } from '@/parts/spoolAtTime'
import { usePreferences } from '@/stores/preferences'
import { useShelf } from '@/stores/shelf'
import CeilingScale from './CeilingScale.vue'
import DryerChoices from './DryerChoices.vue'
import { useDryerForm } from './dryerForm'
import { jobNote, printsAfter } from './printReady'
import NoDryer from './NoDryer.vue'
import PrintSteps from './PrintSteps.vue'
import StartCycle from './StartCycle.vue'

const props = defineProps<{ code: string }>()

const DryingCurves = defineAsyncComponent(() => import('./DryingCurves.vue'))
const PAUSE_MS = 120

const shelf = useShelf()

const spool = computed(() => shelf.spools.find((each) => each.code === props.code))
const at = computed(() => (spool.value ? moistureAt(spool.value, shelf.frameHours, 0) : null))
const { form, body, ready } = useDryerForm()
const preferences = usePreferences()

const { view, problem, busy } = useLatestAnswer(
  [form, () => props.code, () => shelf.jobG],
  () =>
    answer(
      client.POST('/api/spools/{code}/drying-forecast', {
        params: { path: { code: props.code } },
        body: { ...body.value, jobG: shelf.jobG },
      }),
    ),
  PAUSE_MS,
  ready,
)

const forecast = computed(() => view.value?.forecast)

const headline = computed(() => {
  const f = forecast.value
  if (!f) {
    return ''
  }
  const to = f.hoursToLimit
  if (f.ceiling.refusal !== null || view.value?.objection) {
    return 'Not in this dryer'
  }
  if (to.core === 0 && to.outer === 0 && to.mean === 0) {
    return 'Dry already, to the core'
  }
  return printsAfter(view.value?.printReady ?? null, f.setpointC)
})

const DEPTHS = [
  { key: 'outer', name: 'outer wraps' },
  { key: 'mean', name: 'mean' },
  { key: 'core', name: 'core' },
] as const

/** Until all of it is dry, as likely as not; null where never. */
const coreHours = computed(() => {
  const { core, outer, mean } = forecast.value?.hoursToLimit ?? {
    core: null,
    outer: null,
    mean: null,
  }
  return core === null || outer === null || mean === null ? null : Math.max(core, outer, mean)
})

/** How sure, what would tell more, and what another room would do. */
const notes = computed(() => {
  const v = view.value
  const f = forecast.value
  if (!v || !f || f.ceiling.refusal !== null) {
    return []
  }
  const lines: string[] = []
  const likely = coreHours.value
  if (v.printReady) {
    lines.push(jobNote(v.printReady, shelf.jobG))
  }
  if (likely === null) {
    lines.push(`Never fully dry (${f.targetPercent} % to the core) in this air.`)
  } else if (likely > 0) {
    lines.push(
      v.sureHours === null
        ? `Fully dry (${f.targetPercent} % to the core) probably after ${hours(likely)}; so much is not known well enough to be sure.`
        : `Fully dry (${f.targetPercent} % to the core) probably after ${hours(likely)}, surely after ${hours(v.sureHours)}. A wish: it then stays printable for longer.`,
    )
  }
  if (v.nextWeighing) {
    const next = v.nextWeighing
    lines.push(
      `Weigh it before it goes in and after ${hours(next.hours[0] ?? 1)}: on a scale of ${next.scaleStepG} g, ${next.hours.length} such weighings narrow that to ${Math.round(100 * next.narrowsTo)} %.`,
    )
  } else if (likely !== null && likely > 0) {
    lines.push('Weighing on the scale used last would tell too little; a finer one would.')
  }
  const damp = v.humidRoom
  lines.push(
    damp.dryHours === null
      ? `In a room at ${damp.relativeHumidityPercent.toFixed(0)} % it would never get there: the floor would be ${moisture(damp.floorPercent)}.`
      : `In a room at ${damp.relativeHumidityPercent.toFixed(0)} % it would take ${hours(Math.max(0.1, damp.dryHours))}, down to ${moisture(damp.floorPercent)} at best.`,
  )
  return lines
})

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
        {{ spool.material }} {{ spool.colourName }}
        <span v-if="at" class="soft">
          · now outer {{ moisture(at.outer) }}, mean {{ moisture(at.mean) }}, core
          {{ moisture(at.core) }}
        </span>
      </p>
    </div>
  </div>

  <ProblemNote v-if="problem" :problem="problem" />

  <NoDryer />
  <div class="columns">
    <DryerChoices v-model="form" :setpoint-c="forecast?.setpointC" :room="view ?? undefined" />

    <div v-if="forecast" class="results" :aria-busy="busy">
      <ul v-if="forecast.advice.length || view?.objection" class="advice">
        <li v-if="view?.objection">{{ view.objection }}</li>
        <li v-for="line in forecast.advice" :key="line">{{ inShownUnits(line) }}</li>
      </ul>
      <ul v-if="notes.length" class="notes" data-testid="dry-notes">
        <li v-for="line in notes" :key="line">{{ inShownUnits(line) }}</li>
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
            <div class="soft small">driest possible in this air</div>
            <WhyNumber what="Floor">
              <span class="big">{{ moisture(forecast.floorPercent) }}</span>
              <template #why>
                <p>
                  Moisture in balance with the room's vapour once heated: more hours do not get
                  below it. Where the heat that binds water is not known, which is all but nylon and
                  PVA, the true floor is 10 to 25 % lower.
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
            Ceiling {{ atMost(forecast.ceiling.temperatureC) }}, set by the
            {{ forecast.ceiling.setBy }}
          </h2>
          <CeilingScale :forecast="forecast" :room-temperature-c="view!.roomTemperatureC" />
          <PrintSteps :steps="view!.printSteps" :dry-hours="coreHours" />
        </section>
        <section v-if="forecast.recipes.length">
          <h2>Drying recipes compared</h2>
          <WideTable label="Drying recipes" data-testid="recipes">
            <thead>
              <tr>
                <th>Recipe</th>
                <th class="n">Set</th>
                <th class="n">Time</th>
                <th class="n">Outer</th>
                <th class="n">Mean</th>
                <th class="n">Core</th>
                <th class="n">Energy</th>
              </tr>
            </thead>
            <tbody>
              <template v-for="recipe in forecast.recipes" :key="recipe.name">
                <tr class="recipe">
                  <td>
                    <b>{{ recipe.name }}</b>
                  </td>
                  <td class="n">{{ setTo(recipe.setpointC) }}</td>
                  <td class="n">{{ written(recipe.hours) }}</td>
                  <td class="n">{{ moisture(recipe.outerPercent) }}</td>
                  <td class="n">{{ moisture(recipe.meanPercent) }}</td>
                  <td class="n">{{ moisture(recipe.corePercent) }}</td>
                  <td class="n">
                    {{ recipe.energyKWh.toFixed(2) }} kWh<template v-if="preferences.energyPrice"
                      >, {{ (recipe.energyKWh * preferences.energyPrice).toFixed(2) }}</template
                    >
                  </td>
                </tr>
                <tr>
                  <td colspan="7" class="verdict small soft">{{ recipe.verdict }}</td>
                </tr>
              </template>
            </tbody>
          </WideTable>
          <p class="small soft">
            Energy: warming up, walls, fresh air and water; walls 1.3 W/K at 12 L, an estimate.
            <label class="price"
              >Price of a kWh
              <input
                v-model.number="preferences.energyPrice"
                type="number"
                min="0"
                max="100"
                step="0.01"
                placeholder="none"
              />
            </label>
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
  <StartCycle
    v-if="forecast && form.dryerId && forecast.ceiling.refusal === null && !view?.objection"
    :codes="[code]"
    :dryer-id="form.dryerId"
    :setpoint-c="forecast.setpointC"
    :start-c="form.setpointC === null ? forecast.ceiling.startC : forecast.setpointC"
    :sure-hours="view?.sureHours ?? view?.printReady?.sureHours ?? null"
    :stale="busy"
    :risk="atRisk([forecast], forecast.setpointC)?.ceiling.risk"
  />
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

.notes {
  margin: 0 0 1rem;
  padding: 0 0 0 1.1rem;
}

.price input {
  width: 5rem;
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

.recipe td {
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
