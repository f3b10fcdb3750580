<script setup lang="ts">
import { inShownUnits } from '@/parts/format'
import { computed, ref, watch } from 'vue'
import { answer, client, type Schemas } from '@/api/client'

/** Causes in order, in words; why one stands where it does, and what would put another first. */
const props = defineProps<{
  caseId: number
  version: number
  ranking: Schemas['TroubleAnswer']
  /** Of the first cause. */
  reasons: Schemas['ReasonsView']
  untold: boolean
  learnedFrom: number
}>()

const SHOWN = 5
const shares = ref(false)
const chosen = ref<string | null>(null)
const fetched = ref<Schemas['ReasonsView'] | null>(null)
const shown = computed(() =>
  props.ranking.causes.filter((each, i) => i < 3 || each.share > 0.05).slice(0, SHOWN),
)
const first = computed(() => props.ranking.causes[0]?.id ?? '')
const why = computed(() =>
  chosen.value === null || chosen.value === first.value ? props.reasons : fetched.value,
)

watch([chosen, () => props.version, () => props.caseId], async () => {
  if (chosen.value !== null && chosen.value !== first.value) {
    fetched.value = await answer(
      client.GET('/api/troubles/{id}/reasons', {
        params: { path: { id: props.caseId }, query: { cause: chosen.value } },
      }),
    )
  }
})

function strength(log10: number): string {
  const size = Math.abs(log10)
  const word = size > 1.2 ? 'much' : size > 0.5 ? 'clearly' : 'a little'
  return `${word} ${log10 > 0 ? 'for' : 'against'}`
}
</script>

<template>
  <section aria-labelledby="causes-title" class="list">
    <h2 id="causes-title">
      {{ untold ? 'Most common here, before anything is said' : 'It may be' }}
    </h2>
    <ol>
      <li v-for="each in shown" :key="each.id" :data-testid="`cause-${each.id}`">
        <button
          type="button"
          class="cause"
          :aria-pressed="(chosen ?? first) === each.id"
          @click="chosen = each.id"
        >
          <span class="bar" :style="{ width: `${100 * each.share}%` }" />
          <span class="name">{{ inShownUnits(each.name) }}</span>
          <span class="soft">
            {{ each.word }}{{ shares ? `, ${(100 * each.share).toFixed(0)} %` : '' }}
          </span>
        </button>
      </li>
    </ol>
    <p class="small soft">
      <button class="button plain small" @click="shares = !shares">
        {{ shares ? 'Words only' : 'Show shares' }}
      </button>
      <template v-if="shares">
        Not in the table: {{ (100 * ranking.unknownShare).toFixed(0) }} %.
      </template>
      <template v-if="learnedFrom">
        Learned from {{ learnedFrom === 1 ? 'one closed case' : `${learnedFrom} closed cases` }}.
      </template>
    </p>
    <p v-if="ranking.pair" class="pair">
      Perhaps two at once: <b>{{ ranking.pair.first }}</b> and <b>{{ ranking.pair.second }}</b>.
      Together they explain what is seen
      {{ ranking.pair.log10Odds > 0 ? 'better than' : 'about as well as' }} one alone.
    </p>
    <template v-if="!untold && why">
      <h3>Why</h3>
      <ul>
        <li v-for="push in why.pushes" :key="push.kind + push.id">
          {{ push.name }}:
          <span :class="{ call: push.log10 < 0 }">{{ strength(push.log10) }}</span>
        </li>
      </ul>
      <template v-if="why.instead.length">
        <h3>Another would lead</h3>
        <ul>
          <li v-for="each in why.instead" :key="each.kind + each.id">
            {{ inShownUnits(each.name) }} → {{ inShownUnits(each.causeName) }}
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>

<style scoped>
.list {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
}

ol {
  margin: 0;
  padding: 0;
  list-style: none;
}

.cause {
  position: relative;
  display: flex;
  justify-content: space-between;
  gap: 1rem;
  width: 100%;
  min-height: 2.4rem;
  padding: 0.35rem 0.6rem;
  border: 0;
  border-bottom: 1px solid var(--hairline);
  background: none;
  text-align: left;
  cursor: pointer;
}

.cause[aria-pressed='true'] .name {
  font-weight: 700;
}

.bar {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--forecast);
}

.name,
.cause .soft {
  position: relative;
}

.pair {
  border-left: 4px solid var(--call);
  padding-left: 0.7rem;
}

ul {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
