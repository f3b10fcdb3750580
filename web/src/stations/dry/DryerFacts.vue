<script setup lang="ts">
import { computed } from 'vue'
import { atMost, difference, inShownUnits } from '@/parts/format'
import type { Dryer } from '@/stores/dryers'

/** What is known of a dryer, in three lines, with the way to tell more. */
const props = defineProps<{ dryer: Dryer }>()

const heat = computed(() => {
  const { measured, hottestAboveSetK, uncertaintyK } = props.dryer.behaviour
  const hottest = `hottest spot ${difference(hottestAboveSetK)} ± ${difference(uncertaintyK)} above the setpoint`
  return measured ? `measured: ${hottest}` : `not measured; by its kind ${hottest}`
})
const air = computed(() =>
  props.dryer.airChangesPerHour === null
    ? 'vented freely'
    : `${+props.dryer.airChangesPerHour.toFixed(1)} air changes an hour`,
)
</script>

<template>
  <div class="facts small soft">
    <p>{{ dryer.kindTitle }}, up to {{ atMost(dryer.ratedMaxC) }}, {{ air }}</p>
    <p :class="{ doubtful: !dryer.behaviour.measured }">{{ heat }}</p>
    <p v-for="caution in dryer.cautions" :key="caution" class="caution">
      {{ inShownUnits(caution) }}
    </p>
    <router-link :to="`/dryer/${dryer.placeId}`">describe and measure it</router-link>
  </div>
</template>

<style scoped>
.facts {
  display: grid;
  gap: 0.2rem;
}

.doubtful {
  color: var(--ink);
}

.caution {
  padding-left: 0.5rem;
  border-left: 3px solid var(--call);
  color: var(--ink);
}
</style>
