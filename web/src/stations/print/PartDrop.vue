<script setup lang="ts">
import { onBeforeUnmount, ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { Cancelled, sendFile, type Sending } from '@/parts/sendFile'
import { useActs } from '@/stores/acts'
import { megabytes } from './partFile'

/** Takes a part's file by a drop anywhere on it or by a choice, and keeps it with the job. */
const props = defineProps<{ jobId: number; again: boolean }>()
const emit = defineEmits<{ read: [part: Schemas['PartAnswer']] }>()

const MOST_BYTES = 512 * 2 ** 20
const acts = useActs()
const over = ref(false)
const share = ref<number | null>(null)
const problem = ref<Problem | null>(null)
let sending: Sending<Schemas['PartReadView']> | null = null

async function take(file: File | undefined) {
  if (!file || share.value !== null) {
    return
  }
  problem.value = null
  if (file.size > MOST_BYTES) {
    problem.value = new Problem(
      'The file is too large',
      `It has ${megabytes(file.size)}; up to 512 MB are read. Export it with a coarser tolerance.`,
    )
    return
  }
  share.value = 0
  sending = sendFile('/api/part-files', file, (value) => (share.value = value))
  try {
    const read = await sending.done
    await acts.record(
      client.POST('/api/jobs/{id}/part-file', {
        params: { path: { id: props.jobId } },
        body: { uploadId: read.uploadId },
      }),
    )
    emit('read', read.part)
  } catch (cause) {
    problem.value = cause instanceof Cancelled ? null : Problem.of(cause)
  }
  sending = null
  share.value = null
}

function pick(event: Event) {
  const input = event.target as HTMLInputElement
  void take(input.files?.[0])
  input.value = ''
}

function drop(event: DragEvent) {
  over.value = false
  void take(event.dataTransfer?.files[0])
}

onBeforeUnmount(() => sending?.cancel())
</script>

<template>
  <div
    class="drop"
    :class="{ over }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <template v-if="share === null">
      <label class="button small">
        {{ again ? 'Another file' : 'Read it from a file' }}
        <input
          type="file"
          class="sr-only"
          accept=".stl,.3mf,.gcode,.gco,.g"
          data-testid="part-file"
          @change="pick"
        />
      </label>
      <span class="soft small">STL, 3MF or G-code, or drop it here; up to 512 MB</span>
    </template>
    <template v-else>
      <progress :value="share" max="1" aria-label="The file on its way" />
      <span class="small" role="status">
        {{ share < 1 ? `${Math.round(100 * share)} % there` : 'reading …' }}
      </span>
      <button class="button plain small" @click="sending?.cancel()">Stop</button>
    </template>
    <ProblemNote v-if="problem" :problem="problem" />
  </div>
</template>

<style scoped>
.drop {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 0.8rem;
  align-items: center;
  padding: 0.6rem;
  border: 2px dashed var(--board);
  border-radius: var(--corner);
}

.over {
  border-color: var(--ink);
  background: var(--sheet);
}

label:focus-within {
  outline: 3px solid var(--ink);
  outline-offset: 2px;
}

progress {
  flex: 1 1 8rem;
  accent-color: var(--ink);
}
</style>
