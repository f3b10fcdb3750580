<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { inShownUnits } from '@/parts/format'
import SignLine from './SignLine.vue'
import SpacingHelp from './SpacingHelp.vue'
import { found, grouped, type KnownSign } from './signs'

type Answer = Schemas['CaseSignView']['answer']

/** What is seen of a print: signs with yes, no and not sure, found by words or by place. */
const props = defineProps<{
  known: readonly KnownSign[]
  said: Record<string, Answer>
  /** Those that would tell most, and what is needed to tell. */
  asked: readonly Schemas['QuestionView'][]
  /** What was told, found or recorded and cannot both be. */
  contradictions: readonly Schemas['ContradictionView'][]
  /** Ids of those that the first cause does not show. */
  unexplained: readonly string[]
  disabled: boolean
  /** What somebody wrote when the case began, to look for signs in. */
  told: string
}>()
const emit = defineEmits<{ say: [id: string, answer: Answer | null] }>()

/** The sign whose answer hangs on a distance. */
const SPACED = 'wave_period'

const words = ref(
  Object.keys(props.said).length === 0 && found(props.known, props.told).length ? props.told : '',
)
const hits = computed(() => found(props.known, words.value).slice(0, 8))
const groups = computed(() => grouped(props.known))
const answered = computed(() => props.known.filter((sign) => props.said[sign.id]))
const asked = computed(() =>
  props.asked.flatMap(({ id }) => props.known.filter((sign) => sign.id === id)),
)
const needs = computed(
  () => new Map(props.asked.map((question) => [question.id, question.needs ?? ''])),
)

const shown = computed(() => [
  ...(words.value.trim() ? [{ title: 'Found', key: 'found', signs: hits.value }] : []),
  ...(answered.value.length ? [{ title: 'Said', key: 'said', signs: answered.value }] : []),
  ...(asked.value.length && !props.disabled
    ? [{ title: 'These would tell most', key: 'asked', signs: asked.value }]
    : []),
])
</script>

<template>
  <section class="picker" aria-labelledby="signs-title">
    <h2 id="signs-title">What is seen</h2>
    <label v-if="!disabled" class="find">
      <span class="soft">In your own words</span>
      <input
        v-model="words"
        type="search"
        placeholder="such as: hairs between towers, popping"
        data-testid="find-sign"
      />
    </label>
    <p v-if="words.trim() && !hits.length" class="soft">
      No sign has such words; look below by when it is seen.
    </p>
    <ul v-if="contradictions.length" class="against" data-testid="contradictions">
      <li v-for="each in contradictions" :key="`${each.id} ${each.otherId}`">
        “{{ inShownUnits(each.name) }}” and “{{ inShownUnits(each.otherName) }}” cannot both be:
        look again, and change one of them.
      </li>
    </ul>
    <template v-for="part in shown" :key="part.key">
      <h3>{{ part.title }}</h3>
      <ul :data-testid="`signs-${part.key}`">
        <template v-for="sign in part.signs" :key="sign.id">
          <SignLine
            :sign="sign"
            :said="said[sign.id]"
            :unexplained="unexplained.includes(sign.id)"
            :needs="part.key === 'asked' ? needs.get(sign.id) : ''"
            :disabled="disabled"
            :data-testid="`sign-${sign.id}`"
            @say="emit('say', sign.id, $event)"
          />
          <li v-if="sign.id === SPACED && !disabled"><SpacingHelp /></li>
        </template>
      </ul>
    </template>
    <details v-for="group in groups" :key="group.seen" class="group">
      <summary>
        {{ group.seen }}
        <span class="soft small">{{ group.signs.length }}</span>
      </summary>
      <ul>
        <SignLine
          v-for="sign in group.signs"
          :key="sign.id"
          :sign="sign"
          :said="said[sign.id]"
          :unexplained="unexplained.includes(sign.id)"
          :disabled="disabled"
          @say="emit('say', sign.id, $event)"
        />
      </ul>
    </details>
  </section>
</template>

<style scoped>
.picker {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.6rem;
}

.find {
  display: grid;
  gap: 0.2rem;
}

.find input {
  min-height: 2.5rem;
  padding: 0 0.6rem;
  border: 2px solid var(--ink);
  border-radius: var(--corner);
  background: var(--field);
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.against li {
  padding: 0.5rem 0.7rem;
  border-left: 4px solid var(--call);
  background: var(--field);
}

summary {
  min-height: 2.2rem;
  padding: 0.4rem 0;
  font-weight: 600;
  cursor: pointer;
}
</style>
