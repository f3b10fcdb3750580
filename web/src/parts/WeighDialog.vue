<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import { useFormProblem } from '@/parts/formProblem'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { Problem } from '@/api/client'
import { useActs } from '@/stores/acts'
import { useShelf, type Spool } from '@/stores/shelf'
import { grams } from './format'
import AppForm from './AppForm.vue'
import ProblemNote from './ProblemNote.vue'
import ScaleLine from './ScaleLine.vue'

const props = withDefaults(
  defineProps<{
    spool: Spool
    emptyReelG?: { low: number; typical: number; high: number }
    /** Whether there is a weighing to compare this one with, as far as is known here. */
    weighedBefore?: boolean
  }>(),
  { emptyReelG: undefined, weighedBefore: true },
)
const emit = defineEmits<{ close: [] }>()

const acts = useActs()
const input = useTemplateRef('input')
const typed = ref('')
const at = ref<Date | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const busy = ref(false)
/** So much more than expected is asked about: water alone is seldom as much. */
const LEAST_MORE_G = 15
const LEAST_MORE = 0.03
/** A mass so near to what is expected fits a spool, or two steps of the scale. */
const FITS_G = 3
/** As is the use of so large a share of what was left. */
const MOST_USED = 0.6
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const

const gross = computed(() => Number(typed.value.replace(',', '.')))
const net = computed(() => {
  const empty = props.emptyReelG
  if (!empty || !(gross.value > 0)) {
    return null
  }
  const left = (tare: number) => Math.max(0, gross.value - tare)
  return empty.low === empty.high
    ? `${grams(left(empty.typical))} of filament`
    : `${grams(left(empty.typical))} of filament (${left(empty.high).toFixed(0)} to ${left(empty.low).toFixed(0)}: the empty reel's mass is not known)`
})

const shelf = useShelf()
/** In a dryer nothing is used, so there it is the likelier answer. */
const nothingUsed = ref(
  props.weighedBefore &&
    shelf.places.find((each) => each.place.id === props.spool.placeId)?.place.kind === 'DRYER',
)

interface Rested {
  typed: string
  stepG: number
  placeId: number | null
}

/** The mass that a scale gave; typing over it makes it a person's. */
const fromScale = ref<Rested | null>(null)

/** What the scale shows while something else is being typed: offered, never forced. */
const offered = ref<Rested | null>(null)

function rests(massG: number, stepG: number, placeId: number | null) {
  offered.value = { typed: String(massG), stepG, placeId }
  if (typed.value === '' || typed.value === fromScale.value?.typed) {
    takeOffered()
  }
}

function takeOffered() {
  fromScale.value = offered.value
  typed.value = offered.value?.typed ?? typed.value
  offered.value = null
  // What is typed next replaces it and is not appended.
  void nextTick(() => input.value?.select())
}

function press(key: string) {
  const before = typed.value === fromScale.value?.typed ? '' : typed.value
  typed.value = key === '⌫' ? before.slice(0, -1) : before + key
}

/** A mass that was asked about already. */
const asked = ref('')

/** A spool recorded where the scale stands that the mass fits, while it does not fit this one. */
const onTheBench = computed(() => {
  const scale = fromScale.value?.typed === typed.value ? fromScale.value : null
  const { expectedGrossG: own, code } = props.spool
  if (!scale?.placeId || (own && Math.abs(gross.value - own) <= LEAST_MORE_G)) {
    return null
  }
  return (
    shelf.spools.find(
      (each) =>
        each.code !== code &&
        each.placeId === scale.placeId &&
        each.expectedGrossG != null &&
        Math.abs(gross.value - each.expectedGrossG) <= Math.max(FITS_G, 2 * scale.stepG),
    ) ?? null
  )
})

/** What to ask of a mass that is far from what is expected; nothing of a usual one. */
const doubt = computed(() => {
  if (onTheBench.value) {
    const other = onTheBench.value
    return `The scale stands in ${shelf.placeName(other.placeId)}, where ${other.code} (${other.material} ${other.colourName}) lies, and ${grams(gross.value)} is what that should weigh. Is it ${props.spool.code} that is on the scale?`
  }
  const expected = props.spool.expectedGrossG
  if (!props.weighedBefore || !expected || !(gross.value > 0)) {
    return null
  }
  const more = gross.value - expected
  if (more > Math.max(LEAST_MORE_G, LEAST_MORE * expected)) {
    return `That is ${grams(more)} more than the ${grams(expected)} expected: only water makes a spool heavier. Is ${props.spool.code} on the scale, and nothing else?`
  }
  if (gross.value < (props.emptyReelG?.low ?? 0)) {
    // Less than the reel alone: that is said when it is sent.
    return null
  }
  return -more > MOST_USED * props.spool.remainingG.typical
    ? `That is ${grams(-more)} less than the ${grams(expected)} expected. Was so much used, and is ${props.spool.code} on the scale?`
    : null
})
const asks = computed(() => doubt.value !== null && asked.value === typed.value)

async function save() {
  if (busy.value) {
    return
  }
  if (typed.value.trim() === '' || Number.isNaN(gross.value)) {
    problem.value = new Problem('No mass', '', [
      {
        field: 'grossMassG',
        value: typed.value === '' ? 'missing' : `“${typed.value}”`,
        allowed: 'a number of grams',
        advice: 'Read the scale with the reel on it.',
      },
    ])
    return
  }
  if (doubt.value && asked.value !== typed.value) {
    asked.value = typed.value
    return
  }
  busy.value = true
  problem.value = null
  const scale = fromScale.value?.typed === typed.value ? fromScale.value : null
  try {
    await acts.weigh(props.spool.code, gross.value, {
      at: at.value ?? undefined,
      fromScale: scale !== null,
      scaleStepG: scale?.stepG,
      nothingUsed: nothingUsed.value,
    })
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  busy.value = false
}
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="`Weigh ${spool.code}, ${spool.material} ${spool.colourName}`"
    width="min(26rem, 96vw)"
    @open-auto-focus="input?.focus()"
    @opened="input?.focus()"
    @close="emit('close')"
  >
    <AppForm @submit="save">
      <div class="field">
        <label for="gross">gross mass: reel with filament, in g</label>
        <input
          id="gross"
          ref="input"
          v-model="typed"
          class="mass"
          inputmode="decimal"
          autocomplete="off"
          data-testid="gross-mass"
          @focus="input?.select()"
        />
      </div>
      <p class="soft net">{{ net ?? ' ' }}</p>
      <p v-if="spool.expectedGrossG !== null" class="soft small" data-testid="expected-mass">
        About {{ grams(spool.expectedGrossG) }} if nothing was used since the last weighing.
      </p>
      <ScaleLine @rests="rests" />
      <button
        v-if="offered"
        type="button"
        class="button"
        data-testid="offered"
        @click="takeOffered"
      >
        take the scale's {{ offered.typed }} g
      </button>
      <div class="pad" aria-hidden="true">
        <button
          v-for="k in KEYS"
          :key="k"
          type="button"
          class="button"
          tabindex="-1"
          @click="press(k)"
        >
          {{ k }}
        </button>
      </div>
      <label v-if="weighedBefore" class="nothing">
        <input v-model="nothingUsed" type="checkbox" data-testid="nothing-used" />
        nothing was used since the last weighing: what changed is water
      </label>
      <details>
        <summary>it was weighed earlier</summary>
        <el-date-picker v-model="at" type="datetime" format="D MMM YYYY, HH:mm" />
      </details>
      <ProblemNote v-if="problem" :problem="problem" />
      <p v-if="asks" class="call" role="alert" data-testid="doubt">{{ doubt }}</p>
      <button class="button primary save" :disabled="busy" data-testid="save-mass">
        {{ asks ? 'Record it all the same' : 'Record this mass' }}
      </button>
    </AppForm>
  </AppDialog>
</template>

<style scoped>
.mass {
  font-size: var(--size-5);
  font-weight: 700;
  width: 100%;
  padding: 0.2rem 0.5rem;
  border: 2px solid var(--ink);
  border-radius: var(--corner);
  background: var(--field);
}

.net {
  min-height: 1.5rem;
  margin: 0.3rem 0;
}

.pad {
  display: none;
}

.nothing {
  display: block;
  margin-bottom: 0.5rem;
}

.save {
  margin-top: 0.75rem;
}

summary {
  cursor: pointer;
  margin-bottom: 0.5rem;
}

@media (max-width: 700px) {
  .pad {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0.4rem;
    margin-bottom: 0.75rem;
  }

  .pad .button {
    justify-content: center;
    font-size: var(--size-4);
    min-height: 3.4rem;
  }

  .save {
    width: 100%;
    justify-content: center;
    min-height: 3.25rem;
  }
}
</style>
