<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { client, Problem } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { useFormProblem } from '@/parts/formProblem'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

/** Adds a printer where its spool hangs; what it can do is described afterwards. */
const emit = defineEmits<{ done: [placeId: number] }>()

const acts = useActs()
const shelf = useShelf()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const rooms = computed(() =>
  shelf.places.filter(({ place }) => place.kind === 'ROOM' || place.kind === 'OPEN_SHELF'),
)
const form = reactive({ name: '', withinId: rooms.value[0]?.place.id ?? 0 })

async function add() {
  try {
    const place = await acts.record(
      client.POST('/api/places', {
        body: {
          name: form.name,
          kind: 'PRINTER_HOLDER',
          withinId: form.withinId || undefined,
        },
      }),
    )
    problem.value = null
    emit('done', place.id)
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <AppForm class="field-grid roomy" @submit="add">
    <TextField
      id="new-printer-name"
      v-model="form.name"
      label="Name, as written on it"
      name="name"
      autofocus
    />
    <ChoiceField
      id="new-printer-room"
      v-model="form.withinId"
      label="Stands in"
      name="withinId"
      :options="[
        ...rooms.map(({ place }) => ({ value: place.id, label: place.name })),
        { value: 0, label: 'somewhere else' },
      ]"
    />
    <div class="end">
      <ProblemNote v-if="problem" :problem="problem" />
      <button class="button primary">Add this printer</button>
    </div>
  </AppForm>
</template>

<style scoped>
.end {
  grid-column: 1 / -1;
}
</style>
