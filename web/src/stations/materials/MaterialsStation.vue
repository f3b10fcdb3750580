<script setup lang="ts">
import { inShownUnits, temperature } from '@/parts/format'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { saveAs } from '@/parts/csv'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import { useOptions } from '@/stores/options'
import WideTable from '@/parts/WideTable.vue'
import BalanceCurve from './BalanceCurve.vue'
import OwnLimits from './OwnLimits.vue'
import OwnMaterialForm from './OwnMaterialForm.vue'
import { useOwnLimits } from './ownLimits'

const props = defineProps<{ name?: string }>()

const USES: [Schemas['Figure']['use'], string][] = [
  ['WATER', 'Water'],
  ['DRYING', 'Drying'],
  ['PRINTING', 'Printing'],
]

const GRADES = [
  ['A', "a standard's value"],
  ['B', 'a published measurement'],
  ['C', 'usual in the trade or on data sheets'],
  ['D', 'an estimate or a judgement'],
  ['OWN', 'given here'],
] as const

const options = useOptions()
const own = useOwnLimits()

const shown = computed(
  () => options.materials.find((m) => m.name === props.name) ?? options.materials[0],
)

const acts = useActs()
const router = useRouter()
const ours = ref<Schemas['OwnMaterialView'][]>([])
const editing = ref(false)
const problem = ref<Problem | null>(null)

async function attempt(act: () => Promise<unknown>) {
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
watch(
  () => acts.changes,
  () =>
    attempt(async () => {
      ours.value = await answer(client.GET('/api/own-materials'))
      await options.renewMaterials()
    }),
  { immediate: true },
)
watch(
  () => props.name,
  () => (editing.value = false),
)
const mine = computed(() => ours.value.find((each) => each.name === shown.value?.name) ?? null)
const base = computed(
  () => options.materials.find((each) => each.name === shown.value?.kind) ?? shown.value,
)

async function kept(name: string) {
  editing.value = false
  await options.renewMaterials()
  await router.push(`/materials/${name}`)
}

const download = () =>
  attempt(async () => {
    const file = await answer(client.GET('/api/own-materials/export'))
    saveAs('own-materials.json', JSON.stringify(file, null, 2), 'application/json')
  })

async function take(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) {
    return
  }
  await attempt(async () => {
    let body: Schemas['MaterialsFile']
    try {
      body = JSON.parse(await file.text()) as Schemas['MaterialsFile']
    } catch {
      throw new Problem(
        'The file cannot be read',
        `${file.name} is no JSON. Choose a file that was exported here.`,
      )
    }
    await acts.record(client.POST('/api/own-materials/import', { body }), 'Materials taken in')
  })
}

/** Figures by what they are used for; of printing also what is said in a word. */
const groups = computed(() =>
  USES.map(([use, title]) => ({
    title,
    figures: Object.entries(shown.value?.parameters ?? {}).filter(([, f]) => f.use === use),
    words: use === 'PRINTING' ? (shown.value?.words ?? []) : [],
  })),
)

function figure(material: Schemas['MaterialView'], key: string): number {
  return material.parameters[key]?.value ?? 0
}

/** The figures that hold here, %: this workshop's own, else the table's. */
function limit(material: Schemas['MaterialView']): number {
  return own.of(material.name, null)?.printLimitPercent ?? figure(material, 'printLimitPercent')
}

/** A figure as it is shown: a temperature, or a difference of two, in the unit of the person. */
function inUnits(f: { value: number; unit: string }): { value: string; unit: string } {
  const [value = '', ...unit] = inShownUnits(`${f.value} ${f.unit}`).split(' ')
  return { value, unit: unit.join(' ') }
}

function target(material: Schemas['MaterialView']): number {
  return own.of(material.name, null)?.dryTargetPercent ?? figure(material, 'dryTargetPercent')
}
</script>

<template>
  <div class="columns">
    <nav aria-label="Materials">
      <h1>Materials</h1>
      <router-link to="/materials-compared" class="small">Compare them</router-link>
      <router-link
        v-for="material in options.materials"
        :key="material.name"
        :to="`/materials/${material.name}`"
        :class="{ on: material.name === shown?.name }"
        :aria-current="material.name === shown?.name ? 'page' : undefined"
      >
        <b>{{ material.name }}</b>
        <span class="small soft"
          >target {{ target(material) }} %, limit {{ limit(material) }} %{{
            own.of(material.name, null) ? ', own' : ''
          }}</span
        >
      </router-link>
      <p class="small ours">
        <button v-if="ours.length" class="button plain small" @click="download">
          our own as a file
        </button>
        <label class="take">
          <span>take in a file</span>
          <input type="file" accept="application/json,.json" @change="take" />
        </label>
      </p>
      <ProblemNote v-if="problem" :problem="problem" />
    </nav>
    <section v-if="shown" :aria-label="shown.title">
      <h2>{{ shown.title }}</h2>
      <div class="sheet">
        <h3>Moisture in balance with air, {{ temperature(23) }}</h3>
        <BalanceCurve :points="shown.equilibrium" :target="target(shown)" :limit="limit(shown)" />
      </div>
      <p v-if="mine" class="soft">
        One of our own, like
        <router-link :to="`/materials/${mine.base}`">{{ mine.base }}</router-link>;
        {{ mine.reason }}.
      </p>
      <p v-if="!editing">
        <button class="button" data-testid="derive" @click="editing = true">
          {{ mine ? 'Change its figures' : 'Derive one of our own' }}
        </button>
      </p>
      <OwnMaterialForm
        v-else-if="base"
        :key="shown.name"
        :own="mine"
        :base="base"
        @kept="kept"
        @left="editing = false"
      />
      <OwnLimits
        :material="shown.name"
        :lot-id="null"
        :own="own.of(shown.name, null)"
        :table-limit="figure(shown, 'printLimitPercent')"
        :table-target="figure(shown, 'dryTargetPercent')"
      />
      <WideTable :label="`Figures of ${shown.title}`" class="figures">
        <thead>
          <tr>
            <th>Figure</th>
            <th class="n">Value</th>
            <th>Unit</th>
            <th>Grade</th>
            <th>Source</th>
          </tr>
        </thead>
        <tbody v-for="group in groups" :key="group.title">
          <tr>
            <th colspan="5" scope="rowgroup">{{ group.title }}</th>
          </tr>
          <tr v-for="[key, f] in group.figures" :key="key">
            <td>{{ inShownUnits(f.title) }}</td>
            <td class="n">{{ inUnits(f).value }}</td>
            <td>{{ inUnits(f).unit }}</td>
            <td>{{ f.grade }}</td>
            <td class="small soft">{{ inShownUnits(f.source) }}</td>
          </tr>
          <tr v-for="w in group.words" :key="w.title">
            <td>{{ w.title }}</td>
            <td class="n" colspan="2">{{ w.word }}</td>
            <td>{{ w.grade }}</td>
            <td class="small soft">{{ inShownUnits(w.source) }}</td>
          </tr>
        </tbody>
      </WideTable>
      <p class="small soft grades">
        <template v-for="[grade, meaning] in GRADES" :key="grade">
          <b>{{ grade }}</b> {{ meaning }}.
        </template>
        The label and the maker's data sheet win.
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 13rem minmax(0, 1fr);
  gap: 2rem;
}

nav {
  display: flex;
  flex-direction: column;
}

nav h1 {
  margin-bottom: 0.75rem;
}

nav a {
  display: flex;
  flex-direction: column;
  padding: 0.4rem 0.6rem;
  text-decoration: none;
  border-left: 4px solid transparent;
  line-height: 1.25;
}

nav a:hover {
  background: var(--sheet);
}

nav a.on {
  border-left-color: var(--ink);
  background: var(--sheet);
}

section > h2 {
  font-size: var(--size-4);
  margin-bottom: 0.75rem;
}

.figures {
  margin-top: 1rem;
}

.ours {
  display: grid;
  gap: 0.4rem;
  margin-top: 1rem;
  padding-left: 0.6rem;
}

.take {
  display: grid;
  gap: 0.2rem;
}

.take input {
  max-width: 100%;
}

.grades {
  margin-top: 0.6rem;
}

@media (max-width: 700px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  section {
    overflow-x: auto;
  }
}
</style>
