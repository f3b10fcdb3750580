<script setup lang="ts">
import { computed, ref } from 'vue'
import { answer, client, Problem } from '@/api/client'
import { dateTime } from '@/parts/format'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import WideTable from '@/parts/WideTable.vue'
import { useActs } from '@/stores/acts'
import { bytesInWords, inDatabase, inFiles } from './space'

/** What takes room, when it goes again, and the backups. */
const acts = useActs()
const problem = ref<Problem | null>(null)
const making = ref(false)
const REASONS: Record<string, string> = {
  daily: 'daily',
  manual: 'by hand',
  migration: 'before an upgrade',
}

const { view, problem: reading } = usePolled(
  [() => acts.changes, making],
  async () => {
    const [space, backups] = await Promise.all([
      answer(client.GET('/api/space')),
      answer(client.GET('/api/backups')),
    ])
    return { space, backups }
  },
  () => null,
)
const files = computed(() => inFiles(view.value?.space.uses ?? []))
const rows = computed(() => inDatabase(view.value?.space.uses ?? []))
const total = computed(() => files.value.reduce((sum, use) => sum + use.bytes, 0))

async function backUp() {
  making.value = true
  try {
    await answer(client.POST('/api/backups'))
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  } finally {
    making.value = false
  }
}
</script>

<template>
  <div class="space">
    <h1 v-if="view">
      Mind Spool takes {{ bytesInWords(total) }};
      {{ bytesInWords(2 ** 20 * view.space.freeMb) }} are free
    </h1>
    <h1 v-else>Space and backups</h1>
    <ProblemNote v-if="reading" :problem="reading" />
    <template v-if="view">
      <p class="soft">
        With less than {{ bytesInWords(2 ** 20 * view.space.neededMb) }} free nothing more is stored
        until there is room again.
      </p>
      <ul class="bars" data-testid="space-files">
        <li v-for="use in files" :key="use.id">
          <span class="what">
            <b>{{ use.title }}</b>
            {{ bytesInWords(use.bytes) }}
            <span v-if="use.count > 1" class="soft"
              >in {{ use.count.toLocaleString('en') }} files</span
            >
          </span>
          <span class="bar" aria-hidden="true"
            ><span :style="{ width: `${100 * use.share}%` }"></span
          ></span>
          <span class="soft small">{{ use.rule }}</span>
        </li>
      </ul>
      <section aria-labelledby="in-database">
        <h2 id="in-database">In the database</h2>
        <WideTable label="What the database holds">
          <thead>
            <tr>
              <th>What</th>
              <th class="number">How many</th>
              <th>When it goes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="use in rows" :key="use.id">
              <td>{{ use.title }}</td>
              <td class="number">
                {{ use.count.toLocaleString('en') }}
                <span v-if="use.bytes" class="soft">({{ bytesInWords(use.bytes) }})</span>
              </td>
              <td>{{ use.rule }}</td>
            </tr>
          </tbody>
        </WideTable>
      </section>
      <section aria-labelledby="backups-title">
        <h2 id="backups-title">Backups</h2>
        <p>
          <button class="button" data-testid="back-up" :disabled="making" @click="backUp">
            {{ making ? 'Making one and reading it back ...' : 'Make one now' }}
          </button>
        </p>
        <ProblemNote v-if="problem" :problem="problem" />
        <p class="soft small">
          A backup holds the database. Files of parts are not in it, what was read of them is. To
          put one back, stop Mind Spool and run ./mind-spool restore with its name.
        </p>
        <WideTable v-if="view.backups.length" label="Backups, the newest first">
          <thead>
            <tr>
              <th>Made</th>
              <th>Why</th>
              <th class="number">Size</th>
              <th>File</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="each in view.backups" :key="each.file">
              <td>{{ dateTime(each.atS) }}</td>
              <td>{{ REASONS[each.reason] ?? each.reason }}</td>
              <td class="number">{{ bytesInWords(each.bytes) }}</td>
              <td class="small">{{ each.file }}</td>
            </tr>
          </tbody>
        </WideTable>
        <p v-else class="soft">
          There is none yet. One is made daily while the program runs with data of your own.
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.space {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
  max-width: 60rem;
}

.bars {
  display: grid;
  gap: 0.7rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.bars li {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.15rem;
}

.bar {
  height: 0.6rem;
  background: var(--hairline);
  border-radius: 2px;
}

.bar span {
  display: block;
  min-width: 2px;
  height: 100%;
  background: var(--ink);
  border-radius: 2px;
}

.number {
  text-align: right;
}
</style>
