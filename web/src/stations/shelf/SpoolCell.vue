<script setup lang="ts">
import { computed } from 'vue'
import { moisture } from '@/parts/format'
import { faceAt, faceLabel, handlingNote, moistureAt, standingAt } from '@/parts/spoolAtTime'
import SpoolFace from '@/parts/SpoolFace.vue'
import { useShelf, type Spool } from '@/stores/shelf'
import { useTime } from '@/stores/time'

const props = defineProps<{ spool: Spool }>()
const emit = defineEmits<{ open: [] }>()

/** Where outside and core differ by more than this share of the limit, both are shown. */
const TELLING_DIFFERENCE = 0.08

const shelf = useShelf()
const time = useTime()

const at = computed(() => moistureAt(props.spool, shelf.frameHours, time.hoursAhead))
const face = computed(() => faceAt(props.spool, shelf.frameHours, time.hoursAhead))
const standing = computed(() => standingAt(props.spool, shelf.nowS, time.shownS))
const core = computed(() => {
  const values = at.value
  return values &&
    Math.abs(values.outer - values.core) > TELLING_DIFFERENCE * props.spool.printLimitPercent
    ? `core ${moisture(values.core)}`
    : null
})

function drag(event: DragEvent) {
  event.dataTransfer?.setData('text/plain', props.spool.code)
}
</script>

<template>
  <div
    class="cell"
    role="link"
    tabindex="0"
    draggable="true"
    :data-spool="spool.code"
    @click="emit('open')"
    @keydown.enter="emit('open')"
    @dragstart="drag"
  >
    <SpoolFace :face="face" :size="88" :label="faceLabel(spool, at)" />
    <div class="line">
      <span class="code">{{ spool.code }}</span>
      <span v-if="at" class="number">{{ moisture(at.outer) }}</span>
    </div>
    <div class="name">{{ spool.material }} {{ spool.colourName }}</div>
    <div v-if="core" class="small">{{ core }}</div>
    <div v-if="standing" class="small" :class="standing.past ? 'call' : 'soft'">
      {{ standing.text }}
    </div>
    <div v-else class="small soft">computing…</div>
    <div v-if="handlingNote(spool)" class="small note">{{ handlingNote(spool) }}</div>
  </div>
</template>

<style scoped>
.cell {
  padding: 0.25rem;
  cursor: pointer;
  border-radius: var(--corner);
  line-height: 1.25;
  content-visibility: auto;
  contain-intrinsic-size: 7.5rem 10rem;
}

.cell:hover {
  background: color-mix(in srgb, var(--board) 22%, transparent);
}

.line {
  display: flex;
  gap: 0.4rem;
  align-items: baseline;
  margin-top: 0.2rem;
}

.line .number {
  font-size: var(--size-1);
}

.note {
  border-top: 1px solid var(--board);
}

.name {
  font-size: var(--size-1);
}
</style>
