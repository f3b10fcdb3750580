<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import MoistureLegend from '@/parts/MoistureLegend.vue'
import LabelDialog from '@/parts/LabelDialog.vue'
import MoveDialog from '@/parts/MoveDialog.vue'
import WeighDialog from '@/parts/WeighDialog.vue'
import { ago, humidity, temperature } from '@/parts/format'
import { useOptions, type PlaceKind } from '@/stores/options'
import { standingAt } from '@/parts/spoolAtTime'
import { useActs } from '@/stores/acts'
import { useShelf, type ShelfPlace, type Spool } from '@/stores/shelf'
import { useTime } from '@/stores/time'
import PlaceDialog from '../place/PlaceDialog.vue'
import FirstSteps from './FirstSteps.vue'
import SpoolCell from './SpoolCell.vue'
import SpoolChoice from './SpoolChoice.vue'

const shelf = useShelf()
const time = useTime()
const acts = useActs()
const options = useOptions()
const router = useRouter()
const moving = ref<Spool | null>(null)
const weighing = ref<Spool | null>(null)
const adding = ref<PlaceKind | null>(null)
const labelling = ref(false)
const over = ref<number | null>(null)
const job = ref<number | string>(shelf.jobG)

interface Bay extends ShelfPlace {
  spools: Spool[]
  /** Where it stands, when that is not the room itself. */
  standsIn: string
}

/** The room as it is: each outermost place with everything that stands in it, in its order. */
const rooms = computed(() => {
  const inside = new Map<number | null, ShelfPlace[]>()
  for (const place of shelf.places) {
    const outer = place.place.withinId ?? null
    inside.set(outer, [...(inside.get(outer) ?? []), place])
  }
  const bay = (place: ShelfPlace, standsIn: string): Bay => ({
    ...place,
    standsIn,
    spools: shelf.spools.filter((spool) => spool.placeId === place.place.id),
  })
  const below = (place: ShelfPlace, depth: number): Bay[] =>
    (inside.get(place.place.id) ?? []).flatMap((inner) => [
      bay(inner, depth > 0 ? place.place.name : ''),
      ...below(inner, depth + 1),
    ])
  return (inside.get(null) ?? []).map((root) => {
    const own = bay(root, '')
    const bays = below(root, 0)
    const isRoom = root.place.kind === 'ROOM' || bays.length > 0
    return {
      root,
      isRoom,
      bays: isRoom && own.spools.length === 0 && bays.length > 0 ? bays : [own, ...bays],
    }
  })
})

const heading = computed(() => {
  if (time.isNow) {
    return 'Shelf now'
  }
  const date = new Date(time.shownS * 1000)
  return `Shelf on ${date.toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long' })}, ${date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`
})

const past = computed(
  () => shelf.spools.filter((spool) => standingAt(spool, shelf.nowS, time.shownS)?.past).length,
)

const summary = computed(() => {
  if (shelf.spools.length === 0) {
    return ''
  }
  const count = shelf.spools.length === 1 ? '1 spool' : `${shelf.spools.length} spools`
  const verb = time.isNow ? (past.value === 1 ? 'is' : 'are') : 'will be'
  return past.value === 0
    ? `${count}, ${shelf.spools.length === 1 ? '' : 'all '}within ${shelf.spools.length === 1 ? 'its' : 'their'} print limit`
    : `${count}, ${past.value} ${verb} past ${past.value === 1 ? 'its' : 'their'} print limit`
})

function air(place: ShelfPlace): string {
  const measured = `${temperature(place.temperatureC, 1)} ${humidity(place.relativeHumidityPercent)}`
  if (place.climateSource === 'ASSUMED') {
    return 'no climate record'
  }
  return place.staleSinceS === null
    ? time.isNow
      ? measured
      : `now ${measured}`
    : `${measured}, last reading ${ago(place.staleSinceS, shelf.nowS)}`
}

/** Where a bay's air comes from, where that is not a sensor or a person. */
const SOURCE_WORDS: Partial<Record<ShelfPlace['climateSource'], string>> = {
  COMPUTED: ' computed',
  COMPUTING: ' around it; being computed',
}

/** What a bay is, where it stands, how full it is, and its air where it has its own. */
function describe(bay: Bay): string {
  const kind = options.placeKind(bay.place.kind)
  const own = bay.climateSource !== 'SURROUNDINGS'
  return [
    bay.standsIn ? `${kind} in ${bay.standsIn}` : kind,
    bay.place.capacity ? `${bay.spools.length} of ${bay.place.capacity}` : '',
    own ? air(bay) + (SOURCE_WORDS[bay.climateSource] ?? '') : '',
  ]
    .filter(Boolean)
    .join(' · ')
}

function setJob() {
  const grams = Number(job.value)
  if (grams >= 1 && grams <= 10_000) {
    shelf.setJob(grams)
  }
}

/** Arrow keys walk from spool to spool; `m` moves, `w` weighs the one in focus. */
function key(event: KeyboardEvent, spool: Spool) {
  if (event.key === 'm') {
    event.preventDefault()
    event.stopPropagation()
    moving.value = spool
  } else if (event.key === 'w') {
    event.preventDefault()
    event.stopPropagation()
    weighing.value = spool
  } else if (event.key.startsWith('Arrow')) {
    event.preventDefault()
    const cells = [...document.querySelectorAll<HTMLElement>('[data-spool]')]
    const here = cells.indexOf(event.currentTarget as HTMLElement)
    const next =
      event.key === 'ArrowRight' || event.key === 'ArrowLeft'
        ? cells[here + (event.key === 'ArrowRight' ? 1 : -1)]
        : nearestInRow(cells, here, event.key === 'ArrowDown')
    next?.focus()
  }
}

function nearestInRow(cells: HTMLElement[], here: number, down: boolean) {
  const from = cells[here]!.getBoundingClientRect()
  let best: HTMLElement | undefined
  let distance = Infinity
  for (const cell of cells) {
    const box = cell.getBoundingClientRect()
    const rows = down ? box.top - from.bottom : from.top - box.bottom
    if (rows > -8) {
      const away = 3 * rows + Math.abs(box.left - from.left)
      if (away < distance) {
        distance = away
        best = cell
      }
    }
  }
  return best
}

/** A spool that was dropped on a dryer, which asks what it does there. */
const dropped = ref<{ spool: Spool; to: number } | null>(null)

async function drop(event: DragEvent, place: ShelfPlace) {
  over.value = null
  const code = event.dataTransfer?.getData('text/plain')
  const spool = shelf.spools.find((each) => each.code === code)
  if (spool && place.place.kind === 'DRYER' && spool.placeId !== place.place.id) {
    dropped.value = { spool, to: place.place.id }
  } else if (spool && spool.placeId !== place.place.id) {
    try {
      await acts.move(spool.code, place.place.id)
    } catch (cause) {
      acts.fail(cause)
    }
  }
}
</script>

<template>
  <div class="head">
    <h1>{{ heading }}</h1>
    <p class="soft" data-testid="shelf-summary">
      {{ summary }}<template v-if="shelf.pending">; computing {{ shelf.pending }}</template>
    </p>
    <label class="job small soft">
      next job
      <input
        v-model="job"
        type="number"
        min="1"
        max="10000"
        aria-label="Mass of the next job in grams"
        @change="setJob"
      />
      g
    </label>
    <SpoolChoice />
    <MoistureLegend class="legend" />
  </div>

  <FirstSteps @add-place="adding = $event" />

  <div v-for="room in rooms" :key="room.root.place.id" class="room">
    <h2 v-if="room.isRoom" class="room-name">
      <router-link :to="`/place/${room.root.place.id}`">{{ room.root.place.name }}</router-link>
      <span class="air soft">{{ air(room.root) }}</span>
    </h2>
    <div class="bays">
      <section
        v-for="bay in room.bays"
        :key="bay.place.id"
        class="bay"
        :class="[
          bay.place.kind.toLowerCase(),
          { closed: options.isClosed(bay.place.kind), over: over === bay.place.id },
        ]"
        :aria-label="bay.place.name"
        @dragover.prevent="over = bay.place.id"
        @dragleave="over = null"
        @drop.prevent="drop($event, bay)"
      >
        <h3 v-if="!room.isRoom || bay.place.id !== room.root.place.id">
          <router-link :to="`/place/${bay.place.id}`">{{ bay.place.name }}</router-link>
          <span class="air soft">{{ describe(bay) }}</span>
        </h3>
        <div class="spools">
          <SpoolCell
            v-for="spool in bay.spools"
            :key="spool.code"
            :spool="spool"
            @keydown="key($event, spool)"
            @open="router.push(`/spool/${spool.code}`)"
          />
          <p v-if="bay.spools.length === 0" class="soft small empty">empty</p>
        </div>
        <div class="board" />
      </section>
    </div>
  </div>

  <div v-if="shelf.places.length" class="more">
    <router-link class="button" to="/receive">Receive a spool</router-link>
    <button class="button" @click="adding = 'OPEN_SHELF'">Add a place</button>
    <button class="button" @click="labelling = true">Labels for places</button>
    <router-link to="/list">all spools as a list</router-link>
    <router-link to="/devices">devices</router-link>
  </div>

  <MoveDialog v-if="moving" :spools="[moving]" @close="moving = null" />
  <MoveDialog v-if="dropped" :spools="[dropped.spool]" :to="dropped.to" @close="dropped = null" />
  <WeighDialog v-if="weighing" :spool="weighing" @close="weighing = null" />
  <LabelDialog
    v-if="labelling"
    :places="shelf.places.map(({ place }) => ({ id: place.id, name: place.name }))"
    @close="labelling = false"
  />
  <PlaceDialog v-if="adding" :kind="adding" @close="adding = null" />
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1.25rem;
  margin-bottom: 0.75rem;
}

.legend {
  margin-left: auto;
}

.job input {
  width: 4.5rem;
  padding: 0.15rem 0.3rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  text-align: right;
}

.bays {
  display: flex;
  flex-wrap: wrap;
  gap: 0.9rem 1.25rem;
}

.bay {
  flex: 1 1 100%;
  display: flex;
  flex-direction: column;
}

.room + .room {
  margin-top: 1.4rem;
}

.room-name {
  display: flex;
  align-items: baseline;
  gap: 0.75rem;
  padding-bottom: 0.3rem;
  margin-bottom: 0.5rem;
  border-bottom: 1px solid var(--board);
}

.room-name a {
  text-decoration: none;
}

.bay.closed,
.bay.slot,
.bay.printer_holder,
.bay.dryer {
  flex: 1 1 24rem;
}

.bay h3 {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 0.75rem;
  font-size: 1rem;
}

.bay h3 a {
  text-decoration: none;
}

.bay h3 a:hover {
  text-decoration: underline;
}

.air {
  font-weight: 400;
  font-size: var(--size-1);
}

.spools {
  flex: 1;
  display: grid;
  grid-template-columns: repeat(auto-fill, 7.5rem);
  gap: 0.5rem 0.5rem;
  padding: 0.35rem 0;
}

.closed .spools,
.printer_holder .spools,
.dryer .spools {
  background: var(--sheet);
  border: 2px solid var(--board);
  border-bottom: 0;
  border-radius: var(--corner) var(--corner) 0 0;
  padding: 0.4rem 0.5rem;
  margin-top: 0.2rem;
}

.dryer .spools {
  border-style: double;
  border-width: 4px 4px 0;
}

.printer_holder .spools {
  border-top-width: 6px;
}

.board {
  height: 5px;
  background: var(--board);
}

.over .board {
  background: var(--ink);
}

.over .spools {
  outline: 2px dashed var(--ink);
  outline-offset: -2px;
}

.empty {
  padding: 0.25rem 0;
}

.more {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.75rem;
  margin-top: 1.5rem;
}

@media (max-width: 700px) {
  .spools {
    grid-template-columns: repeat(auto-fill, minmax(6.75rem, 1fr));
  }

  .legend {
    margin-left: 0;
  }
}
</style>
