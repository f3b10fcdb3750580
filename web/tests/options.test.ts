import { flushPromises } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { choices, useOptions } from '@/stores/options'
import { refuse, serve } from './pages'

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const KINDS = [
  { id: 'GASKET_BOX', title: 'gasket box', closed: true, usualVolumeL: 8 },
  { id: 'ROOM', title: 'room', closed: false, usualVolumeL: null },
]

describe('lists to choose from', () => {
  it('are read from the server once, when they are first looked at', async () => {
    const sent = serve({ '/api/place-kinds': KINDS })
    const options = useOptions()
    expect(sent).toHaveLength(0)
    expect(options.placeKind('GASKET_BOX')).toBe('')
    await flushPromises()
    expect(options.placeKind('GASKET_BOX')).toBe('gasket box')
    expect(options.isClosed('GASKET_BOX')).toBe(true)
    expect(options.isClosed('ROOM')).toBe(false)
    expect(choices(options.placeKinds)[1]).toEqual({ value: 'ROOM', label: 'room' })
    expect(sent).toHaveLength(1)
  })

  it('are asked for again where the server was away', async () => {
    serve({ '/api/desiccants': refuse('x', 'y', 'z', 'later') })
    const options = useOptions()
    expect(options.desiccants).toEqual([])
    await flushPromises()
    const sent = serve({ '/api/desiccants': [{ id: 'clay', title: 'clay', regenerationC: null }] })
    expect(options.desiccants).toEqual([])
    await vi.advanceTimersByTimeAsync(3_000)
    expect(options.desiccants).toEqual([])
    await flushPromises()
    expect(options.desiccants).toHaveLength(1)
    expect(sent).toHaveLength(1)
  })
})
