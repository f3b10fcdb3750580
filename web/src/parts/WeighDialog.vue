<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useTemplateRef } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { useActs } from '@/stores/acts'
import type { Spool } from '@/stores/shelf'
import { grams } from './format'
import ProblemNote from './ProblemNote.vue'

const props = defineProps<{
  spool: Spool
  emptyReelG?: { low: number; typical: number; high: number }
}>()
const emit = defineEmits<{ close: [] }>()

const acts = useActs()
const input = useTemplateRef('input')
const typed = ref('')
const at = ref<Date | null>(null)
const problem = ref<Problem | null>(null)
const busy = ref(false)
const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', '⌫'] as const

const gross = computed(() => Number(typed.value.replace(',', '.')))
const net = computed(() => {
  const empty = props.emptyReelG
  if (!empty || !(gross.value > 0)) {
    return null
  }
  const left = (tare: number) => Math.max(0, gross.value - tare)
  return empty.low === empty.high
    ? `${grams(left(empty.typical))} of filament`
    : `${grams(left(empty.typical))} of filament (${left(empty.high).toFixed(0)} to ${left(empty.low).toFixed(0)}: the empty reel's mass is not known)`
})

const SCALE_POLL_MS = 700
const SCALE_KEY = 'mind-spool-scale'
const scales = ref<Schemas['DeviceView'][]>([])
const scaleId = ref<number | null>(null)
const shown = ref<Schemas['ScaleView'] | null>(null)
/** Mass that was on the scale before; a new one counts only after it moved. */
const taken = ref<number | null>(null)
let timer: ReturnType<typeof setTimeout> | undefined
let gone = false

onMounted(async () => {
  try {
    const devices = await answer(client.GET('/api/devices'))
    scales.value = devices.filter((device) => device.kind === 'SCALE')
    const last = Number(localStorage.getItem(SCALE_KEY))
    scaleId.value =
      scales.value.find((scale) => scale.id === last)?.id ?? scales.value[0]?.id ?? null
    void readScale()
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
})
onBeforeUnmount(() => {
  gone = true
  clearTimeout(timer)
})

/** Takes the next mass at which the chosen scale rests. */
async function readScale() {
  if (scaleId.value !== null) {
    try {
      const now = await answer(
        client.GET('/api/devices/{id}/scale', { params: { path: { id: scaleId.value } } }),
      )
      shown.value = now
      if (now.stableG !== null && now.stableG !== taken.value) {
        taken.value = now.stableG
        typed.value = String(Math.round(10 * now.stableG) / 10)
      }
    } catch {
      shown.value = null
    }
  }
  if (!gone) {
    timer = setTimeout(readScale, SCALE_POLL_MS)
  }
}

function chooseScale(id: number) {
  scaleId.value = id
  taken.value = null
  localStorage.setItem(SCALE_KEY, String(id))
}

function press(key: string) {
  typed.value = key === '⌫' ? typed.value.slice(0, -1) : typed.value + key
}

async function save() {
  if (busy.value) {
    return
  }
  if (typed.value.trim() === '' || Number.isNaN(gross.value)) {
    problem.value = new Problem('No mass', '', [
      {
        field: 'grossMassG',
        value: typed.value === '' ? 'missing' : `“${typed.value}”`,
        allowed: 'a number of grams',
        advice: 'Read the scale with the reel on it.',
      },
    ])
    return
  }
  busy.value = true
  problem.value = null
  try {
    await acts.weigh(props.spool.code, gross.value, at.value ?? undefined)
    emit('close')
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  busy.value = false
}
</script>

<template>
  <el-dialog
    :model-value="true"
    :title="`Weigh ${spool.code}, ${spool.material} ${spool.colourName}`"
    width="min(26rem, 96vw)"
    @open-auto-focus="input?.focus()"
    @opened="input?.focus()"
    @close="emit('close')"
  >
    <form novalidate @submit.prevent="save">
      <div class="field">
        <label for="gross">gross mass: reel with filament, in g</label>
        <input
          id="gross"
          ref="input"
          v-model="typed"
          class="mass"
          inputmode="decimal"
          autocomplete="off"
          data-testid="gross-mass"
        />
      </div>
      <p class="soft net">{{ net ?? ' ' }}</p>
      <p v-if="scales.length" class="scale small" data-testid="scale">
        <select
          v-if="scales.length > 1"
          :value="scaleId"
          aria-label="Scale"
          @change="chooseScale(Number(($event.target as HTMLSelectElement).value))"
        >
          <option v-for="scale in scales" :key="scale.id" :value="scale.id">
            {{ scale.name }}
          </option>
        </select>
        <template v-else>{{ scales[0]?.name }}: </template>
        <template v-if="!shown || shown.massG === null">silent</template>
        <template v-else-if="shown.stableG !== null"
          >rests at <b>{{ shown.stableG.toFixed(1) }} g</b>, taken</template
        >
        <template v-else>{{ shown.massG.toFixed(1) }} g, not at rest</template>
      </p>
      <div class="pad" aria-hidden="true">
        <button
          v-for="k in KEYS"
          :key="k"
          type="button"
          class="button"
          tabindex="-1"
          @click="press(k)"
        >
          {{ k }}
        </button>
      </div>
      <details>
        <summary>it was weighed earlier</summary>
        <el-date-picker v-model="at" type="datetime" format="D MMM YYYY, HH:mm" />
      </details>
      <ProblemNote v-if="problem" :problem="problem" />
      <button class="button primary save" :disabled="busy" data-testid="save-mass">
        Record this mass
      </button>
    </form>
  </el-dialog>
</template>

<style scoped>
.mass {
  font-size: var(--size-5);
  font-weight: 700;
  width: 100%;
  padding: 0.2rem 0.5rem;
  border: 2px solid var(--ink);
  border-radius: var(--corner);
  background: var(--field);
}

.net {
  min-height: 1.5rem;
  margin: 0.3rem 0;
}

.scale {
  margin-bottom: 0.4rem;
}

.pad {
  display: none;
}

.save {
  margin-top: 0.75rem;
}

summary {
  cursor: pointer;
  margin-bottom: 0.5rem;
}

@media (max-width: 700px) {
  .pad {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0.4rem;
    margin-bottom: 0.75rem;
  }

  .pad .button {
    justify-content: center;
    font-size: var(--size-4);
    min-height: 3.4rem;
  }

  .save {
    width: 100%;
    justify-content: center;
    min-height: 3.25rem;
  }
}
</style>
