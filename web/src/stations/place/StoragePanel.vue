<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import WideTable from '@/parts/WideTable.vue'
import { useFormProblem } from '@/parts/formProblem'
import { choices, useOptions } from '@/stores/options'
import UndoButton from '@/parts/UndoButton.vue'
import { computed, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas, type Answer } from '@/api/client'
import ChoiceField from '@/parts/ChoiceField.vue'
import NumberField from '@/parts/NumberField.vue'
import { questions } from '@/parts/latestAnswer'
import ProblemNote from '@/parts/ProblemNote.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import { dateTime, humidity, inShownUnits } from '@/parts/format'
import { useActs } from '@/stores/acts'
import DaysScale from './DaysScale.vue'

const props = defineProps<{ placeId: number }>()
const emit = defineEmits<{ changed: [] }>()

const acts = useActs()
const options = useOptions()
const view = ref<Schemas['StorageView'] | null>(null)
const problem = ref<Problem | null>(null)
const actProblem = ref<Problem | null>(null)
useFormProblem(problem, actProblem)
const asked = reactive({ limitPercent: 20, months: 6 })
const opening = reactive({ minutes: 10 })
const put = reactive({ kind: 'silica_gel' as string, massG: 100 })
const weighed = ref<number | null>(null)
const doing = ref<'open' | 'put' | 'weigh' | null>(null)

const question = questions()

async function read() {
  const isLast = question()
  try {
    const found = await answer(
      client.GET('/api/places/{id}/storage', {
        params: { path: { id: props.placeId }, query: { ...asked } },
      }),
    )
    if (isLast()) {
      view.value = found
      problem.value = null
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
}

watch([() => props.placeId, asked, () => acts.changes], read, { immediate: true })

const desiccant = computed(() => view.value?.desiccant ?? null)
const fill = computed(() => {
  const d = desiccant.value
  return d ? Math.min(100, (100 * d.loadingPercent) / d.fullPercent) : 0
})

async function act(request: Promise<Answer<unknown>>) {
  try {
    await acts.record(request)
    actProblem.value = null
    doing.value = null
    emit('changed')
  } catch (cause) {
    actProblem.value = Problem.of(cause)
  }
}

const path = () => ({ params: { path: { id: props.placeId } } })

function open() {
  void act(
    client.POST('/api/places/{id}/openings', { ...path(), body: { minutes: opening.minutes } }),
  )
}

function putIn() {
  void act(client.POST('/api/places/{id}/desiccant', { ...path(), body: { ...put } }))
}

function weigh() {
  void act(
    client.POST('/api/places/{id}/desiccant/weighings', {
      ...path(),
      body: { massG: weighed.value },
    }),
  )
}

function takeOut() {
  void act(client.POST('/api/places/{id}/desiccant/removals', { ...path(), body: {} }))
}

async function setLeak(leakGPerDay: number | null) {
  try {
    await answer(client.PUT('/api/places/{id}/leak', { ...path(), body: { leakGPerDay } }))
    actProblem.value = null
    await read()
    emit('changed')
  } catch (cause) {
    actProblem.value = Problem.of(cause)
  }
}
</script>

<template>
  <section
    class="storage"
    :class="{ loading: !view && !problem }"
    aria-label="How long it stays dry"
  >
    <h2>How long it stays dry</h2>
    <ProblemNote v-if="problem" :problem="problem" />
    <template v-if="view">
      <div class="ask">
        <NumberField
          id="storage-limit"
          v-model="asked.limitPercent"
          name="limitPercent"
          label="keep below, % humidity"
          :min="1"
          :max="99"
        />
        <NumberField
          id="storage-months"
          v-model="asked.months"
          name="months"
          label="for, months"
          :min="0.5"
          :max="120"
        />
        <p class="advice" data-testid="storage-advice">{{ view.advice }}</p>
      </div>
      <div class="row">
        <DaysScale
          :tight="view.tightDays"
          :typical="view.typicalDays"
          :leaky="view.leakyDays"
          :measured="view.leakMeasured"
        />
        <dl class="facts">
          <dt>air inside now</dt>
          <dd>{{ humidity(view.nowPercent) }}, around it {{ humidity(view.outsidePercent) }}</dd>
          <dt>water getting in</dt>
          <dd>
            <WhyNumber what="Water getting in">
              {{ ((view.leakGPerDay * (view.outsidePercent - view.nowPercent)) / 100).toFixed(3) }}
              g a day
              <template #why>
                <p>
                  {{ view.leakGPerDay.toFixed(3) }} g per day for each whole unit of humidity
                  difference, times the difference now.
                </p>
                <p v-if="view.leakMeasured">This box's own leak, by weighing its desiccant.</p>
                <p v-else>
                  Assumed for the kind: exchanged air, the wall's permeation, and
                  {{ view.openingsPerWeek.toFixed(1) }} openings a week. It may be three times as
                  tight or leaky. To know your own: weigh the desiccant now and again after a week
                  or more.
                </p>
              </template>
            </WhyNumber>
          </dd>
          <dt>desiccant for {{ view.months }} months</dt>
          <dd>
            {{
              view.desiccantG === null ? 'no sensible amount' : `${view.desiccantG.toFixed(0)} g`
            }}
          </dd>
        </dl>
      </div>

      <div v-if="desiccant" class="desiccant" data-testid="desiccant">
        <div
          class="jar"
          role="img"
          :aria-label="`${fill.toFixed(0)} % of what it takes until the limit`"
        >
          <div class="level" :style="{ height: `${fill}%` }" />
        </div>
        <div>
          <h3>
            {{ desiccant.title }}, {{ desiccant.dryMassG.toFixed(0) }} g dry:
            <span :class="desiccant.regenerateNow ? 'call' : ''">{{
              desiccant.regenerateNow ? 'regenerate now' : `${fill.toFixed(0)} % used up`
            }}</span>
          </h3>
          <p class="small">{{ desiccant.why }}</p>
          <details v-if="desiccant.regeneration" class="small">
            <summary>how to regenerate it</summary>
            <p>
              {{
                inShownUnits(
                  `${desiccant.regeneration.lowC} to ${desiccant.regeneration.highC} °C`,
                )
              }}, {{ desiccant.regeneration.shortHours }} to
              {{ desiccant.regeneration.longHours }} h
              {{ inShownUnits(desiccant.regeneration.how) }}. Done when two weighings an hour apart
              differ by less than 0.5 %. Let it cool covered.
              {{ inShownUnits(desiccant.regeneration.caution) }}
            </p>
            <p v-for="dryer in desiccant.regeneration.dryers" :key="dryer">
              {{ inShownUnits(dryer) }}
            </p>
            <p v-if="desiccant.regeneration.dryers.length === 0">
              None of the dryers here gets hot enough.
            </p>
            <p class="soft">
              Beads that turn from blue to pink hold cobalt chloride, which is harmful when breathed
              in: keep them sealed, no dust, and dispose of them as hazardous waste. Orange to green
              and orange to colourless are free of it. The colour lags and fades: the scale decides.
              Keep beads from children and pets. The maker's data sheet goes first.
            </p>
          </details>
          <p v-else class="small">It is used once: replace it when it is wet.</p>
        </div>
      </div>

      <div class="acts">
        <button class="button" @click="doing = doing === 'open' ? null : 'open'">
          It was open
        </button>
        <button class="button" @click="doing = doing === 'put' ? null : 'put'">
          {{ desiccant ? 'Replace desiccant' : 'Put in desiccant' }}
        </button>
        <button v-if="desiccant" class="button" @click="doing = doing === 'weigh' ? null : 'weigh'">
          Weigh desiccant
        </button>
        <button v-if="desiccant" class="button plain" @click="takeOut">take desiccant out</button>
      </div>
      <AppForm v-if="doing === 'open'" class="act" @submit="open">
        <NumberField
          id="open-minutes"
          v-model="opening.minutes"
          name="minutes"
          label="stood open for, min"
          :min="0"
          :max="1440"
        />
        <button class="button primary">Record the opening</button>
      </AppForm>
      <AppForm v-if="doing === 'put'" class="act" @submit="putIn">
        <ChoiceField
          id="put-kind"
          v-model="put.kind"
          name="kind"
          label="desiccant"
          :options="choices(options.desiccants)"
        />
        <NumberField
          id="put-mass"
          v-model="put.massG"
          name="massG"
          label="regenerated, on the scale, g"
          :min="1"
          :max="20000"
        />
        <button class="button primary">Record it</button>
        <p v-if="put.kind === 'CaCl2'" class="small soft">
          Its brine runs and corrodes: only in a spill-proof cup, never above a reel.
        </p>
      </AppForm>
      <AppForm v-if="doing === 'weigh'" class="act" @submit="weigh">
        <NumberField
          id="weigh-desiccant"
          v-model="weighed"
          name="massG"
          label="on the scale now, g"
          :min="1"
          :max="20000"
        />
        <button class="button primary">Record its mass</button>
      </AppForm>
      <ProblemNote v-if="actProblem" :problem="actProblem" />

      <p v-if="view.leakFound" class="found">
        The desiccant took up {{ view.leakFound.gainedG.toFixed(1) }} g in
        {{ view.leakFound.days.toFixed(1) }} days: this box's own leak is
        <b>{{ view.leakFound.gPerDay.toFixed(3) }} g a day</b> per unit of humidity difference.
        <button
          v-if="!view.leakMeasured"
          class="button small"
          @click="setLeak(view.leakFound.gPerDay)"
        >
          Use it from now on
        </button>
        <button v-else class="button plain small" @click="setLeak(null)">
          back to the assumed one
        </button>
      </p>

      <details v-if="view.facts.length" class="small">
        <summary>what was done to it</summary>
        <WideTable label="What was done">
          <tbody>
            <tr v-for="fact in [...view.facts].reverse()" :key="fact.id">
              <td>{{ dateTime(fact.atS) }}</td>
              <td :class="{ undone: fact.undone }">
                {{ inShownUnits(fact.what) }}
              </td>
              <td class="soft">{{ fact.person }}</td>
              <td>
                <UndoButton :act="fact.actId" :undone="fact.undone" :what="fact.what" />
              </td>
            </tr>
          </tbody>
        </WideTable>
      </details>
    </template>
  </section>
</template>

<style scoped>
/* About as high as it is once it is known. */
.loading {
  min-height: 38rem;
}

.storage {
  display: grid;
  gap: 0.75rem;
  margin: 1.25rem 0;
  padding-top: 0.75rem;
  border-top: 3px solid var(--ink);
}

.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
}

.ask .field {
  width: 9rem;
}

.advice {
  flex: 1 1 20rem;
  font-size: var(--size-3);
  line-height: 1.35;
}

.row {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(14rem, 2fr);
  gap: 1.5rem;
}

.facts {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.35rem 0.75rem;
  margin: 0;
  align-content: start;
}

.facts dt {
  color: var(--soft);
  font-size: var(--size-1);
}

.facts dd {
  margin: 0;
}

.desiccant {
  display: flex;
  gap: 1rem;
  align-items: flex-start;
}

.jar {
  flex: none;
  width: 3rem;
  height: 4.5rem;
  border: 2px solid var(--ink);
  border-top-style: dashed;
  border-radius: 0 0 8px 8px;
  display: flex;
  align-items: flex-end;
  overflow: hidden;
}

.level {
  width: 100%;
  background: #5fa0a3;
  border-top: 2px solid var(--ink);
}

.acts,
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
  align-items: end;
}

.act .field {
  min-width: 12rem;
}

.found {
  border-left: 4px solid var(--ink);
  padding-left: 0.75rem;
}

.undone {
  text-decoration: line-through;
  color: var(--soft);
}

@media (max-width: 700px) {
  .row {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
