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
