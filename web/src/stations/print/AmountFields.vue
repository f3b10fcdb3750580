<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { grams as massInWords, hours as timeInWords } from '@/parts/format'
import NumberField from '@/parts/NumberField.vue'

/** How much filament and time a job takes: asked where no file of its part tells. */
const props = defineProps<{ amount: Schemas['AmountView']; started: boolean }>()
const grams = defineModel<number | null>('grams', { required: true })
const hours = defineModel<number | null>('hours', { required: true })

const box = computed(() =>
  props.amount.boxG != null && props.amount.boxHours != null
    ? {
        grams: Math.max(0.1, Math.round(10 * props.amount.boxG) / 10),
        hours: Math.max(0.05, Math.round(100 * props.amount.boxHours) / 100),
      }
    : null,
)
const asBox = computed(
  () => box.value && grams.value === box.value.grams && hours.value === box.value.hours,
)

function takeBox() {
  if (box.value) {
    grams.value = box.value.grams
    hours.value = box.value.hours
  }
}
</script>

<template>
  <p v-if="amount.from === 'PRINT_FILE'" class="small" data-testid="amount-from">
    Takes {{ massInWords(amount.grams) }} and {{ timeInWords(amount.hours) }}, as its print file
    tells.
  </p>
  <p v-else-if="amount.from === 'MESH'" class="small" data-testid="amount-from">
    Takes {{ massInWords(amount.grams) }} and {{ timeInWords(amount.hours) }}: its mesh with these
    walls, infill and speed.
  </p>
  <p v-else-if="started" class="small" data-testid="amount-from">
    Takes {{ massInWords(amount.grams) }} and {{ timeInWords(amount.hours) }}, as it was started
    with.
  </p>
  <template v-else>
    <div class="field-grid">
      <NumberField
        id="amount-grams"
        v-model="grams"
        label="Filament, g"
        name="grams"
        :min="0.1"
        :max="20000"
        :step="5"
      />
      <NumberField
        id="amount-hours"
        v-model="hours"
        label="Printing, h"
        name="hours"
        :min="0.05"
        :max="1000"
        :step="0.5"
      />
    </div>
    <p v-if="box && !asBox" class="small">
      A whole box of this size takes {{ massInWords(box.grams) }} and {{ timeInWords(box.hours) }}.
      <button type="button" class="button plain small" data-testid="as-box" @click="takeBox">
        Take that
      </button>
    </p>
  </template>
</template>
