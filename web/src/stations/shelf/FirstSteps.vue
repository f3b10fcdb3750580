<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client } from '@/api/client'
import { inShownUnits } from '@/parts/format'
import { useActs } from '@/stores/acts'
import { useDryers } from '@/stores/dryers'
import type { PlaceKind } from '@/stores/options'
import { useShelf } from '@/stores/shelf'

/** What to do next in a new workshop, until all of it was done once. */
const emit = defineEmits<{ addPlace: [kind: PlaceKind] }>()

const KEY = 'mind-spool-first-steps'
const shelf = useShelf()
const dryers = useDryers()

function wereLeft(): boolean {
  try {
    return localStorage.getItem(KEY) === 'left'
  } catch {
    return false
  }
}
const left = ref(wereLeft())

function leave() {
  left.value = true
  try {
    localStorage.setItem(KEY, 'left')
  } catch {
    // They come again with the next visit.
  }
}

const acts = useActs()
/** What there is of plates, jobs and prints; asked only while the steps are shown. */
const print = ref<{ plates: number; jobs: number; prints: number; job: number | null } | null>(null)

async function readPrint() {
  if (left.value) {
    return
  }
  try {
    const [plates, jobs, prints] = await Promise.all([
      answer(client.GET('/api/plates')),
      answer(client.GET('/api/jobs')),
      answer(client.GET('/api/prints')),
    ])
    print.value = {
      plates: plates.length,
      jobs: jobs.length,
      prints: prints.running.length + prints.ended.length,
      job: jobs[0]?.id ?? null,
    }
  } catch {
    // Asked again after the next act.
  }
}
watch(() => acts.changes, readPrint, { immediate: true })

const steps = computed(() => {
  const first = shelf.places[0]?.place.id
  // Until it is known, nothing is asked for that may be there.
  const { plates, jobs, prints, job } = print.value ?? { plates: 1, jobs: 1, prints: 1, job: null }
  return [
    {
      title: 'Add a place: the room, then a shelf or box in it',
      why: 'Spools lie somewhere, and its air wets or dries them.',
      done: shelf.places.some(({ place }) => !['DRYER', 'PRINTER_HOLDER'].includes(place.kind)),
      act: 'place' as const,
      kind: 'ROOM' as PlaceKind,
      link: '',
    },
    {
      title: 'Say how warm and humid it is there',
      why: 'Type it, import a log, or let a sensor report it. Without it 23 °C and 50 % are assumed.',
      done: shelf.places.some((each) => ['MEASURED', 'TYPED'].includes(each.climateSource)),
      act: 'link' as const,
      link: first === undefined ? '/devices' : `/place/${first}`,
    },
    {
      title: 'Receive the first spool',
      why: 'Its material, its reel, and how it came decide how wet it is.',
      done: shelf.spools.length > 0,
      act: 'link' as const,
      link: '/receive',
    },
    {
      title: 'Weigh it',
      why: 'Reel with filament: it tells how much is left, and later how much water came and went.',
      done: shelf.spools.some((spool) => spool.weighedS !== null),
      act: 'link' as const,
      link: '/rounds',
    },
    {
      title: 'Add a printer',
      why: 'What it can heat and what is around the part decide what prints well on it.',
      done: shelf.places.some(({ place }) => place.kind === 'PRINTER_HOLDER'),
      act: 'link' as const,
      link: '/print/machines?add=printer',
    },
    {
      title: 'Add its build plate',
      why: 'Surface and magnets decide whether a part stays flat.',
      done: plates > 0,
      act: 'link' as const,
      link: '/print/machines?add=plate',
    },
    {
      title: 'Add a job',
      why: 'Its sheet says whether it holds, with every setting and its reason.',
      done: jobs + prints > 0,
      act: 'link' as const,
      link: '/print',
    },
    {
      title: 'Print it',
      why: 'Its end takes the filament off the spool and teaches how the plate really grips.',
      done: prints > 0,
      act: 'link' as const,
      link: job === null ? '/print' : `/print/jobs/${job}`,
    },
    {
      title: 'Add a dryer, if you have one',
      why: 'Then each spool’s page says how long to dry it and at what temperature.',
      done: dryers.dryers.length > 0,
      act: 'place' as const,
      kind: 'DRYER' as PlaceKind,
      link: '',
    },
  ]
})
const next = computed(() => steps.value.findIndex((step) => !step.done))
const shown = computed(() => shelf.view !== null && dryers.known && !left.value && next.value >= 0)
</script>

<template>
  <section v-if="shown" class="first" aria-label="First steps" data-testid="first-steps">
    <h2>First steps</h2>
    <ol>
      <li
        v-for="(step, i) in steps"
        :key="step.title"
        :class="{ done: step.done, next: i === next }"
      >
        <span aria-hidden="true" class="mark">{{ step.done ? '✓' : i + 1 }}</span>
        <span class="what">
          {{ step.title }}<span v-if="step.done" class="sr-only">: done</span>
          <span v-if="i === next" class="why">{{ inShownUnits(step.why) }}</span>
        </span>
        <template v-if="i === next">
          <button
            v-if="step.act === 'place'"
            class="button primary"
            @click="emit('addPlace', step.kind)"
          >
            {{ step.kind === 'DRYER' ? 'Add a dryer' : 'Add a place' }}
          </button>
          <router-link v-else class="button primary" :to="step.link">Go there</router-link>
        </template>
      </li>
    </ol>
    <button class="button plain small" @click="leave">do not show these steps</button>
  </section>
</template>

<style scoped>
.first {
  max-width: 44rem;
  margin-bottom: 1.5rem;
  padding: 1rem 1.25rem;
  background: var(--sheet);
  border-left: 8px solid var(--ink);
}

ol {
  list-style: none;
  margin: 0.5rem 0;
  padding: 0;
}

li {
  display: grid;
  grid-template-columns: 1.75rem minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: center;
  padding: 0.3rem 0;
}

.next {
  font-weight: 700;
}

.done {
  color: var(--soft);
}

.why {
  display: block;
  font-weight: 400;
}
</style>
