<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { answer, client, Problem } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useLatestAnswer } from '@/parts/latestAnswer'
import { grid } from '@/parts/numbers'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'

/** Heights of a plate at a grid of points: what levelling takes away, and what is left. */
const WAIT_MS = 300
const CELL = 70
const route = useRoute()
const acts = useActs()
const text = ref('')
const plateId = ref(Number(route.query.plate ?? 0))
const problem = ref<Problem | null>(null)
const kept = ref(false)
const plates = ref<{ value: number; label: string }[]>([])
answer(client.GET('/api/plates'))
  .then((read) => (plates.value = read.map(({ id, name }) => ({ value: id, label: name }))))
  .catch((cause: unknown) => (problem.value = Problem.of(cause)))

const heights = computed(() => grid(text.value))
const isReady = computed(() => heights.value.length >= 3)
const { view, problem: refused } = useLatestAnswer(
  [heights],
  async () => answer(client.POST('/api/upkeep/flatness', { body: { heights: heights.value } })),
  WAIT_MS,
  isReady,
)
watch(heights, () => (kept.value = false))
const found = computed(() => (isReady.value && !refused.value ? view.value : null))
const most = computed(() =>
  Math.max(0.05, ...(found.value?.overMm.flat().map((each) => Math.abs(each)) ?? [])),
)

async function keep() {
  try {
    await acts.record(
      client.POST('/api/upkeep/done', {
        body: {
          task: 'plate_flat',
          subject: 'PLATE',
          subjectId: plateId.value,
          measured: Math.round(100 * (found.value?.rangeMm ?? 0)) / 100,
          measuredUnit: 'mm',
          note: found.value?.words.slice(0, 480),
        },
      }),
      'Kept with the plate',
    )
    kept.value = true
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <div class="flatness">
    <h1>How flat is the plate?</h1>
    <p class="soft">
      Heat it as for printing and wait ten minutes. Heights in mm at a grid of 3 by 3 points or
      more: a row for each line, the front first, each from left to right. The plate is hot: keep
      hands off it.
    </p>
    <div class="columns">
      <label>
        <span class="soft">Heights</span>
        <textarea
          v-model="text"
          rows="6"
          placeholder="0.05 0.00 0.02&#10;0.00 -0.03 0.01&#10;0.04 0.02 0.11"
          data-testid="heights"
        />
      </label>
      <section v-if="found" aria-live="polite" data-testid="flatness">
        <h2>{{ found.rangeMm.toFixed(2) }} mm once it is level</h2>
        <p>{{ found.words }}</p>
        <svg
          :viewBox="`0 0 ${CELL * (found.overMm[0]?.length ?? 1)} ${CELL * found.overMm.length}`"
          role="img"
          aria-label="Heights once it is level, the front below"
        >
          <template v-for="(row, r) in [...found.overMm].reverse()" :key="r">
            <g v-for="(height, c) in row" :key="c" :class="{ low: height < 0 }">
              <rect
                :x="CELL * c + 2"
                :y="CELL * r + 2"
                :width="CELL - 4"
                :height="CELL - 4"
                class="cell"
              />
              <rect
                :x="CELL * c + 8"
                :y="CELL * (r + 0.5) - (height > 0 ? (CELL / 2 - 8) * (height / most) : 0)"
                :width="10"
                :height="(CELL / 2 - 8) * (Math.abs(height) / most)"
                class="height"
              />
              <text :x="CELL * (c + 0.6)" :y="CELL * (r + 0.55)" text-anchor="middle">
                {{ height.toFixed(2) }}
              </text>
            </g>
          </template>
        </svg>
        <p class="small soft">The front is below. Bars up are high, bars down are low.</p>
        <div class="keep">
          <ChoiceField id="flat-plate" v-model="plateId" label="Plate" :options="plates" />
          <button class="button primary" :disabled="!plateId" @click="keep">
            Keep it with the plate
          </button>
          <span v-if="kept">Kept.</span>
        </div>
      </section>
    </div>
    <ProblemNote v-if="refused" :problem="refused" />
    <ProblemNote v-if="problem" :problem="problem" />
    <p><router-link to="/upkeep">Upkeep</router-link></p>
  </div>
</template>

<style scoped>
.flatness,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.8rem;
  align-content: start;
}

.columns {
  display: grid;
  grid-template-columns: minmax(14rem, 20rem) minmax(0, 1fr);
  gap: 2rem;
}

label {
  display: grid;
  gap: 0.3rem;
  align-content: start;
}

textarea {
  padding: 0.6rem;
  border: 2px solid var(--ink);
  border-radius: var(--corner);
  background: var(--field);
  color: inherit;
  font: inherit;
}

svg {
  max-width: 30rem;
  max-height: 26rem;
}

.cell {
  fill: var(--sheet);
  stroke: var(--hairline);
}

.height {
  fill: var(--ink);
}

.low .height {
  fill: var(--call);
}

text {
  font-size: 15px;
  fill: var(--ink);
}

.keep {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: end;
}

@media (max-width: 50rem) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
