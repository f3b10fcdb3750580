<script setup lang="ts">
import UndoButton from '@/parts/UndoButton.vue'
import { computed, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { inShownUnits, moment } from '@/parts/format'
import { usePolled } from '@/parts/polled'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import WeighDialog from '@/parts/WeighDialog.vue'
import CalendarDialog from './CalendarDialog.vue'
import DeedDialog from './DeedDialog.vue'

/** The run sheet; on a wall it is only read, from afar. */
const props = defineProps<{ wall?: boolean }>()

const REFRESH_MS = 60_000
const SNOOZE_H = 2
const DAY_H = 24
const WEEK_H = 7 * 24
/** How often it is read while the plan is made. */
const CHANGING_MS = 2000

const acts = useActs()
const shelf = useShelf()
const week = ref(false)
const subscribing = ref(false)

type Line = Schemas['LineView']

const { view, problem } = usePolled(
  [week, () => acts.changes],
  () =>
    answer(client.GET('/api/today', { params: { query: { hours: week.value ? WEEK_H : DAY_H } } })),
  (sheet) => (sheet?.changing ? CHANGING_MS : REFRESH_MS),
)

const DOERS: Record<Line['doer'], string> = {
  PERSON: 'you',
  DRYER: 'dryer',
  PRINTER: 'printer',
}
/** Doing them is recorded with all that it means. */
const DEEDS: Record<NonNullable<Line['deed']>['kind'], string> = {
  TAKE_OUT: 'take out …',
  PUT_IN: 'put in …',
  WEIGH: 'weigh …',
  START_JOB: 'start …',
  FINISH_PRINT: 'say how it ended …',
  DESICCANT: 'change …',
  CLOSE_CASE: 'look for it …',
  UPKEEP: 'do it …',
}
/** These are done on the page that the line leads to. */
const ON_ITS_PAGE = new Set<NonNullable<Line['deed']>['kind']>([
  'FINISH_PRINT',
  'CLOSE_CASE',
  'UPKEEP',
])
const doing = ref<Line | null>(null)
const toWeigh = computed(() =>
  doing.value?.deed?.kind === 'WEIGH'
    ? shelf.spools.find((spool) => spool.code === doing.value?.deed?.codes[0])
    : undefined,
)

const SAID: Record<NonNullable<Line['said']>, string> = {
  DONE: 'done',
  SNOOZED: 'put off',
  NOT_NEEDED: 'not needed',
}

/** Under their days, so that the clock alone tells the time. */
const days = computed(() => {
  const byDay = new Map<string, Line[]>()
  const now = view.value?.nowS ?? 0
  for (const line of view.value?.lines ?? []) {
    const day = line.overdue
      ? 'Overdue'
      : new Date(1000 * Math.max(line.atS, now)).toLocaleDateString('en-GB', {
          weekday: 'long',
          day: 'numeric',
          month: 'long',
        })
    byDay.set(day, [...(byDay.get(day) ?? []), line])
  }
  return [...byDay]
})

function clock(line: Line): string {
  return line.overdue
    ? moment(line.atS, view.value?.nowS ?? line.atS)
    : new Date(1000 * line.atS).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}

async function say(line: Line, kind: NonNullable<Line['said']>) {
  try {
    await acts.record(
      client.POST('/api/today/acts', {
        body: {
          key: line.key,
          what: line.what,
          kind,
          until:
            kind === 'SNOOZED'
              ? new Date(1000 * ((view.value?.nowS ?? 0) + SNOOZE_H * 3600)).toISOString()
              : undefined,
        },
      }),
    )
  } catch (cause) {
    acts.fail(cause)
  }
}
</script>

<template>
  <div :class="{ wall: props.wall }">
    <div class="head">
      <h1>Today</h1>
      <template v-if="!wall">
        <label><input v-model="week" type="checkbox" /> the whole week</label>
        <router-link to="/wall">on a wall screen</router-link>
        <button class="button plain small" @click="subscribing = true">as a calendar</button>
      </template>
      <router-link v-else to="/today" class="small soft">leave the wall</router-link>
    </div>
    <ProblemNote v-if="problem" :problem="problem" />
    <p v-if="view?.changing" class="soft" role="status" data-testid="changing">
      The plan is being made; what is to be dried and when follows in a moment.
    </p>
    <p v-if="view && view.lines.length === 0" class="soft">
      Nothing is due {{ week ? 'this week' : 'in the next day' }}. Plan what is to be printed under
      <router-link to="/plan">Plan</router-link>.
    </p>
    <template v-for="[day, lines] in days" :key="day">
      <h2 :class="{ call: day === 'Overdue' }">{{ day }}</h2>
      <ol data-testid="sheet">
        <li v-for="line in lines" :key="line.key" :class="{ overdue: line.overdue }">
          <span class="when number">{{ clock(line) }}</span>
          <span class="doer small soft">{{ DOERS[line.doer] }}</span>
          <span class="what">
            <router-link :to="line.link">{{ inShownUnits(line.what) }}</router-link>
            <span class="why">{{ inShownUnits(line.why) }}</span>
            <span class="soft small">If skipped: {{ inShownUnits(line.ifSkipped) }}</span>
          </span>
          <span v-if="!wall" class="acts">
            <router-link
              v-if="line.deed && ON_ITS_PAGE.has(line.deed.kind)"
              class="button"
              :to="line.link"
            >
              {{ DEEDS[line.deed.kind]
              }}<span class="sr-only">: {{ inShownUnits(line.what) }}</span>
            </router-link>
            <button v-else-if="line.deed" class="button" @click="doing = line">
              {{ DEEDS[line.deed.kind]
              }}<span class="sr-only">: {{ inShownUnits(line.what) }}</span>
            </button>
            <span v-else-if="line.after" class="soft small later">{{ line.after }}</span>
            <button v-else-if="line.doer === 'PERSON'" class="button" @click="say(line, 'DONE')">
              done<span class="sr-only">: {{ inShownUnits(line.what) }}</span>
            </button>
            <button
              class="button plain"
              :aria-label="`in 2 h again: ${inShownUnits(line.what)}`"
              @click="say(line, 'SNOOZED')"
            >
              in 2 h
            </button>
            <button
              class="button plain"
              :aria-label="`Not needed: ${inShownUnits(line.what)}`"
              @click="say(line, 'NOT_NEEDED')"
            >
              not needed
            </button>
          </span>
        </li>
      </ol>
    </template>
    <template v-if="!wall && view?.settled.length">
      <h2 class="soft">Settled</h2>
      <ul class="settled small">
        <li v-for="line in view.settled" :key="line.key">
          <s>{{ inShownUnits(line.what) }}</s> {{ line.said ? SAID[line.said] : ''
          }}{{ line.untilS ? `, comes again ${moment(line.untilS, view.nowS)}` : '' }}
          <span v-if="line.person" class="soft">{{ line.person }}</span>
          <UndoButton v-if="line.actId" :act="line.actId" :what="line.what" />
        </li>
      </ul>
    </template>
    <CalendarDialog v-if="subscribing" @close="subscribing = false" />
    <WeighDialog v-if="toWeigh" :spool="toWeigh" @close="doing = null" />
    <DeedDialog
      v-else-if="doing?.deed"
      :key="doing.key"
      :what="doing.what"
      :deed="doing.deed"
      @close="doing = null"
    />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.5rem;
  align-items: baseline;
  margin-bottom: 0.5rem;
}

h2 {
  margin: 1rem 0 0.25rem;
  padding-bottom: 0.2rem;
  border-bottom: 2px solid var(--ink);
}

ol,
.settled {
  list-style: none;
  margin: 0;
  padding: 0;
}

ol > li {
  display: grid;
  grid-template-columns: 5rem 4rem minmax(0, 1fr) auto;
  gap: 0.25rem 1rem;
  align-items: start;
  padding: 0.55rem 0;
  border-bottom: 1px solid var(--hairline);
}

.when {
  font-weight: 700;
  font-size: var(--size-3);
  line-height: 1.3;
}

.doer {
  padding-top: 0.2rem;
}

.what {
  display: grid;
  gap: 0.1rem;
}

.what a {
  font-weight: 700;
}

.overdue .when {
  color: var(--call);
  font-size: var(--size-2);
}

.acts {
  display: flex;
  gap: 0.25rem;
  align-items: center;
}

.acts .button {
  min-height: 2rem;
  padding: 0.15rem 0.6rem;
}

.wall {
  padding: 1rem 2rem;
  font-size: 1.5rem;
}

.wall .when,
.wall .what a {
  font-size: 2rem;
}

.wall ol > li {
  grid-template-columns: 8rem 7rem minmax(0, 1fr);
}

.wall .small {
  font-size: 1.15rem;
}

@media (max-width: 700px) {
  ol > li {
    grid-template-columns: 4.5rem minmax(0, 1fr);
  }

  .what,
  .acts {
    grid-column: 1 / -1;
  }
}
</style>
