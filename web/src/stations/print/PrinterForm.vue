<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import { useMaterials } from './materials'

/** Describes a printer. */
const props = defineProps<{
  printer: Schemas['PrinterView']
  plates: Schemas['PlateView'][]
  choices: Schemas['PrintChoicesView']
}>()
const emit = defineEmits<{ done: [] }>()

type Machine = Schemas['MachineRequest']
const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const materials = useMaterials()
const machine = reactive<Machine>({ ...props.printer.machine })
const lastMaterial = ref(props.printer.lastMaterial ?? '')
const plateId = ref(props.printer.plateId ?? 0)
const newNozzle = ref(false)

function number(key: keyof Machine) {
  return computed({
    get: () => (machine[key] as number | null | undefined) ?? null,
    set: (value: number | null) => Object.assign(machine, { [key]: value ?? undefined }),
  })
}
function word(key: keyof Machine) {
  return computed({
    get: () => (machine[key] as string | undefined) ?? '',
    set: (value: string) => Object.assign(machine, { [key]: value }),
  })
}
const options = (of: Schemas['PrintOptionView'][]) =>
  of.map((each) => ({ value: each.id, label: each.title }))

const hotEnd = word('hotEnd')
const nozzleMaterial = word('nozzleMaterial')
const chamber = word('chamber')
const FIELDS = [
  ['hotEndMaxC', 'Hottest nozzle its maker allows, °C', 150, 500],
  ['nozzleDiameterMm', 'Bore, mm', 0.1, 2],
  ['meltZoneMm', 'Length of the melt zone, mm', 1, 200],
  ['bedMaxC', 'Bed at most, °C', 15, 220],
  ['bedLengthMm', 'Bed, longer side, mm', 20, 2000],
  ['bedWidthMm', 'Bed, other side, mm', 20, 2000],
  ['heightMm', 'Height, mm', 20, 2000],
  ['bedHeaterW', 'Bed heater, W', 0, 10_000],
  ['chamberMaxC', 'Heated chamber up to, °C', 15, 180],
  ['movingMassKg', 'Mass that moves with the plate, kg', 0, 100],
  ['tunedPlateMassKg', 'Tuned with a plate of, kg', 0, 50],
  ['accelerationMmPerS2', 'Acceleration as tuned, mm/s²', 10, 100_000],
  ['meanPowerW', 'Power while printing, W', 1, 10_000],
  ['supplyWh', 'Uninterrupted supply, Wh', 0, 100_000],
] as const
const numbers = FIELDS.map(([key, label, min, max]) => ({
  key,
  label,
  min,
  max,
  value: number(key),
}))
const shown = computed(() =>
  numbers.filter((each) => each.key !== 'chamberMaxC' || machine.chamber === 'HEATED'),
)

async function save() {
  try {
    await acts.record(
      client.PUT('/api/printers/{placeId}', {
        params: { path: { placeId: props.printer.placeId } },
        body: {
          machine: { ...machine },
          lastMaterial: lastMaterial.value || undefined,
          plateId: plateId.value || undefined,
          newNozzle: newNozzle.value,
          version: props.printer.version,
        },
      }),
    )
    problem.value = null
    emit('done')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <AppForm class="field-grid roomy" @submit="save">
    <ChoiceField
      :id="`hot-${printer.placeId}`"
      v-model="hotEnd"
      label="Hot end"
      :options="options(choices.hotEnds)"
    />
    <ChoiceField
      :id="`noz-${printer.placeId}`"
      v-model="nozzleMaterial"
      label="Nozzle of"
      :options="options(choices.nozzleMaterials)"
    />
    <ChoiceField
      :id="`cha-${printer.placeId}`"
      v-model="chamber"
      label="Around the part"
      :options="options(choices.chambers)"
    />
    <ChoiceField
      :id="`pla-${printer.placeId}`"
      v-model="plateId"
      label="Plate on it"
      name="plateId"
      :options="[
        { value: 0, label: 'not said' },
        ...plates.map((each) => ({ value: each.id, label: each.name })),
      ]"
    />
    <ChoiceField
      :id="`las-${printer.placeId}`"
      v-model="lastMaterial"
      label="Last printed"
      name="lastMaterial"
      :options="[{ value: '', label: 'not known' }, ...materials]"
    />
    <NumberField
      v-for="each in shown"
      :id="`${each.key}-${printer.placeId}`"
      :key="each.key"
      v-model="each.value.value"
      :label="each.label"
      :name="`printer.${each.key}`"
      :min="each.min"
      :max="each.max"
    />
    <label class="tick"
      ><input v-model="machine.directFeed" type="checkbox" /> feeder at the hot end</label
    >
    <label class="tick"
      ><input v-model="machine.ventilated" type="checkbox" /> fumes are led off, or the room is well
      aired</label
    >
    <label class="tick"
      ><input v-model="newNozzle" type="checkbox" /> a new nozzle was fitted</label
    >
    <div class="end">
      <ProblemNote v-if="problem" :problem="problem" />
      <button class="button primary">Save</button>
    </div>
  </AppForm>
</template>

<style scoped>
.tick {
  display: flex;
  gap: 0.5rem;
  align-items: center;
  min-height: 2.25rem;
}

.end {
  grid-column: 1 / -1;
}
</style>
