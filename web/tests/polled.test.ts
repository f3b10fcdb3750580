import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { usePolled } from '@/parts/polled'

/** Answers that come when the test lets them. */
function answers() {
  const waiting: ((value: string) => void)[] = []
  return {
    ask: () => new Promise<string>((resolve) => waiting.push(resolve)),
    asked: () => waiting.length,
    async answer(which: number, value: string) {
      waiting[which]?.(value)
      await nextTick()
      await nextTick()
    },
  }
}

describe('what is asked again and again', () => {
  beforeEach(() => {
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
  })

  it('asks again after a while', async () => {
    const server = answers()
    const scope = effectScope()
    const polled = scope.run(() => usePolled([ref(0)], server.ask, () => 1000))!
    await server.answer(0, 'one')
    expect(polled.view.value).toBe('one')
    vi.advanceTimersByTime(999)
    expect(server.asked()).toBe(1)
    vi.advanceTimersByTime(1)
    expect(server.asked()).toBe(2)
    scope.stop()
  })

  it('ends with its page, also where an answer is still on its way', async () => {
    const server = answers()
    const scope = effectScope()
    const polled = scope.run(() => usePolled([ref(0)], server.ask, () => 1000))!
    scope.stop()
    await server.answer(0, 'late')
    vi.advanceTimersByTime(10_000)
    expect(server.asked()).toBe(1)
    expect(polled.view.value).toBeNull()
  })

  it('lets no late answer about another thing win', async () => {
    const server = answers()
    const id = ref(1)
    const scope = effectScope()
    const polled = scope.run(() => usePolled([id], server.ask, () => null))!
    id.value = 2
    await nextTick()
    expect(server.asked()).toBe(2)
    await server.answer(1, 'of 2')
    await server.answer(0, 'of 1')
    expect(polled.view.value).toBe('of 2')
    vi.advanceTimersByTime(60_000)
    expect(server.asked()).toBe(2)
    scope.stop()
  })
})
