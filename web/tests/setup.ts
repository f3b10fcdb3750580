import { afterEach, beforeEach } from 'vitest'
import { disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'

// All files of tests share one page, which is four times as fast: none leaves anything to the next.
disableAutoUnmount()
enableAutoUnmount(afterEach)
beforeEach(() => {
  setActivePinia(createPinia())
})
afterEach(() => {
  localStorage.clear()
  document.body.innerHTML = ''
})
