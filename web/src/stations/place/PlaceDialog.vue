<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import TextField from '@/parts/TextField.vue'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { client, Problem, type Schemas } from '@/api/client'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import { useConflict } from '@/parts/conflict'
import ChoiceField from '@/parts/ChoiceField.vue'
import NumberField from '@/parts/NumberField.vue'
import { choices, useOptions, type PlaceKind } from '@/stores/options'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

const props = defineProps<{
  place?: Schemas['PlaceInfo']
  /** What a new one is to begin with. */
  kind?: PlaceKind
  /** Whether the page stays once a new one is added; else its own is opened. */
  stay?: boolean
}>()
const emit = defineEmits<{ close: []; saved: [] }>()

const shelf = useShelf()
const acts = useActs()
const options = useOptions()
const router = useRouter()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
/** Where there is but one place that it can stand in, a new one stands there. */
function onlyRoom(): number | null {
  const open = shelf.places.filter(({ place }) => ['ROOM', 'OPEN_SHELF'].includes(place.kind))
  return !props.place && props.kind === 'DRYER' && open.length === 1 ? open[0]!.place.id : null
}

const form = reactive({
  name: props.place?.name ?? '',
  kind: props.place?.kind ?? props.kind ?? ('OPEN_SHELF' as PlaceKind),
  withinId: props.place?.withinId ?? onlyRoom(),
  setpointC: props.place?.setpointC ?? 55,
  ratedMaxC: props.place?.ratedMaxC ?? 70,
  airChangesPerHour: props.place?.airChangesPerHour ?? null,
  volumeL: props.place?.volumeL ?? (null as number | null),
  capacity: props.place?.capacity ?? null,
})
const rooms = computed(() =>
  shelf.places
    .filter((p) => p.place.kind !== 'DRYER' && p.place.id !== props.place?.id)
    .map((p) => ({ value: p.place.id, label: p.place.name })),
)

let version = props.place?.version ?? 0

/** Fields that two people may have changed, in words. */
const LABELS = {
  name: 'name',
  withinId: 'stands in',
  ...(props.place?.kind === 'DRYER'
    ? {
        setpointC: 'setpoint, °C',
        ratedMaxC: 'rated maximum, °C',
        airChangesPerHour: 'air changes per hour',
      }
    : {}),
  volumeL: 'volume, L',
  capacity: 'spools that fit',
}

const WORDS = {
  withinId: (id: unknown) => rooms.value.find((room) => room.value === id)?.label ?? String(id),
}

const { keepMine, takeTheirs } = useConflict<Schemas['PlaceInfo']>(
  problem,
  (current) => {
    version = current
    void save()
  },
  show,
)

function show(place: Schemas['PlaceInfo']) {
  version = place.version
  const { name, withinId, setpointC, ratedMaxC, airChangesPerHour, volumeL, capacity } = place
  Object.assign(form, { name, withinId, airChangesPerHour, volumeL, capacity })
  Object.assign(form, { setpointC: setpointC ?? 55, ratedMaxC: ratedMaxC ?? 70 })
}

async function save() {
  try {
    if (props.place) {
      const params = { params: { path: { id: props.place.id } }, body: { ...form, version } }
      await acts.record(client.PUT('/api/places/{id}', params))
      emit('saved')
    } else {
      const place = await acts.record(client.POST('/api/places', { body: { ...form } }))
      if (props.stay) {
        emit('saved')
      } else {
        void router.push(`/place/${place.id}`)
      }
    }
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="place ? `Change ${place.name}` : kind === 'DRYER' ? 'Add a dryer' : 'Add a place'"
    width="min(28rem, 94vw)"
    @close="emit('close')"
  >
    <AppForm class="form" @submit="save">
      <TextField
        id="place-name"
        v-model="form.name"
        label="name, as written on it"
        name="name"
        autofocus
        maxlength="80"
      />
      <ChoiceField
        v-if="!place"
        id="place-kind"
        v-model="form.kind"
        name="kind"
        label="kind"
        :options="choices(options.placeKinds)"
      />
      <ChoiceField
        id="place-room"
        v-model="form.withinId"
        name="withinId"
        :label="form.kind === 'DRYER' ? 'room whose air it takes' : 'stands in'"
        :options="rooms"
        clearable
      />
      <div v-if="form.kind !== 'DRYER'" class="pair">
        <NumberField
          v-if="options.isClosed(form.kind)"
          id="place-box-volume"
          v-model="form.volumeL"
          name="volumeL"
          label="volume, L (usual if empty)"
          :min="0.1"
          :max="2000"
        />
        <NumberField
          id="place-capacity"
          v-model="form.capacity"
          name="capacity"
          label="spools that fit (any if empty)"
          :min="1"
          :max="1000"
        />
      </div>
      <p v-if="options.isClosed(form.kind)" class="small soft">
        Without a sensor of its own its air is computed: from the air around it, its leak, its
        desiccant and the spools in it.
      </p>
      <template v-if="form.kind === 'DRYER'">
        <div class="pair">
          <NumberField
            id="place-set"
            v-model="form.setpointC"
            name="setpointC"
            label="setpoint, °C"
            :min="20"
            :max="110"
          />
          <NumberField
            id="place-rated"
            v-model="form.ratedMaxC"
            name="ratedMaxC"
            label="rated maximum, °C"
            :min="30"
            :max="250"
          />
          <NumberField
            id="place-ach"
            v-model="form.airChangesPerHour"
            name="airChangesPerHour"
            label="air changes per hour (free if empty)"
            :min="0.01"
            :max="1000"
          />
          <NumberField
            id="place-volume"
            v-model="form.volumeL"
            name="volumeL"
            label="inside volume, L"
            :min="1"
            :max="2000"
          />
        </div>
        <p class="small soft">
          A spool that lies in it dries at the setpoint, for as long as it lies there.
        </p>
      </template>
      <ConflictChoice
        v-if="problem?.current"
        :problem="problem"
        :mine="form"
        :labels="LABELS"
        :words="WORDS"
        @mine="keepMine"
        @theirs="takeTheirs"
      />
      <ProblemNote v-else-if="problem" :problem="problem" />
      <button v-if="!problem?.current" class="button primary">
        {{ place ? 'Keep the change' : 'Add this place' }}
      </button>
    </AppForm>
  </AppDialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 0.9rem;
  justify-items: stretch;
}

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0.75rem;
  align-items: end;
}

.button {
  justify-self: start;
}
</style>
