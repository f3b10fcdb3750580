<script setup lang="ts">
import { computed } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import { moment } from '@/parts/format'
import UndoButton from '@/parts/UndoButton.vue'
import { useActs } from '@/stores/acts'

/** Puts off what is due now on a machine, as Today would; or says until when it is put off. */
const props = defineProps<{ thing: string; name: string; today: Schemas['TodayView'] }>()
const emit = defineEmits<{ refused: [problem: Problem | null] }>()

const CHOICES = [
  { days: 1, title: 'a day' },
  { days: 7, title: 'a week' },
] as const
const DAY_MS = 86_400_000
const acts = useActs()

const isItsLine = (line: Schemas['LineView']) =>
  line.key.startsWith(`upkeep-${props.thing}-`) && line.atS <= props.today.nowS
const asking = computed(() => props.today.lines.find(isItsLine))
const off = computed(() =>
  props.today.settled.find((line) => line.said === 'SNOOZED' && isItsLine(line)),
)

async function putOff(line: Schemas['LineView'], days: number) {
  try {
    await acts.record(
      client.POST('/api/today/acts', {
        body: {
          key: line.key,
          what: line.what,
          kind: 'SNOOZED',
          until: new Date(Date.now() + days * DAY_MS).toISOString(),
        },
      }),
      `${line.what}: put off`,
    )
    emit('refused', null)
  } catch (cause) {
    emit('refused', Problem.of(cause))
  }
}
</script>

<template>
  <p v-if="off?.untilS" class="small">
    <span class="soft">Put off: Today asks again {{ moment(off.untilS, today.nowS) }}.</span>
    <UndoButton v-if="off.actId" :act="off.actId" :what="off.what" />
  </p>
  <p v-else-if="asking" class="small">
    <span class="soft">Put off what is due here by</span>
    <button
      v-for="choice in CHOICES"
      :key="choice.days"
      class="button plain small"
      @click="putOff(asking, choice.days)"
    >
      {{ choice.title }}<span class="sr-only">: {{ name }}</span>
    </button>
  </p>
</template>

<style scoped>
p {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.6rem;
  align-items: center;
}
</style>
