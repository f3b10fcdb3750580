import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import { answer, client, type Schemas } from '@/api/client'

const REFRESH_MS = 10_000

/** What needs a hand at once, read again now and then and shown on every page. */
export const useAlerts = defineStore('alerts', () => {
  const alerts = shallowRef<Schemas['Alert'][]>([])
  let timer: ReturnType<typeof setTimeout> | undefined

  async function read() {
    clearTimeout(timer)
    try {
      alerts.value = await answer(client.GET('/api/alerts'))
    } catch {
      // Without an answer the pages themselves say so.
    }
    timer = setTimeout(read, REFRESH_MS)
  }

  return { alerts, read }
})
