<script setup lang="ts">
import { computed } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import { atMost, hours, inShownUnits, setTo } from '@/parts/format'
import { useLatestAnswer } from '@/parts/latestAnswer'
import { atRisk } from '@/parts/setpointRisk'
import { useShelf } from '@/stores/shelf'
import LoadLanes from './LoadLanes.vue'
import DryerChoices from './DryerChoices.vue'
import { useDryerForm } from './dryerForm'
import { lastReady, printsAfter } from './printReady'
import StartCycle from './StartCycle.vue'

/** Codes of the spools that are dried together, in the order of the lanes. */
const props = defineProps<{ codes: string[] }>()

const PAUSE_MS = 200
/** Less than this saved is not worth the walk. */
const WORTH_H = 0.5

const shelf = useShelf()
const { form, body, ready } = useDryerForm()
const { view, problem, busy } = useLatestAnswer(
  [form, () => props.codes.join(), () => shelf.jobG],
  () =>
    answer(
      client.POST('/api/load-forecast', {
        body: { codes: props.codes, ...body.value, jobG: shelf.jobG },
      }),
    ),
  PAUSE_MS,
  ready,
)

const forecast = computed(() => view.value?.forecast)
const spools = computed(() => Object.fromEntries(shelf.spools.map((each) => [each.code, each])))

const headline = computed(() => {
  const f = forecast.value
  if (!f) {
    return `Dry ${props.codes.length} together`
  }
  const all = lastReady(view.value?.printReady ?? [])
  return all === null || all.likelyHours === null
    ? `Not all get dry enough to print at ${setTo(f.setpointC)}`
    : printsAfter(all, f.setpointC).replace('Prints', `All ${f.spools.length} print`)
})

const slowest = computed(() => {
  const all = forecast.value?.spools ?? []
  return all.reduce<Schemas['SpoolInLoad'] | null>(
    (last, each) =>
      last === null || (each.dryHours ?? 1e9) > (last.dryHours ?? 1e9) ? each : last,
    null,
  )
})

function title(code: string): string {
  const spool = spools.value[code]
  return spool ? `${code} (${spool.material} ${spool.colourName})` : code
}

/** What a setpoint above the safe one may do to one of them. */
const risk = computed(() => {
  const f = forecast.value
  const risky = f && atRisk(f.spools, f.setpointC)
  return risky ? `${title(risky.name)}: ${risky.ceiling.risk}` : null
})

/** What matters most first. */
const advice = computed(() => {
  const f = forecast.value
  if (!f || !slowest.value) {
    return []
  }
  const lines: string[] = [...(view.value?.objections ?? [])]
  if (f.lastHours !== null) {
    lines.push(
      f.sureLastHours === null
        ? `All fully dry to the core probably after ${hours(f.lastHours)}; so much is not known well enough to be sure.`
        : `All fully dry to the core probably after ${hours(f.lastHours)}, surely after ${hours(f.sureLastHours)}. Weighing on the way narrows that.`,
    )
  }
  const delicate = f.spools[f.heldBackBy]
  if (delicate && f.withoutItC > f.setpointC + 1) {
    lines.push(
      `${title(delicate.name)} allows no more than ${atMost(delicate.ceiling.cautiousC)} (${delicate.ceiling.setBy}). Without it the others could go at ${atMost(f.withoutItC)}.`,
    )
  }
  if (f.lastHours === null) {
    const never = f.spools.filter((each) => each.dryHours === null)
    lines.push(
      `${never.map((each) => title(each.name)).join(', ')}: not dry to the core within what was followed. More hours do not get below the dashed line; drier air does.`,
    )
  } else if (f.spools.length > 1) {
    lines.push(`${title(slowest.value.name)} comes last.`)
    const saved = f.lastHours - (f.lastHoursTakingOut ?? f.lastHours)
    if (saved > WORTH_H) {
      lines.push(
        `Take each out as soon as it is dry: the last is then done ${hours(saved)} sooner, because it has the air for itself.`,
      )
    }
  }
  return lines
})
</script>

<template>
  <h1 data-testid="load-headline">{{ headline }}</h1>
  <p class="soft">
    <router-link v-for="code in codes" :key="code" :to="`/dry/${code}`" class="code one">{{
      code
    }}</router-link>
    <router-link to="/dry">choose others</router-link>
  </p>
  <ProblemNote v-if="problem" :problem="problem" />
  <div class="columns">
    <DryerChoices v-model="form" :setpoint-c="forecast?.setpointC" :room="view ?? undefined" />
    <div v-if="forecast" class="results" :aria-busy="busy">
      <ul v-if="advice.length" class="advice" data-testid="load-advice">
        <li v-for="line in advice" :key="line">{{ inShownUnits(line) }}</li>
      </ul>
      <p v-if="view?.sealed.length" class="call">
        Take {{ view.sealed.join(', ') }} out of the bag: never dry inside a bag.
      </p>
      <LoadLanes :forecast="forecast" :spools="spools" />
      <p class="small soft">
        Thick: mean with its 80 % band; dotted: core; red: dry target; dashed: what this air allows.
        Shaded: dry, could be taken out.
      </p>
      <p>
        <WhyNumber what="Energy of the cycle">
          <b>{{ forecast.energyKWh.toFixed(2) }} kWh</b> for all
          <template #why>
            <p>
              Warming up, walls, fresh air and water until the last is dry, or of what was followed.
            </p>
          </template>
        </WhyNumber>
        <span class="soft small">
          The spools share the dryer's air: what one gives off the others meet, until the exchange
          with the room carries it away.
        </span>
      </p>
      <p class="small soft">
        The maker's data sheet wins over these figures. Do not leave a dryer running unattended
        where that is not allowed.
      </p>
    </div>
    <p v-else-if="busy" class="soft">computing…</p>
  </div>
  <StartCycle
    v-if="forecast && form.dryerId"
    :codes="codes"
    :dryer-id="form.dryerId"
    :setpoint-c="forecast.setpointC"
    :start-c="forecast.startC"
    :sure-hours="forecast.sureLastHours ?? lastReady(view?.printReady ?? [])?.sureHours ?? null"
    :stale="busy"
    :risk="risk"
  />
</template>

<style scoped>
.one {
  margin-right: 0.75rem;
}

.columns {
  display: grid;
  grid-template-columns: 14rem minmax(0, 1fr);
  gap: 1.75rem;
  align-items: start;
  margin-top: 1rem;
}

.results > p {
  margin-top: 0.5rem;
}

.advice {
  list-style: none;
  margin: 0 0 1rem;
  padding: 0 0 0 0.9rem;
  border-left: 4px solid var(--call);
  display: grid;
  gap: 0.4rem;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
