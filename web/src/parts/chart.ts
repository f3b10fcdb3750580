import { LineChart, ScatterChart, CustomChart } from 'echarts/charts'
import {
  AxisPointerComponent,
  DataZoomComponent,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  TooltipComponent,
} from 'echarts/components'
import { use } from 'echarts/core'
import { LabelLayout } from 'echarts/features'
import { CanvasRenderer } from 'echarts/renderers'
import VChart from 'vue-echarts'
import { dateTime } from './format'
import type { TimeScale } from './timeScale'

use([
  LabelLayout,
  LineChart,
  ScatterChart,
  CustomChart,
  GridComponent,
  TooltipComponent,
  MarkLineComponent,
  MarkAreaComponent,
  DataZoomComponent,
  AxisPointerComponent,
  CanvasRenderer,
])

export { VChart }

/** Colours and type of the charts, read from the tokens. */
export function chartTokens() {
  const style = getComputedStyle(document.documentElement)
  const token = (name: string) => style.getPropertyValue(name).trim()
  return {
    ink: token('--ink'),
    soft: token('--soft'),
    hairline: token('--hairline'),
    board: token('--board'),
    sheet: token('--sheet'),
    ground: token('--ground'),
    call: token('--call'),
    warm: token('--air-warm'),
    damp: token('--air-damp'),
    forecast: token('--forecast'),
    family: token('--text'),
  }
}

/** Strokes that tell outer wraps, mean and core apart without colour: by width and dash. */
export const DEPTH_LINES = {
  outer: { width: 3, type: 'solid' },
  mean: { width: 1.75, type: [7, 3] },
  core: { width: 1.75, type: [1.5, 2.5] },
} as const

const MOST_MARKS = 8

/** An axis of time with the same round marks as every lane has; values in milliseconds. */
export function timeAxis(scale: TimeScale, nowS: number) {
  const t = chartTokens()
  const marks = scale.clock(nowS, MOST_MARKS)
  const texts = new Map(marks.map((mark) => [1000 * mark.timeS, mark.text]))
  const customValues = [...texts.keys()]
  return {
    type: 'time' as const,
    min: 1000 * scale.fromS,
    max: 1000 * scale.toS,
    axisLine: { lineStyle: { color: t.ink, width: 2 } },
    axisTick: { customValues },
    axisLabel: {
      customValues,
      formatter: (ms: number) => texts.get(ms) ?? '',
      color: t.soft,
      fontFamily: t.family,
      fontSize: 12,
      hideOverlap: true,
    },
    splitLine: { show: false },
  }
}

interface TipItem {
  seriesName?: string
  value: unknown
  axisValue?: unknown
}

/**
 * The note that follows the pointer. It shows the named series only, each in its own unit: a line
 * that marks something has no value to tell.
 *
 * @param write by name of the series, its value with unit
 * @param heading of a place along the axis; a date and time where not said
 */
export function pointerNote(
  write: Record<string, (value: number) => string>,
  heading: (at: number) => string = (ms) => dateTime(ms / 1000),
) {
  const t = chartTokens()
  return {
    trigger: 'axis' as const,
    backgroundColor: t.sheet,
    borderColor: t.ink,
    borderWidth: 2,
    padding: [8, 12],
    textStyle: { color: t.ink, fontFamily: t.family, fontSize: 13 },
    formatter: (items: TipItem[]) => noteText(items, write, heading),
  }
}

/** Names and numbers only, so nothing needs escaping. */
export function noteText(
  items: TipItem[],
  write: Record<string, (value: number) => string>,
  heading: (at: number) => string,
): string {
  const rows = new Map<string, string>()
  let at: number | null = null
  for (const item of items) {
    const [x, y] = Array.isArray(item.value) ? (item.value as unknown[]) : []
    const written = write[item.seriesName ?? '']
    if (written && typeof x === 'number' && typeof y === 'number') {
      at ??= typeof item.axisValue === 'number' ? item.axisValue : x
      rows.set(item.seriesName!, written(y))
    }
  }
  return at === null
    ? ''
    : [heading(at), ...[...rows].map(([name, value]) => `${name}: <b>${value}</b>`)].join('<br>')
}
