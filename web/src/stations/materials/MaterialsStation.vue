<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { useOptions } from '@/stores/options'
import WideTable from '@/parts/WideTable.vue'
import BalanceCurve from './BalanceCurve.vue'
import OwnLimits from './OwnLimits.vue'
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
] as const

const options = useOptions()
const own = useOwnLimits()

const shown = computed(
  () => options.materials.find((m) => m.name === props.name) ?? options.materials[0],
)

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

function target(material: Schemas['MaterialView']): number {
  return own.of(material.name, null)?.dryTargetPercent ?? figure(material, 'dryTargetPercent')
}
</script>

<template>
  <div class="columns">
    <nav aria-label="Materials">
      <h1>Materials</h1>
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
    </nav>
    <section v-if="shown" :aria-label="shown.title">
      <h2>{{ shown.title }}</h2>
      <div class="sheet">
        <h3>Moisture in balance with air, 23 °C</h3>
        <BalanceCurve :points="shown.equilibrium" :target="target(shown)" :limit="limit(shown)" />
      </div>
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
            <td>{{ f.title }}</td>
            <td class="n">{{ f.value }}</td>
            <td>{{ f.unit }}</td>
            <td>{{ f.grade }}</td>
            <td class="small soft">{{ f.source }}</td>
          </tr>
          <tr v-for="w in group.words" :key="w.title">
            <td>{{ w.title }}</td>
            <td class="n" colspan="2">{{ w.word }}</td>
            <td>{{ w.grade }}</td>
            <td class="small soft">{{ w.source }}</td>
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
