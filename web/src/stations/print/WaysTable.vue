<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { hours, inShownUnits, moisture } from '@/parts/format'
import { questions } from '@/parts/latestAnswer'
import ProblemNote from '@/parts/ProblemNote.vue'
import WideTable from '@/parts/WideTable.vue'
import { useActs } from '@/stores/acts'

/** Printers, plates and spools for a job, ranked. */
const props = defineProps<{ id: number; code: string | null }>()
const emit = defineEmits<{
  taken: [way: { printerId: number; plateId: number; code: string | null }]
}>()

const acts = useActs()
const ways = ref<Schemas['WayView'][] | null>(null)
const problem = ref<Problem | null>(null)
const question = questions()
const all = ref(false)

/** The best are in view; the others a press away. */
const FIRST = 8
const shown = computed(() => (all.value ? ways.value : ways.value?.slice(0, FIRST)) ?? [])

async function read() {
  const isLast = question()
  try {
    const found = await answer(
      client.GET('/api/jobs/{id}/ways', { params: { path: { id: props.id } } }),
    )
    if (isLast()) {
      ways.value = found
      problem.value = null
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
}
watch([() => props.id, () => acts.changes], read, { immediate: true })

function take(way: Schemas['WayView']) {
  emit('taken', { printerId: way.printerId, plateId: way.plateId, code: way.code ?? props.code })
}
</script>

<template>
  <section aria-labelledby="ways-title">
    <h2 id="ways-title">Where to print it</h2>
    <p class="soft small">
      Every printer with every plate, for the setup that is kept: what meets all hard checks first,
      then what is free, then by how well it holds.
    </p>
    <ProblemNote v-if="problem" :problem="problem" />
    <WideTable v-if="ways" label="Ways to print it">
      <thead>
        <tr>
          <th>Printer</th>
          <th>Plate</th>
          <th>Spool</th>
          <th class="number">Hold-down</th>
          <th class="number">Bond</th>
          <th class="number desk">Takes</th>
          <th class="number desk">Wettest</th>
          <th>Why</th>
          <th><span class="sr-only">Choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="way in shown" :key="`${way.printerId}-${way.plateId}-${way.code}`">
          <td>{{ way.printer }}<span v-if="!way.free" class="soft small"> printing</span></td>
          <td>{{ way.plate }}</td>
          <td class="code">{{ way.code }}</td>
          <td class="number" :class="{ call: way.holdRatio >= 1 }">
            {{ way.holdRatio.toFixed(2) }}
          </td>
          <td class="number">{{ way.bond.toFixed(2) }}</td>
          <td class="number desk">{{ hours(way.hours) }}</td>
          <td class="number desk">
            {{ way.wettestPercent == null ? '' : moisture(way.wettestPercent) }}
          </td>
          <td class="small why">
            <span v-if="way.hardUnmet" class="call">{{ way.hardUnmet }} must be mended.</span>
            {{ inShownUnits(way.why) }}
          </td>
          <td><button class="button plain small" @click="take(way)">choose</button></td>
        </tr>
      </tbody>
    </WideTable>
    <button
      v-if="ways && ways.length > shown.length"
      class="button plain small"
      @click="all = true"
    >
      show all {{ ways.length }}
    </button>
    <p v-if="!ways && !problem" class="soft" style="min-height: 8rem">Computing…</p>
  </section>
</template>

<style scoped>
.why {
  min-width: 15rem;
}
</style>
