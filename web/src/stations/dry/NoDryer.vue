<script setup lang="ts">
import { ref } from 'vue'
import PlaceDialog from '@/stations/place/PlaceDialog.vue'
import { useDryers } from '@/stores/dryers'

/** Says that there is no dryer yet, where one is needed, and adds one without leaving the page. */
const dryers = useDryers()
const adding = ref(false)
</script>

<template>
  <p v-if="dryers.known && dryers.dryers.length === 0" class="none" data-testid="no-dryer">
    There is no dryer yet.
    <button class="button" @click="adding = true">Add a dryer</button>
  </p>
  <PlaceDialog v-if="adding" kind="DRYER" stay @close="adding = false" />
</template>

<style scoped>
.none {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
  margin: 0.75rem 0;
}
</style>
