import { afterEach, beforeEach, vi } from 'vitest'
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'

// All files of tests share one page, which is four times as fast: none leaves anything to the next.
disableAutoUnmount()
enableAutoUnmount(afterEach)

// Stores look again after a while; none may do so in the next test, whose answers it would take.
const waiting = new Set<ReturnType<typeof setTimeout>>()
const startTimer = globalThis.setTimeout
globalThis.setTimeout = ((...args: Parameters<typeof startTimer>) => {
  const timer = startTimer(...args)
  waiting.add(timer)
  return timer
}) as typeof startTimer

beforeEach(() => {
  setActivePinia(createPinia())
  // There is no server; a test that wants answers gives its own.
  vi.stubGlobal('fetch', () => new Promise(() => {}))
})
afterEach(() => {
  waiting.forEach(clearTimeout)
  waiting.clear()
  localStorage.clear()
  document.body.innerHTML = ''
})
