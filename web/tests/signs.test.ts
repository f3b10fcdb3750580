import { readFileSync } from 'node:fs'
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import SignPicker from '@/stations/trouble/SignPicker.vue'
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

describe('what people write of their print', () => {
  const TABLE = '../core/src/main/resources/mindspool/core/trouble/signs.csv'
  const signs: KnownSign[] = readFileSync(TABLE, 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((row) => {
      const cells = [...row.matchAll(/(?:^|,)(?:"([^"]*)"|([^,]*))/g)].map(
        (cell) => cell[1] ?? cell[2] ?? '',
      )
      const [id = '', , , , , name = '', words = ''] = cells
      return { id, seen: 'SURFACE', seenTitle: 'surface', name, words, stop: null }
    })

  // As somebody at the machine says it, from memory.
  it.each([
    ['lines repeating each 8 mm', 'wave_period'],
    ['after two hours', 'warm_time'],
    ['nothing comes out after retracting', 'nothing'],
    ['hairs between towers', 'string'],
    ['it pops and steams', 'pop'],
    ['corner came up', 'lift_early'],
    ['layers split apart', 'split'],
  ])('finds the sign for %s', (text, id) => {
    expect(
      found(signs, text)
        .slice(0, 2)
        .map((sign) => sign.id),
    ).toContain(id)
  })

  function picker(told: string, said = {}) {
    return mount(SignPicker, {
      props: {
        known: signs,
        said,
        asked: [],
        contradictions: [],
        unexplained: [],
        disabled: false,
        told,
      },
    })
  }

  it('is not asked for twice: the case begins with the signs of its words', () => {
    const begun = picker('lines repeating each 8 mm')
    expect(begun.get('[data-testid=signs-found]').text()).toContain('Bands at an even distance')
    expect(begun.get<HTMLInputElement>('[data-testid=find-sign]').element.value).toBe(
      'lines repeating each 8 mm',
    )
  })

  it('is left alone where it names no sign, or where signs were said already', () => {
    const named = picker('xyzzy')
    expect(named.find('[data-testid=signs-found]').exists()).toBe(false)
    expect(named.text()).not.toContain('No sign has such words')
    const told = picker('lines repeating each 8 mm', { pop: 'YES' })
    expect(told.find('[data-testid=signs-found]').exists()).toBe(false)
  })
})
