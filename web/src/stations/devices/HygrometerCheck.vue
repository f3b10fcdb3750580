<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import { useOptions } from '@/stores/options'
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { inShownUnits } from '@/parts/format'
import NumberField from '@/parts/NumberField.vue'
import { questions } from '@/parts/latestAnswer'
import ProblemNote from '@/parts/ProblemNote.vue'

const props = defineProps<{ device: Schemas['DeviceView'] }>()
const emit = defineEmits<{ done: [] }>()

const DRY_BOX_READING = 20

const options = useOptions()
const salts = computed(() => options.salts)
const points = reactive([
  { salt: 'MgCl2', temperatureC: 23, readingPercent: null as number | null },
  { salt: 'NaCl', temperatureC: 23, readingPercent: null as number | null },
])
const outcome = ref<Schemas['HygrometerAnswer'] | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)

const given = computed(() => points.filter((point) => point.readingPercent !== null))

const question = questions()

watch(
  points,
  async () => {
    const isLast = question()
    outcome.value = null
    problem.value = null
    if (given.value.length === 0) {
      return
    }
    try {
      const found = await answer(
        client.POST('/api/calc/hygrometer', {
          body: { points: given.value, reading: DRY_BOX_READING },
        }),
      )
      if (isLast()) {
        outcome.value = found
      }
    } catch (cause) {
      if (isLast()) {
        problem.value = Problem.of(cause)
      }
    }
  },
  { deep: true },
)

function caution(id: string): string {
  return salts.value.find((salt) => salt.id === id)?.caution ?? ''
}

async function save() {
  try {
    await answer(
      client.POST('/api/devices/{id}/checks', {
        params: { path: { id: props.device.id } },
        body: { points: given.value },
      }),
    )
    emit('done')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <AppForm class="check" @submit="save">
    <p class="how">
      Damp slurry of each salt (solid and film of water both to be seen) in a closed jar below half
      a litre, the sensor beside it, not touching, steady between
      {{ inShownUnits('15 and 30 °C') }} out of the sun. Read after 8 h, then every 2 h until it
      moves by less than 0.3 %. The low point first. One salt corrects the offset only.
    </p>
    <div v-for="(point, i) in points" :key="i" class="point">
      <div class="field">
        <label :for="`salt-${i}`">salt</label>
        <el-select :id="`salt-${i}`" v-model="point.salt" aria-label="salt">
          <el-option
            v-for="salt in salts"
            :key="salt.id"
            :value="salt.id"
            :label="`${salt.title} (${salt.humidityPercent.toFixed(0)} %)`"
          />
        </el-select>
      </div>
      <NumberField
        :id="`salt-t-${i}`"
        v-model="point.temperatureC"
        label="in the jar, °C"
        :min="15"
        :max="30"
      />
      <NumberField
        :id="`salt-r-${i}`"
        v-model="point.readingPercent"
        label="it reads, %"
        :min="0"
        :max="100"
      />
      <span v-if="caution(point.salt)" class="small soft">{{ caution(point.salt) }}</span>
    </div>
    <p v-if="outcome" data-testid="check-outcome">
      A reading of {{ DRY_BOX_READING }} % then means
      <b
        >{{ outcome.correctedPercent.toFixed(1) }} ±
        {{ outcome.uncertaintyPercent.toFixed(1) }} %</b
      >
      (gain {{ outcome.gain.toFixed(3) }}, offset {{ outcome.offsetPercent.toFixed(1) }} %).
      <template v-if="outcome.verdict === 'ONE_POINT_ONLY'">
        From one salt: good near it, too doubtful for a dry box.
      </template>
      <span v-if="outcome.verdict === 'REJECT'" class="call">Too far off: replace it.</span>
    </p>
    <ProblemNote v-if="problem" :problem="problem" />
    <button class="button primary" :disabled="given.length === 0">Record this check</button>
    <p class="small soft">
      Raw readings stay as they are; the correction is kept apart and can be taken back. Keep salts
      from children and pets, and follow their data sheets.
    </p>
  </AppForm>
</template>

<style scoped>
.check {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
  padding: 0.75rem;
  background: var(--sheet);
}

.how {
  max-width: 48rem;
}

.point {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
}

.point .field:first-child {
  width: 14rem;
}
</style>
