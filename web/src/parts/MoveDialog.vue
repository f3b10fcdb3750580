<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import { useFormProblem } from '@/parts/formProblem'
import TimeField from '@/parts/TimeField.vue'
import { computed, ref, useTemplateRef } from 'vue'
import { Problem } from '@/api/client'
import { useActs } from '@/stores/acts'
import { useDryers } from '@/stores/dryers'
import { moment, setTo } from './format'
import { useShelf, type Spool } from '@/stores/shelf'
import ProblemNote from './ProblemNote.vue'

const props = defineProps<{
  /** One, or several that go together. */
  spools: readonly Spool[]
  /** Where it was dropped; only what that place asks is left to say. */
  to?: number
}>()
const emit = defineEmits<{ close: [] }>()

/** The only one, where it is one. */
const spool = computed(() => (props.spools.length === 1 ? props.spools[0] : undefined))
const title = computed(() =>
  spool.value
    ? `Move ${spool.value.code} from ${shelf.placeName(spool.value.placeId)}`
    : `Move ${props.spools.length} spools`,
)
const shelf = useShelf()
const acts = useActs()
const dryers = useDryers()
const list = useTemplateRef('list')
const at = ref<Date | null>(null)
const until = ref<Date | null>(null)
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const busy = ref(false)
const targets = computed(() =>
  shelf.places.filter((p) => p.place.id !== spool.value?.placeId && p.place.kind !== 'ROOM'),
)
const chosen = ref(0)

/** A dryer that was chosen: it asks what the spool does there. */
const dryer = computed(() => shelf.places.find((each) => each.place.id === asked.value))
const asked = ref(props.to ?? null)
const running = computed(() => {
  const cycle = dryers.cycleIn(asked.value ?? -1)
  return cycle && cycle.stage !== 'TO_EMPTY' ? cycle : undefined
})

const cyclePath = computed(() => `/dry/${props.spools.map((each) => each.code).join('+')}`)

function choose(index: number) {
  const target = targets.value[index]
  if (target?.place.kind === 'DRYER') {
    asked.value = target.place.id
  } else if (target) {
    void move(target.place.id)
  }
}

async function move(placeId: number, entry?: 'JOIN' | 'COLD') {
  if (busy.value) {
    return
  }
  busy.value = true
  problem.value = null
  try {
    if (spool.value) {
      await acts.move(
        spool.value.code,
        placeId,
        at.value ?? undefined,
        until.value ?? undefined,
        entry,
      )
    } else {
      await acts.moveAll(
        props.spools.map((each) => each.code),
        placeId,
        entry,
      )
    }
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  busy.value = false
}

function key(event: KeyboardEvent) {
  const count = targets.value.length
  if (event.key === 'ArrowDown') {
    chosen.value = (chosen.value + 1) % count
  } else if (event.key === 'ArrowUp') {
    chosen.value = (chosen.value + count - 1) % count
  } else if (event.key === 'Enter') {
    choose(chosen.value)
  } else {
    return
  }
  event.preventDefault()
}
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="title"
    width="min(30rem, 94vw)"
    @open-auto-focus="list?.focus()"
    @opened="list?.focus()"
    @close="emit('close')"
  >
    <div v-if="dryer" class="asks" data-testid="dryer-asks">
      <p v-if="running">
        {{ dryer.place.name }} heats to {{ setTo(running.setpointC) }} until
        {{ moment(running.plannedEndS, shelf.nowS) }}, with {{ running.codes.join(', ') }}.
      </p>
      <p v-else>No cycle runs in {{ dryer.place.name }}.</p>
      <button v-if="running" class="button primary" @click="move(dryer.place.id, 'JOIN')">
        {{ spool ? 'It joins' : 'They join' }} the cycle
      </button>
      <template v-else>
        <router-link class="button primary" :to="cyclePath" @click="emit('close')"
          >Start a cycle with {{ spool ? 'it' : 'them' }}</router-link
        >
        <button class="button" @click="move(dryer.place.id, 'COLD')">
          {{ spool ? 'It only lies' : 'They only lie' }} there, cold
        </button>
      </template>
      <button class="button plain" @click="asked = null">another place</button>
    </div>
    <ul
      v-else
      ref="list"
      role="listbox"
      tabindex="0"
      aria-label="To which place"
      :aria-activedescendant="`target-${chosen}`"
      data-testid="move-targets"
      @keydown="key"
    >
      <li
        v-for="(target, i) in targets"
        :id="`target-${i}`"
        :key="target.place.id"
        role="option"
        :aria-selected="i === chosen"
        :class="{ chosen: i === chosen }"
        @mousemove="chosen = i"
        @click="choose(i)"
      >
        {{ target.place.name }}
      </li>
    </ul>
    <details v-if="spool">
      <summary>it was moved earlier, or only for a while</summary>
      <div class="times">
        <TimeField id="move-at" v-model="at" name="at" label="moved at (now if empty)" />
        <TimeField
          id="move-until"
          v-model="until"
          name="until"
          label="back again at (stays if empty)"
        />
      </div>
    </details>
    <ProblemNote v-if="problem" :problem="problem" />
  </AppDialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 0.75rem;
  padding: 0;
}

li {
  padding: 0.6rem 0.75rem;
  border-bottom: 1px solid var(--hairline);
  cursor: pointer;
  font-size: 1.0625rem;
}

li.chosen {
  background: var(--ink);
  color: var(--ground);
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

.times {
  display: grid;
  gap: 0.75rem;
  padding: 0.75rem 0;
}

summary {
  cursor: pointer;
}
</style>
