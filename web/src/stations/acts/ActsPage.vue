<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client, Problem } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import UndoButton from '@/parts/UndoButton.vue'
import { dateTime, inShownUnits } from '@/parts/format'
import { sentence, useActs, type Act } from '@/stores/acts'

const STEP = 50

const acts = useActs()
const shown = ref<Act[]>([])
const most = ref(STEP)
const complete = ref(false)
const problem = ref<Problem | null>(null)

async function read() {
  try {
    const latest: Act[] = []
    while (latest.length < most.value) {
      const step = await answer(
        client.GET('/api/acts', { params: { query: { before: latest.at(-1)?.id, most: STEP } } }),
      )
      latest.push(...step)
      complete.value = step.length === 0
      if (complete.value) {
        break
      }
    }
    shown.value = latest
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

watch([() => acts.changes, most], read, { immediate: true })

const ORIGINS: Record<Act['origin'], string> = {
  HAND: '',
  DEVICE: 'by a device',
  FILE: 'from a file',
  PROGRAM: 'by the program',
  DEMO: 'demo',
}

/** Which acts are listed. */
const only = ref<'all' | 'removed' | 'undone'>('all')
const ONLY = [
  { id: 'all', title: 'all' },
  { id: 'removed', title: 'what was removed' },
  { id: 'undone', title: 'what was undone' },
] as const

function isListed(act: Act): boolean {
  switch (only.value) {
    case 'removed':
      return act.lines.some((line) => line.what === 'removed')
    case 'undone':
      return act.undoneS !== null
    default:
      return true
  }
}

const listed = computed(() => shown.value.filter(isListed))

const days = computed(() => {
  const byDay = new Map<string, Act[]>()
  for (const act of listed.value) {
    const day = new Date(1000 * act.recordedS).toLocaleDateString('en-GB', {
      weekday: 'long',
      day: 'numeric',
      month: 'long',
    })
    byDay.set(day, [...(byDay.get(day) ?? []), act])
  }
  return [...byDay]
})

function clock(timeS: number): string {
  return new Date(1000 * timeS).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
}

/** When it happened, where it was entered at another time. */
function happened(act: Act): string {
  return Math.abs(act.recordedS - act.atS) > 120 ? `happened ${dateTime(act.atS)}` : ''
}
</script>

<template>
  <h1>What was done</h1>
  <p class="soft">
    Every entry with all that it recorded, newest first. Undoing keeps it in the list; it can be
    redone. <router-link to="/space">Space and backups</router-link>: what takes room, and when it
    goes.
  </p>
  <div class="only" role="radiogroup" aria-label="Which are listed">
    <label v-for="each in ONLY" :key="each.id">
      <input v-model="only" type="radio" name="only" :value="each.id" /> {{ each.title }}
    </label>
  </div>
  <ProblemNote v-if="problem" :problem="problem" />
  <p v-if="only !== 'all' && listed.length === 0" class="soft">
    None among the {{ shown.length }} latest.
  </p>
  <p v-if="complete && shown.length === 0" class="soft">Nothing yet.</p>
  <template v-for="[day, list] in days" :key="day">
    <h2>{{ day }}</h2>
    <ul class="acts">
      <li v-for="act in list" :key="act.id" :data-testid="`act-${act.id}`">
        <span class="number soft">{{ clock(act.recordedS) }}</span>
        <span>
          <span
            v-for="(line, i) in act.lines"
            :key="i"
            class="line"
            :class="{ undone: act.undoneS }"
          >
            <router-link v-if="line.link" :to="line.link">{{ line.subject }}</router-link>
            <template v-else>{{ line.subject }}</template>: {{ inShownUnits(line.what) }}
          </span>
          <span class="soft small">
            {{ [act.person, ORIGINS[act.origin], happened(act)].filter(Boolean).join(', ')
            }}<template v-if="act.undoneS"
              >{{ act.person || happened(act) ? '; ' : '' }}undone {{ dateTime(act.undoneS) }}
              {{ act.undonePerson ? `by ${act.undonePerson}` : '' }}</template
            >
          </span>
        </span>
        <UndoButton
          v-if="act.origin !== 'PROGRAM'"
          :act="act.id"
          :undone="act.undoneS !== null"
          :what="sentence(act)"
        />
      </li>
    </ul>
  </template>
  <button v-if="!complete && shown.length" class="button" @click="most += STEP">Earlier</button>
</template>

<style scoped>
h2 {
  margin: 1rem 0 0.25rem;
}

.only {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1.25rem;
}

.only label {
  min-height: 1.5rem;
}

.acts {
  list-style: none;
  margin: 0 0 1rem;
  padding: 0;
}

.acts li {
  display: grid;
  grid-template-columns: 3.5rem minmax(0, 1fr) auto;
  gap: 0.75rem;
  align-items: start;
  padding: 0.4rem 0;
  border-bottom: 1px solid var(--hairline);
}

.line {
  display: block;
}

.undone {
  text-decoration: line-through;
}
</style>
