<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import AppForm from '@/parts/AppForm.vue'
import { computed, onMounted, ref } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useConflict } from '@/parts/conflict'
import { useFormProblem } from '@/parts/formProblem'
import { useActs } from '@/stores/acts'
import { choices, useOptions } from '@/stores/options'

type Description = Schemas['SpoolDescription']
type Filled = Required<Description> & { version: number; maker: string; batch: string }

/** What was said of a spool on receiving, to be put right. */
const props = defineProps<{ code: string }>()
const emit = defineEmits<{ close: [] }>()

const acts = useActs()
const options = useOptions()
const form = ref<Filled | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const busy = ref(false)

/** Empty texts instead of none, so that fields can hold them. */
function filled(said: Description): Filled {
  return { ...said, maker: said.maker ?? '', batch: said.batch ?? '' } as Filled
}

onMounted(async () => {
  try {
    form.value = filled(
      await answer(
        client.GET('/api/spools/{code}/description', { params: { path: { code: props.code } } }),
      ),
    )
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
})

const LABELS = {
  material: 'material',
  colourName: 'colour',
  diameterMm: 'diameter, mm',
  nominalNetG: 'net mass on the label, g',
  reel: 'reel',
  emptyReelG: 'empty reel, g',
  hubRadiusMm: 'hub radius, mm',
  rimRadiusMm: 'rim radius, mm',
  widthMm: 'width between flanges, mm',
  arrival: 'came',
  maker: 'maker',
  batch: 'batch',
}

const { keepMine, takeTheirs } = useConflict<Filled>(
  problem,
  (version) => {
    if (form.value) {
      form.value.version = version
    }
    void save()
  },
  (current) => (form.value = filled(current)),
)

async function save() {
  if (!form.value) {
    return
  }
  busy.value = true
  try {
    await acts.record(
      client.PUT('/api/spools/{code}/description', {
        params: { path: { code: props.code } },
        body: form.value,
      }),
    )
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  busy.value = false
}

const materials = computed(() =>
  options.materials.map((m) => ({
    value: m.name,
    label: m.name === m.title ? m.name : `${m.name}, ${m.title}`,
  })),
)
const diameters = computed(() =>
  options.receiving.diametersMm.map((mm) => ({ value: mm, label: String(mm) })),
)
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="`Correct ${code}`"
    width="min(38rem, 96vw)"
    @close="emit('close')"
  >
    <p class="soft">
      What was said on receiving. Its history is computed anew with what you put right; what was
      weighed and moved stays.
    </p>
    <AppForm v-if="form" data-testid="correcting" @submit="save">
      <ChoiceField
        id="correct-material"
        v-model="form.material"
        name="material"
        label="material"
        :options="materials"
        filterable
        default-first-option
      />
      <TextField
        id="correct-colour"
        v-model="form.colourName"
        name="colourName"
        label="colour"
        maxlength="60"
      />
      <div class="field">
        <label for="correct-hex">its look</label>
        <input id="correct-hex" v-model="form.colourHex" type="color" />
      </div>
      <ChoiceField
        id="correct-diameter"
        v-model="form.diameterMm"
        name="diameterMm"
        label="diameter, mm"
        :options="diameters"
      />
      <NumberField
        id="correct-net"
        v-model="form.nominalNetG"
        name="nominalNetG"
        label="net mass on the label, g"
        :min="10"
        :max="10000"
        :controls="false"
      />
      <ChoiceField
        id="correct-reel"
        v-model="form.reel"
        name="reel"
        label="reel"
        :options="choices(options.reels.kinds)"
      />
      <NumberField
        id="correct-empty"
        v-model="form.emptyReelG"
        name="emptyReelG"
        label="empty reel, g (if known)"
        :min="0"
        :controls="false"
      />
      <NumberField
        id="correct-hub"
        v-model="form.hubRadiusMm"
        name="hubRadiusMm"
        label="hub radius, mm"
        :controls="false"
      />
      <NumberField
        id="correct-rim"
        v-model="form.rimRadiusMm"
        name="rimRadiusMm"
        label="rim radius, mm"
        :controls="false"
      />
      <NumberField
        id="correct-width"
        v-model="form.widthMm"
        name="widthMm"
        label="width between flanges, mm"
        :controls="false"
      />
      <ChoiceField
        id="correct-arrival"
        v-model="form.arrival"
        name="arrival"
        label="came"
        :options="choices(options.receiving.arrivals)"
      />
      <TextField
        id="correct-maker"
        v-model="form.maker"
        name="lot.maker"
        label="maker"
        maxlength="80"
      />
      <TextField
        id="correct-batch"
        v-model="form.batch"
        name="lot.batch"
        label="batch"
        maxlength="80"
      />
      <div class="last">
        <ConflictChoice
          v-if="problem?.current"
          :problem="problem"
          :mine="form"
          :labels="LABELS"
          :words="{}"
          @mine="keepMine"
          @theirs="takeTheirs"
        />
        <template v-else>
          <ProblemNote v-if="problem" :problem="problem" />
          <button class="button primary" :disabled="busy">Keep the correction</button>
        </template>
      </div>
    </AppForm>
    <ProblemNote v-else-if="problem" :problem="problem" />
  </AppDialog>
</template>

<style scoped>
form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(14rem, 1fr));
  gap: 0.75rem 1rem;
  margin-top: 0.75rem;
  align-items: end;
}

.last {
  grid-column: 1 / -1;
}
</style>
