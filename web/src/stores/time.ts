import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { useShelf } from './shelf'

/** How far the forecast reaches, in hours. */
export const HORIZON_HOURS = 14 * 24

/** The moment that all stations show, in hours from now. */
export const useTime = defineStore('time', () => {
  const hoursAhead = ref(0)
  const isNow = computed(() => hoursAhead.value === 0)
  const shownS = computed(() => useShelf().nowS + 3600 * hoursAhead.value)

  function goTo(hours: number) {
    hoursAhead.value = Math.min(HORIZON_HOURS, Math.max(0, hours))
  }

  return { hoursAhead, isNow, shownS, goTo }
})
