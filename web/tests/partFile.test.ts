import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@/api/client'
import { Cancelled, sendFile } from '@/parts/sendFile'
import FirstLayer from '@/stations/print/FirstLayer.vue'
import JobVisits from '@/stations/print/JobVisits.vue'
import LayersFromSide from '@/stations/print/LayersFromSide.vue'
import { filled, megabytes, pathOf } from '@/stations/print/partFile'
import { newPart, NO_CHOICES } from '@/stations/print/sheet'
import { make } from './contract'
import { plain } from './pages'

beforeEach(() => setActivePinia(createPinia()))

const axes = (x: number, y: number, z: number) => ({ x, y, z })

const mesh = (more = {}) =>
  make('PartAnswer', {
    kind: 'stl',
    boundsMm: axes(40.04, 90.2, 12),
    lowMm: axes(0, 0, 0),
    thinBase: false,
    layers: [],
    footprint: make('FootprintView', {
      standsOnMm: 40.04,
      outline: [
        make('PolygonView', {
          points: [
            [0, 0],
            [40, 0],
            [40, 90],
            [0, 90],
          ],
          holes: [],
        }),
      ],
      corners: [
        { xMm: 0, yMm: 0, angleDeg: 90, radiusMm: 4 },
        { xMm: 40, yMm: 0, angleDeg: 60, radiusMm: 0 },
      ],
    }),
    ...more,
  })

describe('a part from its file', () => {
  it('is as long as its longer side, with its sharpest corner', () => {
    const part = filled(newPart(), mesh())
    expect(part).toMatchObject({
      lengthMm: 90.2,
      widthMm: 40,
      heightMm: 12,
      cornerAngleDeg: 60,
      cornerRadiusMm: 0,
      baseWidthMm: null,
      walls: 3,
    })
  })

  it('stands on less only where it does, and keeps its corner where there is none', () => {
    const fin = mesh({
      thinBase: true,
      footprint: make('FootprintView', { outline: [], corners: [], standsOnMm: 3.04 }),
    })
    expect(filled(newPart(), fin)).toMatchObject({ baseWidthMm: 3, cornerAngleDeg: 90 })
  })

  it('takes layer height and line width from a print file', () => {
    const layer = make('LayerView', { heightMm: 0.2, widthMm: 0.4512 })
    const file = mesh({ kind: 'gcode', footprint: null, layers: [layer, layer, layer] })
    expect(filled(newPart(), file)).toMatchObject({ layerHeightMm: 0.2, lineWidthMm: 0.45 })
  })

  it('says sizes and draws with y upwards', () => {
    expect(megabytes(400)).toBe('1 kB')
    expect(megabytes(14_300_000)).toBe('14.3 MB')
    expect(
      pathOf(
        [
          [0, 0],
          [2, 5],
        ],
        10,
      ),
    ).toBe('M0.00 10.00L2.00 5.00Z')
  })
})

describe('drawings of a file', () => {
  it('go from corner to corner by keys and come closer', async () => {
    const page = mount(FirstLayer, {
      props: { part: mesh(), choices: { ...NO_CHOICES, brimMm: 5 }, ratios: [0.4, 0.8] },
      global: plain,
    })
    expect(page.findAll('.brim')).toHaveLength(1)
    expect(page.text()).toContain('One outline, 2 corners')
    const svg = page.get('svg')
    const whole = svg.attributes('viewBox')
    await svg.trigger('keydown', { key: 'ArrowRight' })
    expect(page.text()).toContain('Corner 1: 90°, rounded by 4.0 mm')
    await svg.trigger('keydown', { key: 'ArrowRight' })
    expect(page.text()).toContain('Corner 2: 60°, sharp')
    expect(page.text()).toContain('pull is 0.80 of its grip')
    await svg.trigger('keydown', { key: '+' })
    expect(svg.attributes('viewBox')).not.toBe(whole)
    await svg.trigger('keydown', { key: 'Escape' })
    expect(svg.attributes('viewBox')).toBe(whole)
  })

  it('lay the first lines of a print file, the skirt beyond its part too', () => {
    const part = mesh({
      kind: 'gcode',
      footprint: null,
      boundsMm: axes(20, 10, 5),
      lowMm: axes(10, 10, 0),
      layers: [make('LayerView', { widthMm: 0.5 })],
      firstLayer: [
        [0, 0, 40, 0],
        [10, 10, 30, 20],
      ],
    })
    const page = mount(FirstLayer, {
      props: { part, choices: { ...NO_CHOICES }, ratios: [] },
      global: plain,
    })
    const lines = page.findAll('.laid')
    expect(lines.map((line) => line.attributes('d'))).toEqual([
      'M0.00 30.00L40.00 30.00',
      'M10.00 20.00L30.00 10.00',
    ])
    expect(page.text()).toContain('0.50 mm wide')
    const [x, y, width, height] = page.get('svg').attributes('viewBox')!.split(' ').map(Number)
    // From the skirt to the part, and an edge around both.
    expect([x, y]).toEqual([-6, 4])
    expect([width, height]).toEqual([52, 32])
  })

  it('mark layers over a limit and tell the layer under the pointer', async () => {
    const layers = Array.from({ length: 40 }, (_, i) =>
      make('LayerView', {
        zMm: 0.2 * (i + 1),
        startS: 10 * i,
        timeS: 10,
        maxFlowMm3PerS: i < 20 ? 5 : 20,
        nozzleTemperatureC: 205,
      }),
    )
    const file = make('PartFileView', {
      part: mesh({ kind: 'gcode', layers, printTimeS: 400 }),
      layerChecks: layers.map((_, i) =>
        make('LayerCheckView', {
          flowShare: i < 20 ? 0.5 : 1.4,
          bond: i ? 0.6 : null,
          meltC: 200,
          moisturePercent: 0.1,
        }),
      ),
    })
    const page = mount(LayersFromSide, { props: { file }, global: plain })
    expect(page.findAll('.over')).toHaveLength(20)
    expect(page.findAll('.flow')).toHaveLength(20)
    await page.get('svg').trigger('keydown', { key: 'PageUp' })
    expect(page.text()).toContain('Layer 21 at 4.20 mm')
    expect(page.text()).toContain('20.0 mm³/s')
    await page.get('svg').trigger('keydown', { key: 'PageDown' })
    await page.get('svg').trigger('keydown', { key: 'ArrowLeft' })
    expect(page.text()).toContain('Layer 1 at 0.20 mm')
  })

  it('say when nobody is there and which spool goes on', () => {
    const page = mount(JobVisits, {
      props: {
        visits: [
          make('VisitView', { why: 'START', fromS: 0, toS: 900, words: 'start', present: true }),
          make('VisitView', {
            why: 'RUNOUT',
            fromS: 7200,
            toS: 7300,
            words: 'out',
            present: false,
          }),
        ],
        next: make('NextSpoolView', { code: 'K7F4', colourName: 'reed', sameColour: false }),
        nowS: 0,
      },
      global: plain,
    })
    expect(page.get('[data-testid="visit-RUNOUT"]').text()).toContain('nobody is there then')
    expect(page.get('[data-testid="visit-RUNOUT"]').text()).toContain('K7F4')
    expect(page.get('[data-testid="visit-RUNOUT"]').text()).toContain('in another colour')
    expect(page.get('[data-testid="visit-START"]').text()).not.toContain('nobody')
  })
})

describe('sending a file', () => {
  class FakeRequest {
    static last: FakeRequest
    upload: { onprogress?: (event: { loaded: number; total: number }) => void } = {}
    status = 0
    response: unknown = null
    responseType = ''
    onload = () => {}
    onerror = () => {}
    onabort = () => {}
    sent: FormData | null = null
    constructor() {
      FakeRequest.last = this
    }
    open() {}
    send(form: FormData) {
      this.sent = form
    }
    abort() {
      this.onabort()
    }
  }

  it('tells how far it is, answers, says what is wrong, and can be stopped', async () => {
    vi.stubGlobal('XMLHttpRequest', FakeRequest)
    const seen: number[] = []
    const file = new File(['solid'], 'a.stl')
    const first = sendFile<{ name: string }>('/api/part-files', file, (share) => seen.push(share))
    FakeRequest.last.upload.onprogress?.({ loaded: 1, total: 4 })
    expect(seen).toEqual([0.25])
    FakeRequest.last.status = 200
    FakeRequest.last.response = { name: 'a.stl' }
    FakeRequest.last.onload()
    expect((await first.done).name).toBe('a.stl')

    const second = sendFile('/api/part-files', file, () => {})
    FakeRequest.last.status = 422
    FakeRequest.last.response = { title: 'no', detail: 'file is empty', errors: [] }
    FakeRequest.last.onload()
    await expect(second.done).rejects.toBeInstanceOf(Problem)

    const third = sendFile('/api/part-files', file, () => {})
    third.cancel()
    await expect(third.done).rejects.toBeInstanceOf(Cancelled)
    await flushPromises()
    vi.unstubAllGlobals()
  })
})
