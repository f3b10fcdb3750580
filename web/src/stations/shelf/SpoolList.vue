<script setup lang="ts">
import WideTable from '@/parts/WideTable.vue'
import { computed, ref } from 'vue'
import LabelDialog from '@/parts/LabelDialog.vue'
import { band, grams, moisture } from '@/parts/format'
import { searchSpools } from '@/parts/searchSpools'
import { faceAt, faceLabel, handlingNote, moistureAt, standingAt } from '@/parts/spoolAtTime'
import SpoolFace from '@/parts/SpoolFace.vue'
import { useShelf, type Spool } from '@/stores/shelf'
import { useTime } from '@/stores/time'

const shelf = useShelf()
const time = useTime()
const words = ref('')
const chosen = ref<string[]>([])
const labelling = ref(false)

/** Those past their limit first, the wettest ahead; then by the moment at which they pass it. */
function urgency(spool: Spool): number {
  if (!spool.printable) {
    return Infinity
  }
  const { state, atS, headroomPercent } = spool.printable
  return state === 'UNTIL'
    ? (atS ?? 0)
    : state === 'BEYOND_FORECAST'
      ? 1e12
      : headroomPercent / spool.printLimitPercent
}

const rows = computed(() => {
  const found = words.value.trim()
    ? searchSpools(shelf.spools, shelf.placeName, words.value)
    : [...shelf.spools]
  return found
    .sort((a, b) => urgency(a) - urgency(b) || a.code.localeCompare(b.code))
    .map((spool) => ({
      spool,
      at: moistureAt(spool, shelf.frameHours, time.hoursAhead),
      standing: standingAt(spool, shelf.nowS, time.shownS),
    }))
})
</script>

<template>
  <div class="head">
    <h1>All spools</h1>
    <input v-model="words" type="text" placeholder="words to filter by" aria-label="Filter" />
    <span class="soft">{{ rows.length }} shown, the most urgent first</span>
    <button class="button" :disabled="chosen.length === 0" @click="labelling = true">
      Print {{ chosen.length || '' }} labels
    </button>
  </div>
  <WideTable label="All spools">
    <thead>
      <tr>
        <th />
        <th>Code</th>
        <th>Filament</th>
        <th>Place</th>
        <th class="n">Outer wraps</th>
        <th class="n">Mean</th>
        <th class="n">Core</th>
        <th class="n">Limit</th>
        <th class="n">Left</th>
        <th>For {{ grams(shelf.jobG) }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ spool, at, standing } in rows" :key="spool.code" class="row">
        <td>
          <div class="pick">
            <input
              v-model="chosen"
              type="checkbox"
              :value="spool.code"
              :aria-label="`Choose ${spool.code}`"
            />
            <SpoolFace
              :face="faceAt(spool, shelf.frameHours, time.hoursAhead)"
              :size="28"
              :label="faceLabel(spool, at)"
            />
          </div>
        </td>
        <td>
          <router-link class="code" :to="`/spool/${spool.code}`">{{ spool.code }}</router-link>
        </td>
        <td>{{ spool.material }} {{ spool.colourName }}</td>
        <td>{{ shelf.placeName(spool.placeId) }}</td>
        <template v-if="at">
          <td class="n">{{ moisture(at.outer) }}</td>
          <td class="n">{{ moisture(at.mean) }}</td>
          <td class="n">{{ moisture(at.core) }}</td>
        </template>
        <td v-else colspan="3" class="soft">computing…</td>
        <td class="n soft">{{ spool.printLimitPercent }} %</td>
        <td class="n">{{ band(spool.remainingG, grams) }}</td>
        <td :class="standing?.past ? 'call' : ''">
          {{ standing?.text }}
          <span v-if="handlingNote(spool)" class="small note">{{ handlingNote(spool) }}</span>
        </td>
      </tr>
    </tbody>
  </WideTable>
  <LabelDialog v-if="labelling" :codes="chosen" @close="labelling = false" />
</template>

<style scoped>
.pick {
  display: flex;
  align-items: center;
  gap: 0.5rem;
}

.note {
  display: block;
  font-weight: 400;
  color: var(--ink);
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 1rem;
  margin-bottom: 0.75rem;
}

input[type='text'] {
  padding: 0.3rem 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

.row {
  content-visibility: auto;
}

.row td {
  vertical-align: middle;
  padding-block: 0.15rem;
}

@media (max-width: 700px) {
  .table th:nth-child(n + 6):not(:last-child),
  .table td:nth-child(n + 6):not(:last-child) {
    display: none;
  }
}
</style>
