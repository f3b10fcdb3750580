<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, client } from '@/api/client'
import { useLatestAnswer } from '@/parts/latestAnswer'
import NumberField from '@/parts/NumberField.vue'

/** Whether a distance of bands is one that the machine repeats: asked of whoever can measure it. */
const PAUSE_MS = 200
/** A common upright screw: four threads of 2 mm. */
const USUAL_LEAD_MM = 8
const USUAL_TOOTH_MM = 2
const USUAL_TEETH = 20

const spacing = ref<number | null>(null)
const lead = ref<number | null>(USUAL_LEAD_MM)
const tooth = ref<number | null>(USUAL_TOOTH_MM)
const teeth = ref<number | null>(USUAL_TEETH)

const { view, problem } = useLatestAnswer(
  [spacing, lead, tooth, teeth],
  () =>
    answer(
      client.POST('/api/calc/spacing', {
        body: {
          spacingMm: spacing.value ?? undefined,
          screwLeadMm: lead.value ?? undefined,
          beltPitchMm: tooth.value ?? undefined,
          pulleyTeeth: teeth.value ?? undefined,
        },
      }),
    ),
  PAUSE_MS,
  computed(() => spacing.value !== null),
)

const words = computed(() => {
  if (problem.value) {
    return problem.value.detail
  }
  if (!view.value || spacing.value === null) {
    return null
  }
  const [first] = view.value.at
  return first
    ? `${spacing.value} mm is a ${view.value.at.join(', or a ')}: answer yes.`
    : `Nothing here repeats each ${spacing.value} mm (${view.value.known
        .map((each) => `${each.what} ${each.mm} mm`)
        .join(', ')}): answer no.`
})
</script>

<template>
  <details class="spacing">
    <summary>Measure the distance</summary>
    <p class="small soft">
      Over ten bands, divided by ten. The screw's lead is the height of one turn: mark it, turn it
      once by hand with the power off, and measure.
    </p>
    <div class="field-grid">
      <NumberField
        id="band-spacing"
        v-model="spacing"
        label="From band to band, mm"
        name="spacingMm"
        :min="0.05"
        :max="500"
        :step="0.5"
      />
      <NumberField
        id="screw-lead"
        v-model="lead"
        label="Screw, one turn, mm"
        name="screwLeadMm"
        :min="0.2"
        :max="50"
        :step="1"
      />
      <NumberField
        id="belt-tooth"
        v-model="tooth"
        label="Belt, tooth to tooth, mm"
        name="beltPitchMm"
        :min="0.5"
        :max="20"
        :step="1"
      />
      <NumberField
        id="pulley-teeth"
        v-model="teeth"
        label="Teeth of its pulley"
        name="pulleyTeeth"
        :min="4"
        :max="200"
        :step="1"
      />
    </div>
    <p v-if="words" role="status" data-testid="spacing-words">{{ words }}</p>
  </details>
</template>

<style scoped>
.spacing {
  padding: 0 0 0.5rem 3.6rem;
}

summary {
  min-height: 2rem;
  cursor: pointer;
}
</style>
