<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { questions } from '@/parts/latestAnswer'
import ProblemNote from '@/parts/ProblemNote.vue'
import { faceAt, faceLabel, moistureAt } from '@/parts/spoolAtTime'
import SpoolFace from '@/parts/SpoolFace.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import { useTime } from '@/stores/time'

const SHOWN = 4

const shelf = useShelf()
const time = useTime()
const acts = useActs()
const material = ref('')
const choices = ref<Schemas['ChoiceView'][]>([])
const problem = ref<Problem | null>(null)

const materials = computed(() => [...new Set(shelf.spools.map((spool) => spool.material))].sort())

const question = questions()

watch([material, () => shelf.jobG, () => acts.changes], async () => {
  const isLast = question()
  if (!material.value) {
    choices.value = []
    return
  }
  try {
    const found = await answer(
      client.GET('/api/shelf/choice', {
        params: { query: { material: material.value, grams: shelf.jobG } },
      }),
    )
    if (isLast()) {
      choices.value = found
      problem.value = null
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
})

const shown = computed(() =>
  choices.value.slice(0, SHOWN).flatMap((choice) => {
    const spool = shelf.spools.find((each) => each.code === choice.code)
    return spool ? [{ choice, spool }] : []
  }),
)
</script>

<template>
  <label class="soft small of">
    of
    <select v-model="material" aria-label="Material of the next job" data-testid="choice-material">
      <option value="">any material</option>
      <option v-for="name in materials" :key="name">{{ name }}</option>
    </select>
  </label>
  <section v-if="material" class="choice" aria-label="Which spool to take">
    <ProblemNote v-if="problem" :problem="problem" />
    <h2>Take</h2>
    <ol>
      <li v-for="({ choice, spool }, i) in shown" :key="choice.code" :class="{ first: i === 0 }">
        <router-link :to="`/spool/${choice.code}`">
          <SpoolFace
            :face="faceAt(spool, shelf.frameHours, time.hoursAhead)"
            :size="40"
            :label="faceLabel(spool, moistureAt(spool, shelf.frameHours, time.hoursAhead))"
          />
          <span class="code">{{ choice.code }}</span>
        </router-link>
        <span>
          {{ spool.colourName }}, {{ shelf.placeName(spool.placeId) }}
          <b v-if="!choice.enough" class="call">not enough</b>
          <b v-else-if="!choice.ready" class="call">not ready</b>
          <span class="small soft why">{{ choice.why }}</span>
        </span>
      </li>
    </ol>
    <p v-if="shown.length === 0">No {{ material }} in stock.</p>
  </section>
</template>

<style scoped>
.of select {
  padding: 0.15rem 0.3rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  color: var(--ink);
}

.choice {
  order: 9;
  flex: 1 1 100%;
  display: flex;
  gap: 1rem;
  padding: 0.6rem 0.75rem;
  background: var(--sheet);
  border-top: 3px solid var(--ink);
}

ol {
  flex: 1;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(15rem, 1fr));
  gap: 0.5rem 1rem;
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: flex;
  gap: 0.6rem;
  line-height: 1.3;
}

li a {
  display: grid;
  justify-items: center;
  text-decoration: none;
}

li.first .code {
  text-decoration: underline;
}

.why {
  display: block;
}
</style>
