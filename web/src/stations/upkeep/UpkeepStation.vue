<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { inShownUnits } from '@/parts/format'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import OwnTaskForm from './OwnTaskForm.vue'
import PutOff from './PutOff.vue'
import TaskRow from './TaskRow.vue'
import { benches, headline, type Item } from './upkeep'

/** What is due, by bench; what comes later behind a tap. */
const POLL_MS = 60_000
const route = useRoute()
const acts = useActs()
const open = ref<ReadonlySet<string>>(
  new Set(typeof route.query.of === 'string' ? [route.query.of] : []),
)
const adding = ref(false)
const problem = ref<Problem | null>(null)

const { view, problem: reading } = usePolled(
  [() => acts.changes],
  async () => {
    const [upkeep, today] = await Promise.all([
      answer(client.GET('/api/upkeep')),
      answer(client.GET('/api/today', { params: { query: { hours: 168 } } })),
    ])
    return { upkeep, today }
  },
  () => POLL_MS,
)
const nowS = computed(() => view.value?.upkeep.nowS ?? 0)
const items = computed(() => view.value?.upkeep.items ?? [])
const asked = computed(() => (typeof route.query.of === 'string' ? route.query.of : null))
const shown = computed(() => {
  const all = benches(items.value)
  // The one that was asked for comes first.
  return asked.value
    ? [...all].sort((a, b) => Number(b.key === asked.value) - Number(a.key === asked.value))
    : all
})
/** Desiccant and hygrometers are asked for by their own places. */
const elsewhere = computed(() =>
  (view.value?.today.lines ?? []).filter((line) => /^(desiccant|check)/.test(line.key)),
)

function toggle(key: string) {
  const next = new Set(open.value)
  if (!next.delete(key)) {
    next.add(key)
  }
  open.value = next
}

type Done = Omit<Schemas['UpkeepDoneRequest'], 'task' | 'subject' | 'subjectId'>

async function done(item: Item, said: Done) {
  try {
    await acts.record(
      client.POST('/api/upkeep/done', {
        body: {
          task: item.task,
          subject: item.subject,
          subjectId: item.subject === 'WORKSHOP' ? undefined : item.subjectId,
          ...said,
        },
      }),
      `${item.title}: done`,
    )
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <div class="upkeep">
    <header>
      <h1>{{ headline(items) }}</h1>
      <p class="row">
        <button class="button" data-testid="add-task" @click="adding = !adding">
          {{ adding ? 'Leave it' : 'Add a task' }}
        </button>
        <router-link to="/upkeep/supplies">What runs out</router-link>
        <span class="soft small"
          >The mark on each bar is at four fifths of what may pass: from there it is soon.</span
        >
      </p>
    </header>
    <ProblemNote v-if="reading" :problem="reading" />
    <ProblemNote v-if="problem" :problem="problem" />
    <OwnTaskForm v-if="adding" :own="[]" :items="items" :adding="adding" @added="adding = false" />

    <section
      v-for="bench in shown"
      :key="bench.key"
      :aria-labelledby="`bench-${bench.key}`"
      :data-testid="`bench-${bench.key}`"
    >
      <h2 :id="`bench-${bench.key}`">
        {{ bench.name }}
        <router-link
          v-if="bench.subject === 'PRINTER'"
          class="small"
          :to="`/upkeep/printer/${bench.subjectId}`"
          >what changed<span class="sr-only"> on {{ bench.name }}</span></router-link
        >
        <router-link
          v-else-if="bench.subject === 'DRYER'"
          class="small"
          :to="`/dryer/${bench.subjectId}`"
          >its page<span class="sr-only">: {{ bench.name }}</span></router-link
        >
      </h2>
      <template v-for="group in bench.groups" :key="group.state">
        <h3 v-if="bench.subject === 'PRINTER'" class="soft">{{ group.state }}</h3>
        <ul>
          <TaskRow
            v-for="item in group.items"
            :key="item.task"
            :item="item"
            :now-s="nowS"
            @done="(said) => done(item, said)"
          />
        </ul>
      </template>
      <p v-if="!bench.groups.length" class="soft">Nothing is due or soon.</p>
      <PutOff
        v-if="view"
        :thing="bench.key"
        :name="bench.name"
        :today="view.today"
        @refused="(refusal) => (problem = refusal)"
      />
      <button
        v-if="bench.later.length"
        class="button plain small"
        :aria-expanded="open.has(bench.key)"
        @click="toggle(bench.key)"
      >
        {{ open.has(bench.key) ? 'Hide' : 'Show' }}
        {{ bench.later.length === 1 ? 'one that comes' : `${bench.later.length} that come` }} later
      </button>
      <ul v-if="open.has(bench.key)">
        <TaskRow
          v-for="item in bench.later"
          :key="item.task"
          :item="item"
          :now-s="nowS"
          @done="(said) => done(item, said)"
        />
      </ul>
    </section>

    <OwnTaskForm
      v-if="!adding && view?.upkeep.own.length"
      :own="view.upkeep.own"
      :items="items"
      :adding="false"
    />

    <section v-if="elsewhere.length" aria-labelledby="elsewhere-title">
      <h2 id="elsewhere-title">Desiccant and hygrometers, this week</h2>
      <ul class="lines">
        <li v-for="line in elsewhere" :key="line.key">
          <router-link :to="line.link">{{ inShownUnits(line.what) }}</router-link>
          <span class="soft small">{{ inShownUnits(line.why) }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.upkeep {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.4rem;
  max-width: 66rem;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  align-items: center;
  margin-top: 0.6rem;
}

section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.3rem;
  justify-items: start;
}

section > * {
  width: 100%;
}

section > .button {
  width: auto;
}

h2 {
  display: flex;
  gap: 1rem;
  align-items: baseline;
  justify-content: space-between;
  padding-bottom: 0.2rem;
  border-bottom: 2px solid var(--ink);
}

h3 {
  margin-top: 0.5rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.lines li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.2rem 1rem;
  align-items: baseline;
  min-height: 2.2rem;
  padding-top: 0.4rem;
  border-bottom: 1px solid var(--hairline);
}
</style>
