<script lang="ts">
/** A point of a picture, px from its upper left. */
export interface Mark {
  x: number
  y: number
}

/** A photographed wall with its lowest and highest layer marked. */
export interface Wall {
  file: File
  bottom: Mark | null
  top: Mark | null
  heightMm: number | null
}
</script>

<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import NumberField from '@/parts/NumberField.vue'

/** A photograph whose lowest and highest layer are marked by a tap or by the arrow keys. */
const props = defineProps<{ name: 'first' | 'second'; title: string }>()
const emit = defineEmits<{ change: [wall: Wall | null] }>()

const MOST_SHOWN_PX = 1400
const file = ref<File | null>(null)
const canvas = ref<HTMLCanvasElement | null>(null)
const problem = ref('')
const size = ref({ width: 1, height: 1 })
const marks = ref<{ bottom: Mark | null; top: Mark | null }>({ bottom: null, top: null })
const next = ref<'bottom' | 'top'>('bottom')
const heightMm = ref<number | null>(null)

async function choose(event: Event) {
  const chosen = (event.target as HTMLInputElement).files?.[0] ?? null
  file.value = null
  marks.value = { bottom: null, top: null }
  problem.value = ''
  next.value = 'bottom'
  if (chosen) {
    try {
      await show(chosen)
    } catch {
      problem.value = `${chosen.name} is no picture that can be shown. Choose a JPEG or PNG.`
    }
  }
}

/** Drawn here, upright; both marks begin inside, where the arrow keys can reach them. */
async function show(chosen: File) {
  const picture = await createImageBitmap(chosen)
  const { width, height } = picture
  size.value = { width, height }
  file.value = chosen
  await nextTick()
  if (canvas.value) {
    const scale = Math.min(1, MOST_SHOWN_PX / Math.max(width, height))
    canvas.value.width = Math.round(width * scale)
    canvas.value.height = Math.round(height * scale)
    canvas.value.getContext('2d')?.drawImage(picture, 0, 0, canvas.value.width, canvas.value.height)
  }
  picture.close()
  marks.value = {
    bottom: { x: width / 2, y: 0.9 * height },
    top: { x: width / 2, y: 0.1 * height },
  }
}

function tap(event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  marks.value[next.value] = {
    x: Math.min(size.value.width - 1, ((event.clientX - box.left) / box.width) * size.value.width),
    y: Math.min(
      size.value.height - 1,
      ((event.clientY - box.top) / box.height) * size.value.height,
    ),
  }
  next.value = next.value === 'bottom' ? 'top' : 'bottom'
}

const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

function press(event: KeyboardEvent) {
  const step = STEPS[event.key]
  const mark = marks.value[next.value]
  if (!step || !mark) {
    return
  }
  event.preventDefault()
  const by = event.shiftKey ? 1 : Math.max(1, size.value.height / 200)
  mark.x = Math.max(0, Math.min(size.value.width - 1, mark.x + by * step[0]))
  mark.y = Math.max(0, Math.min(size.value.height - 1, mark.y + by * step[1]))
}

watch(
  [file, marks, heightMm],
  () =>
    emit(
      'change',
      file.value === null ? null : { file: file.value, ...marks.value, heightMm: heightMm.value },
    ),
  { deep: true },
)

const percent = (value: number, of: number) => `${(100 * value) / of}%`
</script>

<template>
  <section class="wall" :aria-label="title">
    <h2>{{ title }}</h2>
    <input
      type="file"
      accept="image/jpeg,image/png"
      :aria-label="`Photograph, ${title}`"
      :data-testid="`wall-${props.name}`"
      @change="choose"
    />
    <p v-if="problem" class="call">{{ problem }}</p>
    <template v-if="file">
      <div
        class="picture"
        tabindex="0"
        role="application"
        :aria-label="`Mark the ${next === 'bottom' ? 'lowest' : 'highest'} layer; arrow keys move it`"
        @click="tap"
        @keydown="press"
      >
        <canvas ref="canvas" />
        <template v-for="end in ['bottom', 'top'] as const" :key="end">
          <span
            v-if="marks[end]"
            class="mark"
            :class="{ next: next === end }"
            :style="{
              left: percent(marks[end]?.x ?? 0, size.width),
              top: percent(marks[end]?.y ?? 0, size.height),
            }"
          >
            {{ end === 'bottom' ? 'lowest' : 'highest' }}
          </span>
        </template>
      </div>
      <p class="small">
        Tap the {{ next === 'bottom' ? 'lowest' : 'highest' }} layer of the wall.
        <button class="button plain small" @click="next = next === 'bottom' ? 'top' : 'bottom'">
          the other mark
        </button>
      </p>
      <NumberField
        :id="`wall-${props.name}-height`"
        v-model="heightMm"
        label="Height between the marks, mm"
        :name="props.name === 'first' ? 'heightMm' : 'secondHeightMm'"
        :min="0"
      />
    </template>
  </section>
</template>

<style scoped>
.wall {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 0.5rem;
  align-content: start;
}

.picture {
  position: relative;
  width: fit-content;
  max-width: 100%;
  cursor: crosshair;
}

canvas {
  display: block;
  max-width: 100%;
  max-height: 28rem;
}

.mark {
  position: absolute;
  padding-left: 0.5rem;
  border-top: 2px solid var(--call);
  color: var(--ink);
  background: color-mix(in srgb, var(--ground) 70%, transparent);
  font-size: var(--size-1);
  line-height: 1.1;
  pointer-events: none;
}

.mark.next {
  border-top-width: 4px;
  font-weight: 700;
}
</style>
