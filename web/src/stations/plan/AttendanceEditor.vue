<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ConflictChoice from '@/parts/ConflictChoice.vue'
import { useConflict } from '@/parts/conflict'
import ProblemNote from '@/parts/ProblemNote.vue'

/** When somebody is there: a line of text for each weekday, such as "8:00-12:00, 13:00-18:00". */
const props = defineProps<{ week: Schemas['WeekView'] }>()
const emit = defineEmits<{ saved: [] }>()

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const
const SPAN = /^(\d{1,2})(?::(\d{2}))?\s*(?:-|to)\s*(\d{1,2})(?::(\d{2}))?$/

let version = 0
const lines = ref<string[]>(DAYS.map(() => ''))
const problem = ref<Problem | null>(null)

function clock(minutes: number): string {
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`
}

watch(() => props.week, show, { immediate: true })

function show(week: Schemas['WeekView']) {
  version = week.version
  lines.value = words(week)
}

/** A line for each weekday. */
function words(week: Schemas['WeekView']): string[] {
  return DAYS.map((_, i) =>
    week.windows
      .filter((window) => window.weekday === i + 1)
      .map((window) => `${clock(window.fromMin ?? 0)}-${clock(window.toMin ?? 0)}`)
      .join(', '),
  )
}

const mine = computed(() => Object.fromEntries(DAYS.map((day, i) => [day, lines.value[i]])))
const LABELS = Object.fromEntries(DAYS.map((day) => [day, day]))

/** The week as somebody else has described it, by the names of its days. */
const conflict = computed(() => {
  const week = problem.value?.current as Schemas['WeekView'] | null | undefined
  if (!problem.value || !week) {
    return null
  }
  const days = Object.fromEntries(DAYS.map((day, i) => [day, words(week)[i]]))
  return new Problem(problem.value.title, problem.value.detail, [], days)
})

const { keepMine, takeTheirs } = useConflict<Schemas['WeekView']>(
  problem,
  (current) => {
    version = current
    void save()
  },
  show,
)

async function save() {
  const week: Schemas['WindowView'][] = []
  for (const [i, line] of lines.value.entries()) {
    for (const part of line.split(',').map((each) => each.trim())) {
      const found = SPAN.exec(part)
      if (part !== '' && !found) {
        problem.value = new Problem('Hours cannot be read', '', [
          {
            field: DAYS[i] ?? '',
            value: `“${part}”`,
            allowed: 'spans such as 8:00-12:00, separated by commas; empty for nobody',
            advice: 'Write hours from 0:00 to 24:00.',
          },
        ])
        return
      }
      if (found) {
        const minutes = (hour?: string, minute?: string) => 60 * Number(hour) + Number(minute ?? 0)
        week.push({
          weekday: i + 1,
          fromMin: minutes(found[1], found[2]),
          toMin: minutes(found[3], found[4]),
        })
      }
    }
  }
  try {
    await answer(client.PUT('/api/attendance', { body: { version, windows: week } }))
    problem.value = null
    emit('saved')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <details>
    <summary>when somebody is there</summary>
    <AppForm @submit="save">
      <div v-for="(day, i) in DAYS" :key="day" class="day">
        <label :for="`attendance-${i}`" class="small soft">{{ day }}</label>
        <input :id="`attendance-${i}`" v-model="lines[i]" placeholder="nobody" />
      </div>
      <button v-if="!conflict" class="button">Keep and plan</button>
    </AppForm>
    <ConflictChoice
      v-if="conflict"
      :problem="conflict"
      :mine="mine"
      :labels="LABELS"
      @mine="keepMine"
      @theirs="takeTheirs"
    />
    <ProblemNote v-else-if="problem" :problem="problem" />
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  margin: 0.75rem 0 0.5rem;
}

.day {
  display: grid;
  grid-template-columns: 6rem 1fr;
  gap: 0.5rem;
  align-items: center;
  margin-bottom: 0.3rem;
}

input {
  min-width: 0;
  padding: 0.25rem 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}
</style>
