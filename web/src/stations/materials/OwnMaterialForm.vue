<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useActs } from '@/stores/acts'

type Own = Schemas['OwnMaterialView']

/** Derives a material from one of the table's, or changes figures of one that was. */
const props = defineProps<{
  /** The one to be changed; null for a new one of this base. */
  own: Own | null
  base: Schemas['MaterialView']
}>()
const emit = defineEmits<{ kept: [name: string]; left: [] }>()
const acts = useActs()
const router = useRouter()
const problem = ref<Problem | null>(null)
useFormProblem(problem)

const form = reactive({
  name: props.own?.name ?? '',
  title: props.own?.title ?? '',
  reason: props.own?.reason ?? '',
})
const figures = reactive<Record<string, number | null>>({ ...props.own?.figures })
const adding = ref('')
const keys = computed(() => Object.keys(figures))
const others = computed(() =>
  Object.entries(props.base.parameters).filter(([key]) => !(key in figures)),
)

watch(adding, (key) => {
  if (key) {
    figures[key] = props.base.parameters[key]?.value ?? null
    adding.value = ''
  }
})

function label(key: string): string {
  const figure = props.base.parameters[key]
  return figure ? `${figure.title}${figure.unit ? `, ${figure.unit}` : ''}` : key
}

async function attempt(act: () => Promise<void>) {
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

const keep = () =>
  attempt(async () => {
    const its = Object.fromEntries(
      Object.entries(figures).filter((each): each is [string, number] => each[1] !== null),
    )
    const body = { ...form, title: form.title || undefined, figures: its }
    const kept = props.own
      ? await acts.record(
          client.PUT('/api/own-materials/{id}', {
            params: { path: { id: props.own.id } },
            body: { ...body, version: props.own.version },
          }),
          'Changed, everywhere at once',
        )
      : await acts.record(
          client.POST('/api/own-materials', { body: { ...body, base: props.base.name } }),
          'Material added',
        )
    emit('kept', kept.name)
  })

const remove = () =>
  attempt(async () => {
    if (props.own) {
      await acts.record(
        client.DELETE('/api/own-materials/{id}', { params: { path: { id: props.own.id } } }),
        `${props.own.name}: removed`,
      )
      await router.push(`/materials/${props.own.base}`)
      emit('left')
    }
  })
</script>

<template>
  <AppForm class="own sheet" @submit="keep">
    <h3>
      {{ own ? `Figures of our own in ${own.name}` : `One of our own, like ${base.name} but` }}
    </h3>
    <div class="field-grid">
      <TextField
        v-if="!own"
        id="own-name"
        v-model="form.name"
        label="Short name, stays"
        name="name"
      />
      <TextField id="own-material-title" v-model="form.title" label="What it is" name="title" />
      <TextField
        id="own-reason"
        v-model="form.reason"
        label="Where the figures come from"
        name="reason"
      />
    </div>
    <div class="field-grid">
      <div v-for="key in keys" :key="key" class="figure">
        <NumberField
          :id="`own-${key}`"
          v-model="figures[key]!"
          :label="label(key)"
          :name="`figures.${key}`"
          :step="0.1"
        />
        <button type="button" class="button plain small" @click="delete figures[key]">
          as {{ base.name }}<span class="sr-only">: {{ label(key) }}</span>
        </button>
      </div>
    </div>
    <label class="more">
      <span class="soft">Another figure is its own</span>
      <select v-model="adding" data-testid="own-figure">
        <option value="">choose</option>
        <option v-for="[key, figure] in others" :key="key" :value="key">
          {{ label(key) }}: {{ figure.value }}
        </option>
      </select>
    </label>
    <ProblemNote v-if="problem" :problem="problem" />
    <p class="row">
      <button class="button primary" data-testid="keep-material">Keep it</button>
      <button type="button" class="button plain" @click="emit('left')">Leave it</button>
      <button v-if="own" type="button" class="button plain" @click="remove">Remove it</button>
    </p>
  </AppForm>
</template>

<style scoped>
.own {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.7rem;
  margin: 1rem 0;
}

.figure,
.more {
  display: grid;
  gap: 0.2rem;
  justify-items: start;
}

select {
  max-width: 100%;
  min-height: 2.4rem;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
}
</style>
