<script setup lang="ts">
import { ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'

/** When somebody is there: a line of text for each weekday, such as "8:00-12:00, 13:00-18:00". */
const props = defineProps<{ week: Schemas['WindowView'][] }>()
const emit = defineEmits<{ saved: [] }>()

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const
const SPAN = /^(\d{1,2})(?::(\d{2}))?\s*(?:-|to)\s*(\d{1,2})(?::(\d{2}))?$/

const lines = ref<string[]>(DAYS.map(() => ''))
const problem = ref<Problem | null>(null)

function clock(minutes: number): string {
  return `${Math.floor(minutes / 60)}:${String(minutes % 60).padStart(2, '0')}`
}

watch(
  () => props.week,
  (week) => {
    lines.value = DAYS.map((_, i) =>
      week
        .filter((window) => window.weekday === i + 1)
        .map((window) => `${clock(window.fromMin ?? 0)}-${clock(window.toMin ?? 0)}`)
        .join(', '),
    )
  },
  { immediate: true },
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
    await answer(client.PUT('/api/hands', { body: week }))
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
    <form novalidate @submit.prevent="save">
      <div v-for="(day, i) in DAYS" :key="day" class="day">
        <label :for="`hands-${i}`" class="small soft">{{ day }}</label>
        <input :id="`hands-${i}`" v-model="lines[i]" placeholder="nobody" />
      </div>
      <button class="button">Keep and plan</button>
    </form>
    <ProblemNote v-if="problem" :problem="problem" />
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
  padding: 0.25rem 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}
</style>
