<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'

/** A connected scale, where there is one: tells every new mass at which it comes to rest. */
const props = withDefaults(
  defineProps<{
    /** Less than this on it is an empty scale, g. */
    leastG?: number
  }>(),
  { leastG: 0 },
)
const emit = defineEmits<{
  /** In whole steps of the scale: the mean of several readings is no finer than it. */
  rests: [massG: number, stepG: number, placeId: number | null]
  /** What it rested at is gone. */
  left: []
}>()

const SCALE_POLL_MS = 700
/** Less than this is a draught, not another load, g. */
const MOVED_G = 5
/** Below this nothing lies on it, g. */
const EMPTY_G = 5
const SCALE_KEY = 'mind-spool-scale'
const scales = ref<Schemas['DeviceView'][]>([])
const scaleId = ref<number | null>(null)
const shown = ref<Schemas['ScaleView'] | null>(null)
/** Mass that was taken last; a new one counts only once the scale was moved away from it. */
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
  } catch {
    // Without a scale the mass is typed.
    scales.value = []
  }
})
onBeforeUnmount(() => {
  gone = true
  clearTimeout(timer)
})

async function readScale() {
  if (scaleId.value !== null) {
    try {
      const now = await answer(
        client.GET('/api/devices/{id}/scale', { params: { path: { id: scaleId.value } } }),
      )
      shown.value = now
      const mass = now.stableG ?? now.massG
      if (taken.value !== null && mass !== null && Math.abs(mass - taken.value) > MOVED_G) {
        taken.value = null
        emit('left')
      }
      if (now.stableG !== null && now.stableG >= props.leastG && taken.value === null) {
        taken.value = now.stableG
        const steps = Math.round(now.stableG / now.stepG)
        emit(
          'rests',
          Number((steps * now.stepG).toFixed(3)),
          now.stepG,
          scales.value.find((scale) => scale.id === scaleId.value)?.placeId ?? null,
        )
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
</script>

<template>
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
    <template v-else-if="shown.stableG !== null && shown.stableG >= leastG"
      >rests at <b>{{ shown.stableG.toFixed(1) }} g</b>, taken</template
    >
    <template v-else-if="shown.massG < Math.max(leastG, EMPTY_G)">empty</template>
    <template v-else>{{ shown.massG.toFixed(1) }} g, not at rest</template>
  </p>
</template>

<style scoped>
.scale {
  margin-bottom: 0.4rem;
}
</style>
