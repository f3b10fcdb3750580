<script setup lang="ts">
import { computed } from 'vue'
import { answer, client } from '@/api/client'
import { inShownUnits } from './format'
import { atRisk } from './setpointRisk'
import { useLatestAnswer } from './latestAnswer'
import { useDryers } from '@/stores/dryers'

/** What a setpoint above the safe one may do to a load, said where it is pressed. */
const props = defineProps<{ dryerId: number; codes: string[]; setpointC: number | null }>()

const PAUSE_MS = 200

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
  const spools = view.value?.forecast.spools ?? []
  const risky = props.setpointC === null ? undefined : atRisk(spools, props.setpointC)
  return risky ? `${risky.name}: ${risky.ceiling.risk}` : null
})
</script>

<template>
  <p v-if="asked && risk" class="call small" role="alert" data-testid="setpoint-risk">
    {{ inShownUnits(risk) }}
  </p>
</template>
