<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import { inShownUnits, grams, hours, humidity, moisture, temperature } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import { usePreferences } from '@/stores/preferences'
import PractiseResults from './PractiseResults.vue'

/** A made-up spool: how moist is it, and how hot and long would you dry it? */
const MOST_SEED = 1_000_000
const route = useRoute()
const router = useRouter()
const acts = useActs()
const preferences = usePreferences()
const seed = computed(() => Number(route.query.case ?? 0))
const path = computed(() => ({ params: { path: { seed: seed.value } } }))
const spool = ref<Schemas['DryingPracticeView'] | null>(null)
const review = ref<Schemas['DryingPracticeReviewView'] | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const plan = reactive({
  guessPercent: null as number | null,
  setpointC: null as number | null,
  hours: null as number | null,
})

async function attempt(act: () => Promise<void>) {
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

watch(
  seed,
  () =>
    attempt(async () => {
      review.value = null
      Object.assign(plan, { guessPercent: null, setpointC: null, hours: null })
      spool.value = await answer(client.GET('/api/drying-practice/{seed}', path.value))
    }),
  { immediate: true },
)

const look = () =>
  attempt(async () => {
    const body = {
      guessPercent: plan.guessPercent ?? undefined,
      setpointC: plan.setpointC ?? undefined,
      hours: plan.hours ?? undefined,
    }
    review.value = await answer(
      client.POST('/api/drying-practice/{seed}/review', { ...path.value, body }),
    )
    if (preferences.person) {
      await acts.record(
        client.POST('/api/drying-practice/{seed}/result', { ...path.value, body }),
        'Result kept',
      )
    }
  })

function another() {
  void router.replace({ query: { case: String(1 + Math.floor(Math.random() * MOST_SEED)) } })
}

/** From dry to balance, with limit, guess and truth on it. */
const scale = computed(() => {
  const it = spool.value
  if (!it) {
    return []
  }
  const high = 1.1 * Math.max(it.balancePercent, it.limitPercent, plan.guessPercent ?? 0)
  const at = (percent: number) => (100 * percent) / high
  const marks = [
    { words: 'dry', x: at(it.dryPercent), strong: false },
    { words: 'prints well to', x: at(it.limitPercent), strong: false },
    { words: 'balance with the room', x: at(it.balancePercent), strong: false },
  ]
  if (review.value) {
    marks.push({ words: 'your guess', x: at(plan.guessPercent ?? 0), strong: true })
    marks.push({ words: 'computed', x: at(review.value.meanPercent), strong: true })
  }
  return marks
})
</script>

<template>
  <div class="practise">
    <header>
      <h1>{{ review ? review.words : `Practice spool ${seed}` }}</h1>
      <p class="row">
        <button class="button" data-testid="another-spool" @click="another">Another spool</button>
        <router-link to="/trouble/practise">Practise causes</router-link>
      </p>
    </header>
    <ProblemNote v-if="problem" :problem="problem" />
    <template v-if="spool">
      <p>
        {{ grams(spool.netG) }} of <b>{{ spool.material }}</b> on a
        {{ spool.cardboardReel ? 'cardboard' : 'plastic' }} reel. It was dried to
        {{ moisture(spool.dryPercent) }}, then lay open for
        <b>{{ spool.openDays === 1 ? 'one day' : `${spool.openDays} days` }}</b> at
        {{ temperature(spool.roomC) }} and {{ humidity(spool.roomPercent) }}; for good it would come
        to {{ moisture(spool.balancePercent) }}. It prints well up to
        {{ moisture(spool.limitPercent) }}. The dryer is rated for
        {{ temperature(spool.ratedMaxC) }}; its air is
        {{
          spool.dialC === 0
            ? 'as warm as its dial says'
            : inShownUnits(`${(-spool.dialC).toFixed(0)} K cooler than its dial says`)
        }}.
      </p>
      <svg viewBox="0 0 640 110" role="img" aria-label="Moisture from dry to balance" class="scale">
        <path d="M10 54h620" class="axis" />
        <g v-for="(mark, i) in scale" :key="mark.words" :class="{ strong: mark.strong }">
          <path :d="`M${10 + 6.2 * mark.x} ${mark.strong ? 40 : 48}v${mark.strong ? 28 : 12}`" />
          <text
            :x="10 + 6.2 * mark.x"
            :y="mark.strong ? (i % 2 ? 16 : 34) : 76 + 14 * (i % 3)"
            :text-anchor="mark.x > 75 ? 'end' : mark.x < 15 ? 'start' : 'middle'"
          >
            {{ mark.words }}
          </text>
        </g>
      </svg>
      <AppForm v-if="!review" class="field-grid" @submit="look">
        <NumberField
          id="guess"
          v-model="plan.guessPercent"
          label="How moist is it on the whole, %"
          name="guessPercent"
          :min="0"
          :max="20"
          :step="0.05"
        />
        <NumberField
          id="plan-setpoint"
          v-model="plan.setpointC"
          label="Set the dryer to, °C"
          name="setpointC"
          :min="30"
          :max="spool.ratedMaxC"
        />
        <NumberField
          id="plan-hours"
          v-model="plan.hours"
          label="Hours, 0 to print it as it is"
          name="hours"
          :min="0"
          :max="240"
        />
        <button class="button primary">Look what comes of it</button>
      </AppForm>
      <dl v-else data-testid="drying-review">
        <dt>Moisture</dt>
        <dd>
          {{ moisture(review.meanPercent) }} on the whole, {{ moisture(review.outerPercent) }} in
          the outer wraps. Your guess was {{ review.guessIsNear ? 'near' : 'off' }}.
        </dd>
        <dt>Your plan</dt>
        <dd>
          {{ inShownUnits(review.words) }} It leaves {{ moisture(review.leftPercent) }} in the
          wettest wraps and takes {{ review.kWh.toFixed(2) }} kWh.
          <template v-if="review.spoils">
            Nothing is harmed up to {{ temperature(review.ceilingC) }}.
          </template>
          <template v-else-if="review.neededHours != null">
            At that temperature {{ hours(review.neededHours) }} would do.
          </template>
        </dd>
        <dt>What it costs to be wrong</dt>
        <dd>
          {{
            review.lostG > 0
              ? review.spoils
                ? `The spool, ${grams(review.lostG)}.`
                : `Up to ${grams(review.lostG)} printed wet: strings, weak layers, prints for the bin.`
              : review.wastedHours > 0
                ? `${hours(review.wastedHours)} in which the dryer could have served another.`
                : 'Nothing.'
          }}
        </dd>
        <dt>The program</dt>
        <dd>
          would set {{ temperature(review.bestC) }}
          {{
            review.bestHours == null
              ? 'and say that this air never dries it'
              : review.bestHours === 0
                ? 'for nothing: it is dry enough'
                : `for ${hours(review.bestHours)}`
          }}.
        </dd>
      </dl>
    </template>
    <PractiseResults kind="DRYING" />
  </div>
</template>

<style scoped>
.practise {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.1rem;
  max-width: 52rem;
}

.row {
  display: flex;
  gap: 0.8rem;
  align-items: center;
  margin-top: 0.6rem;
}

.scale {
  width: 100%;
}

.scale path {
  stroke: var(--board);
  stroke-width: 2;
}

.scale .axis {
  stroke: var(--hairline);
  stroke-width: 6;
}

.scale text {
  font-size: 12px;
  fill: var(--soft);
}

.scale .strong path {
  stroke: var(--ink);
  stroke-width: 3;
}

.scale .strong text {
  fill: var(--ink);
  font-weight: 700;
}

dl {
  display: grid;
  grid-template-columns: minmax(8rem, 12rem) minmax(0, 1fr);
  gap: 0.6rem 1rem;
  margin: 0;
}

dt {
  font-weight: 700;
}

dd {
  margin: 0;
}

@media (max-width: 40rem) {
  dl {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
