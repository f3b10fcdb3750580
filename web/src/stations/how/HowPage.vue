<script setup lang="ts">
import { marked } from 'marked'
import { ref, watch } from 'vue'
import { TOPICS, topicText } from './topics'

const props = defineProps<{ topic: string }>()

const html = ref('')
const missing = ref(false)

watch(
  () => props.topic,
  async (topic) => {
    const text = await topicText(topic)
    missing.value = text === null
    // The texts ship with the program; links from one to another stay within these pages.
    const linked = (text ?? '').replace(/\]\((\w+)\.md\)/g, '](/how/$1)')
    html.value = await marked.parse(linked)
  },
  { immediate: true },
)
</script>

<template>
  <div class="columns">
    <nav aria-label="How it computes">
      <h2>How it computes</h2>
      <router-link
        v-for="each in TOPICS"
        :key="each.id"
        :to="`/how/${each.id}`"
        :aria-current="each.id === topic ? 'page' : undefined"
        >{{ each.name }}</router-link
      >
    </nav>
    <p v-if="missing">There is no such text.</p>
    <!-- eslint-disable-next-line vue/no-v-html -->
    <article v-else data-testid="how" v-html="html" />
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 13rem minmax(0, 46rem);
  gap: 2rem;
}

nav {
  display: flex;
  flex-direction: column;
}

nav a {
  padding: 0.4rem 0;
}

[aria-current='page'] {
  font-weight: 700;
  text-decoration: none;
}

article :deep(h2) {
  margin-top: 1.5rem;
}

article :deep(p),
article :deep(ul),
article :deep(ol),
article :deep(table) {
  margin: 0.6rem 0;
}

article :deep(pre) {
  margin: 0.75rem 0;
  padding: 0.6rem 0.9rem;
  font-family: var(--mono);
  font-size: var(--size-2);
  overflow-x: auto;
  background: var(--sheet);
  border-left: 3px solid var(--ink);
}

article :deep(th),
article :deep(td) {
  padding: 0.2rem 1rem 0.2rem 0;
  text-align: left;
  border-bottom: 1px solid var(--hairline);
  vertical-align: top;
}

@media (max-width: 700px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    gap: 1rem;
  }
}
</style>
