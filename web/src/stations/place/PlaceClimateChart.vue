<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { chartTokens, pointerNote, timeAxis, VChart } from '@/parts/chart'
import { humidity, temperature } from '@/parts/format'
import { TimeScale } from '@/parts/timeScale'
import { usePreferences } from '@/stores/preferences'

const props = defineProps<{ view: Schemas['PlaceView'] }>()
const preferences = usePreferences()

const scale = computed(
  () => new TimeScale(props.view.curve[0]?.timeS ?? 0, props.view.curve.at(-1)?.timeS ?? 0),
)

/** Gaps that are wide enough to be seen, cut to the curve's span. */
const gaps = computed(() => {
  const { fromS: from, toS: to } = scale.value
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
    xAxis: timeAxis(scale.value, props.view.now.timeS),
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
    tooltip: pointerNote({ humidity, temperature: (celsius) => temperature(celsius, 1) }),
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
