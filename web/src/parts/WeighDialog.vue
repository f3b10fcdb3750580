<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import { useFormProblem } from '@/parts/formProblem'
import { computed, ref, useTemplateRef } from 'vue'
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

/** The mass that a scale gave; typing over it makes it a person's. */
const fromScale = ref<{ typed: string; stepG: number } | null>(null)

/** What the scale shows while something else is being typed: offered, never forced. */
const offered = ref<{ typed: string; stepG: number } | null>(null)

function rests(massG: number, stepG: number) {
  offered.value = { typed: String(massG), stepG }
  if (typed.value === '' || typed.value === fromScale.value?.typed) {
    takeOffered()
  }
}

function takeOffered() {
  fromScale.value = offered.value
  typed.value = offered.value?.typed ?? typed.value
  offered.value = null
}

function press(key: string) {
  typed.value = key === '⌫' ? typed.value.slice(0, -1) : typed.value + key
}

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
      <button class="button primary save" :disabled="busy" data-testid="save-mass">
        Record this mass
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
