<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SetpointRisk from '@/parts/SetpointRisk.vue'
import { inShownUnits } from '@/parts/format'
import { kept, takenOutNow } from '@/stations/dry/takenOut'
import { useActs } from '@/stores/acts'
import { useDryers } from '@/stores/dryers'
import { choices, useOptions } from '@/stores/options'
import { useShelf } from '@/stores/shelf'

/** What a line of the sheet records when it is done, to be corrected before it is stored. */
const props = defineProps<{ what: string; deed: Schemas['Deed'] }>()
const emit = defineEmits<{ close: [] }>()

const acts = useActs()
const shelf = useShelf()
const dryers = useDryers()
const options = useOptions()

const form = reactive({
  codes: [...props.deed.codes],
  placeId: props.deed.kind === 'START_JOB' ? props.deed.placeId : null,
  setpointC: props.deed.setpointC,
  hours: props.deed.hours,
  code: props.deed.codes[0] ?? '',
  desiccant: 'silica_gel',
  massG: 100,
})
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const busy = ref(false)
/** Of each spool that comes out. */
const advice = ref<Schemas['Advice'][]>([])
/** Whether the places that it may go to are still looked for. */
const looking = ref(false)

/** What the job's sheet asks a reason for, where that is why it does not start. */
const heldBack = computed(() => problem.value?.errors.find((each) => each.field === 'overrides'))

const running = computed(() => dryers.cycleIn(props.deed.placeId ?? -1))

const BUTTONS: Record<Schemas['Deed']['kind'], string> = {
  TAKE_OUT: 'They are out',
  PUT_IN: 'They are in, it heats',
  WEIGH: 'Weighed',
  START_JOB: 'It prints',
  FINISH_PRINT: 'It ended',
  CLOSE_CASE: 'It was found',
  UPKEEP: 'It was done',
  DESICCANT: 'Changed',
}

const printers = computed(() =>
  shelf.places
    .filter((each) => each.place.kind === 'PRINTER_HOLDER' || each.place.kind === 'FEEDER')
    .map((each) => ({ value: each.place.id, label: each.place.name })),
)
const spools = computed(() =>
  shelf.spools
    .filter((spool) => !spool.sealed)
    .map((spool) => ({
      value: spool.code,
      label: `${spool.code} ${spool.material} ${spool.colourName}`,
    })),
)

watch(
  () => props.deed,
  async ({ kind, cycleId, codes }) => {
    if (kind !== 'TAKE_OUT' || cycleId === null || !codes[0]) {
      return
    }
    looking.value = true
    try {
      advice.value = await Promise.all(
        codes.map((code) =>
          answer(
            client.GET('/api/cycles/{id}/after/{code}', {
              params: { path: { id: cycleId, code } },
            }),
          ),
        ),
      )
      form.placeId ??= advice.value[0]?.homes.find((home) => !home.full)?.placeId ?? null
    } catch (cause) {
      problem.value = Problem.of(cause)
    }
    looking.value = false
  },
  { immediate: true },
)

/** Those that are taken out now and of which there is something to say. */
const leaving = computed(() =>
  advice.value.filter((each) => form.codes.includes(each.code) && takenOutNow(each)),
)

const homes = computed(() =>
  (advice.value[0]?.homes ?? []).map((home) => ({
    value: home.placeId,
    label: `${home.name}${home.full ? ', full' : ''}: ${kept(home)}`,
  })),
)

function request() {
  const { deed } = props
  switch (deed.kind) {
    case 'TAKE_OUT':
      return client.POST('/api/cycles/{id}/acts', {
        params: { path: { id: deed.cycleId ?? 0 } },
        body: { act: 'EMPTY', codes: form.codes, placeId: form.placeId ?? undefined },
      })
    case 'PUT_IN':
      return client.POST('/api/cycles', {
        body: {
          dryerId: deed.placeId ?? undefined,
          codes: form.codes,
          setpointC: form.setpointC ?? undefined,
          hours: form.hours ?? undefined,
        },
      })
    case 'START_JOB':
      return client.POST('/api/jobs/{id}/start', {
        params: { path: { id: deed.jobId ?? 0 } },
        body: { code: form.code, placeId: form.placeId ?? undefined },
      })
    default:
      return client.POST('/api/places/{id}/desiccant', {
        params: { path: { id: deed.placeId ?? 0 } },
        body: { kind: form.desiccant, massG: form.massG },
      })
  }
}

async function record() {
  busy.value = true
  try {
    await acts.record<unknown>(request())
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  busy.value = false
}
</script>

<template>
  <AppDialog :model-value="true" :title="what" width="min(32rem, 96vw)" @close="emit('close')">
    <AppForm data-testid="deed" @submit="record">
      <fieldset v-if="deed.kind === 'TAKE_OUT' || deed.kind === 'PUT_IN'">
        <legend>{{ deed.kind === 'TAKE_OUT' ? 'out of the dryer' : 'into the dryer' }}</legend>
        <label v-for="code in deed.codes" :key="code">
          <input v-model="form.codes" type="checkbox" :value="code" />
          <span class="code">{{ code }}</span>
        </label>
      </fieldset>
      <ChoiceField
        v-if="deed.kind === 'TAKE_OUT'"
        id="deed-home"
        v-model="form.placeId"
        name="placeId"
        label="put into"
        :options="homes"
      />
      <p v-for="each in leaving" :key="each.code" class="call" data-testid="taken-out">
        {{ deed.codes.length > 1 ? `${each.code}: ` : '' }}{{ takenOutNow(each) }}
      </p>
      <p v-if="looking" class="small soft">Looking where it stays dry longest …</p>
      <template v-if="deed.kind === 'PUT_IN'">
        <p v-if="running" class="call">
          {{ running.dryer }} is still taken by {{ running.codes.join(', ') }}: take them out first.
        </p>
        <div class="pair">
          <NumberField
            id="deed-setpoint"
            v-model="form.setpointC"
            name="setpointC"
            label="set to, °C"
            :min="20"
            :max="250"
          />
          <NumberField
            id="deed-hours"
            v-model="form.hours"
            name="hours"
            label="for, h"
            :min="0.25"
            :max="240"
          />
        </div>
        <SetpointRisk
          v-if="deed.placeId !== null"
          :dryer-id="deed.placeId"
          :codes="form.codes"
          :setpoint-c="form.setpointC"
        />
      </template>
      <template v-if="deed.kind === 'START_JOB'">
        <ChoiceField
          id="deed-spool"
          v-model="form.code"
          name="code"
          label="printed from"
          :options="spools"
        />
        <ChoiceField
          id="deed-printer"
          v-model="form.placeId"
          name="placeId"
          label="on the printer or feeder (where the spool is, if empty)"
          :options="printers"
          clearable
        />
      </template>
      <div v-if="deed.kind === 'DESICCANT'" class="pair">
        <ChoiceField
          id="deed-desiccant"
          v-model="form.desiccant"
          name="desiccant"
          label="fresh desiccant"
          :options="choices(options.desiccants)"
        />
        <NumberField
          id="deed-mass"
          v-model="form.massG"
          name="massG"
          label="on the scale, g"
          :min="1"
          :max="20000"
        />
      </div>
      <p v-if="heldBack" class="call" role="alert" data-testid="held-back">
        A check of its setup sheet is not met: {{ inShownUnits(heldBack.value) }}.
        {{ inShownUnits(heldBack.advice) }} Meet it, or start it there with a reason:
        <router-link :to="`/print/jobs/${deed.jobId}`">open the setup sheet</router-link>
      </p>
      <ProblemNote v-else-if="problem" :problem="problem" />
      <div class="acts">
        <button class="button primary" :disabled="busy || looking">{{ BUTTONS[deed.kind] }}</button>
        <button type="button" class="button plain" @click="emit('close')">Not yet</button>
      </div>
    </AppForm>
  </AppDialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.9rem;
}

fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
  margin: 0;
  padding: 0;
  border: 0;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
}

.acts {
  display: flex;
  gap: 0.75rem;
}
</style>
