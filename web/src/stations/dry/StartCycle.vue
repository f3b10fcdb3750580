<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import TimeField from '@/parts/TimeField.vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { Problem } from '@/api/client'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { atMost, hours, inShownUnits, moment, setTo } from '@/parts/format'
import { useDryers } from '@/stores/dryers'

/** Starts what is thought through on the page: these spools, this dryer, so long. */
const props = defineProps<{
  codes: string[]
  dryerId: number
  setpointC: number
  startC: number
  /** After so many it is dry nine times in ten; none where it never is. */
  sureHours: number | null
  /** Whether these figures are still those of another dryer or setpoint. */
  stale: boolean
  /** What a setpoint above the safe one may do; none where it is safe. */
  risk?: string | null
}>()

const OTHERWISE_H = 8
const HALF_HOURS = 2

const store = useDryers()
const router = useRouter()
const length = ref<number | null>(null)
const at = ref<Date | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const busy = ref(false)

const proposed = computed(
  () => Math.max(1, Math.ceil(HALF_HOURS * (props.sureHours ?? OTHERWISE_H))) / HALF_HOURS,
)
const dryer = computed(() => store.dryers.find((each) => each.placeId === props.dryerId))
const running = computed(() => store.cycleIn(props.dryerId))
const setpoint = computed(() => Math.floor(props.setpointC * 10 + 1e-6) / 10)
const cooler = computed(() => props.startC < props.setpointC - 0.05)

watch(
  () => props.codes.join(),
  () => (length.value = null),
)

async function start() {
  busy.value = true
  problem.value = null
  try {
    const id = await store.start({
      dryerId: props.dryerId,
      codes: props.codes,
      setpointC: setpoint.value,
      hours: length.value ?? proposed.value,
      at: at.value?.toISOString(),
    })
    await router.push(`/cycle/${id}`)
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  busy.value = false
}
</script>

<template>
  <section class="start" aria-label="Start this cycle">
    <p v-if="running">
      {{ dryer?.name }} is taken by
      <router-link :to="`/cycle/${running.id}`">a cycle</router-link>
      until {{ moment(running.plannedEndS, Date.now() / 1000) }}.
    </p>
    <p v-else-if="dryer?.outOfOrder">{{ dryer.name }} is out of order.</p>
    <AppForm v-else @submit="start">
      <p v-if="cooler" class="step">
        Set {{ atMost(startC) }} for the first 2 h, then {{ setTo(setpoint) }}: damp, it softens
        earlier.
      </p>
      <NumberField
        id="start-hours"
        v-model="length"
        name="hours"
        label="hours (sure if empty)"
        :min="0.25"
        :max="240"
        :step="0.5"
        :placeholder="String(proposed)"
      />
      <TimeField id="start-at" v-model="at" name="startAt" label="started at (now if empty)" />
      <p v-if="risk" class="call small" data-testid="setpoint-risk">{{ inShownUnits(risk) }}</p>
      <button class="button primary" :disabled="busy || stale" data-testid="start-cycle">
        Start {{ dryer?.name }}: {{ hours(length ?? proposed) }} at {{ setTo(setpoint) }}
      </button>
    </AppForm>
    <ProblemNote v-if="problem" :problem="problem" />
    <p class="small soft">{{ dryer?.generalCaution }}</p>
  </section>
</template>

<style scoped>
.start {
  margin-top: 1.25rem;
  padding-top: 0.75rem;
  border-top: 2px solid var(--ink);
  display: grid;
  gap: 0.6rem;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem 1rem;
  align-items: end;
}

.step {
  flex-basis: 100%;
}
</style>
