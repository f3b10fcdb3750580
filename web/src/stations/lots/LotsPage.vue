<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import WideTable from '@/parts/WideTable.vue'
import { useFormProblem } from '@/parts/formProblem'
import TextField from '@/parts/TextField.vue'
import { onMounted, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import OwnLimits from '../materials/OwnLimits.vue'
import { useOwnLimits } from '../materials/ownLimits'
import { useOptions } from '@/stores/options'
import NumberField from '@/parts/NumberField.vue'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import { useConflict } from '@/parts/conflict'
import ProblemNote from '@/parts/ProblemNote.vue'
import { grams, temperature } from '@/parts/format'
import { useActs } from '@/stores/acts'

const acts = useActs()
const options = useOptions()
const own = useOwnLimits()
const lots = ref<Schemas['LotView'][]>([])
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const changing = ref<number | null>(null)
const form = reactive({
  maker: '',
  batch: '',
  price: null as number | null,
  currency: '' as string,
  nozzleLowC: null as number | null,
  nozzleHighC: null as number | null,
  bedLowC: null as number | null,
  bedHighC: null as number | null,
  ownNozzleC: null as number | null,
  ownFlowPercent: null as number | null,
  ownDiameterMm: null as number | null,
  version: 0,
})

/** Fields that two people may have changed, in words. */
const LABELS = {
  maker: 'maker',
  batch: 'batch',
  price: 'price',
  currency: 'currency',
  nozzleLowC: 'nozzle from, °C',
  nozzleHighC: 'nozzle to, °C',
  bedLowC: 'bed from, °C',
  bedHighC: 'bed to, °C',
  ownNozzleC: 'own nozzle, °C',
  ownFlowPercent: 'own flow, %',
  ownDiameterMm: 'own diameter, mm',
}

const { keepMine, takeTheirs } = useConflict<Schemas['LotView']>(
  problem,
  (version) => {
    form.version = version
    void save()
  },
  show,
)

function show(lot: Schemas['LotView']) {
  Object.assign(form, lot, { currency: lot.currency ?? '' })
}

async function read() {
  try {
    lots.value = await answer(client.GET('/api/lots'))
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
onMounted(read)
watch(() => acts.changes, read)

function change(lot: Schemas['LotView']) {
  changing.value = changing.value === lot.id ? null : lot.id
  problem.value = null
  show(lot)
}

async function save() {
  if (changing.value === null) {
    return
  }
  try {
    const { maker, batch, price, currency, nozzleLowC, nozzleHighC } = form
    const { bedLowC, bedHighC, ownNozzleC, ownFlowPercent, ownDiameterMm } = form
    await acts.record(
      client.PUT('/api/lots/{id}', {
        params: { path: { id: changing.value } },
        body: {
          maker,
          batch,
          price,
          currency,
          nozzleLowC,
          nozzleHighC,
          bedLowC,
          bedHighC,
          ownNozzleC,
          ownFlowPercent,
          ownDiameterMm,
          version: form.version,
        },
      }),
    )
    changing.value = null
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

function figure(material: string, key: string): number {
  return options.materials.find((each) => each.name === material)?.parameters[key]?.value ?? 0
}

function range(low: number | null, high: number | null): string {
  const [from, to] = [low, high].map((c) => (c === null ? '…' : temperature(c)))
  return low === null && high === null ? '' : `${from} to ${to}`
}
</script>

<template>
  <h1>Lots</h1>
  <p class="soft intro">
    A lot is one maker, material, colour and batch. What was calibrated for it goes before the
    label. Jams, failures and the cost of a good print are counted once prints are recorded.
  </p>
  <p v-if="lots.length === 0">
    None yet: give the maker when <router-link to="/receive">receiving</router-link>.
  </p>
  <WideTable v-else label="Lots">
    <thead>
      <tr>
        <th>Maker, batch</th>
        <th>Filament</th>
        <th>In stock</th>
        <th class="n">Used up</th>
        <th class="n">Used</th>
        <th class="n">Price</th>
        <th>Label</th>
        <th>Own values</th>
        <th><span class="sr-only">change</span></th>
      </tr>
    </thead>
    <tbody>
      <template v-for="lot in lots" :key="lot.id">
        <tr>
          <td>{{ lot.maker }} {{ lot.batch }}</td>
          <td>{{ lot.material }} {{ lot.colourName }}</td>
          <td>
            <router-link
              v-for="code in lot.spools"
              :key="code"
              class="code"
              :to="`/spool/${code}`"
              >{{ code }}</router-link
            >
          </td>
          <td class="n">{{ lot.usedUp }}</td>
          <td class="n">{{ grams(lot.usedG) }}</td>
          <td class="n">
            <template v-if="lot.pricePerKg !== null"
              >{{ lot.pricePerKg.toFixed(2) }} {{ lot.currency }}/kg</template
            >
          </td>
          <td>
            {{ range(lot.nozzleLowC, lot.nozzleHighC) }}
            <template v-if="lot.bedLowC !== null || lot.bedHighC !== null"
              >, bed {{ range(lot.bedLowC, lot.bedHighC) }}</template
            >
          </td>
          <td>
            <template v-if="lot.ownNozzleC !== null">{{ temperature(lot.ownNozzleC) }} </template>
            <template v-if="lot.ownFlowPercent !== null">flow {{ lot.ownFlowPercent }} % </template>
            <template v-if="lot.ownDiameterMm !== null">{{ lot.ownDiameterMm }} mm</template>
            <span v-if="lot.tangles" class="call">{{ lot.tangles }} tangles</span>
          </td>
          <td>
            <button class="button plain small" @click="change(lot)">change</button>
          </td>
        </tr>
        <tr v-if="changing === lot.id">
          <td colspan="9">
            <OwnLimits
              :material="lot.material"
              :lot-id="lot.id"
              :own="own.of(lot.material, lot.id)"
              :table-limit="figure(lot.material, 'printLimitPercent')"
              :table-target="figure(lot.material, 'dryTargetPercent')"
            />
            <AppForm @submit="save">
              <NumberField
                id="lot-nozzle"
                v-model="form.ownNozzleC"
                name="ownNozzleC"
                label="own nozzle, °C"
                :controls="false"
              />
              <NumberField
                id="lot-flow"
                v-model="form.ownFlowPercent"
                name="ownFlowPercent"
                label="own flow, %"
                :controls="false"
              />
              <NumberField
                id="lot-diameter"
                v-model="form.ownDiameterMm"
                name="ownDiameterMm"
                label="own diameter, mm"
                :controls="false"
              />
              <NumberField
                id="lot-price"
                v-model="form.price"
                name="price"
                label="price of one"
                :controls="false"
              />
              <TextField
                id="lot-currency"
                v-model="form.currency"
                label="currency"
                name="currency"
                maxlength="3"
              />
              <button v-if="!problem?.current" class="button primary">Keep the change</button>
            </AppForm>
            <ConflictChoice
              v-if="problem?.current"
              :problem="problem"
              :mine="form"
              :labels="LABELS"
              @mine="keepMine"
              @theirs="takeTheirs"
            />
            <ProblemNote v-else-if="problem" :problem="problem" />
          </td>
        </tr>
      </template>
    </tbody>
  </WideTable>
</template>

<style scoped>
.intro {
  max-width: 46rem;
  margin: 0.3rem 0 1rem;
}

td .button.plain {
  min-height: 1.5rem;
  padding-block: 0;
}

.code {
  margin-right: 0.5rem;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
}

form .field {
  width: 9rem;
}
</style>
