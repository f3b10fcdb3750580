import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import { useActs } from './acts'

export type Dryer = Schemas['DryerView']
export type Cycle = Schemas['CycleSummary']

const REFRESH_MS = 15_000

/** The workshop's dryers and their cycles, read again now and then. */
export const useDryers = defineStore('dryers', () => {
  const dryers = shallowRef<Dryer[]>([])
  const cycles = shallowRef<Cycle[]>([])
  const problem = shallowRef<Problem | null>(null)
  const known = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined

  const open = computed(() => cycles.value.filter((cycle) => cycle.stage !== 'STOPPED'))
  const stopped = computed(() => cycles.value.filter((cycle) => cycle.stage === 'STOPPED'))

  async function read() {
    clearTimeout(timer)
    try {
      const [all, running] = await Promise.all([
        answer(client.GET('/api/dryers')),
        answer(client.GET('/api/cycles')),
      ])
      dryers.value = all
      cycles.value = running
      problem.value = null
      known.value = true
    } catch (cause) {
      problem.value = Problem.of(cause)
    }
    timer = setTimeout(read, REFRESH_MS)
  }

  watch(() => useActs().changes, read)

  function cycleIn(dryerId: number): Cycle | undefined {
    return open.value.find((cycle) => cycle.dryerId === dryerId)
  }

  /** Does something with a cycle. */
  async function act(id: number, body: Schemas['ActRequest']) {
    await useActs().record(client.POST('/api/cycles/{id}/acts', { params: { path: { id } }, body }))
  }

  /** Starts a cycle; returns its number. */
  async function start(body: Schemas['StartRequest']): Promise<number> {
    return (await useActs().record(client.POST('/api/cycles', { body }))).id
  }

  return { dryers, cycles, open, stopped, problem, known, read, cycleIn, act, start }
})
