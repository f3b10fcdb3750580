<script setup lang="ts">
import { reactive, ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useActs } from '@/stores/acts'

/** Adds a plate, or describes one anew. */
const props = defineProps<{ plate?: Schemas['PlateView']; choices: Schemas['PrintChoicesView'] }>()
const emit = defineEmits<{ done: [] }>()

const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const id = props.plate?.id ?? 0
const form = reactive({
  name: props.plate?.name ?? '',
  kind: props.plate?.kind ?? 'spring_steel_05',
  surface: props.plate?.surface ?? 'smooth_pei',
  interfaceLayer: props.plate?.interfaceLayer ?? 'none',
  massKg: (props.plate?.massKg ?? 0.28) as number | null,
  magnetsMaxC: (props.plate?.magnetsMaxC ?? null) as number | null,
  holdPressureKPa: (props.plate && !props.plate.usualHold ? props.plate.holdPressureKPa : null) as
    number | null,
  prints: (props.plate?.prints ?? 0) as number | null,
})
const options = (of: readonly { id: string; title: string }[]) =>
  of.map((each) => ({ value: each.id, label: each.title }))

async function save() {
  const body = {
    name: form.name,
    kind: form.kind,
    surface: form.surface,
    interfaceLayer: form.interfaceLayer,
    massKg: form.massKg ?? undefined,
    magnetsMaxC: form.magnetsMaxC ?? undefined,
    holdPressureKPa: form.holdPressureKPa ?? undefined,
    prints: form.prints ?? undefined,
    version: props.plate?.version,
  }
  try {
    await (props.plate
      ? acts.record(client.PUT('/api/plates/{id}', { params: { path: { id } }, body }))
      : acts.record(client.POST('/api/plates', { body })))
    problem.value = null
    emit('done')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <AppForm class="field-grid roomy" @submit="save">
    <TextField :id="`plate-name-${id}`" v-model="form.name" label="Name" name="name" />
    <ChoiceField
      :id="`plate-kind-${id}`"
      v-model="form.kind"
      label="Kind"
      name="plate.kind"
      :options="options(choices.plateKinds)"
    />
    <ChoiceField
      :id="`plate-surface-${id}`"
      v-model="form.surface"
      label="Surface"
      name="surface"
      :options="options(choices.surfaces)"
    />
    <ChoiceField
      :id="`plate-layer-${id}`"
      v-model="form.interfaceLayer"
      label="On it"
      name="interfaceLayer"
      :options="options(choices.interfaceLayers)"
    />
    <NumberField
      :id="`plate-mass-${id}`"
      v-model="form.massKg"
      label="Mass, kg"
      name="massKg"
      :min="0.01"
      :max="50"
      :step="0.05"
    />
    <NumberField
      :id="`plate-magnets-${id}`"
      v-model="form.magnetsMaxC"
      label="Magnets stand, °C"
      name="magnetsMaxC"
      :min="30"
      :max="300"
    />
    <NumberField
      :id="`plate-hold-${id}`"
      v-model="form.holdPressureKPa"
      label="Held down by, kPa"
      name="holdPressureKPa"
      :min="0.1"
      :max="1000"
    />
    <NumberField
      :id="`plate-prints-${id}`"
      v-model="form.prints"
      label="Prints so far"
      name="prints"
      :min="0"
    />
    <div class="end">
      <ProblemNote v-if="problem" :problem="problem" />
      <button class="button primary">{{ plate ? 'Save' : 'Add this plate' }}</button>
    </div>
  </AppForm>
</template>

<style scoped>
.end {
  grid-column: 1 / -1;
}
</style>
