<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import WideTable from '@/parts/WideTable.vue'
import { computed, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { hours } from '@/parts/format'
import { questions } from '@/parts/latestAnswer'
import { held, takenOutNow } from './takenOut'

/** Where a dried spool goes: bag within so long, and how long each place holds it. */
const props = defineProps<{ cycleId: number; code: string }>()
const emit = defineEmits<{ close: []; put: [placeId: number] }>()

const SHOWN = 6

const advice = ref<Schemas['Advice'] | null>(null)
const problem = ref<Problem | null>(null)
const busy = ref(false)

const question = questions()

watch(
  () => props.code,
  async (code) => {
    const isLast = question()
    try {
      const fresh = await answer(
        client.GET('/api/cycles/{id}/after/{code}', {
          params: { path: { id: props.cycleId, code } },
        }),
      )
      if (isLast()) {
        advice.value = fresh
      }
    } catch (cause) {
      if (isLast()) {
        problem.value = Problem.of(cause)
      }
    }
  },
  { immediate: true },
)

const within = computed(() => {
  const found = advice.value
  if (!found?.room) {
    return ''
  }
  return found.bagWithinHours === 0
    ? ''
    : found.bagWithinHours === null
      ? `In ${found.room} it holds two weeks and more.`
      : `Bag within ${hours(Math.max(0.05, found.bagWithinHours))}: then its outer wraps have taken up half of what drying gained in ${found.room}.`
})

const now = computed(() => (advice.value ? takenOutNow(advice.value) : ''))

function put(placeId: number) {
  busy.value = true
  emit('put', placeId)
}
</script>

<template>
  <AppDialog
    :model-value="true"
    :title="`Take ${code} out`"
    width="min(34rem, 96vw)"
    @close="emit('close')"
  >
    <ProblemNote v-if="problem" :problem="problem" />
    <p v-if="!advice && !problem" class="soft">computing how long each place holds it…</p>
    <template v-if="advice">
      <p v-if="now" class="call">{{ now }}</p>
      <p class="within">{{ within }} Let it cool in its closed bag before weighing.</p>
      <WideTable label="Where it waits after drying">
        <thead>
          <tr>
            <th>Put it into</th>
            <th>dry for</th>
            <th>prints for</th>
            <th><span class="hidden">choose</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="home in advice.homes.slice(0, SHOWN)" :key="home.placeId">
            <td>{{ home.name }}<template v-if="home.full">, full</template></td>
            <td>{{ held(home.goodHours) }}</td>
            <td>{{ held(home.printableHours) }}</td>
            <td>
              <button
                class="button"
                :disabled="home.full || busy"
                :aria-label="`here: put ${code} into ${home.name}`"
                @click="put(home.placeId)"
              >
                here
              </button>
            </td>
          </tr>
        </tbody>
      </WideTable>
    </template>
  </AppDialog>
</template>

<style scoped>
.within {
  margin-bottom: 0.75rem;
}

.hidden {
  position: absolute;
  clip-path: inset(50%);
}
</style>
