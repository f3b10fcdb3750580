import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { useRound } from '@/stations/rounds/round'
import { useShelf } from '@/stores/shelf'
import { make } from './contract'
import { ACT, refuse, serve } from './pages'

/** Three spools on a shelf, two boxes and a dryer. */
function shelfView() {
  const place = (id: number, name: string, kind: 'OPEN_SHELF' | 'GASKET_BOX' | 'DRYER') =>
    make('ShelfPlace', { place: make('PlaceInfo', { id, name, kind }) })
  const spool = (code: string, sealed: boolean) => make('SpoolView', { code, placeId: 1, sealed })
  return make('ShelfView', {
    frameHours: [0],
    places: [
      place(1, 'Shelf', 'OPEN_SHELF'),
      place(2, 'Box one', 'GASKET_BOX'),
      place(3, 'Box two', 'GASKET_BOX'),
      place(4, 'Dryer', 'DRYER'),
    ],
    spools: [spool('AC7X', false), spool('K9AC', true), spool('R3TW', false)],
  })
}

async function round(special: Record<string, unknown> = {}) {
  const sent = serve({ '/api/shelf': shelfView(), ...special })
  await useShelf().read()
  const told: boolean[] = []
  const walk = useRound((worked) => told.push(worked))
  const acts = () => sent.filter((each) => each.method === 'POST')
  return { walk, told, acts }
}

describe('a round from spool to spool', () => {
  beforeEach(() => setActivePinia(createPinia()))

  it('weighs what is scanned by what the scale comes to rest at, then moves it', async () => {
    const { walk, told, acts } = await round()
    await walk.scan({ code: 'AC7X' })
    await walk.rests(812.4, 0.1)
    await walk.scan({ placeId: 2 })
    expect(acts()).toMatchObject([
      {
        path: '/api/spools/AC7X/weighings',
        body: { grossMassG: 812.4, scaleStepG: 0.1, fromScale: true },
      },
      { path: '/api/moves', body: { codes: ['AC7X'], placeId: 2 } },
    ])
    expect(told).toEqual([true, true, true])
    expect(walk.hand.value).toEqual([])
  })

  it('gives a mass that rested first to the next spool, and no mass to two', async () => {
    const { walk, acts } = await round()
    await walk.rests(900, 1)
    await walk.scan({ code: 'AC7X' })
    await walk.scan({ code: 'K9AC' })
    expect(acts()).toHaveLength(1)
    await walk.rests(700, 1)
    expect(acts()[1]).toMatchObject({ path: '/api/spools/K9AC/weighings' })
    // Taken off again before the next is scanned: what it showed is of no spool.
    await walk.rests(650, 1)
    walk.left()
    await walk.scan({ code: 'R3TW' })
    expect(acts()).toHaveLength(2)
  })

  it('takes a typed mass, code and place, and says what is none of them', async () => {
    const { walk, told, acts } = await round()
    await walk.typed('712,5')
    expect(told).toEqual([false])
    await walk.typed('ac7x')
    await walk.typed('712,5')
    await walk.typed('box')
    expect(walk.steps.value[0]!.text).toBe('several places begin so: Box one, Box two')
    await walk.typed('Box two')
    await walk.typed('nonsense')
    expect(walk.steps.value[0]!.text).toBe('no spool, place or mass')
    expect(walk.mended(walk.steps.value[0]!)).toBe('nonsense')
    expect(walk.steps.value.map((each) => each.mend).filter(Boolean)).toEqual(['box', '712,5'])
    expect(acts()).toMatchObject([
      { path: '/api/spools/AC7X/weighings', body: { grossMassG: 712.5, fromScale: false } },
      { path: '/api/moves', body: { placeId: 3 } },
    ])
  })

  it('keeps the order of scans that come faster than answers', async () => {
    const { walk, acts } = await round()
    walk.start('MOVE')
    await Promise.all([
      walk.scan({ code: 'AC7X' }),
      walk.scan({ code: 'K9AC' }),
      walk.scan({ code: 'AC7X' }),
      walk.scan({ placeId: 2 }),
      walk.scan({ code: 'R3TW' }),
      walk.scan({ placeId: 3 }),
    ])
    expect(acts().map((each) => each.body)).toMatchObject([
      { codes: ['K9AC', 'AC7X'], placeId: 2 },
      { codes: ['R3TW'], placeId: 3 },
    ])
  })

  it('asks of a dryer what the spools do there', async () => {
    const { walk, acts } = await round()
    walk.start('MOVE')
    await walk.scan({ code: 'AC7X' })
    await walk.scan({ placeId: 4 })
    expect(acts()).toHaveLength(0)
    await walk.answerDryer('COLD')
    expect(acts()[0]!.body).toMatchObject({ codes: ['AC7X'], placeId: 4, entry: 'COLD' })
  })

  it('opens bags, and says of an open one that it was open', async () => {
    const { walk, told, acts } = await round()
    walk.start('OPEN')
    await walk.scan({ code: 'K9AC' })
    await walk.scan({ code: 'AC7X' })
    expect(acts().map((each) => each.path)).toEqual(['/api/spools/K9AC/openings'])
    expect(told).toEqual([true, false])
  })

  it('keeps the spool in the hand where the move is refused, and says why', async () => {
    const { walk, told } = await round({
      'POST /api/moves': refuse('placeId', 'Box one', 'a place with room', 'It holds two.'),
    })
    await walk.scan({ code: 'AC7X' })
    await walk.scan({ placeId: 2 })
    expect(walk.hand.value).toEqual(['AC7X'])
    expect(walk.steps.value[0]!.text).toContain('It holds two.')
    expect(told).toEqual([true, false])
    await walk.scan({ code: 'XXXX' })
    expect(walk.steps.value[0]!.text).toBe('no spool in stock has this code')
  })

  it('undoes a step of the list and does it again', async () => {
    const { walk, acts } = await round({
      [`POST /api/acts/${ACT}/redo`]: make('ActView', { id: ACT, lines: [] }),
    })
    await walk.scan({ code: 'AC7X' })
    await walk.typed('700')
    await walk.undo(walk.steps.value[0]!)
    expect(walk.steps.value[0]!.undone).toBe(true)
    await walk.undo(walk.steps.value[0]!)
    expect(acts().map((each) => each.path)).toContain(`/api/acts/${ACT}/redo`)
    expect(walk.steps.value[0]!.undone).toBe(false)
  })
})
