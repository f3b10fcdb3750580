<script setup lang="ts">
import { computed, nextTick, onMounted, ref, useTemplateRef } from 'vue'
import AppForm from '@/parts/AppForm.vue'
import ScaleLine from '@/parts/ScaleLine.vue'
import SegmentChoice from '@/parts/SegmentChoice.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import { grams, moment, setTo } from '@/parts/format'
import { useHomeField, useScans } from '@/parts/scans'
import { beep, soundWanted, wantSound } from '@/parts/signal'
import { faceAt, faceLabel, moistureAt, standingAt } from '@/parts/spoolAtTime'
import { useDryers } from '@/stores/dryers'
import { useShelf } from '@/stores/shelf'
import { useRound, type RoundKind, type Step } from './round'

const shelf = useShelf()
const dryers = useDryers()
const field = useTemplateRef('field')
const text = ref('')
/** Which of two equal animations runs, so that every step flashes anew. */
const flash = ref({ worked: true, turn: 0 })
const sound = ref(soundWanted())

const round = useRound((worked) => {
  beep(worked)
  flash.value = { worked, turn: flash.value.turn + 1 }
})

useScans((scan) => {
  void round.scan(scan)
  return true
})

const KINDS: { value: RoundKind; label: string; how: string }[] = [
  {
    value: 'WEIGH',
    label: 'Weigh',
    how: 'Scan a spool and weigh it; scan a place too if it goes somewhere else. Then the next.',
  },
  {
    value: 'MOVE',
    label: 'Move',
    how: 'Scan one spool or several, then the place where they go.',
  },
  { value: 'OPEN', label: 'Open bags', how: 'Scan each spool whose bag was opened.' },
]

const how = computed(() => KINDS.find((each) => each.value === round.kind.value)?.how ?? '')

const inHand = computed(() =>
  round.hand.value.flatMap((code) => shelf.spools.find((spool) => spool.code === code) ?? []),
)
const current = computed(() => inHand.value.at(-1))

const asked = computed(() =>
  shelf.places.find((each) => each.place.id === round.question.value?.placeId),
)
const running = computed(() => {
  const cycle = dryers.cycleIn(round.question.value?.placeId ?? -1)
  return cycle && cycle.stage !== 'TO_EMPTY' ? cycle : undefined
})

const done = computed(
  () => round.steps.value.filter((step) => step.act !== null && !step.undone).length,
)

function enter() {
  const typed = text.value
  text.value = ''
  void round.typed(typed)
}

function start(kind: RoundKind) {
  round.start(kind)
  void nextTick(() => field.value?.focus())
}

// Wherever the focus was left, what is scanned or typed lands in the field.
useHomeField(() => field.value)

/** Puts into the field again what was not taken. */
function mend(step: Step) {
  text.value = round.mended(step)
  field.value?.focus()
}

onMounted(() => field.value?.focus())

function switchSound() {
  wantSound(sound.value)
}

function clock(timeS: number): string {
  return new Date(1000 * timeS).toLocaleTimeString('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    second: '2-digit',
  })
}
</script>

<template>
  <div class="head">
    <h1>Rounds</h1>
    <SegmentChoice
      :model-value="round.kind.value"
      label="What is done with each spool"
      name="round"
      :options="KINDS"
      @update:model-value="start"
    />
    <router-link to="/boxes">all boxes</router-link>
    <label class="sound small">
      <input v-model="sound" type="checkbox" @change="switchSound" /> tone after each step
    </label>
  </div>
  <div class="sides">
    <section
      class="now"
      :class="[flash.turn ? (flash.worked ? 'good' : 'bad') : '', `turn-${flash.turn % 2}`]"
      aria-label="In the hand"
      data-testid="round-now"
    >
      <p class="how">{{ how }}</p>
      <AppForm @submit="enter">
        <label for="round-field">
          {{
            round.kind.value === 'WEIGH'
              ? 'scan, or type a code, a mass in g, or a place'
              : 'scan, or type a code or a place'
          }}
        </label>
        <div class="line">
          <input
            id="round-field"
            ref="field"
            v-model="text"
            autocomplete="off"
            data-scans
            data-testid="round-field"
          />
          <button class="button primary">Enter</button>
        </div>
      </AppForm>
      <ScaleLine
        v-if="round.kind.value === 'WEIGH'"
        :least-g="20"
        @rests="round.rests"
        @left="round.left"
      />
      <p v-if="round.resting.value" class="small">
        {{ round.resting.value.massG }} g lie on the scale: scan what it is.
      </p>
      <div v-if="round.question.value && asked" class="asks" data-testid="round-dryer">
        <p v-if="running">
          {{ asked.place.name }} heats to {{ setTo(running.setpointC) }} until
          {{ moment(running.plannedEndS, shelf.nowS) }}.
        </p>
        <p v-else>No cycle runs in {{ asked.place.name }}.</p>
        <button v-if="running" class="button primary" @click="round.answerDryer('JOIN')">
          They join the cycle
        </button>
        <template v-else>
          <router-link class="button primary" :to="`/dry/${round.question.value.codes.join('+')}`"
            >Start a cycle with {{ round.question.value.codes.join(', ') }}</router-link
          >
          <button class="button" @click="round.answerDryer('COLD')">
            They only lie there, cold
          </button>
        </template>
      </div>
      <div v-if="current" class="current" data-testid="round-current">
        <SpoolFace
          :face="faceAt(current, shelf.frameHours, 0)"
          :size="96"
          :label="faceLabel(current, moistureAt(current, shelf.frameHours, 0))"
        />
        <div>
          <p class="code big">{{ current.code }}</p>
          <p>{{ current.material }} {{ current.colourName }}</p>
          <p class="soft">{{ shelf.placeName(current.placeId) }}</p>
          <p :class="standingAt(current, shelf.nowS, shelf.nowS)?.past ? 'call' : ''">
            {{ standingAt(current, shelf.nowS, shelf.nowS)?.text }}
          </p>
          <p
            v-if="round.kind.value === 'WEIGH' && !round.weighed.value && current.expectedGrossG"
            class="soft small"
          >
            About {{ grams(current.expectedGrossG) }} if nothing was used since the last weighing.
          </p>
        </div>
      </div>
      <p v-else-if="round.kind.value !== 'OPEN'" class="soft empty">Nothing in the hand.</p>
      <ul v-if="round.kind.value === 'MOVE' && inHand.length" class="hand">
        <li v-for="spool in inHand" :key="spool.code">
          <span class="code">{{ spool.code }}</span> {{ spool.material }} {{ spool.colourName }}
          <button class="button plain small" @click="round.drop(spool.code)">
            leave it<span class="sr-only"> {{ spool.code }} where it is</span>
          </button>
        </li>
      </ul>
    </section>
    <section class="done" aria-label="Done in this round">
      <h2>{{ done }} done in this round</h2>
      <ol data-testid="round-steps" aria-live="polite">
        <li
          v-for="step in round.steps.value"
          :key="step.id"
          :class="{ failed: !step.worked, undone: step.undone }"
        >
          <span class="soft small">{{ clock(step.atS) }}</span>
          <span class="what">
            <template v-if="!step.worked">{{ step.subject }}: </template>{{ step.text }}
          </span>
          <button v-if="step.mend !== null" class="button plain small" @click="mend(step)">
            mend<span class="sr-only">: {{ step.subject }}</span>
          </button>
          <button v-if="step.act !== null" class="button plain small" @click="round.undo(step)">
            {{ step.undone ? 'redo' : 'undo' }}<span class="sr-only">: {{ step.text }}</span>
          </button>
        </li>
      </ol>
      <p v-if="round.steps.value.length === 0" class="soft">
        Each step is recorded at once and can be undone here. No mouse is needed: a scanner that
        types and a connected scale do it all.
      </p>
    </section>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 1.25rem;
  margin-bottom: 1rem;
}

.sound {
  margin-left: auto;
}

.sides {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 6fr);
  gap: 2rem;
  align-items: start;
}

.now {
  background: var(--sheet);
  padding: 1rem 1.25rem;
  border-left: 8px solid var(--board);
  min-height: 19rem;
}

.how {
  margin-bottom: 0.75rem;
}

.now.good {
  border-color: var(--focus);
}

.now.bad {
  border-color: var(--call);
}

.now.good.turn-0 {
  animation: good-a 0.5s;
}

.now.good.turn-1 {
  animation: good-b 0.5s;
}

.now.bad.turn-0 {
  animation: bad-a 0.9s;
}

.now.bad.turn-1 {
  animation: bad-b 0.9s;
}

@keyframes good-a {
  from {
    background: var(--focus);
  }
}

@keyframes good-b {
  from {
    background: var(--focus);
  }
}

@keyframes bad-a {
  from {
    background: var(--call);
  }
}

@keyframes bad-b {
  from {
    background: var(--call);
  }
}

.line {
  display: flex;
  gap: 0.5rem;
  margin: 0.25rem 0 0.75rem;
}

.line input {
  flex: 1;
  min-width: 0;
  font-size: var(--size-4);
  font-weight: 700;
  padding: 0.25rem 0.5rem;
  border: 2px solid var(--ink);
  border-radius: var(--corner);
  background: var(--field);
}

.asks {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  margin-bottom: 0.75rem;
}

.asks p {
  flex-basis: 100%;
}

.current {
  display: flex;
  gap: 1.25rem;
  align-items: center;
  margin-top: 0.5rem;
}

.big {
  font-size: var(--size-5);
  line-height: 1.1;
}

.hand {
  list-style: none;
  margin: 0.75rem 0 0;
  padding: 0;
}

ol {
  list-style: none;
  margin: 0.5rem 0 0;
  padding: 0;
}

.done li {
  display: grid;
  grid-template-columns: 4.5rem minmax(0, 1fr) auto;
  gap: 0.75rem;
  align-items: baseline;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--hairline);
}

.failed .what {
  color: var(--call);
  font-weight: 700;
}

.undone .what {
  text-decoration: line-through;
}

@media (max-width: 860px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
    gap: 1.25rem;
  }

  .sound {
    margin-left: 0;
  }
}
</style>
