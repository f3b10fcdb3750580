import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'

export type Spool = Schemas['SpoolView']
export type ShelfPlace = Schemas['ShelfPlace']

const POLL_MS = 900
const REFRESH_MS = 60_000

/** The shelf as it was last read; one answer holds all places and spools. */
export const useShelf = defineStore('shelf', () => {
  const view = shallowRef<Schemas['ShelfView'] | null>(null)
  const jobG = ref(100)
  const problem = shallowRef<Problem | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  let reading = 0

  const nowS = computed(() => view.value?.nowS ?? Math.floor(Date.now() / 1000))
  const spools = computed(() => view.value?.spools ?? [])
  const places = computed(() => view.value?.places ?? [])
  const pending = computed(() => view.value?.pending ?? 0)
  const frameHours = computed(() => view.value?.frameHours ?? [0])

  async function read() {
    const mine = ++reading
    clearTimeout(timer)
    try {
      const fresh = await answer(
        client.GET('/api/shelf', { params: { query: { grams: jobG.value } } }),
      )
      if (mine !== reading) {
        return
      }
      view.value = fresh
      problem.value = null
    } catch (cause) {
      if (mine !== reading) {
        return
      }
      problem.value = Problem.of(cause)
    }
    timer = setTimeout(read, pending.value > 0 ? POLL_MS : REFRESH_MS)
  }

  function setJob(grams: number) {
    jobG.value = grams
    void read()
  }

  function placeName(id: number): string {
    return places.value.find((p) => p.place.id === id)?.place.name ?? ''
  }

  return {
    view,
    jobG,
    problem,
    nowS,
    spools,
    places,
    pending,
    frameHours,
    read,
    setJob,
    placeName,
  }
})
