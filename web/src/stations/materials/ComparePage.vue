<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'
import { against, marks, PROPERTIES, type Property } from './compare'

/** All materials on one line for each property; one is held against another. */
const acts = useActs()
const { view, problem } = usePolled(
  [() => acts.changes],
  async () => {
    const [profiles, supplies] = await Promise.all([
      answer(client.GET('/api/materials/profiles')),
      answer(client.GET('/api/supplies')),
    ])
    return { profiles, supplies }
  },
  () => null,
)
const one = ref('PETG')
const other = ref('ABS')
const profiles = computed(() => view.value?.profiles ?? [])

/** Mean price of what is in stock of a material; none where no lot has one. */
const prices = computed(() => {
  const sums = new Map<string, { sum: number; count: number; currency: string }>()
  for (const each of view.value?.supplies.filaments ?? []) {
    if (each.pricePerKg !== null) {
      const known = sums.get(each.material) ?? { sum: 0, count: 0, currency: '' }
      sums.set(each.material, {
        sum: known.sum + each.pricePerKg,
        count: known.count + 1,
        currency: each.currency ?? '',
      })
    }
  }
  return sums
})
const PRICE: Property = {
  key: 'price',
  title: 'Price a kilogram, by the lots here',
  ends: ['cheap', 'dear'],
  of: (it) => {
    const known = prices.value.get(it.name)
    return known ? known.sum / known.count : null
  },
  words: (value) => {
    const currency = [...prices.value.values()][0]?.currency ?? ''
    return `${value.toFixed(2)} ${currency}`
  },
  byFactors: true,
}
const properties = computed(() => (prices.value.size > 1 ? [...PROPERTIES, PRICE] : PROPERTIES))

function value(name: string, property: Property): number | null {
  const profile = profiles.value.find((each) => each.name === name)
  return profile ? property.of(profile) : null
}

function said(property: Property): string {
  const a = value(one.value, property)
  const b = value(other.value, property)
  if (a === null || b === null) {
    return 'not known of both'
  }
  return `${property.words(a)} against ${property.words(b)}: ${against(property, a, b)}`
}

/** The first tap chooses the one, a tap on it exchanges the two. */
function choose(name: string) {
  if (name === one.value || name === other.value) {
    ;[one.value, other.value] = [other.value, one.value]
  } else {
    one.value = name
  }
}

function isChosen(mark: { name: string }): boolean {
  return mark.name === one.value || mark.name === other.value
}

const names = computed(() =>
  profiles.value.map((each: Schemas['MaterialProfileView']) => each.name),
)
</script>

<template>
  <div class="compare">
    <header>
      <h1>{{ one }} against {{ other }}</h1>
      <p class="row">
        <select v-model="one" aria-label="One">
          <option v-for="name in names" :key="name">{{ name }}</option>
        </select>
        <select v-model="other" aria-label="The other">
          <option v-for="name in names" :key="name">{{ name }}</option>
        </select>
        <router-link :to="`/materials/${one}`">All figures of {{ one }}</router-link>
      </p>
    </header>
    <ProblemNote v-if="problem" :problem="problem" />
    <section
      v-for="property in view ? properties : []"
      :key="property.key"
      :aria-label="property.title"
      :data-testid="`compare-${property.key}`"
    >
      <h2>{{ property.title }}</h2>
      <p class="said">{{ said(property) }}</p>
      <div class="line">
        <span class="small soft">{{ property.ends[0] }}</span>
        <span class="track">
          <button
            v-for="mark in marks(profiles, property)"
            :key="mark.name"
            type="button"
            class="mark"
            :class="{
              one: mark.name === one,
              other: mark.name === other,
              own: mark.own,
            }"
            :style="{ left: `${mark.x}%` }"
            :aria-label="`${mark.name}: ${property.words(mark.value)}`"
            :title="`${mark.name}: ${property.words(mark.value)}`"
            @click="choose(mark.name)"
          >
            <span v-if="isChosen(mark)" class="name">{{ mark.name }}</span>
          </button>
        </span>
        <span class="small soft">{{ property.ends[1] }}</span>
      </div>
    </section>
    <p class="small soft">
      Each mark is a material; a tap chooses it. Slanted marks are materials of your own. The
      figures behind it, with their sources, stand on each material's page; the maker's data sheet
      wins.
    </p>
  </div>
</template>

<style scoped>
.compare {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  max-width: 62rem;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  align-items: center;
  margin-top: 0.6rem;
}

select {
  min-height: 2.4rem;
  padding: 0 0.6rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

section {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0 1rem;
  align-items: baseline;
}

h2 {
  font-size: var(--size-2);
}

.line {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 7rem minmax(0, 1fr) 7rem;
  gap: 1rem;
  align-items: center;
}

.line > :first-child {
  text-align: right;
}

.track {
  position: relative;
  height: 3.6rem;
  border-bottom: 2px solid var(--hairline);
}

.mark {
  position: absolute;
  bottom: -2px;
  width: 1.5rem;
  height: 1.6rem;
  margin-left: -0.75rem;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
}

.mark::after {
  content: '';
  position: absolute;
  bottom: 0;
  left: 50%;
  height: 0.9rem;
  border-left: 3px solid var(--board);
}

.mark.own::after {
  transform: skewX(-25deg);
}

.mark.one::after,
.mark.other::after {
  height: 1.4rem;
  border-left: 5px solid var(--ink);
}

.mark.other::after {
  border-left-style: dotted;
}

.mark.one,
.mark.other {
  z-index: 1;
}

.name {
  position: absolute;
  bottom: 1.5rem;
  left: 50%;
  translate: -50% 0;
  font-size: var(--size-1);
  white-space: nowrap;
}

.one .name {
  font-weight: 700;
}

.other .name {
  bottom: 2.4rem;
}

@media (max-width: 45rem) {
  section {
    grid-template-columns: minmax(0, 1fr);
  }

  .line {
    grid-template-columns: minmax(0, 1fr);
    padding: 0 1rem;
  }

  .line > .small {
    display: none;
  }
}
</style>
