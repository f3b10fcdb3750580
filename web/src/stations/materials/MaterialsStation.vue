<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import BalanceCurve from './BalanceCurve.vue'

const props = defineProps<{ name?: string }>()

const NAMES: Record<string, string> = {
  diffusivityAt23CM2PerS: 'diffusivity of water at 23 °C',
  diffusionActivationJPerMol: 'its activation energy',
  sorptionHenryFraction: 'uptake, slope at low humidity',
  sorptionSaturationFraction: 'uptake at 100 % humidity',
  sorptionExponent: 'exponent of the rise above',
  sorptionHeatKJPerMol: 'heat that binds water beyond condensing',
  wetDiffusivityExponent: 'how water speeds diffusion',
  packFactor: 'vapour between wraps, times theory',
  densityKgPerM3: 'density',
  heatCapacityJPerKgK: 'heat capacity',
  dryingTemperatureC: 'usual drying temperature',
  dryingCeilingC: 'highest drying temperature',
  dryTargetPercent: 'dry target',
  printLimitPercent: 'print limit',
  dampStartLowerK: 'begins cooler when damp, by',
}

const GRADES = [
  ['A', "a standard's value"],
  ['B', 'a published measurement'],
  ['C', 'usual in the trade or on data sheets'],
  ['D', 'an estimate or a judgement'],
] as const

const materials = ref<Schemas['MaterialView'][]>([])
const problem = ref<Problem | null>(null)

onMounted(async () => {
  try {
    materials.value = await answer(client.GET('/api/materials'))
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
})

const shown = computed(
  () => materials.value.find((m) => m.name === props.name) ?? materials.value[0],
)

function figure(material: Schemas['MaterialView'], key: string): number {
  return material.parameters[key]?.value ?? 0
}
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem" />
  <div class="columns">
    <nav aria-label="Materials">
      <h1>Materials</h1>
      <router-link
        v-for="material in materials"
        :key="material.name"
        :to="`/materials/${material.name}`"
        :class="{ on: material.name === shown?.name }"
        :aria-current="material.name === shown?.name ? 'page' : undefined"
      >
        <b>{{ material.name }}</b>
        <span class="small soft"
          >target {{ figure(material, 'dryTargetPercent') }} %, limit
          {{ figure(material, 'printLimitPercent') }} %</span
        >
      </router-link>
    </nav>
    <section v-if="shown" :aria-label="shown.title">
      <h2>{{ shown.title }}</h2>
      <div class="sheet">
        <h3>Moisture in balance with air, 23 °C</h3>
        <BalanceCurve
          :points="shown.equilibrium"
          :target="figure(shown, 'dryTargetPercent')"
          :limit="figure(shown, 'printLimitPercent')"
        />
      </div>
      <table class="table figures">
        <thead>
          <tr>
            <th>Figure</th>
            <th class="n">Value</th>
            <th>Unit</th>
            <th>Grade</th>
            <th>Source</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(f, key) in shown.parameters" :key="key">
            <td>{{ NAMES[key] ?? key }}</td>
            <td class="n">{{ f.value }}</td>
            <td>{{ f.unit }}</td>
            <td>{{ f.grade }}</td>
            <td class="small soft">{{ f.source }}</td>
          </tr>
        </tbody>
      </table>
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
