import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useShelf } from './shelf'

/** The moment that all stations show, in hours from now. */
export const useTime = defineStore('time', () => {
  const hoursAhead = ref(0)
  const isNow = computed(() => hoursAhead.value === 0)
  /** How far the forecast reaches, in hours. */
  const horizonHours = computed(() => Math.max(1, useShelf().frameHours.at(-1) ?? 1))
  const shownS = computed(() => useShelf().nowS + 3600 * hoursAhead.value)

  function goTo(hours: number) {
    hoursAhead.value = Math.min(horizonHours.value, Math.max(0, hours))
  }

  return { hoursAhead, isNow, shownS, horizonHours, goTo }
})
