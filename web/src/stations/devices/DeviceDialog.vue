<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import AppForm from '@/parts/AppForm.vue'
import { computed, reactive, ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useConflict } from '@/parts/conflict'
import { useFormProblem } from '@/parts/formProblem'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

/** What a device is called, where it measures, and how finely. */
const props = defineProps<{ device: Schemas['DeviceView'] }>()
const emit = defineEmits<{ close: [] }>()

const acts = useActs()
const shelf = useShelf()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const form = reactive({
  name: props.device.name,
  placeId: props.device.placeId,
  resolution: props.device.resolution,
  checkEveryDays: props.device.checkEveryDays as number | null,
})
let version = props.device.version

const places = computed(() =>
  shelf.places.map(({ place }) => ({ value: place.id, label: place.name })),
)
const LABELS = {
  name: 'name',
  placeId: 'measures in',
  resolution: 'smallest step',
  checkEveryDays: 'check over salt every, days',
}

const { keepMine, takeTheirs } = useConflict<Schemas['DeviceView']>(
  problem,
  (current) => {
    version = current
    void save()
  },
  (current) => {
    version = current.version
    const { name, placeId, resolution, checkEveryDays } = current
    Object.assign(form, { name, placeId, resolution, checkEveryDays })
  },
)

async function save() {
  try {
    await acts.record(
      client.PUT('/api/devices/{id}', {
        params: { path: { id: props.device.id } },
        body: { ...form, kind: props.device.kind, version },
      }),
    )
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="`Change ${device.name}`"
    width="min(28rem, 94vw)"
    @close="emit('close')"
  >
    <AppForm @submit="save">
      <TextField
        id="device-name"
        v-model="form.name"
        name="name"
        label="name, as written on it"
        maxlength="80"
      />
      <ChoiceField
        id="device-place"
        v-model="form.placeId"
        name="placeId"
        label="measures in, from now on"
        :options="places"
      />
      <NumberField
        id="device-step"
        v-model="form.resolution"
        name="resolution"
        :label="`smallest step that it shows${device.kind === 'SCALE' ? ', g' : ''}`"
        :controls="false"
      />
      <NumberField
        v-if="device.kind === 'HYGROMETER'"
        id="device-check"
        v-model="form.checkEveryDays"
        name="checkEveryDays"
        label="check over salt every, days"
        :min="7"
        :max="3650"
      />
      <ConflictChoice
        v-if="problem?.current"
        :problem="problem"
        :mine="form"
        :labels="LABELS"
        @mine="keepMine"
        @theirs="takeTheirs"
      />
      <template v-else>
        <ProblemNote v-if="problem" :problem="problem" />
        <button class="button primary">Keep the change</button>
      </template>
    </AppForm>
  </AppDialog>
</template>

<style scoped>
form {
  display: grid;
  gap: 0.9rem;
}

.button {
  justify-self: start;
}
</style>
