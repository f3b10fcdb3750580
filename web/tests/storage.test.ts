import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import DaysScale from '@/stations/place/DaysScale.vue'
import YesNo from '@/stations/receive/YesNo.vue'
import TangleSketch from '@/stations/spool/TangleSketch.vue'
import { handlingNote } from '@/parts/spoolAtTime'
import { drawSpoolFace, type Face } from '@/parts/spoolFace'
import type { Spool } from '@/stores/shelf'

describe('the scale of days', () => {
  const scale = (tight: number | null, typical: number | null, leaky: number | null) =>
    mount(DaysScale, { props: { tight, typical, leaky, measured: false } })

  it('says the usual case first and the range beside it', () => {
    const text = scale(791, 277, 62).text()
    expect(text).toContain('9 months')
    expect(text).toContain('2 months if leaky')
    expect(text).toContain('26 months if tight')
  })

  it('has words for never and for at once', () => {
    expect(scale(null, null, 400).text()).toContain('not within 10 years')
    expect(scale(5, 0, 0).text()).toContain('at once')
    expect(scale(5, 0.4, 0).text()).toContain('hours')
  })

  it('orders leaky, usual and tight from left to right', () => {
    const rects = scale(791, 277, 62).findAll('rect')
    const span = rects.find((rect) => rect.classes('span'))!
    const usual = rects.find((rect) => rect.classes('usual'))!
    const from = Number(span.attributes('x'))
    const to = from + Number(span.attributes('width'))
    expect(Number(usual.attributes('x'))).toBeGreaterThan(from)
    expect(Number(usual.attributes('x'))).toBeLessThan(to)
  })

  it('gives no range once the leak was measured', () => {
    const text = mount(DaysScale, {
      props: { tight: 200, typical: 200, leaky: 200, measured: true },
    }).text()
    expect(text).toContain('own measured leak')
    expect(text).not.toContain('if leaky')
  })
})

describe('a question with three answers', () => {
  it('starts with not looked and tells what was chosen', async () => {
    const question = mount(YesNo, {
      props: { question: 'End hooked in?', name: 'end', modelValue: null },
    })
    expect(question.find('label.on').text()).toBe('not looked')
    await question.findAll('input')[1]!.trigger('change')
    expect(question.emitted('update:modelValue')).toEqual([[false]])
  })
})

describe('places and handling', () => {
  it('notes what needs a hand', () => {
    const spool = (more: Partial<Spool>) =>
      ({ end: 'SECURED', smallestNozzleMm: 0, heated: false, ...more }) as Spool
    expect(handlingNote(spool({}))).toBe('')
    expect(handlingNote(spool({ end: 'TANGLE' }))).toBe('tangled')
    expect(handlingNote(spool({ smallestNozzleMm: 0.6, heated: true }))).toBe(
      'dusty: 0.6 mm nozzle, lay hot',
    )
  })

  it('draws the tangle with words for those who cannot see it', () => {
    expect(mount(TangleSketch).find('svg').attributes('aria-label')).toContain('under')
  })

  it('draws a tail only for a loose end and strokes only for dust', () => {
    const curves = { bezier: 0, lines: 0 }
    const context = new Proxy(
      {},
      {
        get: (_, name) => () => {
          curves.bezier += name === 'bezierCurveTo' ? 1 : 0
          curves.lines += name === 'lineTo' ? 1 : 0
        },
        set: () => true,
      },
    ) as CanvasRenderingContext2D
    const face: Face = {
      hubRadiusMm: 40,
      windingRadiusMm: 80,
      rimRadiusMm: 100,
      ringShares: [0.5, 0.5],
      hubColour: '#888888',
      sealed: false,
    }
    const colours = { ink: '#000', disc: '#fff', soft: '#777' }
    drawSpoolFace(context, 88, face, colours)
    expect(curves).toEqual({ bezier: 0, lines: 0 })
    drawSpoolFace(context, 88, { ...face, looseEnd: true }, colours)
    expect(curves).toEqual({ bezier: 1, lines: 0 })
    drawSpoolFace(context, 88, { ...face, quarantined: true }, colours)
    expect(curves.lines).toBeGreaterThan(20)
  })
})
