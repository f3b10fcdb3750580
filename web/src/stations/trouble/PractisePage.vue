<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import { inShownUnits, grams } from '@/parts/format'
import ProblemNote from '@/parts/ProblemNote.vue'
import SegmentChoice from '@/parts/SegmentChoice.vue'
import { useActs } from '@/stores/acts'
import { usePreferences } from '@/stores/preferences'
import PractiseResults from './PractiseResults.vue'
import SignDrawing from './SignDrawing.vue'
import { found } from './signs'

type Level = Schemas['PracticeView']['level']
type Step = Schemas['PracticeStep']

/** Made-up cases: ask, test, name the cause, look back. */
const MOST_SEED = 1_000_000
const route = useRoute()
const router = useRouter()
const seed = computed(() => Number(route.query.case ?? 0))
const level = ref<Level>((route.query.level as Level | undefined) ?? 'CLEAR')

const knowledge = ref<Schemas['TroubleKnowledgeView'] | null>(null)
answer(client.GET('/api/trouble-knowledge')).then((read) => (knowledge.value = read))
const practice = ref<Schemas['PracticeView'] | null>(null)
const steps = ref<Step[]>([])
const answers = ref<Schemas['PracticeAnswerView'][]>([])
const review = ref<Schemas['PracticeReviewView'] | null>(null)
const problem = ref<Problem | null>(null)
const words = ref('')
const test = ref('')
const named = ref<string[]>([''])

async function attempt(act: () => Promise<void>) {
  try {
    await act()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

watch(
  [seed, level],
  () =>
    attempt(async () => {
      practice.value = await answer(
        client.GET('/api/practice/{seed}', {
          params: { path: { seed: seed.value }, query: { level: level.value } },
        }),
      )
      steps.value = []
      answers.value = []
      review.value = null
      named.value = level.value === 'TWO' ? ['', ''] : ['']
    }),
  { immediate: true },
)

const hits = computed(() =>
  found(knowledge.value?.signs ?? [], words.value)
    .filter((sign) => !steps.value.some((step) => !step.test && step.id === sign.id))
    .slice(0, 5),
)
const last = computed(() => answers.value[answers.value.length - 1])
const path = computed(() => ({ params: { path: { seed: seed.value } } }))

function take(step: Step) {
  const next = [...steps.value, step]
  return attempt(async () => {
    answers.value = await answer(
      client.POST('/api/practice/{seed}/answers', {
        ...path.value,
        body: { level: level.value, steps: next },
      }),
    )
    steps.value = next
    words.value = ''
    test.value = ''
  })
}

const preferences = usePreferences()
const acts = useActs()

const look = () =>
  attempt(async () => {
    const causes = named.value.filter((id) => id !== '')
    review.value = await answer(
      client.POST('/api/practice/{seed}/review', {
        ...path.value,
        body: {
          level: level.value,
          steps: steps.value,
          causes,
        },
      }),
    )
    if (preferences.person) {
      await acts.record(
        client.POST('/api/practice/{seed}/result', {
          ...path.value,
          body: { level: level.value, steps: steps.value, causes },
        }),
        'Result kept',
      )
    }
  })

function another() {
  const next = 1 + Math.floor(Math.random() * MOST_SEED)
  void router.replace({ query: { case: String(next), level: level.value } })
}

const LEVELS = [
  { value: 'CLEAR', label: 'Clear' },
  { value: 'USUAL', label: 'As most are' },
  { value: 'VAGUE', label: 'Vague' },
  { value: 'TWO', label: 'Two at once' },
] as const

const wetness = computed(() => {
  const ratio = practice.value?.moistureRatio ?? 0
  return `its metres had ${ratio.toFixed(1)} times the moisture that it prints well with`
})
</script>

<template>
  <div class="practise">
    <header>
      <h1>
        {{
          review
            ? review.right
              ? 'That was it'
              : 'It was something else'
            : `Practice case ${seed}`
        }}
      </h1>
      <p class="row">
        <SegmentChoice v-model="level" label="How hard" name="level" :options="LEVELS" />
        <button class="button" data-testid="another-case" @click="another">Another case</button>
        <router-link to="/trouble/practise/drying">Practise drying</router-link>
        <router-link to="/trouble">Real cases</router-link>
      </p>
    </header>
    <ProblemNote v-if="problem" :problem="problem" />
    <div v-if="practice" class="columns">
      <div class="part">
        <h2>What is seen</h2>
        <ul>
          <li v-for="sign in practice.seen" :key="sign.id">
            <SignDrawing :sign="sign.id" /> {{ sign.name }}
          </li>
        </ul>
        <h2>What the records say</h2>
        <ul class="small">
          <li>{{ wetness }}</li>
          <li v-for="fact in practice.facts" :key="fact.id">{{ inShownUnits(fact.name) }}</li>
        </ul>
      </div>
      <div class="part">
        <template v-if="!review">
          <h2>Ask or test</h2>
          <label class="ask">
            <span class="soft">Look for a sign</span>
            <input
              v-model="words"
              type="search"
              placeholder="such as: popping"
              data-testid="practice-sign"
            />
          </label>
          <ul v-if="hits.length">
            <li v-for="sign in hits" :key="sign.id">
              <button class="button plain" @click="take({ test: false, id: sign.id })">
                {{ sign.name }}?
              </button>
            </li>
          </ul>
          <label class="ask">
            <span class="soft">Do a test</span>
            <select
              v-model="test"
              data-testid="practice-test"
              @change="test && take({ test: true, id: test })"
            >
              <option value="">choose</option>
              <option v-for="each in knowledge?.tests ?? []" :key="each.id" :value="each.id">
                {{ inShownUnits(each.name) }}, {{ each.minutes }} min
              </option>
            </select>
          </label>
        </template>
        <ol v-if="answers.length">
          <li v-for="each in answers" :key="`${each.test}-${each.id}`">
            {{ inShownUnits(each.name) }}: <b>{{ each.answer }}</b>
          </li>
        </ol>
        <p v-if="last" class="soft">
          So far {{ last.minutes }} min of work and {{ grams(last.grams) }} of filament.
        </p>
        <AppForm v-if="!review" class="name" @submit="look">
          <h2>Name the cause</h2>
          <select
            v-for="(_, i) in named"
            :key="i"
            v-model="named[i]"
            :aria-label="i ? 'Second cause' : 'Cause'"
            :data-testid="`practice-cause-${i}`"
          >
            <option value="">choose</option>
            <option v-for="cause in knowledge?.causes ?? []" :key="cause.id" :value="cause.id">
              {{ inShownUnits(cause.name) }}
            </option>
          </select>
          <button class="button primary" :disabled="named.every((id) => id === '')">
            Name it and look back
          </button>
        </AppForm>
        <template v-else>
          <p v-for="cause in review.causes" :key="cause.id" data-testid="hidden-cause">
            <b>{{ inShownUnits(cause.name) }}</b>. {{ inShownUnits(cause.remedy) }}
            <span class="soft">{{ cause.prevention }}</span>
          </p>
          <template v-if="review.way.length">
            <h2>How it stood after each step</h2>
            <ol class="way">
              <li v-for="(each, i) in review.way" :key="i">
                <span class="bar" :style="{ width: `${100 * each.share}%` }" />
                <span class="words"
                  >{{ inShownUnits(each.name) }}; first then: {{ inShownUnits(each.leader) }}</span
                >
              </li>
            </ol>
            <p class="small soft">The bar is the share of the true cause.</p>
          </template>
          <h2>
            The program would have taken
            {{ review.shortest.length === 0 ? 'no step' : `${review.shortestMinutes} min` }}
          </h2>
          <ol class="small">
            <li v-for="each in review.shortest" :key="`${each.test}-${each.id}`">
              {{ inShownUnits(each.name) }}: {{ each.answer }}
            </li>
          </ol>
          <p v-for="habit in review.misled" :key="habit.id">
            The habit "{{ habit.name }}" would have named another cause here.
          </p>
        </template>
      </div>
    </div>
    <PractiseResults kind="TROUBLE" />
  </div>
</template>

<style scoped>
.practise,
.part,
.name {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.7rem;
  align-content: start;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  align-items: center;
  margin-top: 0.6rem;
}

.practise :deep(.segments) {
  flex-wrap: wrap;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  gap: 2rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

ul li {
  display: flex;
  gap: 0.7rem;
  align-items: center;
  min-height: 2.2rem;
  border-bottom: 1px solid var(--hairline);
}

ol {
  margin: 0;
  padding-left: 1.2rem;
}

.ask {
  display: grid;
  gap: 0.2rem;
}

input,
select {
  width: 100%;
  min-width: 0;
  min-height: 2.5rem;
  padding: 0 0.6rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

.way li {
  position: relative;
  padding: 0.25rem 0.4rem;
}

.bar {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--forecast);
}

.words {
  position: relative;
}

@media (max-width: 60rem) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
