<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { sendPhoto } from '@/parts/sendPhoto'
import TextField from '@/parts/TextField.vue'
import TimeField from '@/parts/TimeField.vue'
import { daysAgo, inDays, type Item } from './upkeep'

/** A task with how far it is used up; done by one tap, or with what there is to say of it. */
const props = defineProps<{ item: Item; nowS: number }>()
type Done = Omit<Schemas['UpkeepDoneRequest'], 'task' | 'subject' | 'subjectId'>
const emit = defineEmits<{ done: [said: Done] }>()

const open = ref(false)
const said = reactive({
  note: '',
  measured: null as number | null,
  measuredUnit: '',
  at: null as Date | null,
})
const photo = ref<{ uploadId: string; name: string } | null>(null)
const problem = ref<Problem | null>(null)
const binding = computed(() => props.item.counts[0]!)
const share = computed(() => Math.min(1, binding.value.used / binding.value.every))
const id = computed(() => `${props.item.task}-${props.item.subject}-${props.item.subjectId}`)

const when = computed(() => {
  const { state, dueS, lastS } = props.item
  const last =
    lastS === null ? 'not known when it was last done' : `last ${daysAgo(lastS, props.nowS)}`
  const due =
    state === 'DUE'
      ? 'due'
      : dueS === null
        ? 'nothing counts towards it now'
        : `due ${inDays(dueS, props.nowS, 'today')}`
  return `${due}; ${last}`
})

async function choose(event: Event) {
  const file = (event.target as HTMLInputElement).files?.[0]
  if (!file) {
    return
  }
  try {
    const read = await sendPhoto(file)
    photo.value = { uploadId: read.uploadId, name: file.name }
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

function tell() {
  emit('done', {
    note: said.note || undefined,
    measured: said.measured ?? undefined,
    measuredUnit: said.measuredUnit || undefined,
    at: said.at?.toISOString(),
    uploadId: photo.value?.uploadId,
  })
  open.value = false
}
</script>

<template>
  <li :data-testid="`task-${id}`" :class="{ due: item.state === 'DUE' }">
    <div class="line">
      <button class="title" :aria-expanded="open" @click="open = !open">{{ item.title }}</button>
      <span class="gauge" role="img" :aria-label="binding.words">
        <span class="used" :style="{ width: `${100 * share}%` }" />
        <span class="soon" />
      </span>
      <span class="words">
        {{ binding.words }}
        <span class="soft small">{{ when }}</span>
      </span>
      <button class="button" @click="emit('done', {})">
        done<span class="sr-only">: {{ item.title }}, {{ item.name }}</span>
      </button>
    </div>
    <div v-if="open" class="more">
      <p v-if="item.caution" class="caution">
        {{ item.caution }} Follow the maker's instructions and local rules.
      </p>
      <p v-if="item.needs.length" class="soft">
        Needs {{ item.needs.join(', ') }}; about {{ item.minutes }} min.
      </p>
      <ol v-if="item.steps.length">
        <li v-for="step in item.steps" :key="step">{{ step }}</li>
      </ol>
      <p v-if="item.sign" class="soft">Overdue it shows as: {{ item.sign }}.</p>
      <ul v-if="item.counts.length > 1" class="small soft">
        <li v-for="count in item.counts.slice(1)" :key="count.counter">{{ count.words }}</li>
      </ul>
      <p v-if="item.procedure">
        <router-link :to="`/trouble/steps/${item.procedure}`"
          >Go through it step by step</router-link
        >
      </p>
      <p v-if="item.task === 'plate_flat'">
        <router-link :to="{ path: '/upkeep/flatness', query: { plate: String(item.subjectId) } }"
          >Enter the heights</router-link
        >
      </p>
      <AppForm class="said" @submit="tell">
        <TextField :id="`note-${id}`" v-model="said.note" label="Note" name="note" />
        <div class="field-grid">
          <NumberField
            :id="`measured-${id}`"
            v-model="said.measured"
            label="Measured"
            name="measured"
          />
          <TextField
            :id="`unit-${id}`"
            v-model="said.measuredUnit"
            label="In"
            name="measuredUnit"
          />
          <TimeField :id="`at-${id}`" v-model="said.at" label="When, if not now" name="at" />
        </div>
        <label class="file">
          <span class="soft">Photograph</span>
          <input type="file" accept="image/*" @change="choose" />
        </label>
        <ProblemNote v-if="problem" :problem="problem" />
        <p><button class="button primary">Done, with this</button></p>
      </AppForm>
    </div>
  </li>
</template>

<style scoped>
li {
  border-bottom: 1px solid var(--hairline);
}

.line {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(6rem, 0.7fr) minmax(0, 1.3fr) auto;
  gap: 0.3rem 1rem;
  align-items: center;
  min-height: 3.2rem;
  padding: 0.3rem 0;
}

.title {
  min-height: 2.4rem;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 700;
  text-align: left;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}

.gauge {
  position: relative;
  height: 0.9rem;
  border: 1.5px solid var(--ink);
  border-right-width: 4px;
}

.used {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--board);
}

.due .used {
  background: var(--call);
}

.soon {
  position: absolute;
  inset: -5px auto -5px 80%;
  border-left: 1.5px solid var(--ink);
}

.words {
  display: grid;
  line-height: 1.3;
}

.more {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
  padding: 0.4rem 0 1rem;
}

.more li {
  border: 0;
}

.more ol,
.more ul {
  margin: 0;
  padding-left: 1.2rem;
}

.caution {
  border-left: 4px solid var(--call);
  padding-left: 0.8rem;
}

.said,
.file {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}

@media (max-width: 50rem) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto;
  }

  .gauge {
    grid-column: 1 / -1;
    grid-row: 2;
  }

  .words {
    grid-column: 1 / -1;
  }
}
</style>
