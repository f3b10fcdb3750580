<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { chartTokens, DEPTH_LINES, pointerNote, VChart } from '@/parts/chart'
import { hours, moisture } from '@/parts/format'
import { usePreferences } from '@/stores/preferences'

const props = defineProps<{ forecast: Schemas['DryingAnswer'] }>()
const preferences = usePreferences()

const option = computed(() => {
  const t = chartTokens()
  void preferences.theme
  const { forecast } = props
  const text = { color: t.soft, fontFamily: t.family, fontSize: 12 }
  const curve = (name: string, key: 'outer' | 'mean' | 'core', end: string | null) => ({
    name,
    type: 'line',
    showSymbol: false,
    animation: false,
    lineStyle: { ...DEPTH_LINES[key], color: t.ink },
    itemStyle: { color: t.ink },
    data: forecast.series.map((point) => [point.hour, point[`${key}Percent`]]),
    markPoint: undefined,
    endLabel: { show: end !== null, formatter: end ?? '', color: t.ink },
  })
  const done = (at: number | null, name: string) =>
    at === null || at === 0
      ? []
      : [
          {
            xAxis: at,
            lineStyle: { color: t.soft, width: 1, type: 'dashed' },
            label: {
              formatter: `${name}\n${hours(at)}`,
              color: t.ink,
              fontFamily: t.family,
              position: 'end',
              lineHeight: 14,
            },
          },
        ]
  return {
    textStyle: { fontFamily: t.family, color: t.ink },
    grid: { left: 58, right: 26, top: 42, bottom: 40 },
    xAxis: {
      type: 'value',
      min: 0,
      max: forecast.series.at(-1)?.hour ?? 1,
      axisLine: { lineStyle: { color: t.ink, width: 2 } },
      axisLabel: { ...text, formatter: '{value} h', hideOverlap: true, showMaxLabel: false },
      splitLine: { show: false },
    },
    yAxis: {
      type: 'value',
      min: 0,
      axisLabel: { ...text, formatter: (v: number) => `${+v.toFixed(3)} %` },
      splitLine: { lineStyle: { color: t.hairline } },
    },
    tooltip: pointerNote(
      { 'outer wraps': moisture, mean: moisture, core: moisture },
      (hour) => `after ${hours(hour)}`,
    ),
    series: [
      {
        ...curve('outer wraps', 'outer', null),
        markLine: {
          silent: true,
          symbol: 'none',
          animation: false,
          data: [
            {
              yAxis: forecast.targetPercent,
              lineStyle: { color: t.call, width: 2, type: 'solid' },
              label: {
                formatter: `target ${moisture(forecast.targetPercent)}`,
                position: 'insideStartTop',
                color: t.call,
                fontWeight: 700,
              },
            },
            {
              yAxis: forecast.floorPercent,
              lineStyle: { color: t.damp, width: 1.5, type: [2, 3] },
              label: {
                formatter: `driest possible in this air ${moisture(forecast.floorPercent)}`,
                position:
                  forecast.floorPercent > forecast.targetPercent
                    ? 'insideEndTop'
                    : 'insideEndBottom',
                color: t.damp,
              },
            },
            ...done(forecast.hoursToLimit.outer, 'outer'),
            ...done(forecast.hoursToLimit.core, 'core'),
          ],
        },
      },
      curve('mean', 'mean', null),
      curve('core', 'core', null),
    ],
  }
})
</script>

<template>
  <VChart
    class="chart"
    :option="option"
    :update-options="{ notMerge: true }"
    autoresize
    role="img"
    aria-label="Moisture of outer wraps, mean and core against hours in the dryer"
  />
</template>

<style scoped>
.chart {
  height: 19rem;
}
</style>
