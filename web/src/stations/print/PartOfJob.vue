<script setup lang="ts">
import { ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { grams, hours, inShownUnits } from '@/parts/format'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import FirstLayer from './FirstLayer.vue'
import LayersFromSide from './LayersFromSide.vue'
import PartDrop from './PartDrop.vue'
import SidesToLay from './SidesToLay.vue'
import { megabytes } from './partFile'
import type { Choices, Sheet } from './sheet'

/** The file of a job's part: what is in it, drawn, and held against the sheet. */
const props = defineProps<{
  jobId: number
  /** Number of its file; null where it has none. */
  fileId: number | null
  /** Of the sheet that the file is held against. */
  version: number
  choices: Choices
  sheet: Sheet | null
}>()
const emit = defineEmits<{ read: [part: Schemas['PartAnswer']] }>()

const acts = useActs()
const file = ref<Schemas['PartFileView'] | null>(null)
const problem = ref<Problem | null>(null)

watch(
  [() => props.jobId, () => props.fileId, () => props.version],
  async () => {
    if (props.fileId === null) {
      file.value = null
      return
    }
    try {
      file.value = await answer(
        client.GET('/api/jobs/{id}/part-file', { params: { path: { id: props.jobId } } }),
      )
      problem.value = null
    } catch (cause) {
      problem.value = Problem.of(cause)
    }
  },
  { immediate: true },
)

function laid(view: Schemas['PartFileView']) {
  file.value = view
  emit('read', view.part)
}

async function remove() {
  try {
    await acts.record(
      client.DELETE('/api/jobs/{id}/part-file', { params: { path: { id: props.jobId } } }),
    )
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

/** What must be looked at before such a file prints. */
const UNSAFE = new Set(['cut-short', 'stays-hot'])
const KINDS: Record<string, string> = { stl: 'STL', '3mf': '3MF', gcode: 'print file' }
</script>

<template>
  <section aria-labelledby="file-title" class="file">
    <h2 id="file-title">Its file</h2>
    <template v-if="file">
      <p>
        <b>{{ file.name }}</b>{{ ' ' }}
        <span class="soft small">
          {{ KINDS[file.part.kind] }}, {{ megabytes(file.sizeBytes) }}
        </span>
        <button class="button plain small" @click="emit('read', file.part)">
          Set the sheet by it
        </button>
        <a v-if="file.here" class="small" :href="`/api/jobs/${jobId}/part-file/content`"
          >Fetch it</a
        >
        <button class="button plain small" @click="remove">Take away</button>
      </p>
      <p class="small">
        {{ file.part.boundsMm.x.toFixed(1) }} × {{ file.part.boundsMm.y.toFixed(1) }} ×
        {{ file.part.boundsMm.z.toFixed(1) }} mm, {{ file.part.volumeCm3.toFixed(1) }} cm³{{
          file.part.kind === 'gcode' ? ' of filament' : ''
        }}<template v-if="sheet">, {{ grams(sheet.grams) }} of {{ sheet.material }}</template
        ><template v-if="file.part.printTimeS != null"
          >, {{ hours(file.part.printTimeS / 3600) }} ±
          {{ (file.part.unsurePercent ?? 0).toFixed(0) }} %,
          {{ file.part.layers.length }} layers</template
        ><template v-if="(file.part.parts ?? 1) > 1">, {{ file.part.parts }} bodies apart</template
        ><template v-if="file.part.steepPercent != null"
          >, {{ file.part.steepPercent.toFixed(0) }} % of it hangs over nothing</template
        >.
      </p>
      <p v-if="!file.here" class="soft small" data-testid="file-not-here">
        The file itself is not here, as after a backup was restored on another computer; what was
        read of it is. To fetch it or lay it on another side, send it again.
      </p>
      <ul v-if="file.findings.length || file.part.notes.length" class="notes">
        <li v-for="finding in file.findings" :key="finding.id" :data-testid="`file-${finding.id}`">
          <b class="call">{{ inShownUnits(finding.words) }}</b> {{ inShownUnits(finding.remedy) }}
        </li>
        <li
          v-for="note in file.part.notes"
          :key="note.id"
          :class="{ call: UNSAFE.has(note.id) }"
          :data-testid="`note-${note.id}`"
        >
          {{ inShownUnits(note.words) }}
        </li>
      </ul>
      <SidesToLay
        v-if="file.here && file.part.footprint && fileId !== null"
        :job-id="jobId"
        :file-id="fileId"
        @laid="laid"
      />
      <FirstLayer
        v-if="file.part.footprint || file.part.firstLayer.length"
        :part="file.part"
        :choices="choices"
        :ratios="file.cornerRatios"
      />
      <template v-if="file.layerChecks.length">
        <LayersFromSide :file="file" />
        <p class="soft small">
          Held against the sheet as it is kept, or against what the file itself says while there is
          none.
        </p>
      </template>
      <p v-if="file.sameFile.length" class="small">
        The same file was in
        <template v-for="(other, i) in file.sameFile" :key="other.jobId"
          >{{ i ? ', ' : ''
          }}<router-link :to="`/print/jobs/${other.jobId}`">{{ other.name }}</router-link
          >{{ other.outcome ? ` (${other.outcome})` : ' (not printed)' }}</template
        >.
      </p>
    </template>
    <ProblemNote v-if="problem" :problem="problem" />
    <PartDrop :job-id="jobId" :again="fileId !== null" @read="emit('read', $event)" />
  </section>
</template>

<style scoped>
.file {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}

.notes {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
