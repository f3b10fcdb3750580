<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import { csv, saveAs } from '@/parts/csv'
import { useFormProblem } from '@/parts/formProblem'
import { grams } from '@/parts/format'
import NumberField from '@/parts/NumberField.vue'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import WideTable from '@/parts/WideTable.vue'
import { useActs } from '@/stores/acts'
import { inDays } from './upkeep'
import { lasts, reorder } from './supplies'

type Filament = Schemas['FilamentSupplyView']
type Supply = Schemas['SupplyView']

/** What runs out, when, and what to order. */
const LEAST_DAYS = 60
const MOST_DAYS = 365
const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const { view, problem: reading } = usePolled(
  [() => acts.changes],
  async () => {
    const [supplies, groups] = await Promise.all([
      answer(client.GET('/api/supplies')),
      answer(client.GET('/api/stock/groups')),
    ])
    return { supplies, groups }
  },
  () => null,
)
const supplies = computed(() => view.value?.supplies ?? null)
const orders = computed(() => (view.value ? reorder(view.value.supplies, view.value.groups) : []))
const headline = computed(() =>
  orders.value.length === 0
    ? 'Nothing is to be ordered'
    : orders.value.length === 1
      ? 'One thing is to be ordered'
      : `${orders.value.length} things are to be ordered`,
)

/** Those that nobody printed lately last for good; they stand behind a tap. */
const all = ref(false)
const used = computed(() =>
  (supplies.value?.filaments ?? []).filter(
    (each) => all.value || each.days !== null || each.promisedG > each.stockG,
  ),
)
const unused = computed(() => (supplies.value?.filaments.length ?? 0) - used.value.length)

/** As far as the stock of what is used lasts, in months; what lasts longer stops at its end. */
const daysShown = computed(() => {
  const longest = Math.max(LEAST_DAYS, ...used.value.map((each) => each.days ?? 0))
  return Math.min(MOST_DAYS, 30 * Math.ceil(longest / 30))
})

function x(days: number): number {
  return (100 * Math.min(days, daysShown.value)) / daysShown.value
}

function bandStyle(each: Filament) {
  const from = x(each.lowDays ?? 0)
  return {
    left: `${from}%`,
    width: `${Math.max(0.5, x(each.highDays ?? daysShown.value) - from)}%`,
  }
}

function price(amount: number | null, currency: string | null): string {
  return amount === null ? '' : `${amount.toFixed(2)} ${currency ?? ''}`
}

function download() {
  saveAs(
    'to-order.csv',
    csv(
      ['what', 'amount', 'unit', 'why', 'price', 'currency'],
      orders.value.map((each) => [
        each.what,
        each.amount,
        each.unit,
        each.why,
        each.price,
        each.currency,
      ]),
    ),
  )
}

const form = reactive({
  id: 0,
  version: 0,
  name: '',
  unit: 'g',
  amount: null as number | null,
  perMonth: null as number | null,
  least: null as number | null,
  price: null as number | null,
  currency: '',
})
const editing = ref(false)

function edit(supply: Supply | null) {
  Object.assign(form, {
    id: supply?.id ?? 0,
    version: supply?.version ?? 0,
    name: supply?.name ?? '',
    unit: supply?.unit ?? 'g',
    amount: supply ? Math.round(supply.left) : null,
    perMonth: supply?.perMonth ?? null,
    least: supply?.least ?? null,
    price: supply?.price ?? null,
    currency: supply?.currency ?? '',
  })
  editing.value = true
}

async function attempt(act: () => Promise<unknown>) {
  try {
    await act()
    problem.value = null
    editing.value = false
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

function keep() {
  const body = {
    version: form.version,
    name: form.name,
    unit: form.unit,
    amount: form.amount ?? undefined,
    perMonth: form.perMonth ?? undefined,
    least: form.least ?? undefined,
    price: form.price ?? undefined,
    currency: form.currency || undefined,
  }
  return attempt(() =>
    form.id
      ? acts.record(
          client.PUT('/api/supplies/{id}', { params: { path: { id: form.id } }, body }),
          'Counted',
        )
      : acts.record(client.POST('/api/supplies', { body }), 'Added'),
  )
}

const remove = (supply: Supply) =>
  attempt(() =>
    acts.record(
      client.DELETE('/api/supplies/{id}', { params: { path: { id: supply.id } } }),
      `${supply.name}: removed`,
    ),
  )
</script>

<template>
  <div class="supplies">
    <h1>{{ headline }}</h1>
    <ProblemNote v-if="reading" :problem="reading" />
    <template v-if="supplies">
      <section v-if="orders.length" aria-labelledby="order-title">
        <h2 id="order-title">
          To order <button class="button plain small" @click="download">as CSV</button>
        </h2>
        <ul data-testid="to-order">
          <li v-for="each in orders" :key="each.what">
            <b>{{ each.what }}</b> {{ each.amount }} {{ each.unit }}
            <span class="soft">{{ each.why }}</span>
          </li>
        </ul>
      </section>

      <section aria-labelledby="filament-title">
        <h2 id="filament-title">Filament</h2>
        <p class="small soft">
          How many days the stock lasts beyond what jobs have been promised, by the prints of the
          last {{ supplies.windowDays }} days. The bar holds eight times in ten.
        </p>
        <ul data-testid="filament-supplies">
          <li v-for="each in used" :key="each.material + each.colourName" class="row">
            <span>
              <b>{{ each.material }}</b> {{ each.colourName }}
              <span class="small soft">
                {{ grams(each.stockG)
                }}{{ each.promisedG > 0 ? `, ${grams(each.promisedG)} of it promised` : '' }}
              </span>
            </span>
            <span class="days" role="img" :aria-label="lasts(each)">
              <template v-if="each.days != null">
                <span class="band" :style="bandStyle(each)" />
                <span class="middle" :style="{ left: `${x(each.days)}%` }" />
              </template>
            </span>
            <span class="small">{{ lasts(each) }}</span>
            <span class="small soft prices">
              <span v-if="each.pricePerKg != null"
                >{{ price(each.pricePerKg, each.currency) }} a kg</span
              >
              <span v-if="each.pricePerGoodKg != null"
                >{{ price(each.pricePerGoodKg, each.currency) }} a kg of good parts</span
              >
            </span>
          </li>
        </ul>
        <p class="small soft axis">
          <span>now</span><span>in {{ daysShown }} days</span>
        </p>
        <p v-if="unused">
          <button class="button plain small" @click="all = true">
            Show {{ unused === 1 ? 'one' : unused }} not used lately
          </button>
        </p>
      </section>

      <section v-if="supplies.jobs.length" aria-labelledby="jobs-title">
        <h2 id="jobs-title">What jobs to come take</h2>
        <WideTable label="Jobs to come">
          <thead>
            <tr>
              <th>Job</th>
              <th>Filament</th>
              <th>Price of it</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="job in supplies.jobs" :key="job.jobId">
              <td>
                <router-link :to="`/print/jobs/${job.jobId}`">{{ job.name }}</router-link>
              </td>
              <td>{{ grams(job.grams) }}</td>
              <td>{{ price(job.price, job.currency) || 'no price of its lot is known' }}</td>
            </tr>
          </tbody>
        </WideTable>
      </section>

      <section aria-labelledby="other-title">
        <h2 id="other-title">Other things</h2>
        <ul>
          <li v-for="each in supplies.others" :key="each.id" class="row">
            <b>{{ each.name }}</b>
            <span :class="{ call: each.low }"
              >about {{ Math.round(each.left) }} {{ each.unit }} left</span
            >
            <span class="small soft">
              {{
                each.usedUpS == null
                  ? 'nobody said how much goes away'
                  : `used up ${inDays(each.usedUpS, supplies.nowS)}`
              }}{{
                each.least != null
                  ? `; order below ${each.least}${each.unit === 'pieces' ? '' : ` ${each.unit}`}`
                  : ''
              }}
            </span>
            <span>
              <button class="button small" @click="edit(each)">
                count<span class="sr-only">: {{ each.name }}</span>
              </button>
              <button class="button plain small" @click="remove(each)">
                remove<span class="sr-only">: {{ each.name }}</span>
              </button>
            </span>
          </li>
        </ul>
        <p v-if="!editing">
          <button class="button" data-testid="add-supply" @click="edit(null)">
            Add desiccant, adhesive, nozzles …
          </button>
        </p>
        <AppForm v-else class="field-grid" @submit="keep">
          <TextField id="supply-name" v-model="form.name" label="What" name="name" />
          <TextField id="supply-unit" v-model="form.unit" label="Unit" name="unit" />
          <NumberField
            id="supply-amount"
            v-model="form.amount"
            label="There now"
            name="amount"
            :min="0"
          />
          <NumberField
            id="supply-month"
            v-model="form.perMonth"
            label="Goes away in a month"
            name="perMonth"
            :min="0"
          />
          <NumberField
            id="supply-least"
            v-model="form.least"
            label="Order below"
            name="least"
            :min="0"
          />
          <NumberField
            id="supply-price"
            v-model="form.price"
            label="Price of one unit"
            name="price"
            :min="0"
            :step="0.01"
          />
          <TextField id="supply-currency" v-model="form.currency" label="Money" name="currency" />
          <button class="button primary" data-testid="keep-supply">Keep it</button>
          <button type="button" class="button plain" @click="editing = false">Leave it</button>
        </AppForm>
        <ProblemNote v-if="problem" :problem="problem" />
      </section>
    </template>
  </div>
</template>

<style scoped>
.supplies,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
}

.supplies {
  gap: 1.5rem;
  max-width: 66rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
  align-items: center;
  min-height: 2.6rem;
  border-bottom: 1px solid var(--hairline);
}

.row {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.3fr) minmax(0, 1fr) minmax(0, 0.9fr);
  gap: 0.2rem 1rem;
}

.prices {
  display: grid;
}

.days {
  position: relative;
  height: 1.1rem;
  border-left: 2px solid var(--ink);
  background: var(--sheet);
}

.band {
  position: absolute;
  inset: 0.2rem auto 0.2rem 0;
  background: var(--board);
}

.middle {
  position: absolute;
  inset: -2px auto -2px 0;
  border-left: 3px solid var(--ink);
}

.axis {
  display: flex;
  justify-content: space-between;
  width: 30%;
  margin-left: 27%;
}

@media (max-width: 50rem) {
  .row {
    grid-template-columns: minmax(0, 1fr);
    padding: 0.5rem 0;
  }

  .axis {
    width: 100%;
    margin-left: 0;
  }
}
</style>
