<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { hours, metres, temperature } from '@/parts/format'
import { useActs } from '@/stores/acts'
import PlateCard from './PlateCard.vue'
import PlateForm from './PlateForm.vue'
import NewPrinter from './NewPrinter.vue'
import PrinterForm from './PrinterForm.vue'

const acts = useActs()
const printers = ref<Schemas['PrinterView'][] | null>(null)
const plates = ref<Schemas['PlateView'][]>([])
const choices = ref<Schemas['PrintChoicesView'] | null>(null)
const problem = ref<Problem | null>(null)
const open = ref<number | null>(null)
const route = useRoute()
const adding = ref(route.query.add === 'plate')
const addingPrinter = ref(route.query.add === 'printer')

async function read() {
  try {
    const [foundPrinters, foundPlates, found] = await Promise.all([
      answer(client.GET('/api/printers')),
      answer(client.GET('/api/plates')),
      answer(client.GET('/api/print-choices')),
    ])
    printers.value = foundPrinters
    plates.value = foundPlates
    choices.value = found
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
watch(() => acts.changes, read, { immediate: true })

const headline = computed(() => {
  const count = printers.value?.length ?? 0
  return `${count === 1 ? 'One printer' : `${count} printers`}, ${plates.value.length === 1 ? 'one plate' : `${plates.value.length} plates`}`
})

function plateOn(id: number | null | undefined): string {
  const plate = plates.value.find((each) => each.id === id)
  return plate ? `${plate.name} lies on it.` : 'Which plate lies on it is not known.'
}

/** What was just added is described next. */
function added(placeId: number) {
  addingPrinter.value = false
  open.value = placeId
}
</script>

<template>
  <div class="machines">
    <header>
      <h1>{{ headline }}</h1>
      <p class="soft">
        What is said here decides which settings are possible and what holds. What nobody said is
        taken as usual for a desktop printer.
      </p>
    </header>
    <ProblemNote v-if="problem" :problem="problem" />

    <section v-if="printers && choices" aria-labelledby="printers-title">
      <div class="row">
        <h2 id="printers-title">Printers</h2>
        <button
          class="button plain small"
          :aria-expanded="addingPrinter"
          data-testid="add-printer"
          @click="addingPrinter = !addingPrinter"
        >
          {{ addingPrinter ? 'close' : 'Add a printer' }}
        </button>
      </div>
      <NewPrinter v-if="addingPrinter" @done="added" />
      <p v-if="printers.length === 0 && !addingPrinter">
        No printer yet. What it can heat, and what lies around the part, decides what prints well.
      </p>
      <article v-for="printer in printers" :key="printer.placeId" class="thing">
        <div class="row">
          <h3>{{ printer.name }}</h3>
          <button
            class="button plain small"
            :aria-expanded="open === printer.placeId"
            @click="open = open === printer.placeId ? null : printer.placeId"
          >
            {{ open === printer.placeId ? 'close' : 'describe'
            }}<span class="sr-only"> {{ printer.name }}</span>
          </button>
          <router-link class="small" :to="`/place/${printer.placeId}`">its place</router-link>
          <router-link
            class="small"
            :to="{ path: '/trouble', query: { printer: String(printer.placeId) } }"
            >something is wrong<span class="sr-only"> with {{ printer.name }}</span></router-link
          >
        </div>
        <p>
          Hot end {{ printer.hotEndTitle }}, up to {{ temperature(printer.nozzleMaxC) }}; nozzle
          {{ printer.machine.nozzleDiameterMm }} mm of {{ printer.nozzleTitle
          }}{{
            printer.boreGrowthPercent >= 1
              ? `, worn by ${printer.boreGrowthPercent.toFixed(0)} %`
              : ''
          }}; bed up to {{ temperature(printer.machine.bedMaxC) }}; {{ printer.chamberTitle }};
          {{ printer.machine.ventilated ? 'fumes led off' : 'no ventilation known' }}.
          {{ plateOn(printer.plateId) }}
        </p>
        <p class="soft small">
          Last printed: {{ printer.lastMaterial ?? 'not known' }}.
          {{
            printer.printedHours > 0
              ? `${hours(printer.printedHours)} and ${metres(printer.printedMetres)} counted.`
              : ''
          }}
        </p>
        <PrinterForm
          v-if="open === printer.placeId"
          :printer="printer"
          :plates="plates"
          :choices="choices"
          @done="open = null"
        />
      </article>
    </section>

    <section v-if="choices" aria-labelledby="plates-title">
      <div class="row">
        <h2 id="plates-title">Build plates</h2>
        <button
          class="button plain small"
          :aria-expanded="adding"
          data-testid="add-plate"
          @click="adding = !adding"
        >
          {{ adding ? 'close' : 'Add a plate' }}
        </button>
      </div>
      <PlateForm v-if="adding" :choices="choices" @done="adding = false" />
      <PlateCard v-for="plate in plates" :key="plate.id" :plate="plate" :choices="choices" />
    </section>
  </div>
</template>

<style scoped>
.machines {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.6rem;
  max-width: 68rem;
}

.thing {
  padding: 0.8rem 0;
  border-top: 1px solid var(--hairline);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  align-items: baseline;
}
</style>
