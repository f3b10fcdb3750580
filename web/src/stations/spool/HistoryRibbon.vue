<script setup lang="ts">
import { computed, ref } from 'vue'
import { chartTokens, DEPTH_LINES, pointerNote, timeAxis, VChart } from '@/parts/chart'
import { humidity, moisture, temperature } from '@/parts/format'
import { TimeScale } from '@/parts/timeScale'
import { usePreferences } from '@/stores/preferences'
import { useTime } from '@/stores/time'
import type { Schemas } from '@/api/client'

const props = defineProps<{ page: Schemas['SpoolPage'] }>()

const DAY_S = 86_400
/** A name nearer to an end than this is written inwards. */
const EDGE = 0.05
const preferences = usePreferences()
const time = useTime()
const range = ref<'fortnight' | 'all'>('all')

const scale = computed(() => {
  const { arrivedS, nowS } = props.page
  const fromS =
    range.value === 'all'
      ? Math.min(arrivedS, nowS - DAY_S)
      : Math.max(arrivedS, nowS - time.horizonHours * 3600)
  return new TimeScale(fromS, nowS + time.horizonHours * 3600)
})
const nowMs = computed(() => 1000 * props.page.nowS)
const endMs = computed(() => 1000 * scale.value.toS)

type Pair = [number, number]

function pairs(timeS: readonly number[], values: readonly number[]): Pair[] {
  return timeS.map((t, i) => [t * 1000, values[i]!] as Pair)
}

const weighings = computed(() =>
  props.page.facts.filter((fact) => fact.grossMassG != null && !fact.undone),
)

const top = computed(() => {
  const all = [
    ...props.page.past.outer,
    ...props.page.past.core,
    ...props.page.forecast.outer,
    ...props.page.forecast.core,
  ]
  return Math.max(props.page.spool.printLimitPercent * 1.25, Math.max(...all) * 1.08)
})

/** Which side of a mark its name may stand on without leaving the picture. */
function inwards(timeS: number): 'left' | 'center' | 'right' {
  const share = scale.value.percent(timeS) / 100
  return share < EDGE ? 'left' : share > 1 - EDGE ? 'right' : 'center'
}

const option = computed(() => {
  const t = chartTokens()
  void preferences.theme
  const { page } = props
  const f = preferences.fahrenheit
  const axis = timeAxis(scale.value, page.nowS)
  const quiet = { axisLine: { show: false }, axisTick: { show: false }, splitLine: { show: false } }
  const text = { color: t.soft, fontFamily: t.family, fontSize: 12 }
  const shown = nowMs.value + time.hoursAhead * 3_600_000
  const line = (
    name: string,
    grid: number,
    data: Pair[],
    style: { width: number; type: unknown },
    color: string,
    extra: object = {},
  ) => ({
    name,
    type: 'line',
    xAxisIndex: grid,
    yAxisIndex: grid === 2 ? 3 : grid,
    data,
    showSymbol: false,
    lineStyle: { ...style, color },
    itemStyle: { color },
    animation: false,
    ...extra,
  })
  const limits = {
    markLine: {
      silent: true,
      symbol: 'none',
      data: [
        {
          yAxis: page.spool.printLimitPercent,
          lineStyle: { color: t.call, width: 2, type: 'solid' },
          label: { show: false },
        },
        {
          yAxis: page.spool.dryTargetPercent,
          lineStyle: { color: t.soft, width: 1, type: 'dashed' },
          label: { show: false },
        },
      ],
    },
    markArea: {
      silent: true,
      itemStyle: { color: t.forecast },
      data: [[{ xAxis: nowMs.value }, { xAxis: endMs.value }]],
    },
  }
  const moment = (grid: number) => ({
    type: 'line',
    xAxisIndex: grid,
    yAxisIndex: grid === 2 ? 3 : grid,
    data: [],
    markLine: {
      silent: true,
      symbol: 'none',
      animation: false,
      data: [
        {
          xAxis: nowMs.value,
          lineStyle: { color: t.ink, width: 2, type: 'solid' },
          label: { show: grid === 0, formatter: 'now', color: t.ink, fontWeight: 700 },
        },
        ...(time.isNow
          ? []
          : [
              {
                xAxis: shown,
                lineStyle: { color: t.ink, width: 1, type: 'dashed' },
                label: { show: grid === 0, formatter: 'shown', color: t.ink },
              },
            ]),
      ],
    },
  })
  const stays = page.stays.map((stay, i) => [
    stay.fromS * 1000,
    i === page.stays.length - 1 ? endMs.value : stay.toS * 1000,
    stay.placeName,
    stay.sealed ? 1 : 0,
  ])
  return {
    textStyle: { fontFamily: t.family, color: t.ink },
    grid: [
      { left: 52, right: 52, top: 22, height: 66 },
      { left: 52, right: 52, top: 96, height: 26 },
      { left: 52, right: 52, top: 132, height: 196 },
    ],
    xAxis: [
      { ...axis, gridIndex: 0, ...quiet, axisLabel: { show: false } },
      { ...axis, gridIndex: 1, ...quiet, axisLabel: { show: false } },
      { ...axis, gridIndex: 2 },
    ],
    yAxis: [
      {
        gridIndex: 0,
        type: 'value',
        min: 0,
        max: 100,
        interval: 50,
        ...quiet,
        splitLine: { lineStyle: { color: t.hairline } },
        axisLabel: { ...text, color: t.damp, formatter: '{value} %' },
      },
      { gridIndex: 1, type: 'value', min: 0, max: 1, show: false },
      {
        gridIndex: 0,
        type: 'value',
        position: 'right',
        scale: true,
        splitNumber: 2,
        ...quiet,
        axisLabel: {
          ...text,
          color: t.warm,
          formatter: (c: number) => (f ? `${Math.round(c * 1.8 + 32)} °F` : `${c} °C`),
        },
      },
      {
        gridIndex: 2,
        type: 'value',
        min: 0,
        max: top.value,
        ...quiet,
        splitLine: { lineStyle: { color: t.hairline } },
        axisLabel: {
          ...text,
          formatter: (v: number) => (v === top.value ? '' : `${+v.toFixed(3)} %`),
        },
      },
    ],
    axisPointer: { link: [{ xAxisIndex: 'all' }], lineStyle: { color: t.soft } },
    tooltip: pointerNote({
      humidity,
      temperature: (celsius) => temperature(celsius, 1),
      'outer wraps': moisture,
      mean: moisture,
      core: moisture,
    }),
    series: [
      line(
        'humidity',
        0,
        pairs(page.air.timeS, page.air.relativeHumidityPercent),
        { width: 1.5, type: 'solid' },
        t.damp,
      ),
      {
        ...line(
          'temperature',
          0,
          pairs(page.air.timeS, page.air.temperatureC),
          { width: 1.5, type: [5, 2] },
          t.warm,
        ),
        yAxisIndex: 2,
      },
      moment(0),
      {
        type: 'custom',
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: stays,
        animation: false,
        silent: true,
        renderItem: (
          params: { coordSys: { x: number; width: number } },
          api: {
            value: (i: number) => number | string
            coord: (p: [number, number]) => [number, number]
          },
        ) => {
          const left = Math.max(params.coordSys.x, api.coord([Number(api.value(0)), 0])[0])
          const right = Math.min(
            params.coordSys.x + params.coordSys.width,
            api.coord([Number(api.value(1)), 0])[0],
          )
          const width = right - left
          if (width <= 0) {
            return null
          }
          const sealed = Number(api.value(3)) === 1
          const name = String(api.value(2))
          return {
            type: 'group',
            children: [
              {
                type: 'rect',
                shape: { x: left, y: 98, width, height: 22 },
                style: {
                  fill: sealed ? t.ground : t.sheet,
                  stroke: t.board,
                  lineWidth: 1,
                  lineDash: sealed ? [2, 2] : undefined,
                },
              },
              {
                type: 'text',
                style: {
                  x: left + 6,
                  y: 109,
                  text: sealed ? `in its bag, ${name}` : name,
                  fill: t.ink,
                  font: `12px ${t.family}`,
                  verticalAlign: 'middle',
                  width: Math.max(0, width - 10),
                  overflow: 'truncate',
                  ellipsis: width > 34 ? '…' : '',
                },
              },
            ],
          }
        },
      },
      moment(1),
      line(
        'outer wraps',
        2,
        pairs(page.past.timeS, page.past.outer),
        DEPTH_LINES.outer,
        t.ink,
        limits,
      ),
      line('mean', 2, pairs(page.past.timeS, page.past.mean), DEPTH_LINES.mean, t.ink),
      line('core', 2, pairs(page.past.timeS, page.past.core), DEPTH_LINES.core, t.ink),
      line(
        'outer wraps',
        2,
        pairs(page.forecast.timeS, page.forecast.outer),
        DEPTH_LINES.outer,
        t.soft,
      ),
      line('mean', 2, pairs(page.forecast.timeS, page.forecast.mean), DEPTH_LINES.mean, t.soft),
      line('core', 2, pairs(page.forecast.timeS, page.forecast.core), DEPTH_LINES.core, t.soft),
      {
        name: 'weighed',
        type: 'scatter',
        xAxisIndex: 2,
        yAxisIndex: 3,
        symbol: 'triangle',
        symbolSize: 11,
        itemStyle: { color: t.ink },
        animation: false,
        data: weighings.value.map((fact) => ({
          value: [fact.atS * 1000, 0],
          mass: fact.grossMassG,
          label: { align: inwards(fact.atS) },
        })),
        label: {
          show: true,
          position: 'top',
          formatter: (p: { data: { mass: number } }) => `${p.data.mass} g`,
          color: t.ink,
          fontFamily: t.family,
          fontSize: 12,
          textBorderColor: t.sheet,
          textBorderWidth: 3,
        },
        labelLayout: { hideOverlap: true },
      },
      moment(2),
    ],
  }
})
</script>

<template>
  <figure class="ribbon">
    <figcaption>
      <h2>History and forecast</h2>
      <span class="key small"
        ><svg width="30" height="8" aria-hidden="true"><path d="M0 4h30" class="outer" /></svg>
        outer wraps</span
      >
      <span class="key small"
        ><svg width="30" height="8" aria-hidden="true"><path d="M0 4h30" class="mean" /></svg>
        mean</span
      >
      <span class="key small"
        ><svg width="30" height="8" aria-hidden="true"><path d="M0 4h30" class="core" /></svg>
        core</span
      >
      <span class="key small"
        ><svg width="10" height="10" aria-hidden="true"><path d="M5 0 10 10H0Z" /></svg>
        weighed</span
      >
      <span class="key small"
        ><svg width="24" height="8" aria-hidden="true"><path d="M0 4h24" class="limit" /></svg>
        print limit {{ moisture(page.spool.printLimitPercent) }}</span
      >
      <span class="key small"
        ><svg width="24" height="8" aria-hidden="true"><path d="M0 4h24" class="target" /></svg> dry
        target {{ moisture(page.spool.dryTargetPercent) }}</span
      >
      <span class="ranges">
        <button
          class="button plain small"
          :aria-pressed="range === 'fortnight'"
          @click="range = 'fortnight'"
        >
          two weeks
        </button>
        <button class="button plain small" :aria-pressed="range === 'all'" @click="range = 'all'">
          all
        </button>
      </span>
    </figcaption>
    <VChart
      class="chart"
      :option="option"
      :update-options="{ notMerge: true }"
      autoresize
      role="img"
      :aria-label="`Climate, places and moisture of ${page.spool.code} since it arrived, and the forecast for 14 days`"
    />
  </figure>
</template>

<style scoped>
.ribbon {
  margin: 0;
}

figcaption {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1rem;
}

.chart {
  height: 22.5rem;
}

.key {
  display: inline-flex;
  align-items: center;
  gap: 0.35rem;
}

path {
  fill: var(--ink);
  stroke: var(--ink);
}

.outer {
  stroke-width: 3;
}

.mean {
  stroke-width: 1.75;
  stroke-dasharray: 7 3;
}

.core {
  stroke-width: 1.75;
  stroke-dasharray: 1.5 2.5;
}

.limit {
  stroke: var(--call);
  stroke-width: 2;
}

.target {
  stroke: var(--soft);
  stroke-dasharray: 4 3;
}

.ranges {
  margin-left: auto;
}

.ranges .button {
  min-height: 1.75rem;
}

.ranges [aria-pressed='true'] {
  font-weight: 700;
  text-decoration: none;
}
</style>
