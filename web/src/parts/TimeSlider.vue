<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { useShelf } from '@/stores/shelf'
import { useTime } from '@/stores/time'
import { TimeScale } from './timeScale'

const LAST_PERCENT = 98

const time = useTime()
const shelf = useShelf()
const track = useTemplateRef('track')

const scale = computed(() => new TimeScale(shelf.nowS, shelf.nowS + 3600 * time.horizonHours))
const position = computed(() => scale.value.percent(time.shownS))
const label = computed(() => {
  if (time.isNow) {
    return 'now'
  }
  const date = new Date(time.shownS * 1000)
  const day = date.toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric' })
  const clock = date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return `${day}, ${clock}`
})

/** A tick at every midnight that leaves room for its name. */
const days = computed(() => scale.value.midnights().filter((day) => day.percent < LAST_PERCENT))

let waiting = false
let wanted = 0

/** Moves at most once a frame, however many events the pointer sends. */
function moveTo(clientX: number) {
  const box = track.value!.getBoundingClientRect()
  wanted = (time.horizonHours * (clientX - box.left)) / box.width
  if (!waiting) {
    waiting = true
    requestAnimationFrame(() => {
      waiting = false
      time.goTo(wanted < 2 ? 0 : wanted)
    })
  }
}

function press(event: PointerEvent) {
  track.value!.setPointerCapture(event.pointerId)
  moveTo(event.clientX)
}

function drag(event: PointerEvent) {
  if (track.value!.hasPointerCapture(event.pointerId)) {
    moveTo(event.clientX)
  }
}

const STEPS: Record<string, number> = {
  ArrowLeft: -1,
  ArrowDown: -1,
  ArrowRight: 1,
  ArrowUp: 1,
  PageDown: -24,
  PageUp: 24,
  Home: -Infinity,
  End: Infinity,
}

function key(event: KeyboardEvent) {
  const step = STEPS[event.key]
  if (step !== undefined) {
    event.preventDefault()
    time.goTo(Math.round(time.hoursAhead) + step)
  }
}
</script>

<template>
  <div class="slider">
    <div
      ref="track"
      class="track"
      role="slider"
      tabindex="0"
      aria-label="Time shown, from now to 14 days ahead"
      :aria-valuemin="0"
      :aria-valuemax="time.horizonHours"
      :aria-valuenow="Math.round(time.hoursAhead)"
      :aria-valuetext="label"
      data-testid="time-slider"
      @pointerdown="press"
      @pointermove="drag"
      @keydown="key"
    >
      <div class="rail" />
      <div class="passed" :style="{ width: `${position}%` }" />
      <div
        v-for="day in days"
        :key="day.timeS"
        class="tick"
        :class="{ monday: day.strong }"
        :style="{ left: `${day.percent}%` }"
      >
        <span>{{ day.text }}</span>
      </div>
      <div class="handle" :style="{ left: `${position}%` }">
        <span class="flag" :class="{ late: position > 80 }">{{ label }}</span>
      </div>
    </div>
    <button v-if="!time.isNow" class="button plain small back" @click="time.goTo(0)">
      back to now
    </button>
    <span class="sr-only" aria-live="polite">{{ label }}</span>
  </div>
</template>

<style scoped>
.slider {
  position: relative;
  padding: 0 0.5rem;
}

.track {
  position: relative;
  height: 3.25rem;
  cursor: ew-resize;
  touch-action: none;
}

.rail,
.passed {
  position: absolute;
  top: 1.75rem;
  left: 0;
}

.rail {
  right: 0;
  border-top: 2px solid var(--ink);
}

.passed {
  border-top: 6px solid var(--ink);
  margin-top: -2px;
}

.tick {
  position: absolute;
  top: 1.75rem;
  border-left: 1px solid var(--soft);
  height: 0.9rem;
  pointer-events: none;
}

.tick.monday {
  border-left: 3px solid var(--ink);
  height: 1.15rem;
}

.tick span {
  position: absolute;
  left: 0.3rem;
  top: 0.3rem;
  font-size: 0.75rem;
  color: var(--soft);
  background: var(--ground);
  padding-right: 0.2rem;
  z-index: 1;
}

.handle {
  position: absolute;
  top: 1.05rem;
  width: 0;
  height: 0;
  margin-left: -0.65rem;
  border: 0.65rem solid transparent;
  border-top: 0.9rem solid var(--ink);
  pointer-events: none;
}

.flag {
  position: absolute;
  left: 0.9rem;
  top: -1.95rem;
  font-weight: 700;
  white-space: nowrap;
}

.flag.late {
  left: auto;
  right: 0.9rem;
}

.back {
  position: absolute;
  right: 0.5rem;
  top: -0.35rem;
  min-height: 1.5rem;
  padding: 0 0.2rem;
  z-index: 1;
}

@media (max-width: 700px) {
  .tick:not(.monday) span {
    display: none;
  }
}
</style>
