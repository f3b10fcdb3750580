<script setup lang="ts">
import { ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import { useActs } from '@/stores/acts'
import ProblemNote from './ProblemNote.vue'
import { sendPhoto } from './sendPhoto'

/** Photographs of a thing in a row, and adding one more. */
const props = defineProps<{
  photos: Schemas['PhotoView'][]
  /** What they show, for those who cannot see them. */
  of: string
  /** Keeps a photograph that was sent, with the thing. */
  keep: (uploadId: string) => Promise<unknown>
}>()

const acts = useActs()
const busy = ref(false)
const problem = ref<Problem | null>(null)

async function attempt(act: () => Promise<unknown>) {
  busy.value = true
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  busy.value = false
}

async function add(event: Event) {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  for (const file of files) {
    await attempt(async () => {
      const read = await sendPhoto(file)
      await props.keep(read.uploadId)
    })
  }
}

const remove = (id: number) =>
  attempt(() => acts.record(client.DELETE('/api/photos/{id}', { params: { path: { id } } })))
</script>

<template>
  <section aria-labelledby="photos-title">
    <h2 id="photos-title">Photos</h2>
    <ul v-if="photos.length">
      <li v-for="(photo, i) in photos" :key="photo.id">
        <a :href="`/api/photos/${photo.id}`" target="_blank">
          <img :src="`/api/photos/${photo.id}/small`" :alt="`${of}, photo ${i + 1}`" height="120" />
        </a>
        <button class="button plain small" :disabled="busy" @click="remove(photo.id)">
          Take away<span class="sr-only"> photo {{ i + 1 }}</span>
        </button>
      </li>
    </ul>
    <p>
      <label class="button" :class="{ waiting: busy }">
        {{ busy ? 'Reading …' : 'Add a photo' }}
        <input
          class="sr-only"
          type="file"
          accept="image/jpeg,image/png"
          multiple
          :disabled="busy"
          data-testid="photo-file"
          @change="add"
        />
      </label>
      <span class="soft small"> Place, time and serial numbers in the file are not kept. </span>
    </p>
    <ProblemNote v-if="problem" :problem="problem" />
  </section>
</template>

<style scoped>
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  margin: 0 0 0.8rem;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  gap: 0.2rem;
  justify-items: start;
}

img {
  display: block;
  border-radius: var(--corner);
}

label:focus-within {
  outline: 3px solid var(--ink);
  outline-offset: 2px;
}

.waiting {
  opacity: 0.6;
}
</style>
