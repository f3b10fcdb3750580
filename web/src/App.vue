<script setup lang="ts">
import {
  computed,
  defineAsyncComponent,
  onBeforeUnmount,
  onMounted,
  ref,
  useTemplateRef,
} from 'vue'
import { useRoute, useRouter } from 'vue-router'
import AlertStrip from './parts/AlertStrip.vue'
import ActBar from './parts/ActBar.vue'
import ProblemNote from './parts/ProblemNote.vue'
import QuickBox from './parts/QuickBox.vue'
import TimeSlider from './parts/TimeSlider.vue'
import { pageAction } from './parts/pageKeys'
import { scannerOf } from './parts/scanner'
import { homeField, scanned } from './parts/scans'
import { goal, STATIONS, stationOf } from './stations'
import { useAlerts } from './stores/alerts'
import { useOptions } from './stores/options'
import { usePreferences } from './stores/preferences'
import { useDryers } from './stores/dryers'
import { useShelf } from './stores/shelf'
import { useTime } from './stores/time'

const KeyHelp = defineAsyncComponent(() => import('./parts/KeyHelp.vue'))

const steps = STATIONS.filter((station) => !station.aside)
const aside = STATIONS.filter((station) => station.aside)
const inBar = STATIONS.filter((station) => station.onPhone === 'bar')

/** Then a page comes in any case. */
const LATEST_MS = 2_500

/** Behind "More" on the phone. */
const more = ref(false)

const shelf = useShelf()
const dryers = useDryers()
const alerts = useAlerts()
const options = useOptions()
const time = useTime()
const preferences = usePreferences()
const router = useRouter()
const route = useRoute()
const quick = useTemplateRef('quick')
const help = ref(false)
/** A page comes once what all pages show is known, so that nothing on it moves afterwards. */
const known = ref(false)
const late = ref(false)
const ready = computed(() => late.value || (known.value && options.placeKinds.length > 0))
const helpAsked = ref(false)
let going = false

const here = computed(() => stationOf(route.path))

/** "More" closes by Escape and by a press anywhere else. */
function closeMore(event: Event) {
  const target = event.target as HTMLElement | null
  if (!target?.closest('.foot, .more')) {
    more.value = false
  }
}

function showHelp() {
  helpAsked.value = true
  help.value = true
}

function typing(target: EventTarget | null): boolean {
  const element = target as HTMLElement | null
  return !!element?.closest('input, textarea, select, [contenteditable], [role="dialog"]')
}

const scan = scannerOf((found) => scanned(found, router))

/** The field that has the focus, as far as keys land in it. */
function fieldOf(target: EventTarget | null): HTMLInputElement | HTMLTextAreaElement | undefined {
  return target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement
    ? target
    : undefined
}

/** Before anything else sees a key: a scan goes to what was scanned, wherever the focus is. */
function beforeAll(event: KeyboardEvent) {
  const field = fieldOf(event.target)
  if (field?.dataset.scans !== undefined) {
    // It understands scans by itself.
    return
  }
  const home = typing(event.target) ? null : homeField()
  if (home && event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
    // The key itself lands there too.
    home.focus()
    event.stopPropagation()
    return
  }
  if (scan(event.key, event.timeStamp, field)) {
    event.preventDefault()
    event.stopPropagation()
    field?.dispatchEvent(new Event('input', { bubbles: true }))
  }
}

/** Keys of the time slider, where it is shown. */
const slide: Record<string, () => void> = {
  '[': () => time.goTo(time.hoursAhead - 6),
  ']': () => time.goTo(time.hoursAhead + 6),
  n: () => time.goTo(0),
}

function key(event: KeyboardEvent) {
  if (event.key === 'Escape') {
    more.value = false
  }
  if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) {
    return
  }
  if (going) {
    going = false
    const to = goal(event.key)
    if (to) {
      event.preventDefault()
      void router.push(to)
    }
    return
  }
  const actions: Record<string, () => void> = {
    '/': () => quick.value?.focus(),
    '?': showHelp,
    ...(route.meta.atTime ? slide : {}),
    g: () => (going = true),
  }
  const action = actions[event.key] ?? pageAction(event.key)
  if (action) {
    event.preventDefault()
    action()
  }
}

onMounted(() => {
  window.addEventListener('keydown', beforeAll, { capture: true })
  window.addEventListener('keydown', key)
  window.addEventListener('pointerdown', closeMore)
  void Promise.all([shelf.read(), dryers.read(), alerts.read()]).then(() => (known.value = true))
  setTimeout(() => (late.value = true), LATEST_MS)
})
onBeforeUnmount(() => {
  window.removeEventListener('keydown', beforeAll, { capture: true })
  window.removeEventListener('keydown', key)
  window.removeEventListener('pointerdown', closeMore)
})
</script>

<template>
  <a class="skip" href="#main">Skip to the content</a>
  <header v-if="!route.meta.wall" class="top">
    <router-link to="/shelf" class="name">Mind<br />Spool</router-link>
    <TimeSlider v-if="route.meta.atTime" class="when" />
    <span v-else class="when" />
    <QuickBox ref="quick" class="find" />
  </header>
  <div class="body" :class="{ alone: route.meta.wall }">
    <nav v-if="!route.meta.wall" aria-label="Stations">
      <template v-for="station in steps" :key="station.path">
        <router-link
          :to="station.path"
          :class="{ here: here === station, bar: inBar.includes(station) }"
        >
          {{ station.name }}
        </router-link>
        <router-link
          v-for="page in here === station ? station.pages : []"
          :key="page.path"
          class="page"
          :to="page.path"
          :class="{ here: route.path === page.path }"
        >
          {{ page.name }}
        </router-link>
      </template>
      <button
        class="more"
        :class="{ here: here && !inBar.includes(here) }"
        :aria-expanded="more"
        @click="more = !more"
      >
        More
      </button>
      <div class="foot small soft" :class="{ open: more }">
        <template v-for="station in steps" :key="station.path">
          <router-link
            v-if="!inBar.includes(station)"
            class="aside phone"
            :to="station.path"
            @click="more = false"
            >{{ station.name }}</router-link
          >
          <router-link
            v-for="page in station.pages"
            :key="page.path"
            class="aside phone"
            :to="page.path"
            @click="more = false"
            >{{ page.name }}</router-link
          >
        </template>
        <router-link
          v-for="station in aside"
          :key="station.path"
          class="aside"
          :to="station.path"
          :aria-current="here === station ? 'page' : undefined"
          @click="more = false"
          >{{ station.name }}</router-link
        >
        <label class="person">
          who works here
          <input
            v-model.lazy="preferences.person"
            maxlength="60"
            placeholder="nobody"
            autocomplete="name"
            data-testid="person"
          />
        </label>
        <button class="button plain small" @click="preferences.switchTemperature">
          show {{ preferences.fahrenheit ? '°C' : '°F' }}
        </button>
        <button class="button plain small" @click="preferences.switchTheme">
          {{ preferences.theme === 'dark' ? 'light' : 'dark' }} colours
        </button>
        <button class="button plain small keys" @click="showHelp">keys: ?</button>
      </div>
    </nav>
    <main id="main">
      <ProblemNote v-if="shelf.problem" :problem="shelf.problem" />
      <AlertStrip v-if="route.path !== '/alerts'" :wall="route.meta.wall" />
      <router-view v-if="ready" />
    </main>
  </div>
  <ActBar />
  <KeyHelp v-if="helpAsked" v-model="help" />
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
}

.skip:focus {
  left: 0.5rem;
  top: 0.5rem;
  z-index: 40;
  background: var(--sheet);
  padding: 0.5rem;
}

.top {
  position: sticky;
  top: 0;
  z-index: 20;
  display: grid;
  grid-template-columns: 8.25rem minmax(0, 1fr) minmax(11rem, 17.5rem);
  align-items: center;
  gap: 1.25rem;
  padding-right: 1.25rem;
  height: 4.25rem;
  background: var(--ground);
  border-bottom: 2px solid var(--ink);
}

.name {
  padding-left: 1.15rem;
  font-weight: 800;
  font-size: var(--size-3);
  line-height: 1.1;
  text-decoration: none;
}

.body {
  display: grid;
  grid-template-columns: 8.25rem minmax(0, 1fr);
  min-height: calc(100vh - 4.25rem);
}

.body.alone {
  grid-template-columns: minmax(0, 1fr);
}

nav {
  position: sticky;
  top: 4.25rem;
  height: calc(100vh - 4.25rem);
  display: flex;
  flex-direction: column;
  padding-top: 0.4rem;
  border-right: 1px solid var(--hairline);
  overflow-y: auto;
}

nav > a {
  padding: 0.4rem 1.15rem;
  font-size: 1.0625rem;
  text-decoration: none;
}

nav > a:hover {
  background: var(--sheet);
}

nav > a.here {
  background: var(--ink);
  color: var(--ground);
  font-weight: 700;
}

.foot {
  flex: none;
  margin-top: auto;
  padding: 0.4rem 0.85rem;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
}

nav > a.page {
  padding: 0.15rem 1.15rem 0.3rem 2rem;
  font-size: var(--size-2);
}

.foot .aside {
  padding: 0.22rem 0.3rem;
}

.foot .phone {
  display: none;
}

.more {
  display: none;
}

.person {
  display: block;
  width: 100%;
  padding: 0.3rem;
}

.person input {
  width: 100%;
  font: inherit;
  color: var(--ink);
  padding: 0.1rem 0.3rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

.foot .button {
  min-height: 1.75rem;
  padding-block: 0;
  font-weight: 400;
}

main {
  min-width: 0;
  padding: 1.15rem 1.5rem 4rem;
}

@media (max-width: 700px) {
  .top {
    grid-template-columns: 4.5rem minmax(0, 1fr);
    height: auto;
    gap: 0 0.5rem;
    padding: 0.35rem 0.5rem 0.25rem;
  }

  .name {
    padding-left: 0.25rem;
    font-size: var(--size-2);
  }

  .find {
    grid-column: 2;
    grid-row: 1;
  }

  .when {
    grid-column: 1 / -1;
    margin-top: 0.35rem;
  }

  .body {
    display: block;
  }

  nav {
    position: fixed;
    z-index: 20;
    inset: auto 0 0 0;
    height: 3.5rem;
    flex-direction: row;
    padding: 0;
    background: var(--ground);
    border-right: 0;
    border-top: 2px solid var(--ink);
    overflow: visible;
  }

  nav > a:not(.bar) {
    display: none;
  }

  nav > a {
    flex: 1;
    padding: 0;
    display: grid;
    place-items: center;
    font-size: var(--size-2);
  }

  nav > .more {
    display: grid;
    flex: 1;
    place-items: center;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    font-size: var(--size-2);
  }

  nav > .more.here {
    background: var(--ink);
    color: var(--ground);
    font-weight: 700;
  }

  .foot {
    display: none;
  }

  .foot.open {
    display: flex;
    position: fixed;
    inset: auto 0 3.5rem 0;
    max-height: calc(100vh - 9rem);
    overflow-y: auto;
    gap: 0.5rem;
    background: var(--sheet);
    border-top: 2px solid var(--ink);
    padding: 0.75rem;
    font-size: var(--size-2);
  }

  .foot.open .keys {
    display: none;
  }

  .foot .phone {
    display: inline;
  }

  .foot.open .aside,
  .foot.open .button {
    min-height: 2.75rem;
    padding: 0.6rem 0.3rem;
  }

  main {
    padding: 0.75rem 0.75rem 6rem;
  }
}
</style>
