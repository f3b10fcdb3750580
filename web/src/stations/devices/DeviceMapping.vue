<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import TextField from '@/parts/TextField.vue'
import { choices, useOptions } from '@/stores/options'
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { ago } from '@/parts/format'
import { useShelf } from '@/stores/shelf'
import { numbersIn, type Unit } from './messageNumbers'

const props = defineProps<{ mqtt: Schemas['MqttView'] }>()
const emit = defineEmits<{ done: [] }>()

const shelf = useShelf()
const options = useOptions()
const topic = ref('')
const filter = ref('')
const units = reactive<Record<string, Unit | ''>>({})
const timePointer = ref('')
const form = reactive({
  name: '',
  kind: 'HYGROMETER' as Schemas['DeviceView']['kind'],
  placeId: null as number | null,
  resolution: null as number | null,
})
const problem = ref<Problem | null>(null)
useFormProblem(problem)

const topics = computed(() => [...props.mqtt.topics].sort((a, b) => a.topic.localeCompare(b.topic)))
const message = computed(() => topics.value.find((each) => each.topic === topic.value) ?? null)
const numbers = computed(() => (message.value ? numbersIn(message.value.lastPayload) : []))
const places = computed(() =>
  shelf.places.map((place) => ({ value: place.place.id, label: place.place.name })),
)
const chosen = computed(() =>
  numbers.value.filter((number) => !number.isTime && units[number.pointer]),
)

function choose(name: string) {
  topic.value = name
  filter.value = name
}

watch(topic, () => {
  for (const pointer of Object.keys(units)) {
    delete units[pointer]
  }
  for (const number of numbers.value) {
    units[number.pointer] = number.guess ?? ''
  }
  timePointer.value = numbers.value.find((number) => number.isTime)?.pointer ?? ''
  const quantities = Object.values(units)
  form.kind = quantities.includes('GRAM') ? 'SCALE' : 'HYGROMETER'
})

async function save() {
  try {
    await answer(
      client.POST('/api/devices', {
        body: {
          ...form,
          channels: chosen.value.map((number) => ({
            topicFilter: filter.value,
            pointer: number.pointer,
            unit: units[number.pointer] as Unit,
            timePointer: timePointer.value,
          })),
        },
      }),
    )
    emit('done')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <div class="mapping" data-testid="mapping">
    <h2>Add a device</h2>
    <div class="columns">
      <div>
        <p class="label soft small">1. Its topic, among those that publish now</p>
        <ul class="topics" aria-label="Topics">
          <li v-for="each in topics" :key="each.topic">
            <button :class="{ chosen: each.topic === topic }" @click="choose(each.topic)">
              <span class="code">{{ each.topic }}</span>
              <span class="small">{{ each.lastPayload.slice(0, 60) }}</span>
              <span class="small soft">{{ ago(each.lastAtMs / 1000, Date.now() / 1000) }}</span>
            </button>
          </li>
          <li v-if="topics.length === 0" class="soft">Nothing has been published yet.</li>
        </ul>
      </div>
      <div v-if="message">
        <p class="label soft small">2. What its numbers are</p>
        <p class="raw" data-testid="raw-message">{{ message.lastPayload }}</p>
        <table class="table">
          <tbody>
            <tr v-for="number in numbers" :key="number.pointer">
              <td class="code">{{ number.pointer || 'the message' }}</td>
              <td class="n">{{ number.shown }}</td>
              <td>
                <label v-if="number.isTime" class="time">
                  <input v-model="timePointer" type="radio" :value="number.pointer" /> time of the
                  reading
                </label>
                <el-select
                  v-else
                  v-model="units[number.pointer]"
                  :aria-label="`What ${number.pointer || 'the number'} is`"
                  placeholder="not used"
                  clearable
                >
                  <el-option
                    v-for="unit in choices(options.readingUnits)"
                    :key="unit.value"
                    :value="unit.value"
                    :label="unit.label"
                  />
                </el-select>
              </td>
            </tr>
          </tbody>
        </table>
        <label v-if="timePointer" class="small">
          <input v-model="timePointer" type="radio" value="" /> its clock is not to be trusted: the
          arrival counts
        </label>
        <p v-if="numbers.length === 0" class="call">There is no number in this message.</p>
      </div>
      <AppForm v-if="message" @submit="save">
        <p class="label soft small">3. What it is and where</p>
        <TextField
          id="device-name"
          v-model="form.name"
          label="name, as written on it"
          name="name"
          maxlength="80"
        />
        <ChoiceField
          id="device-kind"
          v-model="form.kind"
          name="kind"
          label="kind"
          :options="choices(options.deviceKinds)"
        />
        <ChoiceField
          v-if="form.kind !== 'SCALE'"
          id="device-place"
          v-model="form.placeId"
          name="placeId"
          label="is in"
          :options="places"
          clearable
        />
        <TextField
          id="device-filter"
          v-model="filter"
          label="topic; + for one level, # for all below"
        />
        <ProblemNote v-if="problem" :problem="problem" />
        <div class="acts">
          <button class="button primary" :disabled="chosen.length === 0">Listen to it</button>
          <button type="button" class="button plain" @click="emit('done')">not now</button>
        </div>
      </AppForm>
    </div>
  </div>
</template>

<style scoped>
.mapping {
  border-top: 3px solid var(--ink);
  padding-top: 0.6rem;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 1.5rem;
}

.topics {
  list-style: none;
  margin: 0.25rem 0 0;
  padding: 0;
  max-height: 22rem;
  overflow-y: auto;
}

.topics button {
  display: grid;
  width: 100%;
  text-align: left;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  padding: 0.35rem 0.5rem;
  cursor: pointer;
  overflow-wrap: anywhere;
}

.topics button.chosen {
  border-left-color: var(--ink);
  background: var(--sheet);
}

.raw {
  font-family: var(--mono);
  font-size: var(--size-1);
  background: var(--sheet);
  padding: 0.5rem;
  margin: 0.25rem 0;
  overflow-wrap: anywhere;
}

form {
  display: grid;
  gap: 0.6rem;
  align-content: start;
}

.acts {
  display: flex;
  gap: 0.75rem;
}

.table {
  table-layout: fixed;
}

.table td {
  overflow-wrap: anywhere;
}

.table td:nth-child(2) {
  white-space: normal;
}

.table td:last-child {
  width: 45%;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
