<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { inShownUnits, moisture } from '@/parts/format'

/** What the records know of a case, each struck out by a tap, and what changed since it went well. */
const props = defineProps<{
  trouble: Schemas['TroubleView']
  known: readonly Schemas['FactKnowledgeView'][]
  disabled: boolean
}>()
const emit = defineEmits<{ strike: [id: string, struck: boolean]; add: [id: string] }>()

const chosen = ref('')
const others = computed(() =>
  props.known.filter((fact) => !props.trouble.facts.some((held) => held.id === fact.id)),
)

function add() {
  if (chosen.value) {
    emit('add', chosen.value)
    chosen.value = ''
  }
}

const wetness = computed(() => {
  const water = props.trouble.moisture
  return water === null
    ? ''
    : `${moisture(water.percent)} of ${moisture(water.limitPercent)} that it prints well with`
})
</script>

<template>
  <section aria-labelledby="facts-title" class="facts">
    <h2 id="facts-title">What is known</h2>
    <ul>
      <li v-if="trouble.moisture" :class="{ struck: trouble.moisture.struck }">
        <span>
          Computed moisture {{ wetness }}
          <span class="small soft">{{ inShownUnits(trouble.moisture.because) }}</span>
        </span>
        <button
          v-if="!disabled"
          class="button plain small"
          data-testid="strike-moisture"
          @click="emit('strike', 'moisture', !trouble.moisture.struck)"
        >
          {{ trouble.moisture.struck ? 'count it' : 'strike out' }}
        </button>
      </li>
      <li v-for="fact in trouble.facts" :key="fact.id" :class="{ struck: fact.struck }">
        <span>
          {{ inShownUnits(fact.name) }}
          <span class="small soft">{{ inShownUnits(fact.because) }}</span>
        </span>
        <button
          v-if="!disabled"
          class="button plain small"
          @click="emit('strike', fact.id, !fact.struck)"
        >
          {{ fact.struck ? 'count it' : 'strike out' }}
        </button>
      </li>
    </ul>
    <p v-if="!disabled" class="add">
      <select v-model="chosen" aria-label="Something else that is known" @change="add">
        <option value="">Something else that is known …</option>
        <option v-for="fact in others" :key="fact.id" :value="fact.id">
          {{ inShownUnits(fact.name) }}
        </option>
      </select>
    </p>
    <template v-if="trouble.lastGood">
      <h3>Since {{ trouble.lastGood }}, the last good print there</h3>
      <ul v-if="trouble.changed.length">
        <li v-for="each in trouble.changed" :key="each.what">
          <span
            >{{ each.what }}: {{ each.then === null ? '' : `${each.then} → ` }}{{ each.now }}</span
          >
        </li>
      </ul>
      <p v-else class="soft">Nothing that is recorded has changed.</p>
    </template>
  </section>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  gap: 0.8rem;
  align-items: center;
  min-height: 2.2rem;
  border-bottom: 1px solid var(--hairline);
}

.struck > span {
  text-decoration: line-through;
  color: var(--soft);
}

select {
  min-height: 2.4rem;
  width: 100%;
  min-width: 0;
}
</style>
