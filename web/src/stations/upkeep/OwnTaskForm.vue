<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useActs } from '@/stores/acts'
import type { Item } from './upkeep'

type Own = Schemas['OwnTaskView']

/** Tasks of this workshop, and its own intervals for those of the table. */
const props = defineProps<{ own: readonly Own[]; items: readonly Item[]; adding: boolean }>()
const emit = defineEmits<{ added: [] }>()
const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)

const NEW = 'a task of our own'
const form = reactive({
  replaces: NEW,
  title: '',
  subject: 'PRINTER' as Item['subject'],
  subjectId: 0,
  everyDays: null as number | null,
  everyHours: null as number | null,
  everyPrints: null as number | null,
  minutes: 10 as number | null,
})

/** Tasks of the table that stand in the list. */
const standard = computed(() => {
  const seen = new Map<string, Item>()
  props.items.filter((item) => item.ownId === null).forEach((item) => seen.set(item.task, item))
  return [
    { value: NEW, label: NEW },
    ...[...seen.values()].map((item) => ({
      value: item.task,
      label: `our interval for: ${item.title.toLowerCase()}`,
    })),
  ]
})
const chosen = computed(() => props.items.find((item) => item.task === form.replaces))
watch(chosen, (item) => {
  if (item) {
    form.subject = item.subject
    form.subjectId = 0
    form.minutes = item.minutes
  }
})
const SUBJECTS: { value: Item['subject']; label: string }[] = [
  { value: 'PRINTER', label: 'printers' },
  { value: 'PLATE', label: 'plates' },
  { value: 'DRYER', label: 'dryers' },
  { value: 'WORKSHOP', label: 'the workshop' },
]
const things = computed(() => {
  const seen = new Map<number, string>()
  props.items
    .filter((item) => item.subject === form.subject)
    .forEach((item) => seen.set(item.subjectId, item.name))
  return [
    { value: 0, label: 'all of them' },
    ...[...seen].map(([value, label]) => ({ value, label })),
  ]
})

async function attempt(act: () => Promise<unknown>) {
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

const add = () =>
  attempt(async () => {
    await acts.record(
      client.POST('/api/upkeep/tasks', {
        body: {
          title: form.title || undefined,
          subject: form.subject,
          subjectId: form.subjectId || undefined,
          replaces: form.replaces === NEW ? undefined : form.replaces,
          everyDays: form.everyDays ?? undefined,
          everyHours: form.everyHours ?? undefined,
          everyPrints: form.everyPrints ?? undefined,
          minutes: form.minutes ?? undefined,
        },
      }),
      'Task added',
    )
    form.title = ''
    emit('added')
  })

const remove = (task: Own) =>
  attempt(() =>
    acts.record(
      client.DELETE('/api/upkeep/tasks/{id}', { params: { path: { id: task.id } } }),
      `${task.title}: removed`,
    ),
  )

function interval(task: Own): string {
  const parts = [
    task.everyDays === null ? '' : `${task.everyDays} days`,
    task.everyHours === null ? '' : `${task.everyHours} h of printing`,
    task.everyPrints === null ? '' : `${task.everyPrints} prints`,
    task.everyFilamentKg === null ? '' : `${task.everyFilamentKg} kg`,
  ].filter(Boolean)
  return parts.length ? `every ${parts.join(' or ')}` : 'never'
}
</script>

<template>
  <section aria-labelledby="own-title" class="own">
    <h2 id="own-title">Our own tasks and intervals</h2>
    <ul v-if="own.length">
      <li v-for="task in own" :key="task.id">
        {{ task.title }} <span class="soft">{{ interval(task) }}</span>
        <button class="button plain small" @click="remove(task)">
          remove<span class="sr-only">: {{ task.title }}</span>
        </button>
      </li>
    </ul>
    <AppForm v-if="adding" class="field-grid" @submit="add">
      <ChoiceField
        id="own-replaces"
        v-model="form.replaces"
        label="What"
        name="replaces"
        :options="standard"
        filterable
      />
      <TextField
        v-if="form.replaces === NEW"
        id="own-title-field"
        v-model="form.title"
        label="What is to be done"
        name="title"
      />
      <ChoiceField
        v-if="form.replaces === NEW"
        id="own-subject"
        v-model="form.subject"
        label="On"
        name="subject"
        :options="SUBJECTS"
      />
      <ChoiceField
        v-if="form.subject !== 'WORKSHOP'"
        id="own-thing"
        v-model="form.subjectId"
        label="Which"
        name="subjectId"
        :options="things"
      />
      <NumberField
        id="own-days"
        v-model="form.everyDays"
        label="Every so many days"
        name="everyDays"
        :min="0"
      />
      <NumberField
        v-if="form.subject === 'PRINTER' || form.subject === 'PLATE'"
        id="own-hours"
        v-model="form.everyHours"
        label="Hours of printing"
        name="everyHours"
        :min="0"
      />
      <NumberField
        v-if="form.subject === 'PRINTER' || form.subject === 'PLATE'"
        id="own-prints"
        v-model="form.everyPrints"
        label="Prints"
        name="everyPrints"
        :min="0"
      />
      <NumberField
        id="own-minutes"
        v-model="form.minutes"
        label="Minutes of work"
        name="minutes"
        :min="0"
      />
      <button class="button primary" data-testid="keep-task">Keep it</button>
    </AppForm>
    <p v-if="adding && form.replaces !== NEW" class="soft small">
      With no amount at all the task is left out here.
    </p>
    <ProblemNote v-if="problem" :problem="problem" />
  </section>
</template>

<style scoped>
.own {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 0.8rem;
  align-items: center;
}
</style>
