<script setup lang="ts">
import { computed } from 'vue'
import { inShownUnits } from './format'
import { useAlerts } from '@/stores/alerts'

/** What needs a hand: what is urgent as a whole, of the rest the first and how many more. */
const props = defineProps<{
  /** Shown on a wall, where nobody presses anything. */
  wall?: boolean
}>()

const alerts = useAlerts()
const urgent = computed(() => alerts.alerts.filter((alert) => alert.urgent))
const rest = computed(() => alerts.alerts.filter((alert) => !alert.urgent))
const shown = computed(() => (props.wall ? rest.value : rest.value.slice(0, 1)))
</script>

<template>
  <p v-for="alert in urgent" :key="alert.key" class="alarm" role="alert" data-testid="alert">
    {{ inShownUnits(alert.text) }}
    <router-link v-if="alert.link && !wall" :to="alert.link">Look now</router-link>
  </p>
  <p v-for="alert in shown" :key="alert.key" class="soon" role="status" data-testid="alert">
    <span class="text">{{ inShownUnits(alert.text) }}</span>
    <template v-if="!wall">
      <router-link v-if="alert.link" :to="alert.link">Look</router-link>
      <router-link to="/alerts" class="all">{{
        rest.length > 1 ? `and ${rest.length - 1} more` : 'mute or send alerts'
      }}</router-link>
    </template>
  </p>
</template>

<style scoped>
.alarm {
  margin-bottom: 1rem;
  padding: 0.6rem 0.9rem;
  border: 3px solid var(--call);
  font-weight: 700;
}

.soon {
  display: flex;
  gap: 0.25rem 1rem;
  align-items: baseline;
  margin-bottom: 0.75rem;
  padding-left: 0.75rem;
  border-left: 4px solid var(--call);
}

.text {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.all {
  white-space: nowrap;
}

@media (max-width: 700px) {
  .soon {
    flex-wrap: wrap;
  }

  .text {
    white-space: normal;
  }
}
</style>
