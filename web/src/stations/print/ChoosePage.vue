<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import { grams, inShownUnits } from '@/parts/format'
import { useLatestAnswer } from '@/parts/latestAnswer'
import ProblemNote from '@/parts/ProblemNote.vue'
import ToggleButtons from '@/parts/ToggleButtons.vue'

/** From what a part must do to the material that does it here. */
type Need = Schemas['NeedView']['id']
const needs = ref<Need[]>([])

const { view, problem } = useLatestAnswer(
  [needs],
  () => answer(client.GET('/api/material-choice', { params: { query: { needs: needs.value } } })),
  30,
)

const possible = computed(() =>
  (view.value?.ranked ?? []).filter((each) => each.needed.length === 0),
)
const headline = computed(() =>
  needs.value.length === 0
    ? 'What must the part do?'
    : possible.value[0]
      ? `${possible.value[0].title}, printable here now`
      : 'None of these can be printed here now',
)
const FITS = { GOOD: 'good', FAIR: 'fair', POOR: 'poor' } as const
</script>

<template>
  <div class="choose">
    <h1 data-testid="choice-headline">{{ headline }}</h1>
    <ToggleButtons
      v-model="needs"
      class="needs"
      legend="Tick all that it must do."
      :options="view?.needs ?? []"
    />
    <p v-if="view?.caution" class="caution">{{ view.caution }}</p>
    <ProblemNote v-if="problem" :problem="problem" />
    <ol v-if="view" class="ranked">
      <li v-for="each in view.ranked" :key="each.material">
        <h2>{{ each.title }}</h2>
        <p v-if="each.met.length" class="met">
          <span v-for="met in each.met" :key="met.need" :class="{ call: met.fit === 'POOR' }">
            {{ met.need }}: <b>{{ FITS[met.fit] }}</b>
            <span class="soft small">{{ inShownUnits(met.why) }}</span>
          </span>
        </p>
        <p class="small">
          {{ each.gramsHere > 0 ? `${grams(each.gramsHere)} here` : 'none here' }};
          {{ each.printers.length ? `prints on ${each.printers.join(', ')}` : 'no printer for it'
          }}<template v-if="each.givesOff">; gives off {{ each.givesOff }}</template
          >.
        </p>
        <p v-if="each.needed.length" class="small needed">
          To be possible: {{ each.needed.map((words) => inShownUnits(words)).join(' ') }}
        </p>
        <router-link
          v-if="each.gramsHere > 0"
          class="small"
          :to="{ path: '/print', query: { of: each.material } }"
        >
          set up a job of it
        </router-link>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.choose {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.2rem;
  max-width: 62rem;
}

.needs {
  /* The words come with the answer; what is below stays where it is. */
  min-height: 9rem;
}

.caution {
  padding-left: 0.8rem;
  border-left: 4px solid var(--call);
}

.ranked {
  display: grid;
  gap: 0;
  margin: 0;
  padding: 0;
  list-style: none;
}

.ranked li {
  display: grid;
  gap: 0.2rem;
  padding: 0.7rem 0;
  border-top: 1px solid var(--hairline);
}

.met {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1.4rem;
}

.needed {
  padding-left: 0.6rem;
  border-left: 4px solid var(--board);
}
</style>
