<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import SignDrawing from './SignDrawing.vue'
import { found, grouped, type KnownSign } from './signs'

type Answer = Schemas['CaseSignView']['answer']

/** What is seen of a print: signs with yes, no and not sure, found by words or by place. */
const props = defineProps<{
  known: readonly KnownSign[]
  said: Record<string, Answer>
  /** Ids of those that would tell most. */
  asked: readonly string[]
  /** Ids of those that the first cause does not show. */
  unexplained: readonly string[]
  disabled: boolean
}>()
const emit = defineEmits<{ say: [id: string, answer: Answer | null] }>()

const words = ref('')
const hits = computed(() => found(props.known, words.value).slice(0, 8))
const groups = computed(() => grouped(props.known))
const answered = computed(() => props.known.filter((sign) => props.said[sign.id]))
const asked = computed(() =>
  props.asked.flatMap((id) => props.known.filter((sign) => sign.id === id)),
)

const ANSWERS = [
  { id: 'YES', label: 'yes' },
  { id: 'NO', label: 'no' },
  { id: 'UNSURE', label: 'not sure' },
] as const

function tap(id: string, answer: Answer) {
  emit('say', id, props.said[id] === answer ? null : answer)
}

const shown = computed(() => [
  ...(words.value.trim() ? [{ title: 'Found', key: 'found', signs: hits.value, open: true }] : []),
  ...(answered.value.length
    ? [{ title: 'Said', key: 'said', signs: answered.value, open: true }]
    : []),
  ...(asked.value.length && !props.disabled
    ? [{ title: 'These would tell most', key: 'asked', signs: asked.value, open: true }]
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
    <template v-for="part in shown" :key="part.key">
      <h3>{{ part.title }}</h3>
      <ul :data-testid="`signs-${part.key}`">
        <li v-for="sign in part.signs" :key="sign.id" :data-testid="`sign-${sign.id}`">
          <SignDrawing :sign="sign.id" />
          <span class="name">
            {{ sign.name }}
            <span v-if="unexplained.includes(sign.id)" class="call small">
              not explained by the first cause
            </span>
          </span>
          <span class="answers" role="group" :aria-label="sign.name">
            <button
              v-for="each in ANSWERS"
              :key="each.id"
              type="button"
              :aria-pressed="said[sign.id] === each.id"
              :disabled="disabled"
              @click="tap(sign.id, each.id)"
            >
              {{ each.label }}
            </button>
          </span>
        </li>
      </ul>
    </template>
    <details v-for="group in groups" :key="group.seen" class="group">
      <summary>
        {{ group.seen }}
        <span class="soft small">{{ group.signs.length }}</span>
      </summary>
      <ul>
        <li v-for="sign in group.signs" :key="sign.id">
          <SignDrawing :sign="sign.id" />
          <span class="name">{{ sign.name }}</span>
          <span class="answers" role="group" :aria-label="sign.name">
            <button
              v-for="each in ANSWERS"
              :key="each.id"
              type="button"
              :aria-pressed="said[sign.id] === each.id"
              :disabled="disabled"
              @click="tap(sign.id, each.id)"
            >
              {{ each.label }}
            </button>
          </span>
        </li>
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

li {
  display: grid;
  grid-template-columns: 48px minmax(0, 1fr) auto;
  gap: 0.7rem;
  align-items: center;
  padding: 0.3rem 0;
  border-bottom: 1px solid var(--hairline);
}

.name {
  line-height: 1.25;
}

.answers {
  display: flex;
}

.answers button {
  min-height: 2.1rem;
  padding: 0 0.6rem;
  border: 1px solid var(--board);
  background: var(--field);
  cursor: pointer;
}

.answers button + button {
  border-left: 0;
}

.answers button[aria-pressed='true'] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--ground);
}

.answers button:disabled {
  cursor: default;
}

summary {
  min-height: 2.2rem;
  padding: 0.4rem 0;
  font-weight: 600;
  cursor: pointer;
}

@media (max-width: 40rem) {
  li {
    grid-template-columns: 48px minmax(0, 1fr);
  }

  .answers {
    grid-column: 2;
  }

  .answers button {
    min-height: 2.6rem;
    padding: 0 0.9rem;
  }
}
</style>
