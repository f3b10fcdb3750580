<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Answer, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import WideTable from '@/parts/WideTable.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import { ago, humidity, moment } from '@/parts/format'
import { questions } from '@/parts/latestAnswer'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

const acts = useActs()
const shelf = useShelf()
const boxes = ref<Schemas['ContainerView'][] | null>(null)
const devices = ref<Schemas['DeviceView'][]>([])
const problem = ref<Problem | null>(null)
const masses = reactive<Record<number, string>>({})
const question = questions()
const USUAL_MINUTES = 2

async function read() {
  const isLast = question()
  try {
    const [found, known] = await Promise.all([
      answer(client.GET('/api/containers')),
      answer(client.GET('/api/devices')),
    ])
    if (isLast()) {
      boxes.value = found
      devices.value = known
      problem.value = null
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
}
watch(() => acts.changes, read, { immediate: true })

/** Those that are due first. */
const rows = computed(() =>
  (boxes.value ?? [])
    .map((box) => ({
      box,
      spools: shelf.spools.filter((spool) => spool.placeId === box.placeId).length,
      hygrometer: devices.value.find(
        (device) => device.kind === 'HYGROMETER' && device.placeId === box.placeId,
      ),
    }))
    .sort(
      (a, b) =>
        Number(b.box.due) - Number(a.box.due) || (a.box.spentS ?? 1e12) - (b.box.spentS ?? 1e12),
    ),
)

const due = computed(() => rows.value.filter((row) => row.box.due).length)

/** Which box it was that something was said of. */
const about = ref('')

async function act(box: Schemas['ContainerView'], request: Promise<Answer<unknown>>) {
  about.value = box.name
  try {
    await acts.record(request)
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

async function weigh(box: Schemas['ContainerView']) {
  const id = box.placeId
  const massG = Number((masses[id] ?? '').replace(',', '.'))
  await act(
    box,
    client.POST('/api/places/{id}/desiccant/weighings', {
      params: { path: { id } },
      body: { massG },
    }),
  )
  if (!problem.value) {
    masses[id] = ''
  }
}

function opened(box: Schemas['ContainerView']) {
  void act(
    box,
    client.POST('/api/places/{id}/openings', {
      params: { path: { id: box.placeId } },
      body: { minutes: USUAL_MINUTES },
    }),
  )
}

function checkWords(device: Schemas['DeviceView']): string {
  if (device.checks.length === 0) {
    return 'never checked'
  }
  return device.checkOverdue ? 'check over salt is due' : `check due ${day(device.checkDueS ?? 0)}`
}

function day(timeS: number): string {
  const date = new Date(1000 * timeS)
  const sameYear = date.getFullYear() === new Date().getFullYear()
  return date.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: sameYear ? undefined : 'numeric',
  })
}
</script>

<template>
  <div class="head">
    <h1>Boxes</h1>
    <p v-if="boxes" class="soft" data-testid="boxes-summary">
      {{
        rows.length === 0
          ? 'There is no closed box, bag or cabinet yet.'
          : due === 0
            ? 'No desiccant is due now.'
            : `Desiccant is due in ${due} of ${rows.length}.`
      }}
    </p>
    <router-link to="/rounds">rounds</router-link>
  </div>
  <p v-if="problem && about" class="call">{{ about }}:</p>
  <ProblemNote v-if="problem" :problem="problem" />
  <WideTable v-if="rows.length" label="Boxes" data-testid="boxes">
    <thead>
      <tr>
        <th>Box</th>
        <th class="n">Inside</th>
        <th>Desiccant</th>
        <th>Due</th>
        <th>Weigh it</th>
        <th>Opened</th>
        <th>Hygrometer</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ box, spools, hygrometer } in rows" :key="box.placeId">
        <td>
          <router-link :to="`/place/${box.placeId}`">{{ box.name }}</router-link>
          <span class="small soft block"
            >{{ box.kind }},
            {{ spools === 0 ? 'empty' : spools === 1 ? '1 spool' : `${spools} spools` }}</span
          >
        </td>
        <td class="n">
          {{ humidity(box.nowPercent) }}
          <span class="small soft block">around it {{ humidity(box.outsidePercent) }}</span>
        </td>
        <td>
          <template v-if="box.desiccant">
            {{ box.desiccant }}
            <span class="small soft block"
              >{{ Math.min(100, box.usedPercent ?? 0).toFixed(0) }} % used up,
              {{ ago(box.weighedS ?? 0, shelf.nowS) }}</span
            >
          </template>
          <span v-else class="soft">none</span>
        </td>
        <td :class="box.due ? 'call' : ''">
          <WhyNumber v-if="box.desiccant" :what="`Due, ${box.name}`">
            {{ box.due ? 'now' : box.spentS === null ? 'not foreseen' : day(box.spentS) }}
            <template #why>
              <p>
                When the air inside passes {{ humidity(box.limitPercent) }}: by the box's leak, the
                openings so far, the water that the desiccant holds ({{
                  (box.waterG ?? 0).toFixed(1)
                }}
                g) and that of the spools in it.
              </p>
            </template>
          </WhyNumber>
        </td>
        <td>
          <AppForm v-if="box.desiccant" class="line" @submit="weigh(box)">
            <input
              v-model="masses[box.placeId]"
              inputmode="decimal"
              autocomplete="off"
              :aria-label="`Desiccant of ${box.name} on the scale, g`"
            />
            g <button class="button small" :disabled="!masses[box.placeId]">Record</button>
          </AppForm>
          <router-link v-else :to="`/place/${box.placeId}`">put some in</router-link>
        </td>
        <td>
          <span class="small block">{{
            box.openedS === null ? 'not recorded' : moment(box.openedS, shelf.nowS)
          }}</span>
          <button class="button small" @click="opened(box)">
            Opened for {{ USUAL_MINUTES }} min<span class="sr-only"> just now: {{ box.name }}</span>
          </button>
        </td>
        <td>
          <router-link v-if="hygrometer" to="/devices">{{ hygrometer.name }}</router-link>
          <span v-else class="soft">none; computed</span>
          <span
            v-if="hygrometer"
            class="small block"
            :class="hygrometer.checkOverdue ? 'call' : 'soft'"
            >{{ checkWords(hygrometer) }}</span
          >
        </td>
      </tr>
    </tbody>
  </WideTable>
  <p v-if="rows.length" class="small soft note">
    Weigh the desiccant alone, without its cup, or always with the same cup that was tared.
    Regenerate it as its maker says; some indicating beads are harmful when their dust is breathed
    in.
  </p>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1.25rem;
  margin-bottom: 0.75rem;
}

.block {
  display: block;
}

.line {
  display: flex;
  gap: 0.4rem;
  align-items: center;
}

.line input {
  width: 5.5rem;
  padding: 0.25rem 0.4rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  text-align: right;
}

.wide-table .button {
  min-height: 1.9rem;
  padding-block: 0;
}

.note {
  margin-top: 1rem;
}
</style>
