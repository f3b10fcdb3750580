<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import { ref } from 'vue'
import { client, Problem, type Schemas, type Answer } from '@/api/client'
import { inShownUnits } from '@/parts/format'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import TangleSketch from './TangleSketch.vue'

const props = defineProps<{ page: Schemas['SpoolPage'] }>()

const ENDS: Record<Schemas['SpoolView']['end'], string> = {
  SECURED: 'hooked in',
  IN_HAND: 'in the hand: never put it down',
  LOADED: 'in a printer',
  SUSPECT: 'was loose: a turn may have crossed it',
  TANGLE: 'tangled',
  RUN_OUT: 'run out',
  EMPTY: 'the reel is empty',
}

const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const doing = ref<'dust' | 'heat' | 'empty' | null>(null)
const nozzle = ref(0.6)
const heatC = ref<number | null>(null)
const emptyG = ref<number | null>(null)

const path = () => ({ params: { path: { code: props.page.spool.code } } })

async function record(request: Promise<Answer<unknown>>) {
  try {
    await acts.record(request)
    problem.value = null
    doing.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

function end(act: Schemas['EndActView']) {
  void record(client.POST('/api/spools/{code}/end', { ...path(), body: { act: act.act } }))
}

function dusty() {
  void record(
    client.POST('/api/spools/{code}/quarantine', {
      ...path(),
      body: { smallestNozzleMm: nozzle.value },
    }),
  )
}

function clean() {
  void record(client.POST('/api/spools/{code}/cleanings', { ...path(), body: {} }))
}

function heated() {
  void record(
    client.POST('/api/spools/{code}/heat-events', {
      ...path(),
      body: { temperatureC: heatC.value },
    }),
  )
}

function emptied() {
  void record(
    client.POST('/api/spools/{code}/emptyings', {
      ...path(),
      body: { emptyReelG: emptyG.value },
    }),
  )
}
</script>

<template>
  <section class="handling" aria-label="Handling">
    <h2>
      Loose end:
      <span :class="{ call: ['SUSPECT', 'TANGLE'].includes(page.spool.end) }" data-testid="end">{{
        ENDS[page.spool.end]
      }}</span>
    </h2>
    <div class="acts">
      <button v-for="act in page.endActs" :key="act.act" class="button" @click="end(act)">
        {{ act.title }}
      </button>
    </div>

    <div v-if="page.spool.end === 'SUSPECT' || page.spool.end === 'TANGLE'" class="steps">
      <TangleSketch />
      <ol v-if="page.spool.end === 'SUSPECT'">
        <li>Hold the end. Pull off two turns by hand.</li>
        <li>
          Even pull, and the turn leaves from the outermost layer: wind them back, hook it in.
        </li>
        <li>It catches, or goes under its neighbour: a turn has crossed it.</li>
        <li>Until then no job longer than an hour.</li>
      </ol>
      <ol v-else>
        <li>Unload it and keep the end in the hand. Never pull hard: that locks it.</li>
        <li>Slacken some turns, three to six, up to twenty if it sits deep.</li>
        <li>
          Lift the crossing turns off over the side of the reel, one by one, until the end lies on
          top. Do not pass the end under a turn.
        </li>
        <li>Wind back by hand with light, even pull; hook the end in.</li>
        <li>
          Does not come free: rewind all of it onto an empty reel, warm ({{
            inShownUnits('25 to 40 °C')
          }}) if it is brittle; weigh the new reel.
        </li>
        <li>
          A kink from that work (white mark, flat, bent tighter than 10 mm): cut 20 mm away on both
          sides, the new end at 45°.
        </li>
      </ol>
    </div>

    <p v-if="page.spool.smallestNozzleMm > 0" class="dust">
      Dusty: only nozzles from {{ page.spool.smallestNozzleMm }} mm. Lint and grit do not melt; they
      felt together at the tip.
      <button class="button small" @click="clean">It is wiped clean</button>
    </p>
    <p v-if="page.spool.heated" class="dust">
      It lay hot once: look whether turns part freely and stay round; expect it to be brittle.
    </p>

    <div class="acts">
      <button class="button plain" @click="doing = doing === 'dust' ? null : 'dust'">
        dusty or dropped
      </button>
      <button class="button plain" @click="doing = doing === 'heat' ? null : 'heat'">
        it lay hot
      </button>
      <button
        v-if="!page.spool.empty"
        class="button plain"
        @click="doing = doing === 'empty' ? null : 'empty'"
      >
        it is used up
      </button>
    </div>
    <AppForm v-if="doing === 'dust'" class="act" @submit="dusty">
      <NumberField
        id="dust-nozzle"
        v-model="nozzle"
        name="smallestNozzleMm"
        label="smallest nozzle from now on, mm"
        :min="0.4"
        :max="2"
        :step="0.2"
      />
      <button class="button primary">Set it aside</button>
    </AppForm>
    <AppForm v-if="doing === 'heat'" class="act" @submit="heated">
      <NumberField
        id="heat-c"
        v-model="heatC"
        name="temperatureC"
        label="about how hot, °C (if known)"
        :min="30"
        :max="150"
      />
      <button class="button primary">Record it</button>
    </AppForm>
    <AppForm v-if="doing === 'empty'" class="act" @submit="emptied">
      <NumberField
        id="empty-g"
        v-model="emptyG"
        name="emptyReelG"
        label="the empty reel on the scale, g"
        :min="0"
        :max="5000"
      />
      <button class="button primary">Take it out of stock</button>
      <p class="small soft">Its mass then tells what its siblings of the same maker weigh empty.</p>
    </AppForm>
    <ProblemNote v-if="problem" :problem="problem" />
    <p class="small soft">
      Strands and offcuts into a bin with a lid: small children and pets choke on or tangle in them.
    </p>
  </section>
</template>

<style scoped>
.handling {
  display: grid;
  gap: 0.6rem;
  margin-top: 1.5rem;
  max-width: 56rem;
}

.acts,
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
  align-items: end;
}

.act .field {
  width: 16rem;
}

.steps {
  display: grid;
  grid-template-columns: 15rem minmax(0, 1fr);
  gap: 1rem;
  background: var(--sheet);
  padding: 0.75rem;
}

ol {
  margin: 0;
  padding-left: 1.25rem;
}

li {
  margin-bottom: 0.3rem;
}

.dust {
  border-left: 4px solid var(--ink);
  padding-left: 0.75rem;
}

@media (max-width: 700px) {
  .steps {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
