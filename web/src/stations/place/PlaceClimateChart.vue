<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { chartTokens, VChart } from '@/parts/chart'
import { dateTime, humidity, temperature } from '@/parts/format'
import { usePreferences } from '@/stores/preferences'

const props = defineProps<{ view: Schemas['PlaceView'] }>()
const preferences = usePreferences()

/** Gaps that are wide enough to be seen, cut to the curve's span. */
const gaps = computed(() => {
  const from = props.view.curve[0]?.timeS ?? 0
  const to = props.view.curve.at(-1)?.timeS ?? 0
  return props.view.gaps
    .map((gap) => [Math.max(gap.fromS ?? from, from), Math.min(gap.toS ?? to, to)] as const)
    .filter(([start, end]) => end - start > 0.01 * (to - from))
})

const option = computed(() => {
  const t = chartTokens()
  void preferences.theme
  const f = preferences.fahrenheit
  const text = { fontFamily: t.family, fontSize: 12 }
  const points = props.view.curve
  return {
    textStyle: { fontFamily: t.family, color: t.ink },
    grid: { left: 52, right: 52, top: 16, bottom: 30 },
    xAxis: {
      type: 'time',
      axisLine: { lineStyle: { color: t.ink, width: 2 } },
      axisLabel: { ...text, color: t.soft, hideOverlap: true },
      splitLine: { show: false },
    },
    yAxis: [
      {
        type: 'value',
        min: 0,
        max: 100,
        interval: 25,
        splitLine: { lineStyle: { color: t.hairline } },
        axisLabel: { ...text, color: t.damp, formatter: '{value} %' },
      },
      {
        type: 'value',
        scale: true,
        splitLine: { show: false },
        axisLabel: {
          ...text,
          color: t.warm,
          formatter: (c: number) => (f ? `${Math.round(c * 1.8 + 32)} °F` : `${c} °C`),
        },
      },
    ],
    tooltip: {
      trigger: 'axis',
      backgroundColor: t.sheet,
      borderColor: t.ink,
      borderWidth: 2,
      textStyle: { color: t.ink, fontFamily: t.family, fontSize: 13 },
      formatter: (items: { seriesName: string; value: [number, number] }[]) =>
        `${dateTime((items[0]?.value[0] ?? 0) / 1000)}<br>` +
        items
          .map((i) =>
            i.seriesName === 'humidity'
              ? `humidity: <b>${humidity(i.value[1])}</b>`
              : `temperature: <b>${temperature(i.value[1], 1)}</b>`,
          )
          .join('<br>'),
    },
    series: [
      {
        name: 'humidity',
        type: 'line',
        showSymbol: false,
        animation: false,
        lineStyle: { width: 1.75, color: t.damp },
        itemStyle: { color: t.damp },
        data: points.map((p) => [p.timeS * 1000, p.relativeHumidityPercent]),
        markArea: {
          silent: true,
          itemStyle: { color: t.forecast },
          label: { color: t.soft, formatter: 'no record' },
          data: gaps.value.map(([start, end]) => [{ xAxis: start * 1000 }, { xAxis: end * 1000 }]),
        },
      },
      {
        name: 'temperature',
        type: 'line',
        yAxisIndex: 1,
        showSymbol: false,
        animation: false,
        lineStyle: { width: 1.75, color: t.warm, type: [5, 2] },
        itemStyle: { color: t.warm },
        data: points.map((p) => [p.timeS * 1000, p.temperatureC]),
      },
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
    :aria-label="`Humidity and temperature of ${view.place.name}`"
  />
</template>

<style scoped>
.chart {
  height: 16rem;
}
</style>
