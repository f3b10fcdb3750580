<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { inShownUnits, ago, dateTime, grams, hours } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import WideTable from '@/parts/WideTable.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

/** Cases: those that are open, how to begin one, and what causes cost here. */
const POLL_MS = 30_000
const SHOWN = 8
const acts = useActs()
const shelf = useShelf()
const router = useRouter()
const opening = ref<Problem | null>(null)
useFormProblem(opening)
const route = useRoute()
const form = reactive({
  title: '',
  code: typeof route.query.code === 'string' ? route.query.code : '',
  printerId: Number(route.query.printer ?? 0),
})

const { view, problem } = usePolled(
  [() => acts.changes],
  async () => {
    const [troubles, prints, printers, learning] = await Promise.all([
      answer(client.GET('/api/troubles')),
      answer(client.GET('/api/prints')),
      answer(client.GET('/api/printers')),
      answer(client.GET('/api/trouble-learning')),
    ])
    return { troubles, prints, printers, learning, nowS: Date.now() / 1000 }
  },
  () => POLL_MS,
)
const open = computed(() => view.value?.troubles.open ?? [])
const closed = computed(() => view.value?.troubles.closed ?? [])
const causes = computed(() => view.value?.troubles.causes ?? [])
const failed = computed(() =>
  (view.value?.prints.ended ?? [])
    .filter((run) => run.outcome === 'FAILED' || run.outcome === 'FLAWED')
    .slice(0, SHOWN),
)
const headline = computed(() => {
  const count = open.value.length
  return count === 0 ? 'No open case' : count === 1 ? 'One open case' : `${count} open cases`
})
const printers = computed(() => [
  { value: 0, label: 'none' },
  ...(view.value?.printers ?? []).map((each) => ({ value: each.placeId, label: each.name })),
])
const spools = computed(() => [
  { value: '', label: 'none' },
  ...shelf.spools.map((spool) => ({
    value: spool.code,
    label: `${spool.code} ${spool.materialTitle} ${spool.colourName}`,
  })),
])
const standOuts = computed(() => view.value?.troubles.standOuts ?? [])

/** Counts with the band of their share: evidence, not a colour. */
function counted(share: Schemas['FailedShareView']): string {
  return `${share.failed} of ${share.prints} prints (${percent(share.low)} to ${percent(share.high)})`
}

const most = computed(() => Math.max(1, ...causes.value.map((each) => each.cases)))

async function begin(body: { runId?: number; code?: string; printerId?: number; title?: string }) {
  try {
    const trouble = await acts.record(client.POST('/api/troubles', { body }))
    opening.value = null
    await router.push(`/trouble/${trouble.id}`)
  } catch (cause) {
    opening.value = Problem.of(cause)
  }
}

const forgetting = ref(false)
async function forget() {
  try {
    await acts.record(client.POST('/api/trouble-learning/reset'))
    forgetting.value = false
  } catch (cause) {
    opening.value = Problem.of(cause)
  }
}

function percent(share: number): string {
  return `${(100 * share).toFixed(0)} %`
}
</script>

<template>
  <div class="trouble">
    <h1>{{ headline }}</h1>
    <p class="soft">
      <router-link to="/trouble/steps">Step by step</router-link> ·
      <router-link to="/trouble/lines">Lines on a wall</router-link> ·
      <router-link to="/trouble/practise">Practise</router-link>
    </p>
    <ProblemNote v-if="problem" :problem="problem" />

    <section v-if="open.length" aria-labelledby="open-title">
      <h2 id="open-title">Open</h2>
      <ul class="lines">
        <li v-for="each in open" :key="each.id">
          <router-link :to="`/trouble/${each.id}`">{{ inShownUnits(each.title) }}</router-link>
          <span class="soft">
            {{ [each.material, each.code, each.printer].filter(Boolean).join(', ') }}
            {{ ago(each.openedS, view?.nowS ?? 0) }}
          </span>
        </li>
      </ul>
    </section>

    <section aria-labelledby="begin-title">
      <h2 id="begin-title">What went wrong?</h2>
      <template v-if="failed.length">
        <p class="soft">From a print that came out badly:</p>
        <ul class="lines">
          <li v-for="run in failed" :key="run.id">
            <button class="button plain" @click="begin({ runId: run.id })">{{ run.name }}</button>
            <span class="soft">
              {{ run.outcomeTitle }}, {{ run.material }} on {{ run.printer }},
              {{ run.endedS == null ? '' : dateTime(run.endedS) }}
            </span>
          </li>
        </ul>
      </template>
      <p class="soft">{{ failed.length ? 'Or from' : 'From' }} a spool, a printer, or nothing:</p>
      <AppForm
        class="field-grid roomy"
        @submit="
          begin({
            code: form.code || undefined,
            printerId: form.printerId || undefined,
            title: form.title || undefined,
          })
        "
      >
        <TextField id="trouble-title" v-model="form.title" label="In a few words" name="title" />
        <ChoiceField
          id="trouble-spool"
          v-model="form.code"
          label="Spool"
          :options="spools"
          filterable
        />
        <ChoiceField
          id="trouble-printer"
          v-model="form.printerId"
          label="Printer"
          :options="printers"
        />
        <button class="button primary" data-testid="begin-case">Look for the cause</button>
      </AppForm>
      <ProblemNote v-if="opening" :problem="opening" />
    </section>

    <section v-if="standOuts.length" aria-labelledby="out-title">
      <h2 id="out-title">Fails more often than the others</h2>
      <ul class="lines">
        <li v-for="each in standOuts" :key="each.kind + each.name">
          <b>{{ each.kind }} {{ inShownUnits(each.name) }}:</b>
          <span>{{ counted(each.its) }}; all others {{ counted(each.others) }}.</span>
        </li>
      </ul>
    </section>

    <section v-if="causes.length" aria-labelledby="causes-title">
      <h2 id="causes-title">What it was, here</h2>
      <ul class="causes">
        <li v-for="each in causes" :key="each.cause">
          <span class="bar" :style="{ width: `${(100 * each.cases) / most}%` }" />
          <span class="name">{{ inShownUnits(each.name) }}</span>
          <span class="soft">
            {{ each.cases === 1 ? 'once' : `${each.cases} times` }}, cost
            {{ grams(each.lostG) }} and {{ hours(each.lostHours) }}
          </span>
        </li>
      </ul>
    </section>

    <section v-if="closed.length" aria-labelledby="closed-title">
      <h2 id="closed-title">Closed</h2>
      <WideTable label="Closed cases">
        <thead>
          <tr>
            <th>Case</th>
            <th>Closed</th>
            <th>It was</th>
            <th>The remedy</th>
            <th>Where</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in closed.slice(0, 20)" :key="each.id">
            <td>
              <router-link :to="`/trouble/${each.id}`">{{ inShownUnits(each.title) }}</router-link>
            </td>
            <td>{{ each.closedS == null ? '' : dateTime(each.closedS) }}</td>
            <td>{{ each.cause }}</td>
            <td>
              {{
                { YES: 'worked', NO: 'did not work', NOT_TRIED: 'was not tried' }[
                  each.worked ?? 'NOT_TRIED'
                ]
              }}
            </td>
            <td>{{ [each.material, each.code, each.printer].filter(Boolean).join(', ') }}</td>
          </tr>
        </tbody>
      </WideTable>
    </section>

    <section v-if="view && view.learning.cases" aria-labelledby="learned-title">
      <h2 id="learned-title">
        Learned from {{ view.learning.cases === 1 ? 'one case' : `${view.learning.cases} cases` }}
        whose remedy worked
      </h2>
      <ul v-if="view.learning.links.length" class="small">
        <li v-for="(link, i) in view.learning.links.slice(0, 6)" :key="i">
          {{ link.cause }} shows "{{ link.sign }}" in {{ percent(link.after) }} of cases; the table
          says {{ percent(link.before) }}.
        </li>
      </ul>
      <p>
        <button v-if="!forgetting" class="button" @click="forgetting = true">
          Forget what was learned
        </button>
        <template v-else>
          The cases stay in the record; causes are ranked by the table again.
          <button class="button primary" @click="forget">Forget it</button>
          <button class="button plain" @click="forgetting = false">Keep it</button>
        </template>
      </p>
    </section>
  </div>
</template>

<style scoped>
.trouble {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.6rem;
  max-width: 66rem;
}

section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}

.lines,
.causes {
  margin: 0;
  padding: 0;
  list-style: none;
}

.lines li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
  align-items: center;
  min-height: 2.4rem;
  border-bottom: 1px solid var(--hairline);
}

.causes li {
  position: relative;
  display: grid;
  grid-template-columns: minmax(10rem, 22rem) 1fr;
  gap: 0 1rem;
  padding: 0.35rem 0.5rem;
}

.bar {
  position: absolute;
  inset: 0 auto 0 0;
  z-index: 0;
  background: var(--forecast);
}

.name,
.causes .soft {
  position: relative;
}

@media (max-width: 40rem) {
  .causes li {
    grid-template-columns: 1fr;
  }
}
</style>
