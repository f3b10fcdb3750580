import { describe, expect, it } from 'vitest'
import { DRAWINGS } from '@/stations/trouble/drawings'
import { found, grouped, type KnownSign } from '@/stations/trouble/signs'

const SIGNS: KnownSign[] = [
  {
    id: 'string',
    seen: 'SURFACE',
    seenTitle: 'surface',
    name: 'Fine hairs between separate places',
    words: 'stringing cobweb',
    stop: null,
  },
  {
    id: 'pop',
    seen: 'SOUND',
    seenTitle: 'sounds',
    name: 'The nozzle pops or hisses',
    words: 'crackle steam',
    stop: null,
  },
  {
    id: 'lift_late',
    seen: 'CORNERS',
    seenTitle: 'corners',
    name: 'A corner lifts late',
    words: 'warp curl',
    stop: null,
  },
]

describe('signs of trouble', () => {
  it('are found by other words and other endings, the best first', () => {
    expect(found(SIGNS, 'stringy hair').map((sign) => sign.id)).toEqual(['string'])
    expect(found(SIGNS, 'popping noises with steam')[0]?.id).toBe('pop')
    expect(found(SIGNS, 'the corners are warping').map((sign) => sign.id)).toEqual(['lift_late'])
  })

  it('are found by rare words before common ones, and by the very word before its beginning', () => {
    const sign = (id: string, name: string): KnownSign => ({
      id,
      seen: 'LAYERS',
      seenTitle: 'layers',
      name,
      words: '',
      stop: null,
    })
    const signs = [
      sign('first', 'First layer is rough'),
      sign('patchy', 'First layer is patchy'),
      sign('split', 'One layer splits from the next'),
      sign('pop', 'It crackles'),
      sign('crack', 'Cracks while it cools'),
    ]
    expect(found(signs, 'cracks in a layer')[0]?.id).toBe('crack')
    expect(found(signs, 'crackling')[0]?.id).toBe('pop')
  })

  it('are not found by words that say nothing', () => {
    expect(found(SIGNS, '')).toEqual([])
    expect(found(SIGNS, 'the of it is')).toEqual([])
    expect(found(SIGNS, '??')).toEqual([])
    expect(found(SIGNS, 'zebra')).toEqual([])
  })

  it('stand in groups, in the order given', () => {
    expect(grouped(SIGNS).map((group) => group.seen)).toEqual(['surface', 'sounds', 'corners'])
    expect(grouped([])).toEqual([])
  })

  it('have drawings of their own, no two alike', () => {
    const drawn = Object.values(DRAWINGS).map((drawing) => drawing.lines + drawing.wrong)
    expect(new Set(drawn).size).toBe(drawn.length)
    expect(drawn.length).toBe(72)
    for (const drawing of Object.values(DRAWINGS)) {
      expect(drawing.wrong).toMatch(/^M/)
    }
  })
})
