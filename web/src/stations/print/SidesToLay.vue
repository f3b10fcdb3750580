<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import { useActs } from '@/stores/acts'

/** The sides that a part can be laid on: how high, how much of it stands, how much hangs. */
const props = defineProps<{ jobId: number; fileId: number }>()
const emit = defineEmits<{ laid: [file: Schemas['PartFileView']] }>()

type Side = Schemas['PartSideView']

const acts = useActs()
const open = ref(false)
const busy = ref(false)
const sides = ref<Side[]>([])
const problem = ref<Problem | null>(null)

async function ask() {
  busy.value = true
  try {
    sides.value = await answer(
      client.GET('/api/jobs/{id}/part-file/sides', { params: { path: { id: props.jobId } } }),
    )
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  } finally {
    busy.value = false
  }
}

watch([open, () => props.jobId, () => props.fileId], () => {
  if (open.value) void ask()
})

async function lay(side: Side) {
  busy.value = true
  try {
    const laid = await acts.record(
      client.PUT('/api/jobs/{id}/part-file/laying', {
        params: { path: { id: props.jobId } },
        body: side.down,
      }),
    )
    emit('laid', laid)
    await ask()
  } catch (cause) {
    problem.value = Problem.of(cause)
  } finally {
    busy.value = false
  }
}

const WIDTH = 64
const HEIGHT = 40

/** All sides to one scale: a square of what stands on the plate, as high as the part. */
const scale = computed(() => {
  const most = Math.max(
    1,
    ...sides.value.map((side) => Math.max(side.heightMm, Math.sqrt(side.areaMm2))),
  )
  return (HEIGHT - 6) / most
})
</script>

<template>
  <details class="lay" :open="open" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>Lay it on another side</summary>
    <p v-if="busy && !sides.length" class="soft small">Looking for flat sides …</p>
    <p v-else-if="!sides.length && !problem" class="soft small">
      It has no flat side of any size. Turn it in the program that drew it, or give it a raft.
    </p>
    <ul v-if="sides.length">
      <li v-for="(side, i) in sides" :key="i">
        <button
          class="side"
          :aria-pressed="side.present"
          :disabled="busy || side.present"
          :data-testid="`side-${i}`"
          @click="lay(side)"
        >
          <svg
            :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
            :width="WIDTH"
            :height="HEIGHT"
            aria-hidden="true"
          >
            <rect
              class="body"
              :x="(WIDTH - scale * Math.sqrt(side.areaMm2)) / 2"
              :y="HEIGHT - 3 - scale * side.heightMm"
              :width="scale * Math.sqrt(side.areaMm2)"
              :height="scale * side.heightMm"
            />
            <line class="plate" x1="2" :x2="WIDTH - 2" :y1="HEIGHT - 2.5" :y2="HEIGHT - 2.5" />
          </svg>
          <span>
            <b>{{ side.heightMm.toFixed(1) }} mm high</b
            ><template v-if="side.present"> (as it lies)</template><br />
            stands on {{ (side.areaMm2 / 100).toFixed(1) }} cm²<br />
            {{
              side.steepPercent < 0.5
                ? 'nothing hangs'
                : `${side.steepPercent.toFixed(0)} % of its surface hangs`
            }}
          </span>
        </button>
      </li>
    </ul>
    <ProblemNote v-if="problem" :problem="problem" />
  </details>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(13.5rem, 1fr));
  gap: 0.5rem;
  margin: 0.5rem 0 0;
  padding: 0;
  list-style: none;
}

.side {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  width: 100%;
  min-height: 3.5rem;
  padding: 0.4rem 0.6rem;
  border: 1px solid var(--hairline);
  border-radius: var(--corner);
  background: var(--field);
  color: var(--ink);
  font: inherit;
  font-size: 0.85rem;
  text-align: left;
  cursor: pointer;
}

.side[aria-pressed='true'] {
  border-color: var(--ink);
  cursor: default;
}

.body {
  fill: var(--hairline);
  stroke: var(--ink);
  stroke-width: 1;
}

.plate {
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
