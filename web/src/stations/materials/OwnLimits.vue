<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { client, Problem } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import TextField from '@/parts/TextField.vue'
import { useFormProblem } from '@/parts/formProblem'
import { useActs } from '@/stores/acts'
import type { OwnLimit } from './ownLimits'

/** Print limit and dry target as this workshop found them, of a material or of one lot. */
const props = defineProps<{
  material: string
  /** Null for all lots. */
  lotId: number | null
  /** What was set; null where nothing is. */
  own: OwnLimit | null
  /** What holds where nothing is set, %. */
  tableLimit: number
  tableTarget: number
}>()

const acts = useActs()
const open = ref(false)
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const form = reactive({
  printLimitPercent: null as number | null,
  dryTargetPercent: null as number | null,
  reason: '',
})
/** What is typed begins with what holds. */
watch(
  () => props.own,
  (own) =>
    Object.assign(form, {
      printLimitPercent: own?.printLimitPercent ?? null,
      dryTargetPercent: own?.dryTargetPercent ?? null,
      reason: own?.reason ?? '',
    }),
  { immediate: true },
)

async function save() {
  try {
    await acts.record(
      client.PUT('/api/own-limits', {
        body: {
          ...form,
          material: props.material,
          lotId: props.lotId,
          version: props.own?.version,
        },
      }),
    )
    open.value = false
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

async function takeBack() {
  if (props.own) {
    try {
      await acts.record(
        client.DELETE('/api/own-limits/{id}', { params: { path: { id: props.own.id } } }),
      )
      open.value = false
    } catch (cause) {
      problem.value = Problem.of(cause)
    }
  }
}

const words = computed(() => {
  const limit = props.own
  if (!limit) {
    return ''
  }
  const parts = [
    limit.printLimitPercent === null ? '' : `print limit ${limit.printLimitPercent} %`,
    limit.dryTargetPercent === null ? '' : `dry target ${limit.dryTargetPercent} %`,
  ]
  return `In this workshop: ${parts.filter(Boolean).join(', ')}. Why: ${limit.reason}.`
})
</script>

<template>
  <div class="own" data-testid="own-limits">
    <p v-if="own">{{ words }}</p>
    <button v-if="!open" class="button small" @click="open = true">
      {{ own ? 'Change own limits' : 'Set own limits' }}
    </button>
    <AppForm v-else @submit="save">
      <NumberField
        :id="`own-limit-${lotId ?? 'all'}`"
        v-model="form.printLimitPercent"
        name="printLimitPercent"
        :label="`print limit, % (else ${tableLimit})`"
        :controls="false"
      />
      <NumberField
        :id="`own-target-${lotId ?? 'all'}`"
        v-model="form.dryTargetPercent"
        name="dryTargetPercent"
        :label="`dry target, % (else ${tableTarget})`"
        :controls="false"
      />
      <div class="reason">
        <TextField
          :id="`own-reason-${lotId ?? 'all'}`"
          v-model="form.reason"
          name="reason"
          label="why: what you saw"
          maxlength="200"
        />
      </div>
      <span class="buttons">
        <button class="button primary">Keep</button>
        <button v-if="own" type="button" class="button" @click="takeBack">
          Go by the table again
        </button>
        <button type="button" class="button plain" @click="open = false">leave it</button>
      </span>
      <ProblemNote v-if="problem" :problem="problem" />
    </AppForm>
    <ProblemNote v-if="problem && !open" :problem="problem" />
  </div>
</template>

<style scoped>
.own {
  display: grid;
  gap: 0.5rem;
  justify-items: start;
  margin: 0.75rem 0;
}

form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(12rem, 1fr));
  gap: 0.75rem 1rem;
  align-items: end;
  width: 100%;
  max-width: 44rem;
}

.reason,
.buttons,
form > :last-child {
  grid-column: 1 / -1;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
}
</style>
