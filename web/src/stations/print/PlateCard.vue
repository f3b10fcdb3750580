<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Answer, type Schemas } from '@/api/client'
import AppForm from '@/parts/AppForm.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { temperature } from '@/parts/format'
import { useFormProblem } from '@/parts/formProblem'
import { useActs } from '@/stores/acts'
import FactorBand from './FactorBand.vue'
import PlateForm from './PlateForm.vue'

/** A plate: what it is, what was done to it, what its prints taught. */
const props = defineProps<{ plate: Schemas['PlateView']; choices: Schemas['PrintChoicesView'] }>()

const acts = useActs()
const problem = ref<Problem | null>(null)
useFormProblem(problem)
const learning = ref<Schemas['PlateLearningView'] | null>(null)
const open = ref<'describe' | 'measure' | null>(null)
const pull = reactive({ pullN: null as number | null, areaMm2: 2500 as number | null })
const path = computed(() => ({ params: { path: { id: props.plate.id } } }))

async function read() {
  try {
    learning.value = await answer(client.GET('/api/plates/{id}/learning', path.value))
  } catch {
    // Removed meanwhile; the list of plates is read again by itself.
    learning.value = null
  }
}
watch([() => acts.changes, () => props.plate.id], read, { immediate: true })

async function act(request: Promise<Answer<unknown>>) {
  try {
    await acts.record(request)
    problem.value = null
    open.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}

const measure = () =>
  act(
    client.POST('/api/plates/{id}/hold-measurements', {
      ...path.value,
      body: { pullN: pull.pullN ?? undefined, areaMm2: pull.areaMm2 ?? undefined },
    }),
  )
const toggle = (which: 'describe' | 'measure') => (open.value = open.value === which ? null : which)

const coat = computed(() =>
  props.plate.coatPrintsLeft == null
    ? ''
    : props.plate.coatPrintsLeft > 0
      ? `, good for ${props.plate.coatPrintsLeft} more`
      : ', to be renewed',
)
</script>

<template>
  <article class="plate">
    <div class="row">
      <h3>{{ plate.name }}</h3>
      <button
        class="button plain small"
        :aria-expanded="open === 'describe'"
        @click="toggle('describe')"
      >
        describe<span class="sr-only"> {{ plate.name }}</span>
      </button>
      <button
        class="button plain small"
        :aria-expanded="open === 'measure'"
        @click="toggle('measure')"
      >
        measure its hold<span class="sr-only">: {{ plate.name }}</span>
      </button>
      <button class="button plain small" @click="act(client.POST('/api/plates/{id}/washes', path))">
        washed<span class="sr-only">: {{ plate.name }}</span>
      </button>
      <button
        v-if="plate.interfaceLayer !== 'none'"
        class="button plain small"
        @click="
          act(
            client.POST('/api/plates/{id}/coats', {
              ...path,
              body: { interfaceLayer: plate.interfaceLayer },
            }),
          )
        "
      >
        fresh {{ plate.interfaceLayerTitle }}<span class="sr-only">: {{ plate.name }}</span>
      </button>
      <button class="button plain small" @click="act(client.DELETE('/api/plates/{id}', path))">
        remove<span class="sr-only"> {{ plate.name }}</span>
      </button>
    </div>
    <p>
      {{ plate.kindTitle }}, {{ plate.surfaceTitle }}, {{ plate.interfaceLayerTitle }}{{ coat }};
      {{ plate.massKg }} kg<template v-if="plate.magnetsMaxC != null"
        >, magnets stand {{ temperature(plate.magnetsMaxC) }}</template
      >; held down by {{ plate.holdPressureKPa }} kPa{{
        plate.usualHold ? ', the usual: measure it' : ', measured'
      }}.
    </p>
    <p class="soft small">
      {{ plate.prints }} prints, {{ plate.printsSinceWash }} since it was washed: taken for
      {{ (100 * plate.cleanliness).toFixed(0) }} % clean.
    </p>
    <div v-if="learning && learning.after.prints > 0" class="learned" data-testid="learned">
      <FactorBand
        title="Grips, against the table"
        :before="learning.before.grip"
        :after="learning.after.grip"
      />
      <FactorBand
        title="Held down, against what is said"
        :before="learning.before.hold"
        :after="learning.after.hold"
      />
      <p class="small">
        From
        {{ learning.after.prints === 1 ? 'one print' : `${learning.after.prints} prints` }} whose
        plate was looked at. The bands hold the truth eight times in ten.
        <button
          class="button plain small"
          @click="act(client.POST('/api/plates/{id}/learning/reset', path))"
        >
          forget<span class="sr-only"> what {{ plate.name }} taught</span>
        </button>
      </p>
    </div>
    <PlateForm v-if="open === 'describe'" :plate="plate" :choices="choices" @done="open = null" />
    <AppForm v-if="open === 'measure'" class="row measure" @submit="measure">
      <p class="small">
        Print a stiff block of known sole on the cold plate, hook a luggage scale to it and pull
        straight up until the sheet rises. 1 kg on the scale is 9.8 N. Fingers away: it snaps back.
      </p>
      <NumberField
        :id="`pull-${plate.id}`"
        v-model="pull.pullN"
        label="Pull, N"
        name="pullN"
        :min="0.1"
        :max="5000"
      />
      <NumberField
        :id="`area-${plate.id}`"
        v-model="pull.areaMm2"
        label="Area that rose, mm²"
        name="areaMm2"
        :min="100"
        :max="1000000"
        :step="100"
      />
      <button class="button">Record</button>
    </AppForm>
    <ProblemNote v-if="problem" :problem="problem" />
  </article>
</template>

<style scoped>
.plate {
  padding: 0.8rem 0;
  border-top: 1px solid var(--hairline);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 0.8rem;
  align-items: baseline;
}

.measure {
  align-items: end;
  gap: 0.6rem 1rem;
}

.measure p {
  flex-basis: 100%;
  max-width: 48rem;
}

.learned {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem 2rem;
  align-items: center;
  margin-top: 0.4rem;
}
</style>
