<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import { dateTime, humidity, inShownUnits } from '@/parts/format'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import SegmentChoice from '@/parts/SegmentChoice.vue'
import TimeAxis from '@/parts/TimeAxis.vue'
import { TimeScale } from '@/parts/timeScale'
import { useActs } from '@/stores/acts'

/** What changed on a printer, so that "it worked last week" has an answer. */
const props = defineProps<{ id: number }>()
const acts = useActs()
const days = ref<'14' | '30' | '90'>('30')
const SPANS = [
  { value: '14', label: 'Two weeks' },
  { value: '30', label: 'A month' },
  { value: '90', label: 'Three months' },
] as const

const { view, problem } = usePolled(
  [() => acts.changes, () => props.id, days],
  async () => {
    const [line, history] = await Promise.all([
      answer(
        client.GET('/api/upkeep/timeline/{printerId}', {
          params: { path: { printerId: props.id }, query: { days: Number(days.value) } },
        }),
      ),
      answer(
        client.GET('/api/upkeep/history/{subject}/{subjectId}', {
          params: { path: { subject: 'PRINTER', subjectId: props.id } },
        }),
      ),
    ])
    return { line, history }
  },
  () => null,
)
const line = computed(() => view.value?.line ?? null)
const scale = computed(() => new TimeScale(line.value?.fromS ?? 0, line.value?.toS ?? 1))

const KINDS: Record<Schemas['TimelineMark']['kind'], string> = {
  UPKEEP: 'upkeep',
  SETTING: 'settings',
  TROUBLE: 'trouble',
  MATERIAL: 'material',
  SPOOL: 'spool',
  PLATE: 'plate',
}
const LANES = ['UPKEEP', 'SETTING', 'TROUBLE', 'MATERIAL', 'SPOOL', 'PLATE'] as const
const AIR_TOP = 10
const AIR_TALL = 60
const PRINTS_Y = 92
const LANE_Y = 124
const LANE_TALL = 22
const height = LANE_Y + LANES.length * LANE_TALL + 6

const air = computed(() =>
  (line.value?.days ?? [])
    .map((day, i) => {
      const x = scale.value.x(day.fromS + 43_200)
      const y = AIR_TOP + AIR_TALL * (1 - day.relativeHumidityPercent / 100)
      return `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`
    })
    .join(''),
)

/** All in one list, the latest first: prints between what was changed. */
const all = computed(() => {
  const it = line.value
  if (!it) {
    return []
  }
  return [
    ...it.marks.map((mark) => ({
      key: `${mark.kind}-${mark.atS}-${mark.words}`,
      atS: mark.atS,
      kind: KINDS[mark.kind],
      words: mark.words,
      link: null as string | null,
      failed: false,
    })),
    ...it.prints.map((print) => ({
      key: `print-${print.id}`,
      atS: print.startedS,
      kind: 'print',
      words: `${print.name}, ${print.material}${print.endedS === null ? ', still printing' : print.failed ? ', failed or with flaws' : ''}`,
      link: `/print/runs/${print.id}`,
      failed: print.failed,
    })),
  ].sort((a, b) => b.atS - a.atS)
})

const photos = computed(() => (view.value?.history ?? []).flatMap((done) => done.photos))

async function takeBack(id: number) {
  await acts.record(
    client.DELETE('/api/upkeep/done/{id}', { params: { path: { id } } }),
    'Taken out of the record',
  )
}
</script>

<template>
  <div class="timeline">
    <ProblemNote v-if="problem" :problem="problem" />
    <template v-if="line && view">
      <header>
        <h1>What changed on {{ line.name }}</h1>
        <p class="row">
          <SegmentChoice v-model="days" label="How far back" name="days" :options="SPANS" />
          <router-link :to="`/upkeep?of=PRINTER-${id}`">Its upkeep</router-link>
          <router-link :to="{ path: '/trouble', query: { printer: String(id) } }"
            >Something is wrong</router-link
          >
        </p>
      </header>
      <div class="lanes">
        <div class="names small soft">
          <span style="top: 1.6rem">air of its room</span>
          <span :style="{ top: `${PRINTS_Y - 12}px` }">prints</span>
          <span
            v-for="(lane, i) in LANES"
            :key="lane"
            :style="{ top: `${LANE_Y + i * LANE_TALL}px` }"
            >{{ KINDS[lane] }}</span
          >
        </div>
        <div class="drawing">
          <svg
            :viewBox="`0 0 1000 ${height}`"
            preserveAspectRatio="none"
            :style="{ height: `${height}px` }"
            role="img"
            :aria-label="`${line.prints.length} prints and ${line.marks.length} changes; each stands in the list below`"
          >
            <path :d="`M0 ${AIR_TOP + AIR_TALL / 2}H1000`" class="half" />
            <path :d="air" class="air" />
            <rect
              v-for="print in line.prints"
              :key="print.id"
              :x="scale.x(print.startedS)"
              :y="PRINTS_Y - 10"
              :width="Math.max(2, scale.x(print.endedS ?? line.toS) - scale.x(print.startedS))"
              height="20"
              :class="{ failed: print.failed }"
            />
            <template v-for="(lane, i) in LANES" :key="lane">
              <path :d="`M0 ${LANE_Y + i * LANE_TALL + 9}H1000`" class="half" />
              <path
                v-for="mark in line.marks.filter((each) => each.kind === lane)"
                :key="`${mark.atS}-${mark.words}`"
                :d="`M${scale.x(mark.atS)} ${LANE_Y + i * LANE_TALL + 1}v16`"
                class="mark"
              />
            </template>
          </svg>
          <TimeAxis :scale="scale" :now-s="line.toS" />
        </div>
      </div>
      <p v-if="line.days.length" class="small soft">
        The line is the room's humidity, day by day, from 0 to 100 %; the last day
        {{ humidity(line.days[line.days.length - 1]!.relativeHumidityPercent) }}. A filled print
        failed or has flaws.
      </p>
      <section aria-labelledby="list-title">
        <h2 id="list-title">One after the other, the latest first</h2>
        <ol data-testid="timeline-list">
          <li v-for="each in all" :key="each.key" :class="{ failed: each.failed }">
            <span class="number">{{ dateTime(each.atS) }}</span>
            <span class="soft">{{ each.kind }}</span>
            <router-link v-if="each.link" :to="each.link">{{ each.words }}</router-link>
            <span v-else>{{ inShownUnits(each.words) }}</span>
          </li>
        </ol>
        <p v-if="!all.length" class="soft">Nothing in this time.</p>
      </section>
      <section v-if="view.history.length" aria-labelledby="done-title">
        <h2 id="done-title">All upkeep that was done</h2>
        <ol>
          <li v-for="done in view.history" :key="done.id">
            <span class="number">{{ dateTime(done.atS) }}</span>
            <span class="soft">{{
              done.measured === null ? '' : `${done.measured} ${done.measuredUnit ?? ''}`
            }}</span>
            <span>
              {{ done.title }}{{ done.note ? `: ${done.note}` : '' }}
              <button class="button plain small" @click="takeBack(done.id)">
                take out<span class="sr-only">: {{ done.title }}</span>
              </button>
            </span>
          </li>
        </ol>
        <p v-if="photos.length" class="photos">
          <a v-for="photo in photos" :key="photo.id" :href="`/api/photos/${photo.id}`">
            <img :src="`/api/photos/${photo.id}/small`" alt="Photograph of upkeep" height="90" />
          </a>
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.timeline,
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.8rem;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1.2rem;
  align-items: center;
  margin-top: 0.6rem;
}

.lanes {
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr);
}

.names {
  position: relative;
}

.names span {
  position: absolute;
}

svg {
  display: block;
  width: 100%;
  background: var(--sheet);
}

.half {
  stroke: var(--hairline);
  vector-effect: non-scaling-stroke;
}

.air {
  fill: none;
  stroke: var(--air-damp);
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
}

rect {
  fill: var(--field);
  stroke: var(--ink);
  vector-effect: non-scaling-stroke;
}

rect.failed {
  fill: var(--call);
}

.mark {
  stroke: var(--ink);
  stroke-width: 4;
  vector-effect: non-scaling-stroke;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

ol li {
  display: grid;
  grid-template-columns: 9rem 6rem minmax(0, 1fr);
  gap: 0.2rem 1rem;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--hairline);
}

li.failed {
  border-left: 4px solid var(--call);
  padding-left: 0.5rem;
}

.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem;
}

@media (max-width: 40rem) {
  .lanes {
    grid-template-columns: 4.6rem minmax(0, 1fr);
  }

  ol li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }

  ol li > :last-child {
    grid-column: 1 / -1;
  }
}
</style>
