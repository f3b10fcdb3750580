<script setup lang="ts">
import { computed } from 'vue'
import { answer, client } from '@/api/client'
import { inShownUnits } from './format'
import { useLatestAnswer } from './latestAnswer'
import { useDryers } from '@/stores/dryers'

/** What a setpoint above the safe one may do to a load, said where it is pressed. */
const props = defineProps<{ dryerId: number; codes: string[]; setpointC: number | null }>()

const PAUSE_MS = 200
/** So far above, °C, is not worth a word. */
const NEARLY_C = 0.5

const dryers = useDryers()
const asked = computed(() => props.setpointC !== null && props.codes.length > 0)
const { view } = useLatestAnswer(
  [() => props.dryerId, () => props.codes.join(), () => props.setpointC],
  () =>
    answer(
      client.POST('/api/load-forecast', {
        body: {
          codes: props.codes,
          dryerId: props.dryerId,
          dryer: { setpointC: props.setpointC },
          roomPlaceId: dryers.dryers.find((each) => each.placeId === props.dryerId)?.roomId,
        },
      }),
    ),
  PAUSE_MS,
  asked,
)

const risk = computed(() => {
  const setpointC = props.setpointC
  const risky =
    setpointC === null
      ? undefined
      : view.value?.forecast.spools.find(
          (each) => each.ceiling.risk && setpointC > each.ceiling.cautiousC + NEARLY_C,
        )
  return risky ? `${risky.name}: ${risky.ceiling.risk}` : null
})
</script>

<template>
  <p v-if="asked && risk" class="call small" role="alert" data-testid="setpoint-risk">
    {{ inShownUnits(risk) }}
  </p>
</template>
