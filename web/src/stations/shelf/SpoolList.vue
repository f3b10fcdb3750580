<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import AppForm from '@/parts/AppForm.vue'
import LabelDialog from '@/parts/LabelDialog.vue'
import MoveDialog from '@/parts/MoveDialog.vue'
import SegmentChoice from '@/parts/SegmentChoice.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import WideTable from '@/parts/WideTable.vue'
import { csv, saveAs } from '@/parts/csv'
import { band, grams, metres, moisture } from '@/parts/format'
import { searchSpools } from '@/parts/searchSpools'
import { faceAt, faceLabel, handlingNote, moistureAt, standingAt } from '@/parts/spoolAtTime'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import { useTime } from '@/stores/time'
import StockGroups from './StockGroups.vue'
import {
  COLUMNS,
  saveViews,
  savedViews,
  shown,
  type Column,
  type ColumnId,
  type Row,
  type View,
} from './spoolTable'

const shelf = useShelf()
const time = useTime()
const acts = useActs()
const words = ref('')
const ticked = ref<string[]>([])
const labelling = ref(false)
const moving = ref(false)
const LISTS = [
  { value: 'spools' as const, label: 'spool by spool' },
  { value: 'stock' as const, label: 'by material and colour' },
]
const listed = ref<'spools' | 'stock'>('spools')
const grouped = computed(() => listed.value === 'stock')
const filtering = ref(false)
const view = reactive<View>({ filters: {}, sort: null })
const views = ref(savedViews())
const viewName = ref('')

const all = computed<Row[]>(() => {
  const found = words.value.trim()
    ? searchSpools(shelf.spools, shelf.placeName, words.value)
    : shelf.spools
  return found.map((spool) => ({
    spool,
    place: shelf.placeName(spool.placeId),
    at: moistureAt(spool, shelf.frameHours, time.hoursAhead),
    standing: standingAt(spool, shelf.nowS, time.shownS),
  }))
})
const rows = computed(() => shown(all.value, view))

/** What is ticked and still shown: nothing happens to what nobody sees. */
const chosen = computed(() =>
  rows.value.filter((row) => ticked.value.includes(row.spool.code)).map((row) => row.spool),
)
const allTicked = computed({
  get: () => rows.value.length > 0 && chosen.value.length === rows.value.length,
  set: (on) => (ticked.value = on ? rows.value.map((row) => row.spool.code) : []),
})
const sealed = computed(() => chosen.value.filter((spool) => spool.sealed))

/** Columns that go first where the screen is narrow. */
const SHOWN: Partial<Record<ColumnId, string>> = {
  place: 'desk',
  mean: 'desk',
  core: 'desk',
  limit: 'desk',
  grams: 'desk',
  metres: 'wide',
  arrived: 'wide',
}

function sortBy(column: Column) {
  const now = view.sort
  view.sort =
    now?.by !== column.id
      ? { by: column.id, down: column.number }
      : now.down === column.number
        ? { by: column.id, down: !column.number }
        : null
}

function sorted(column: Column): 'ascending' | 'descending' | 'none' {
  return view.sort?.by !== column.id ? 'none' : view.sort.down ? 'descending' : 'ascending'
}

function asIs() {
  view.filters = {}
  view.sort = null
  words.value = ''
}

function keepView() {
  const name = viewName.value.trim()
  if (name) {
    const { filters, sort } = view
    views.value = { ...views.value, [name]: { filters: { ...filters }, sort } }
    saveViews(views.value)
    viewName.value = ''
  }
}

function useView(name: string) {
  const kept = views.value[name]
  if (kept) {
    view.filters = { ...kept.filters }
    view.sort = kept.sort
    filtering.value = Object.values(kept.filters).some(Boolean)
  }
}

function forgetView(name: string) {
  views.value = Object.fromEntries(Object.entries(views.value).filter(([each]) => each !== name))
  saveViews(views.value)
}

function download() {
  const text = csv(
    COLUMNS.map((column) => column.fileTitle),
    rows.value.map((row) =>
      COLUMNS.map((column) => {
        const value = column.value(row)
        return typeof value === 'number' ? Number(value.toPrecision(5)) : value
      }),
    ),
  )
  saveAs('spools.csv', text)
}

async function openBags() {
  try {
    await acts.openAll(sealed.value.map((spool) => spool.code))
  } catch (cause) {
    acts.fail(cause)
  }
}
</script>

<template>
  <div class="head">
    <h1>{{ grouped ? 'Stock' : 'All spools' }}</h1>
    <SegmentChoice v-model="listed" label="What is listed" name="listed" :options="LISTS" />
    <template v-if="!grouped">
      <input
        v-model="words"
        class="words"
        type="text"
        placeholder="words to find"
        aria-label="Find"
      />
      <button class="button" :aria-expanded="filtering" @click="filtering = !filtering">
        Filter columns
      </button>
      <span class="soft" data-testid="list-count"
        >{{ rows.length }} of {{ shelf.spools.length }} shown{{
          view.sort ? '' : ', the most urgent first'
        }}</span
      >
      <button class="button plain" @click="download">save as CSV</button>
    </template>
  </div>
  <StockGroups v-if="grouped" />
  <template v-else>
    <div v-if="filtering || Object.keys(views).length" class="views small">
      <span v-for="name in Object.keys(views)" :key="name" class="view">
        <button class="button small" @click="useView(name)">{{ name }}</button>
        <button class="button plain small" @click="forgetView(name)">
          forget<span class="sr-only"> the view {{ name }}</span>
        </button>
      </span>
      <AppForm v-if="filtering" class="view" @submit="keepView">
        <input
          v-model="viewName"
          aria-label="Name of this view"
          placeholder="name of this view"
          maxlength="40"
        />
        <button class="button small" :disabled="!viewName.trim()">Keep this view</button>
        <button type="button" class="button plain small" @click="asIs">show all</button>
      </AppForm>
    </div>
    <div class="bulk" :class="{ idle: chosen.length === 0 }" data-testid="bulk">
      <span>{{
        chosen.length === 0 ? 'Tick spools to act on several.' : `${chosen.length} ticked:`
      }}</span>
      <template v-if="chosen.length">
        <button class="button" @click="moving = true">Move</button>
        <button v-if="sealed.length" class="button" @click="openBags">
          Bags opened ({{ sealed.length }})
        </button>
        <router-link class="button" :to="`/dry/${chosen.map((spool) => spool.code).join('+')}`"
          >Dry{{ chosen.length > 1 ? ' together' : '' }}</router-link
        >
        <button class="button" @click="labelling = true">Print labels</button>
        <button class="button plain" @click="ticked = []">none</button>
      </template>
    </div>
    <WideTable label="All spools" data-testid="spool-list">
      <thead>
        <tr>
          <th>
            <input v-model="allTicked" type="checkbox" aria-label="Tick all that are shown" />
          </th>
          <th
            v-for="column in COLUMNS"
            :key="column.id"
            :class="[column.number ? 'n' : '', SHOWN[column.id]]"
            :aria-sort="sorted(column)"
          >
            <button class="sort" @click="sortBy(column)">
              {{ column.title
              }}<span aria-hidden="true">{{
                { ascending: ' ▴', descending: ' ▾', none: '' }[sorted(column)]
              }}</span>
            </button>
          </th>
        </tr>
        <tr v-if="filtering" class="filters">
          <td />
          <td v-for="column in COLUMNS" :key="column.id" :class="SHOWN[column.id]">
            <input
              v-model="view.filters[column.id]"
              :aria-label="`Filter ${column.title}`"
              :placeholder="column.number ? '> or <' : ''"
            />
          </td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ spool, place, at, standing } in rows" :key="spool.code" class="row">
          <td>
            <label class="pick">
              <input
                v-model="ticked"
                type="checkbox"
                :value="spool.code"
                :aria-label="`Tick ${spool.code}`"
              />
              <SpoolFace
                :face="faceAt(spool, shelf.frameHours, time.hoursAhead)"
                :size="28"
                :label="faceLabel(spool, at)"
              />
            </label>
          </td>
          <td>
            <router-link class="code open" :to="`/spool/${spool.code}`">{{
              spool.code
            }}</router-link>
          </td>
          <td>{{ spool.material }}</td>
          <td>{{ spool.colourName }}</td>
          <td class="desk">{{ place }}</td>
          <template v-if="at">
            <td class="n">{{ moisture(at.outer) }}</td>
            <td class="n desk">{{ moisture(at.mean) }}</td>
            <td class="n desk">{{ moisture(at.core) }}</td>
          </template>
          <template v-else>
            <td class="soft">computing…</td>
            <td class="desk" />
            <td class="desk" />
          </template>
          <td class="n soft desk">
            {{ spool.printLimitPercent }} %<span v-if="spool.ownLimitReason" class="small block"
              >own: {{ spool.ownLimitReason }}</span
            >
          </td>
          <td class="n desk">{{ band(spool.remainingG, grams) }}</td>
          <td class="n wide">{{ metres(spool.remainingM.typical) }}</td>
          <td class="n wide">
            {{ Math.max(0, (shelf.nowS - spool.arrivedS) / 86_400).toFixed(0) }}
          </td>
          <td class="state" :class="standing?.past ? 'call' : ''">
            {{ standing?.text }}
            <span v-if="handlingNote(spool)" class="small note">{{ handlingNote(spool) }}</span>
          </td>
        </tr>
      </tbody>
    </WideTable>
    <p v-if="rows.length === 0" class="soft">
      {{ shelf.spools.length ? 'No spool passes these filters.' : 'There is no spool yet.' }}
      <button v-if="shelf.spools.length" class="button plain small" @click="asIs">show all</button>
      <router-link v-else to="/receive">Receive one</router-link>
    </p>
  </template>
  <LabelDialog
    v-if="labelling"
    :codes="chosen.map((spool) => spool.code)"
    @close="labelling = false"
  />
  <MoveDialog v-if="moving" :spools="chosen" @close="moving = false" />
</template>

<style scoped>
.pick {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  min-height: 1.75rem;
}

.note,
.block {
  display: block;
  font-weight: 400;
  color: var(--ink);
}

.head,
.bulk,
.views {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 1rem;
  margin-bottom: 0.75rem;
}

.bulk {
  min-height: 2.5rem;
}

.bulk.idle {
  color: var(--soft);
}

.view {
  display: flex;
  gap: 0.25rem;
  align-items: center;
}

.words,
.views input,
.filters input {
  padding: 0.3rem 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

.filters input {
  width: 100%;
  min-width: 3.5rem;
  padding-inline: 0.3rem;
}

.sort {
  min-height: 1.5rem;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
  text-align: inherit;
}

.sort:hover {
  text-decoration: underline;
}

.open {
  display: inline-block;
  min-height: 1.5rem;
}

.row {
  content-visibility: auto;
}

.state {
  min-width: 7rem;
}

@media (min-width: 701px) {
  .state {
    min-width: 10rem;
  }
}

@media (max-width: 1500px) {
  .wide {
    display: none;
  }
}

.row td {
  vertical-align: middle;
  padding-block: 0.15rem;
}
</style>
