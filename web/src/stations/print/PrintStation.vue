<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, client, Problem } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import { grams, hours, moment } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import WideTable from '@/parts/WideTable.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

const POLL_MS = 15_000
const acts = useActs()
const shelf = useShelf()
const router = useRouter()
const route = useRoute()
const adding = ref<Problem | null>(null)
useFormProblem(adding)
const form = reactive({
  name: '',
  of: String(route.query.of ?? ''),
  grams: 100 as number | null,
  hours: 4 as number | null,
})

const { view, problem } = usePolled(
  [() => acts.changes],
  async () => {
    const [prints, jobs, printers] = await Promise.all([
      answer(client.GET('/api/prints')),
      answer(client.GET('/api/jobs')),
      answer(client.GET('/api/printers')),
    ])
    return { prints, jobs, printers }
  },
  () => POLL_MS,
)
const running = computed(() => view.value?.prints.running ?? [])
const ended = computed(() => (view.value?.prints.ended ?? []).slice(0, 12))
const toCome = computed(() => (view.value?.jobs ?? []).filter((job) => job.startedS == null))
const nowS = computed(() => view.value?.prints.nowS ?? Date.now() / 1000)
const materials = computed(() => [...new Set(shelf.spools.map((spool) => spool.material))].sort())

const headline = computed(() => {
  if (!view.value) {
    return 'Print'
  }
  const free = view.value.printers.filter(
    (printer) => !running.value.some((run) => run.printerId === printer.placeId),
  ).length
  return `${count(running.value.length, 'print', 'No print', 'One print')} running, ${count(free, 'printer', 'no printer', 'one printer')} free`
})

function count(of: number, word: string, none: string, one: string): string {
  return of === 0 ? none : of === 1 ? one : `${of} ${word}s`
}

async function add() {
  const spool = shelf.spools.some((each) => each.code === form.of)
  try {
    const job = await acts.record(
      client.POST('/api/jobs', {
        body: {
          name: form.name,
          material: spool ? undefined : form.of || undefined,
          code: spool ? form.of : undefined,
          grams: form.grams ?? undefined,
          hours: form.hours ?? undefined,
        },
      }),
    )
    adding.value = null
    await router.push(`/print/jobs/${job.id}`)
  } catch (cause) {
    adding.value = Problem.of(cause)
  }
}
</script>

<template>
  <div class="print">
    <header class="row">
      <h1>{{ headline }}</h1>
      <router-link to="/print/choose">Choose a material</router-link>
      <router-link to="/print/machines">Printers and plates</router-link>
      <router-link to="/print/compare">Sheets side by side</router-link>
    </header>
    <ProblemNote v-if="problem" :problem="problem" />

    <section v-if="running.length" aria-labelledby="running-title">
      <h2 id="running-title">Printing</h2>
      <ul class="runs">
        <li v-for="run in running" :key="run.id">
          <router-link :to="`/print/runs/${run.id}`">
            <b>{{ run.name }}</b> on {{ run.printer }}
          </router-link>
          <div class="bar" :aria-label="`${run.progressPercent.toFixed(0)} % done`" role="img">
            <div :style="{ width: `${run.progressPercent}%` }"></div>
          </div>
          <span class="small soft">
            {{ run.progressPercent.toFixed(0) }} %, until
            {{ run.endsS == null ? 'soon' : moment(run.endsS, nowS) }}
          </span>
          <span v-if="run.runOut" class="call">its filament has run out</span>
        </li>
      </ul>
    </section>

    <section aria-labelledby="queue-title">
      <h2 id="queue-title">To come</h2>
      <p v-if="view && toCome.length === 0" class="soft">
        No job is waiting. Add one below; it is the same list as in the plan.
      </p>
      <WideTable v-if="toCome.length" label="Jobs to come">
        <thead>
          <tr>
            <th>Job</th>
            <th>Starts</th>
            <th>From</th>
            <th class="number">Takes</th>
            <th class="number desk">Filament</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="job in toCome" :key="job.id">
            <td>
              <router-link :to="`/print/jobs/${job.id}`">{{ job.name }}</router-link>
            </td>
            <td>{{ job.someTime ? 'some time this week' : moment(job.startS, nowS) }}</td>
            <td :class="{ code: job.code }">{{ job.code ?? job.material }}</td>
            <td class="number">{{ hours(job.hours) }}</td>
            <td class="number desk">{{ grams(job.grams) }}</td>
          </tr>
        </tbody>
      </WideTable>
    </section>

    <section aria-labelledby="new-title">
      <h2 id="new-title">A new job</h2>
      <AppForm class="field-grid roomy" @submit="add">
        <TextField id="new-name" v-model="form.name" label="Name" name="name" />
        <div class="field">
          <label for="new-of">Material or spool</label>
          <el-select
            id="new-of"
            v-model="form.of"
            filterable
            default-first-option
            aria-label="Material or spool"
          >
            <el-option v-for="it in materials" :key="it" :value="it" :label="it" />
            <el-option
              v-for="it in shelf.spools"
              :key="it.code"
              :value="it.code"
              :label="`${it.code}, ${it.material} ${it.colourName}`"
            />
          </el-select>
        </div>
        <NumberField
          id="new-grams"
          v-model="form.grams"
          label="Filament about, g"
          name="grams"
          :min="0.1"
          :max="20000"
        />
        <NumberField
          id="new-hours"
          v-model="form.hours"
          label="Hours about"
          name="hours"
          :min="0.05"
          :max="1000"
        />
        <button class="button primary">Add and set up</button>
      </AppForm>
      <ProblemNote v-if="adding" :problem="adding" />
    </section>

    <section v-if="ended.length" aria-labelledby="ended-title">
      <h2 id="ended-title">Printed</h2>
      <WideTable label="Prints that ended">
        <thead>
          <tr>
            <th>Print</th>
            <th>Ended</th>
            <th>How</th>
            <th class="desk">On</th>
            <th class="number">Foretold</th>
            <th class="number desk">Used</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="run in ended" :key="run.id">
            <td>
              <router-link :to="`/print/runs/${run.id}`">{{ run.name }}</router-link>
            </td>
            <td>{{ moment(run.endedS ?? 0, nowS) }}</td>
            <td :class="{ call: run.outcome === 'FAILED' }">{{ run.outcomeTitle }}</td>
            <td class="desk">{{ run.printer }}, {{ run.plate }}</td>
            <td class="number">
              {{
                run.adhesionRatio == null
                  ? 'no sheet'
                  : Math.max(run.adhesionRatio, run.plateRatio ?? 0).toFixed(2)
              }}
            </td>
            <td class="number desk">{{ run.usedG == null ? '' : grams(run.usedG) }}</td>
          </tr>
        </tbody>
      </WideTable>
    </section>
  </div>
</template>

<style scoped>
.print {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.6rem;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 1.4rem;
  align-items: baseline;
}

.runs {
  display: grid;
  gap: 0.8rem;
  margin: 0.5rem 0;
  padding: 0;
  list-style: none;
}

.runs li {
  display: grid;
  grid-template-columns: minmax(12rem, 18rem) minmax(8rem, 1fr) auto;
  gap: 0.3rem 1rem;
  align-items: center;
}

.bar {
  height: 0.7rem;
  border: 1px solid var(--ink);
}

.bar div {
  height: 100%;
  background: var(--ink);
}

@media (max-width: 640px) {
  .runs li {
    grid-template-columns: 1fr;
  }
}
</style>
