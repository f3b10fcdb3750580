<script setup lang="ts">
import { ref } from 'vue'
import { useActs } from '@/stores/acts'

/** Undoes an act, or does it again where it is undone. */
const props = defineProps<{ act: number; undone?: boolean; what: string }>()

const acts = useActs()
const busy = ref(false)

async function press() {
  busy.value = true
  try {
    await (props.undone ? acts.redo(props.act) : acts.undo(props.act))
  } catch (cause) {
    acts.fail(cause)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <button class="button plain small" :disabled="busy" @click="press">
    {{ undone ? 'redo' : 'undo' }}<span class="sr-only">: {{ what }}</span>
  </button>
</template>
