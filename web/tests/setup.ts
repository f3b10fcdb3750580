import { afterEach, beforeEach } from 'vitest'
import { createPinia, setActivePinia } from 'pinia'

// All files of tests share one page, which is four times as fast: none leaves anything to the next.
beforeEach(() => {
  setActivePinia(createPinia())
})
afterEach(() => {
  localStorage.clear()
  document.body.innerHTML = ''
})
