<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { dateTime, inShownUnits, moment } from '@/parts/format'
import { useActs } from '@/stores/acts'
import { useAlerts } from '@/stores/alerts'
import RouteDialog from './RouteDialog.vue'

type Route = Schemas['RouteView']

const alerts = useAlerts()
const acts = useActs()
const routes = ref<Route[]>([])
const problem = ref<Problem | null>(null)
/** The way that is being changed; `new` for another. */
const changing = ref<Route | 'new' | null>(null)
const testing = ref<number | null>(null)
/** By way, how its test went. */
const tests = ref<Record<number, string>>({})

const MUTES = [
  { hours: 1, title: '1 h' },
  { hours: 8, title: '8 h' },
  { hours: 24, title: 'a day' },
  { hours: 7 * 24, title: 'a week' },
]
const KINDS: Record<Route['kind'], string> = {
  MAIL: 'by mail to',
  WEBHOOK: 'posted to',
  MQTT: 'published on',
}

async function read() {
  try {
    routes.value = await answer(client.GET('/api/alert-routes'))
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
onMounted(() => alerts.read())
watch(() => acts.changes, read, { immediate: true })

async function attempt(work: () => Promise<unknown>) {
  try {
    await work()
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

function mute(key: string, event: Event) {
  const select = event.target as HTMLSelectElement
  void attempt(() => alerts.mute(key, Number(select.value)))
}

async function test(route: Route) {
  testing.value = route.id
  await attempt(async () => {
    const { problem: said } = await answer(
      client.POST('/api/alert-routes/{id}/test', { params: { path: { id: route.id } } }),
    )
    tests.value = { ...tests.value, [route.id]: said ?? 'The test message was taken.' }
    await read()
  })
  testing.value = null
}

function remove(route: Route) {
  void attempt(() =>
    acts.record(client.DELETE('/api/alert-routes/{id}', { params: { path: { id: route.id } } })),
  )
}

function notify(event: Event) {
  void alerts.wantNotifications((event.target as HTMLInputElement).checked)
}
</script>

<template>
  <h1>Alerts</h1>
  <ProblemNote v-if="problem" :problem="problem" />
  <p v-if="alerts.all.length === 0" class="soft">Nothing needs a hand now.</p>
  <ul v-else class="list" data-testid="alerts">
    <li v-for="alert in alerts.all" :key="alert.key" :class="{ urgent: alert.urgent }">
      <span>
        {{ inShownUnits(alert.text) }}
        <router-link v-if="alert.link" :to="alert.link">Look</router-link>
      </span>
      <span v-if="alert.mutedUntilS !== null" class="side soft small">
        muted until {{ moment(alert.mutedUntilS, Date.now() / 1000) }}
        <button class="button plain small" @click="attempt(() => alerts.unmute(alert.key))">
          hear of it again<span class="sr-only">: {{ alert.text }}</span>
        </button>
      </span>
      <select
        v-else
        class="side"
        :aria-label="`Mute: ${alert.text}`"
        @change="mute(alert.key, $event)"
      >
        <option value="" selected disabled>mute for …</option>
        <option v-for="each in MUTES" :key="each.hours" :value="each.hours">
          {{ each.title }}
        </option>
      </select>
    </li>
  </ul>

  <h2>Who is told</h2>
  <p class="soft">
    Every new alert is sent once on each way, unless it is muted. What a way does not take is tried
    again.
  </p>
  <p v-if="alerts.canNotify()">
    <label>
      <input type="checkbox" :checked="alerts.notifies" @change="notify" />
      this browser, as long as a page of Mind Spool is open in it
    </label>
  </p>
  <p v-else class="soft small">
    This browser shows notifications only on the computer that runs Mind Spool, or over HTTPS.
  </p>
  <ul class="list" data-testid="routes">
    <li v-for="route in routes" :key="route.id">
      <span>
        <b>{{ route.name }}</b>: {{ KINDS[route.kind] }}
        <span class="code target">{{ route.target }}</span>
        <span v-if="tests[route.id]" class="block small" role="status">{{ tests[route.id] }}</span>
        <span v-else-if="route.problem" class="block small call"
          >Not taken {{ dateTime(route.lastS ?? 0) }}: {{ route.problem }}</span
        >
        <span v-else-if="route.lastS" class="block small soft"
          >last sent {{ dateTime(route.lastS) }}</span
        >
      </span>
      <span class="side">
        <button class="button small" :disabled="testing !== null" @click="test(route)">
          {{ testing === route.id ? 'Sending …' : 'Send a test' }}
        </button>
        <button class="button plain small" @click="changing = route">change</button>
        <button class="button plain small" @click="remove(route)">remove</button>
      </span>
    </li>
  </ul>
  <button class="button" @click="changing = 'new'">Add a way</button>
  <RouteDialog
    v-if="changing"
    :route="changing === 'new' ? null : changing"
    @close="((changing = null), read())"
  />
</template>

<style scoped>
h2 {
  margin-top: 1.75rem;
}

.list {
  list-style: none;
  margin: 0.75rem 0;
  padding: 0;
  border-top: 2px solid var(--ink);
}

.list li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.5rem 1.5rem;
  align-items: center;
  padding: 0.6rem 0;
  border-bottom: 1px solid var(--hairline);
}

.list:empty {
  display: none;
}

.urgent {
  font-weight: 700;
}

.side {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  align-items: center;
}

select {
  min-height: 2rem;
  padding: 0.2rem 0.4rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  color: inherit;
  font: inherit;
}

.block {
  display: block;
}

.target {
  overflow-wrap: anywhere;
}

@media (max-width: 700px) {
  .list li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
