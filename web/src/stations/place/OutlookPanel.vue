<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import WideTable from '@/parts/WideTable.vue'
import { useFormProblem } from '@/parts/formProblem'
import TimeField from '@/parts/TimeField.vue'
import TextField from '@/parts/TextField.vue'
import { useActs } from '@/stores/acts'
import UndoButton from '@/parts/UndoButton.vue'
import { reactive, ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { dateTime, humidity, temperature } from '@/parts/format'

const props = defineProps<{ placeId: number; view: Schemas['PlaceView'] }>()
const emit = defineEmits<{ changed: [] }>()

const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const form = reactive({
  name: 'closed, heating off',
  temperatureC: 10,
  relativeHumidityPercent: 65,
  from: null as Date | null,
  until: null as Date | null,
})

async function plan() {
  try {
    await acts.record(
      client.POST('/api/places/{id}/outlooks', {
        params: { path: { id: props.placeId } },
        body: { ...form, from: form.from?.toISOString(), until: form.until?.toISOString() },
      }),
    )
    problem.value = null
    emit('changed')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <section class="outlook" aria-label="Outlook">
    <h2>Outlook</h2>
    <p data-testid="assumption">The forecast assumes {{ view.assumption }}.</p>
    <WideTable v-if="view.planned.length" label="What is expected" class="small">
      <tbody>
        <tr v-for="each in view.planned" :key="each.id">
          <td>{{ each.name }}</td>
          <td>{{ dateTime(each.fromS) }} to {{ dateTime(each.untilS) }}</td>
          <td class="n">{{ temperature(each.temperatureC, 1) }}</td>
          <td class="n">{{ humidity(each.relativeHumidityPercent) }}</td>
          <td><UndoButton :act="each.actId" :what="each.name" /></td>
        </tr>
      </tbody>
    </WideTable>
    <details>
      <summary>expect something else for a while</summary>
      <AppForm @submit="plan">
        <TextField
          id="outlook-name"
          v-model="form.name"
          label="what happens"
          name="name"
          maxlength="80"
        />
        <NumberField
          id="outlook-t"
          v-model="form.temperatureC"
          name="temperatureC"
          label="temperature, °C"
          :min="-40"
          :max="110"
        />
        <NumberField
          id="outlook-h"
          v-model="form.relativeHumidityPercent"
          name="relativeHumidityPercent"
          label="relative humidity, %"
          :min="0"
          :max="100"
        />
        <TimeField id="outlook-from" v-model="form.from" label="from (now if empty)" name="from" />
        <TimeField id="outlook-until" v-model="form.until" label="until" name="until" />
        <button class="button">Keep this forecast</button>
      </AppForm>
      <ProblemNote v-if="problem" :problem="problem" />
    </details>
  </section>
</template>

<style scoped>
.outlook {
  display: grid;
  gap: 0.5rem;
  margin-top: 1.5rem;
}

form {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
  margin-top: 0.6rem;
}

form .field {
  width: 13rem;
}

summary {
  cursor: pointer;
}
</style>
