<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import { grams } from '@/parts/format'
import { usePolled } from '@/parts/polled'
import { useActs } from '@/stores/acts'
import { usePreferences } from '@/stores/preferences'

/** How people did; results of who said no name are not kept. */
const props = defineProps<{ kind: Schemas['PersonResultView']['kind'] }>()
const acts = useActs()
const preferences = usePreferences()
const { view } = usePolled(
  [() => acts.changes],
  () => answer(client.GET('/api/practice/results')),
  () => null,
)
const shown = computed(() => (view.value ?? []).filter((each) => each.kind === props.kind))
const forgetting = ref('')

async function forget(person: string) {
  await acts.record(
    client.DELETE('/api/practice/results/{person}', { params: { path: { person } } }),
    'Results taken out',
  )
  forgetting.value = ''
}
</script>

<template>
  <section aria-labelledby="results-title" class="results">
    <h2 id="results-title">How people did</h2>
    <p v-if="!preferences.person" class="soft">
      Say at the foot of the navigation who works here, and your results are kept.
    </p>
    <p v-else-if="!shown.length" class="soft">No result is kept yet.</p>
    <ul>
      <li v-for="each in shown" :key="each.person">
        <b>{{ each.person }}</b>
        <span class="soft">
          {{ each.right }} of {{ each.cases }} right<template v-if="each.minutes != null"
            >, {{ each.minutes.toFixed(0) }} min at the median</template
          >, {{ grams(each.lostG) }} of filament spent
        </span>
        <button
          v-if="forgetting !== each.person"
          class="button plain small"
          @click="forgetting = each.person"
        >
          Take out
        </button>
        <template v-else>
          All results of {{ each.person }}, drying too:
          <button class="button small" @click="forget(each.person)">Take them out</button>
          <button class="button plain small" @click="forgetting = ''">Keep them</button>
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.results {
  display: grid;
  gap: 0.4rem;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1rem;
  align-items: center;
  min-height: 2.2rem;
  border-bottom: 1px solid var(--hairline);
}
</style>
