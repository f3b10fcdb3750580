<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import SignLine from './SignLine.vue'
import type { KnownSign } from './signs'

type Answer = Schemas['CaseSignView']['answer']

/** Questions that come before all others: whether anything may be touched or switched on at all. */
const props = defineProps<{ known: readonly KnownSign[]; said: Record<string, Answer> }>()
const emit = defineEmits<{ say: [id: string, answer: Answer | null] }>()

const dangers = computed(() => props.known.filter((sign) => sign.stop !== null))
const open = computed(() => dangers.value.filter((sign) => props.said[sign.id] === undefined))
const seen = computed(() => dangers.value.filter((sign) => props.said[sign.id] === 'YES'))
</script>

<template>
  <section
    v-if="open.length || seen.length"
    class="safety"
    aria-labelledby="safety-title"
    data-testid="safety"
  >
    <h2 id="safety-title">{{ seen.length ? 'Stop first' : 'First of all' }}</h2>
    <p v-for="sign in seen" :key="sign.id" class="stop" role="alert">
      <b>{{ sign.name }}.</b> {{ sign.stop }} Follow the maker's instructions and local rules.
    </p>
    <ul v-if="open.length">
      <SignLine
        v-for="sign in open"
        :key="sign.id"
        :sign="sign"
        :said="said[sign.id]"
        :unexplained="false"
        :disabled="false"
        @say="(answer) => emit('say', sign.id, answer)"
      />
    </ul>
  </section>
</template>

<style scoped>
.safety {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
  max-width: 46rem;
}

.stop {
  border-left: 6px solid var(--call);
  padding-left: 0.8rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
