import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { answer, client, type Schemas } from '@/api/client'

export type Alert = Schemas['AlertView']

const REFRESH_MS = 10_000
const NOTIFY_KEY = 'mind-spool-notify'
const HOUR_MS = 3_600_000

function stored(key: string): string | null {
  try {
    return localStorage.getItem(key)
  } catch {
    return null
  }
}

/** What needs a hand, read again now and then and shown on every page. */
export const useAlerts = defineStore('alerts', () => {
  const all = shallowRef<Alert[]>([])
  const alerts = computed(() => all.value.filter((alert) => alert.mutedUntilS === null))
  /** Whether this browser shows them also while another page is in front. */
  const notifies = ref(stored(NOTIFY_KEY) === 'on')
  /** Null until the first reading: what stood before is no news. */
  let known: Set<string> | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  async function read() {
    clearTimeout(timer)
    try {
      all.value = await answer(client.GET('/api/alerts'))
      tellNew()
    } catch {
      // Without an answer the pages themselves say so.
    }
    timer = setTimeout(read, REFRESH_MS)
  }

  function tellNew() {
    const fresh = alerts.value.filter((alert) => known !== null && !known.has(alert.key))
    known = new Set(alerts.value.map((alert) => alert.key))
    if (notifies.value && canNotify() && Notification.permission === 'granted') {
      for (const alert of fresh) {
        new Notification('Mind Spool', { body: alert.text, tag: alert.key })
      }
    }
  }

  /** Browsers allow it only over HTTPS or on the machine itself. */
  function canNotify(): boolean {
    return 'Notification' in globalThis && globalThis.isSecureContext
  }

  async function wantNotifications(on: boolean) {
    notifies.value = on && canNotify() && (await Notification.requestPermission()) === 'granted'
    try {
      localStorage.setItem(NOTIFY_KEY, notifies.value ? 'on' : 'off')
    } catch {
      // Only the choice is forgotten.
    }
  }

  async function mute(key: string, hours: number) {
    const until = new Date(Date.now() + HOUR_MS * hours).toISOString()
    await answer(client.POST('/api/alerts/mutes', { body: { key, until } }))
    await read()
  }

  async function unmute(key: string) {
    await answer(client.DELETE('/api/alerts/mutes', { params: { query: { key } } }))
    await read()
  }

  return { all, alerts, notifies, read, canNotify, wantNotifications, mute, unmute }
})
