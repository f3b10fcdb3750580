<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { grams, hours } from '@/parts/format'

/** What each further hour in the dryer buys: how much of the spool prints, outermost wraps first. */
const props = defineProps<{
  steps: Schemas['PrintStepView'][]
  /** When it is dry to the core as likely as not; null where never. */
  dryHours: number | null
}>()

/** Less apart than this two steps are one for whoever looks at a clock, h. */
const TOLD_APART_H = 0.4

const shown = computed(() => {
  const kept: Schemas['PrintStepView'][] = []
  for (const step of props.steps) {
    const before = kept.at(-1)
    if (before && step.hour - before.hour < TOLD_APART_H) {
      before.grams = step.grams
    } else {
      kept.push({ ...step })
    }
  }
  return kept
})
const all = computed(() => props.steps.at(-1)?.grams ?? 0)

function words(step: Schemas['PrintStepView']): string {
  return `${step.hour < 0.05 ? 'now' : hours(step.hour)}: ${grams(step.grams)}`
}
</script>

<template>
  <section v-if="shown.length > 1" class="steps" data-testid="print-steps">
    <h2>What each further hour buys</h2>
    <p class="small soft">
      Grams that probably print if it is taken out then, the outermost wraps first.
    </p>
    <ol>
      <li v-for="step in shown" :key="step.hour">
        <span class="small number hour">{{ step.hour < 0.05 ? 'now' : hours(step.hour) }}</span>
        <span class="track" role="img" :aria-label="words(step)">
          <span class="bar" :style="{ width: `${(100 * step.grams) / all}%` }" />
        </span>
        <span class="small number">{{ grams(step.grams) }}</span>
      </li>
    </ol>
    <p v-if="dryHours !== null" class="small soft">
      After {{ hours(dryHours) }} it is dry to the core: it then stays printable for longest.
    </p>
  </section>
</template>

<style scoped>
.steps {
  margin-top: 1.25rem;
}

ol {
  list-style: none;
  margin: 0.4rem 0;
  padding: 0;
  display: grid;
  gap: 0.2rem;
}

li {
  display: grid;
  grid-template-columns: 4.5rem minmax(6rem, 22rem) max-content;
  gap: 0.75rem;
  align-items: center;
}

.hour {
  text-align: right;
}

.track {
  height: 0.7rem;
  border-bottom: 1px solid var(--board);
}

.bar {
  display: block;
  height: 0.55rem;
  background: var(--board);
  border-radius: 0.2rem;
}
</style>
