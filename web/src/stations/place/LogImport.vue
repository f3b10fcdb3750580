<script setup lang="ts">
import WideTable from '@/parts/WideTable.vue'
import { computed, ref } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { dateTime, temperature } from '@/parts/format'
import { questions } from '@/parts/latestAnswer'

type Preview = Schemas['PreviewView']
type Answers = Schemas['LogAnswers']

const props = defineProps<{ placeId: number }>()
const emit = defineEmits<{ imported: [] }>()

const PROGRESS_MS = 400
const NO_ANSWERS: Answers = {}

const preview = ref<Preview | null>(null)
const problem = ref<Problem | null>(null)
const answers = ref<Answers>({ ...NO_ANSWERS })
const stage = ref<'idle' | 'reading' | 'storing'>('idle')
const done = ref(0)
const outcome = ref<Schemas['ImportView'] | null>(null)
let reading: AbortController | undefined
/** What is previewed does not answer the last choice yet. */
const looking = ref(false)
const looks = questions()

const DELIMITERS: Record<string, string> = { ',': 'comma', ';': 'semicolon', '\t': 'tab' }

const layout = computed(() => preview.value?.layout)
const open = computed(() => (preview.value?.questions.length ?? 0) > 0)
const path = computed(() => ({
  path: { placeId: props.placeId, uploadId: preview.value?.uploadId ?? '' },
}))

function reset() {
  preview.value = null
  problem.value = null
  outcome.value = null
  answers.value = { ...NO_ANSWERS }
  stage.value = 'idle'
  looks()
  looking.value = false
}

async function choose(file: File | undefined) {
  if (!file) {
    return
  }
  reset()
  stage.value = 'reading'
  reading = new AbortController()
  const { signal } = reading
  try {
    preview.value = await answer(
      client.POST('/api/places/{placeId}/climate-files', {
        params: {
          path: { placeId: props.placeId },
          query: { zone: Intl.DateTimeFormat().resolvedOptions().timeZone },
        },
        body: { file: file.name },
        // The document knows a file by its name only; a form carries it whole.
        bodySerializer: () => {
          const form = new FormData()
          form.append('file', file)
          return form
        },
        signal,
      }),
    )
  } catch (cause) {
    problem.value = signal.aborted ? null : Problem.of(cause)
  }
  stage.value = 'idle'
}

function pick(event: Event) {
  const input = event.target as HTMLInputElement
  void choose(input.files?.[0])
  input.value = ''
}

async function look() {
  const isLast = looks()
  looking.value = true
  try {
    const fresh = await answer(
      client.POST('/api/places/{placeId}/climate-files/{uploadId}/preview', {
        params: path.value,
        body: answers.value,
      }),
    )
    if (isLast()) {
      preview.value = fresh
      problem.value = null
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
  if (isLast()) {
    looking.value = false
  }
}

function say(about: string, value: string) {
  answers.value = { ...answers.value, [about]: value }
  void look()
}

async function store() {
  stage.value = 'storing'
  done.value = 0
  const timer = setInterval(async () => {
    try {
      const progress = await answer(
        client.GET('/api/places/{placeId}/climate-files/{uploadId}/progress', {
          params: path.value,
        }),
      )
      done.value = progress.readingsDone
    } catch {
      // The import has just ended; its own answer tells how.
    }
  }, PROGRESS_MS)
  try {
    outcome.value = await answer(
      client.POST('/api/places/{placeId}/climate-files/{uploadId}/import', {
        params: path.value,
        body: answers.value,
      }),
    )
    preview.value = null
    problem.value = null
    emit('imported')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  clearInterval(timer)
  stage.value = 'idle'
}

async function cancel() {
  reading?.abort()
  if (preview.value) {
    try {
      await answer(
        client.DELETE('/api/places/{placeId}/climate-files/{uploadId}/upload', {
          params: path.value,
        }),
      )
    } catch {
      // It is forgotten by itself after half an hour.
    }
  }
  if (stage.value !== 'storing') {
    reset()
  }
}
</script>

<template>
  <section class="import" aria-label="Import a climate log">
    <h2>Import a log</h2>
    <p class="soft small">
      CSV or text as the logger writes it; up to 20 MB. Nothing is stored before you have seen it.
    </p>
    <label class="button" :class="{ off: stage !== 'idle' }">
      Choose a file
      <input
        type="file"
        class="sr-only"
        accept=".csv,.txt,.tsv,text/*"
        data-testid="log-file"
        :disabled="stage !== 'idle'"
        @change="pick"
      />
    </label>
    <template v-if="stage === 'reading'">
      <progress aria-label="Reading the file" />
      <button class="button plain" @click="cancel">Cancel</button>
    </template>

    <p v-if="outcome" class="outcome" data-testid="import-outcome" role="status">
      {{ outcome.fileName }}: {{ outcome.rowsTaken }} readings taken<template
        v-if="outcome.rowsKnown"
        >, {{ outcome.rowsKnown }} were known already</template
      ><template v-if="outcome.rejected">, {{ outcome.rejected }} rows left out</template>.
    </p>
    <ProblemNote v-if="problem" :problem="problem" />

    <div v-if="preview && layout" class="sheet preview" data-testid="log-preview">
      <h3>{{ preview.fileName }}</h3>
      <p>
        <b>{{ preview.readings }}</b> readings
        <template v-if="preview.firstS && preview.lastS">
          from {{ dateTime(preview.firstS) }} to {{ dateTime(preview.lastS) }} ({{
            preview.zone
          }})</template
        >; <b data-testid="new-readings">{{ preview.newReadings }}</b> of them new here.
      </p>

      <fieldset v-for="question in preview.questions" :key="question.about" class="question">
        <legend>{{ question.text }}</legend>
        <button
          v-for="option in question.options"
          :key="option.value"
          type="button"
          class="button"
          :data-testid="`answer-${option.value}`"
          @click="say(question.about, option.value)"
        >
          {{ option.text }}
        </button>
      </fieldset>

      <WideTable label="Detected columns" class="small">
        <tbody>
          <tr>
            <td class="soft">columns</td>
            <td>
              separated by {{ DELIMITERS[layout.delimiter] ?? layout.delimiter }}, decimal
              {{ layout.decimalComma ? 'comma' : 'point' }},
              {{ layout.hasHeader ? 'with headings' : 'without headings' }}
            </td>
          </tr>
          <tr>
            <td class="soft">time</td>
            <td>
              {{ layout.timeColumns.map((i) => layout!.columns[i]).join(' + ') }},
              {{ layout.dateOrder.toLowerCase().replace('_', ' ') }}
            </td>
          </tr>
          <tr>
            <td class="soft">temperature</td>
            <td>
              <select
                :value="layout.temperatureColumn"
                aria-label="Column with the temperature"
                @change="say('temperatureColumn', ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="(name, i) in layout.columns" :key="i" :value="i">{{ name }}</option>
              </select>
              <select
                :value="layout.temperatureUnit"
                aria-label="Unit of the temperature"
                @change="say('temperatureUnit', ($event.target as HTMLSelectElement).value)"
              >
                <option value="CELSIUS">°C</option>
                <option value="FAHRENHEIT">°F</option>
              </select>
            </td>
          </tr>
          <tr>
            <td class="soft">humidity</td>
            <td>
              <select
                :value="layout.humidityColumn"
                aria-label="Column with the humidity"
                @change="say('humidityColumn', ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="(name, i) in layout.columns" :key="i" :value="i">{{ name }}</option>
              </select>
              <select
                :value="layout.humidityUnit"
                aria-label="Unit of the humidity"
                @change="say('humidityUnit', ($event.target as HTMLSelectElement).value)"
              >
                <option value="PERCENT">percent</option>
                <option value="FRACTION">fraction of 1</option>
              </select>
            </td>
          </tr>
        </tbody>
      </WideTable>

      <WideTable v-if="preview.firstRows.length" label="First rows" class="small">
        <thead>
          <tr>
            <th class="n">Line</th>
            <th>Time</th>
            <th class="n">Temperature</th>
            <th class="n">% humidity</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in preview.firstRows" :key="row.line">
            <td class="n">{{ row.line }}</td>
            <td>{{ dateTime(row.epochS) }}</td>
            <td class="n">{{ temperature(row.temperatureC, 1) }}</td>
            <td class="n">{{ row.relativeHumidityPercent.toFixed(1) }}</td>
          </tr>
        </tbody>
      </WideTable>

      <details v-if="preview.rejectedCount" open>
        <summary>
          <span class="call"
            >{{ preview.rejectedCount === 1 ? 'One row' : `${preview.rejectedCount} rows` }} cannot
            be taken</span
          >
        </summary>
        <WideTable label="Rows that were left out" class="small" data-testid="rejected-rows">
          <thead>
            <tr>
              <th class="n">Line</th>
              <th>Reason</th>
              <th>Row</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in preview.rejected.slice(0, 50)" :key="row.line">
              <td class="n">{{ row.line }}</td>
              <td>{{ row.reason }}</td>
              <td class="soft">{{ row.text }}</td>
            </tr>
          </tbody>
        </WideTable>
      </details>

      <div class="acts">
        <template v-if="stage === 'storing'">
          <progress :value="done" :max="preview.readings" aria-label="Storing" />
          <span>{{ done }} of {{ preview.readings }}</span>
        </template>
        <button
          v-else
          class="button primary"
          :disabled="open || looking || preview.readings === 0"
          data-testid="store-log"
          @click="store"
        >
          {{
            preview.rejectedCount
              ? `Take the other ${preview.readings}`
              : `Take ${preview.readings} readings`
          }}
        </button>
        <button class="button" @click="cancel">Cancel</button>
        <span v-if="open" class="soft small">Answer the question above first.</span>
      </div>
    </div>
  </section>
</template>

<style scoped>
.import {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}

.button.off {
  opacity: 0.5;
}

.button:has(:focus-visible) {
  outline: 3px solid var(--focus);
  outline-offset: 2px;
}

.preview {
  width: 100%;
  display: grid;
  gap: 0.9rem;
}

.question {
  border: 2px solid var(--call);
  border-radius: var(--corner);
  padding: 0.5rem 0.75rem 0.75rem;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

.question legend {
  font-weight: 700;
  padding: 0 0.3rem;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.75rem;
}

select {
  padding: 0.15rem 0.3rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  margin-right: 0.4rem;
}

.table.small {
  width: auto;
}

.outcome {
  border-left: 4px solid var(--ink);
  padding-left: 0.75rem;
}
</style>
