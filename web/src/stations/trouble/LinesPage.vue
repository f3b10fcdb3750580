<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import ProfilePair from './ProfilePair.vue'
import WallPhoto, { type Wall } from './WallPhoto.vue'

/** One or two photographed walls: marked, compared, matched to what repeats in the machine. */
const walls = reactive<{ first: Wall | null; second: Wall | null }>({ first: null, second: null })
const machine = reactive({
  layerHeightMm: null as number | null,
  screwLeadMm: null as number | null,
  screwPitchMm: null as number | null,
  beltPitchMm: null as number | null,
  pulleyTeeth: null as number | null,
  feedMmPerTurn: null as number | null,
  sectionMm2: null as number | null,
  layerTimeS: null as number | null,
  heaterPeriodS: null as number | null,
})
const FIELDS = [
  ['layerHeightMm', 'Layer height, mm'],
  ['screwLeadMm', 'Screw, a turn, mm'],
  ['screwPitchMm', 'Screw, a thread, mm'],
  ['beltPitchMm', 'Belt, a tooth, mm'],
  ['pulleyTeeth', 'Teeth of its pulley'],
  ['feedMmPerTurn', 'Extruder, filament a turn, mm'],
  ['sectionMm2', 'Melt in a mm of height, mm³'],
  ['layerTimeS', 'Time of a layer, s'],
  ['heaterPeriodS', 'Heater, peak to peak, s'],
] as const

const found = ref<Schemas['LinesAnswer'] | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const busy = ref(false)
const ready = computed(
  () => isMarked(walls.first) && (walls.second === null || isMarked(walls.second)),
)

function isMarked(wall: Wall | null): boolean {
  return wall !== null && wall.bottom !== null && wall.top !== null && wall.heightMm !== null
}

/** Marks and what is known of the machine, as far as it is said. */
function query() {
  const { first, second } = walls
  return {
    bottomX: first?.bottom?.x,
    bottomY: first?.bottom?.y,
    topX: first?.top?.x,
    topY: first?.top?.y,
    heightMm: first?.heightMm ?? undefined,
    secondBottomX: second?.bottom?.x,
    secondBottomY: second?.bottom?.y,
    secondTopX: second?.top?.x,
    secondTopY: second?.top?.y,
    secondHeightMm: second?.heightMm ?? undefined,
    layerHeightMm: machine.layerHeightMm ?? undefined,
    screwLeadMm: machine.screwLeadMm ?? undefined,
    screwPitchMm: machine.screwPitchMm ?? undefined,
    beltPitchMm: machine.beltPitchMm ?? undefined,
    pulleyTeeth: machine.pulleyTeeth ?? undefined,
    feedMmPerTurn: machine.feedMmPerTurn ?? undefined,
    sectionMm2: machine.sectionMm2 ?? undefined,
    layerTimeS: machine.layerTimeS ?? undefined,
    heaterPeriodS: machine.heaterPeriodS ?? undefined,
  }
}

async function compare() {
  const { first, second } = walls
  if (!first) {
    return
  }
  busy.value = true
  try {
    found.value = await answer(
      client.POST('/api/calc/lines', {
        params: { query: query() },
        body: { file: first.file.name, second: second?.file.name },
        // The document knows a file by its name only; a form carries it whole.
        bodySerializer: () => {
          const form = new FormData()
          form.append('file', first.file)
          if (second) {
            form.append('second', second.file)
          }
          return form
        },
      }),
    )
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="lines">
    <header>
      <h1>{{ found?.comparison ? found.comparison.words : 'Lines on a wall' }}</h1>
      <p>
        Two photographs of the same part printed twice tell whether lines come at the same heights;
        one tells how far apart they are. Photographs are read here and not kept.
        <router-link to="/trouble">All cases</router-link>
      </p>
    </header>
    <div class="walls">
      <WallPhoto name="first" title="First wall" @change="walls.first = $event" />
      <WallPhoto
        name="second"
        title="Second wall, if there is one"
        @change="walls.second = $event"
      />
    </div>
    <details>
      <summary>What repeats in the machine</summary>
      <div class="field-grid roomy">
        <NumberField
          v-for="[key, label] in FIELDS"
          :id="`lines-${key}`"
          :key="key"
          v-model="machine[key]"
          :label="label"
          :name="key"
          :min="0"
        />
      </div>
    </details>
    <ProblemNote v-if="problem" :problem="problem" />
    <p>
      <button
        class="button primary"
        :disabled="!ready || busy"
        data-testid="compare-lines"
        @click="compare"
      >
        {{ busy ? 'Looking …' : walls.second ? 'Compare them' : 'Look for spacings' }}
      </button>
    </p>
    <template v-if="found">
      <p v-if="found.comparison" class="soft">
        Correlation {{ found.comparison.correlation.toFixed(2) }} with the second moved by
        {{ found.comparison.shiftMm.toFixed(2) }} mm; walls with such lines elsewhere reach that in
        {{ (100 * found.comparison.chance).toFixed(1) }} of 100.
      </p>
      <ProfilePair :first="found.first" :second="found.second" />
      <template
        v-for="(wall, i) in [found.first, found.second].filter((each) => each !== null)"
        :key="i"
      >
        <section v-if="wall">
          <h2>{{ i ? 'Second wall' : 'First wall' }}</h2>
          <p v-if="wall.caution" class="call">{{ wall.caution }}</p>
          <p v-if="!wall.spacings.length" class="soft">
            No spacing is surer than chance. Lines may still be there at odd heights.
          </p>
          <ul :data-testid="`spacings-${i}`">
            <li v-for="spacing in wall.spacings" :key="spacing.mm">
              <b>{{ spacing.mm.toFixed(2) }} mm</b> ± {{ spacing.unsureMm.toFixed(2) }}, sure to
              {{ (100 * spacing.confidence).toFixed(1) }} %
              <template v-if="spacing.match">
                : the {{ spacing.match }}, {{ spacing.matchMm?.toFixed(2) }} mm</template
              >
            </li>
          </ul>
        </section>
      </template>
    </template>
  </div>
</template>

<style scoped>
.lines {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.2rem;
  max-width: 72rem;
}

.walls {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
  gap: 1.5rem;
}

summary {
  cursor: pointer;
  min-height: 2rem;
}

ul {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
