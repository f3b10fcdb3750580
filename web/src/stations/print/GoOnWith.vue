<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { client, Problem, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import { grams } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SegmentChoice from '@/parts/SegmentChoice.vue'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

/** A running print goes on with another spool: its filament has run out, or it was changed. */
const props = defineProps<{ run: Schemas['RunView'] }>()

const acts = useActs()
const shelf = useShelf()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const form = reactive({
  code: null as string | null,
  // Asked, never set beforehand: a careless tap would empty a reel in the record.
  why: null as 'USED_UP' | 'CHANGED' | null,
  percent: null as number | null,
})
const WHY = [
  { value: 'USED_UP', label: 'It has run out' },
  { value: 'CHANGED', label: 'Changed with some left' },
] as const

const options = computed(() =>
  shelf.spools
    .filter((spool) => spool.material === props.run.material && spool.code !== props.run.code)
    .map((spool) => ({
      value: spool.code,
      label: `${spool.code}, ${spool.colourName}, ${grams(spool.remainingG.typical)}`,
    })),
)

async function goOn() {
  try {
    await acts.record(
      client.POST('/api/prints/{id}/next-spool', {
        params: { path: { id: props.run.id } },
        body: {
          code: form.code ?? undefined,
          usedUp: form.why === null ? undefined : form.why === 'USED_UP',
          percent: form.percent ?? undefined,
        },
      }),
      `${props.run.name} goes on with ${form.code}`,
    )
    problem.value = null
    form.code = null
    form.why = null
    form.percent = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
</script>

<template>
  <details :open="run.runOut">
    <summary>Go on with another spool</summary>
    <AppForm class="go-on" @submit="goOn">
      <SegmentChoice
        v-model="form.why"
        :label="`What is with ${run.code}`"
        name="usedUp"
        :options="WHY"
      />
      <ChoiceField
        id="next-code"
        v-model="form.code"
        label="Goes on with"
        name="code"
        :placeholder="options.length ? 'choose' : `no other spool of ${run.material}`"
        :options="options"
        filterable
      />
      <NumberField
        id="next-percent"
        v-model="form.percent"
        label="How far it was, % (if seen)"
        name="percent"
        :min="0"
        :max="100"
      />
      <button class="button" :disabled="form.code === null" data-testid="go-on">
        It goes on with that
      </button>
    </AppForm>
    <ProblemNote v-if="problem" :problem="problem" />
  </details>
</template>

<style scoped>
summary {
  min-height: 2rem;
  cursor: pointer;
}

.go-on {
  display: flex;
  flex-wrap: wrap;
  gap: 0.6rem 1rem;
  align-items: end;
}
</style>
