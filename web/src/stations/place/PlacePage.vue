<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import AppForm from '@/parts/AppForm.vue'
import WideTable from '@/parts/WideTable.vue'
import { useFormProblem } from '@/parts/formProblem'
import TimeField from '@/parts/TimeField.vue'
import { useActs } from '@/stores/acts'
import UndoButton from '@/parts/UndoButton.vue'
import { computed, defineAsyncComponent, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import { dateTime, humidity, inShownUnits, temperature } from '@/parts/format'
import { questions } from '@/parts/latestAnswer'
import { CLIMATE_SOURCES } from '@/parts/climateSources'
import { useOptions } from '@/stores/options'
import { useShelf } from '@/stores/shelf'
import SpoolCell from '../shelf/SpoolCell.vue'
import LabelDialog from '@/parts/LabelDialog.vue'
import LogImport from './LogImport.vue'
import OutlookPanel from './OutlookPanel.vue'
import PlaceDialog from './PlaceDialog.vue'
import StoragePanel from './StoragePanel.vue'

const props = defineProps<{ id: number }>()

const PlaceClimateChart = defineAsyncComponent(() => import('./PlaceClimateChart.vue'))

const shelf = useShelf()
const options = useOptions()
const router = useRouter()
const view = ref<Schemas['PlaceView'] | null>(null)
const acts = useActs()
const problem = ref<Problem | null>(null)
const typedProblem = ref<Problem | null>(null)
useFormProblem(typedProblem)
const changing = ref(false)
const labelling = ref(false)
const removing = ref<Schemas['ImportedFile'] | null>(null)
const typed = reactive({
  temperatureC: 22,
  relativeHumidityPercent: 45,
  since: null as Date | null,
})
const spools = computed(() => shelf.spools.filter((spool) => spool.placeId === props.id))
const heated = computed(() => view.value?.climateSource === 'HEATED_ROOM')

const question = questions()

/** Removed: there is nothing more to read of it. */
const gone = ref(false)

async function read() {
  if (gone.value) {
    return
  }
  const isLast = question()
  try {
    const fresh = await answer(
      client.GET('/api/places/{id}', { params: { path: { id: props.id } } }),
    )
    if (!isLast()) {
      return
    }
    view.value = fresh
    problem.value = null
  } catch (cause) {
    if (!isLast()) {
      return
    }
    problem.value = Problem.of(cause)
  }
}

watch([() => props.id, () => acts.changes], read, { immediate: true })

async function changed() {
  await Promise.all([read(), shelf.read()])
}

/** A humidity of at most one is likelier a fraction than a desert; only the person can tell. */
const fraction = computed(
  () => typed.relativeHumidityPercent > 0 && typed.relativeHumidityPercent <= 1,
)
const asking = ref(false)

async function type(sure = false) {
  asking.value = fraction.value && !sure
  if (asking.value) {
    return
  }
  try {
    await acts.record(
      client.POST('/api/places/{id}/typed-climates', {
        params: { path: { id: props.id } },
        body: { ...typed, since: typed.since?.toISOString() },
      }),
    )
    typedProblem.value = null
    await changed()
  } catch (cause) {
    typedProblem.value = Problem.of(cause)
  }
}

function readAsFraction() {
  typed.relativeHumidityPercent = +(100 * typed.relativeHumidityPercent).toFixed(2)
  void type(true)
}

/** Takes the place away; the note of it that is shown then has the way back. */
async function removePlace() {
  try {
    gone.value = true
    await acts.record(client.DELETE('/api/places/{id}', { params: { path: { id: props.id } } }))
    void router.push('/shelf')
  } catch (cause) {
    gone.value = false
    problem.value = Problem.of(cause)
  }
}

async function remove() {
  const file = removing.value
  removing.value = null
  if (file) {
    try {
      await answer(
        client.DELETE('/api/places/{placeId}/climate-files/{fileId}', {
          params: { path: { placeId: props.id, fileId: file.id } },
        }),
      )
      await changed()
    } catch (cause) {
      problem.value = Problem.of(cause)
    }
  }
}
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem" />
  <template v-if="view">
    <div class="title">
      <h1>{{ view.place.name }}</h1>
      <p class="soft">
        {{ options.placeKind(view.place.kind)
        }}<template v-if="view.place.withinId"
          >, in
          <router-link :to="`/place/${view.place.withinId}`">{{
            shelf.placeName(view.place.withinId)
          }}</router-link></template
        >
      </p>
      <p data-testid="place-air">
        <b>{{ temperature(view.now.temperatureC, 1) }}</b>,
        <b>{{ humidity(view.now.relativeHumidityPercent) }}</b>
        <span class="soft"
          ><template v-if="view.dewPointC !== null"
            >, dew point {{ temperature(view.dewPointC, 1) }}</template
          >; {{ inShownUnits(CLIMATE_SOURCES[view.climateSource]) }}</span
        >
        <span v-if="view.staleSinceS" class="call" data-testid="stale">
          last reading {{ dateTime(view.staleSinceS) }}; since then estimated</span
        >
      </p>
      <span class="deeds">
        <router-link v-if="view.place.kind === 'DRYER'" class="small" :to="`/dryer/${id}`"
          >how it dries</router-link
        >
        <button class="button plain small" @click="changing = true">change</button>
        <button class="button plain small" @click="labelling = true">label</button>
        <button class="button plain small" @click="removePlace">remove</button>
      </span>
    </div>

    <div class="sheet">
      <div class="plot"><PlaceClimateChart :view="view" /></div>
      <p class="small soft">solid: humidity, left; dashed: temperature, right; shaded: no record</p>
    </div>

    <section v-if="spools.length" class="spools" aria-label="Spools here">
      <SpoolCell
        v-for="spool in spools"
        :key="spool.code"
        :spool="spool"
        @open="router.push(`/spool/${spool.code}`)"
      />
    </section>

    <StoragePanel
      v-if="options.isClosed(view.place.kind)"
      :key="id"
      :place-id="id"
      @changed="changed"
    />

    <p v-if="heated" class="soft">
      A dryer's air follows from the room it takes its air from and its setpoint; import the log of
      <router-link :to="`/place/${view.place.withinId}`">{{
        shelf.placeName(view.place.withinId ?? 0)
      }}</router-link>.
    </p>
    <div v-else class="ways">
      <LogImport :key="id" :place-id="id" @imported="changed" />
      <section>
        <h2>Or type a constant climate</h2>
        <AppForm class="typed" @submit="type()">
          <NumberField
            id="typed-t"
            v-model="typed.temperatureC"
            name="temperatureC"
            label="temperature, °C"
            :min="-40"
            :max="110"
          />
          <NumberField
            id="typed-h"
            v-model="typed.relativeHumidityPercent"
            name="relativeHumidityPercent"
            label="relative humidity, %"
            :min="0"
            :max="100"
          />
          <TimeField
            id="typed-since"
            v-model="typed.since"
            label="since (now if empty)"
            name="since"
          />
          <button class="button">Record this climate</button>
          <div v-if="asking" class="asking" role="alert" data-testid="fraction-question">
            <p>Is {{ typed.relativeHumidityPercent }} a fraction? Hygrometers show percent.</p>
            <button type="button" class="button" @click="readAsFraction">
              {{ +(100 * typed.relativeHumidityPercent).toFixed(2) }} %
            </button>
            <button type="button" class="button" @click="type(true)">
              really {{ typed.relativeHumidityPercent }} %
            </button>
          </div>
        </AppForm>
        <ProblemNote v-if="typedProblem" :problem="typedProblem" />
        <WideTable v-if="view.typed.length" label="Climates typed" class="small">
          <tbody>
            <tr v-for="climate in view.typed" :key="climate.id">
              <td>since {{ dateTime(Date.parse(climate.since) / 1000) }}</td>
              <td class="n">{{ temperature(climate.temperatureC, 1) }}</td>
              <td class="n">{{ humidity(climate.relativeHumidityPercent) }}</td>
              <td>
                <UndoButton :act="climate.actId" what="this climate" />
              </td>
            </tr>
          </tbody>
        </WideTable>
      </section>
    </div>

    <OutlookPanel v-if="!heated" :place-id="id" :view="view" @changed="changed" />

    <section v-if="view.files.length" class="files">
      <h2>Imported</h2>
      <WideTable label="Files imported" class="small">
        <tbody>
          <tr v-for="file in view.files" :key="file.id">
            <td>{{ file.name }}</td>
            <td class="n">{{ file.rowsTaken }} readings</td>
            <td>
              <template v-if="file.firstS && file.lastS"
                >{{ dateTime(file.firstS) }} to {{ dateTime(file.lastS) }}</template
              >
            </td>
            <td>
              <button class="button plain small" @click="removing = file">take out again</button>
            </td>
          </tr>
        </tbody>
      </WideTable>
    </section>

    <LabelDialog
      v-if="labelling"
      :places="[{ id, name: view.place.name }]"
      @close="labelling = false"
    />
    <PlaceDialog v-if="changing" :place="view.place" @close="changing = false" @saved="changed" />
    <AppDialog
      :model-value="removing !== null"
      title="Take these readings out?"
      width="min(28rem, 94vw)"
      @close="removing = null"
    >
      <p>
        The {{ removing?.rowsTaken }} readings of {{ removing?.name }} leave the record, and every
        spool that lay here is computed anew. Importing the file again brings them back.
      </p>
      <div class="confirm">
        <button class="button primary" @click="remove">Take them out</button>
        <button class="button" @click="removing = null">Keep them</button>
      </div>
    </AppDialog>
  </template>
</template>

<style scoped>
.title {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1rem;
  margin-bottom: 0.75rem;
}

.spools {
  display: grid;
  grid-template-columns: repeat(auto-fill, 7.5rem);
  gap: 0.5rem;
  padding: 0.75rem 0;
  border-bottom: 5px solid var(--board);
  margin-bottom: 1rem;
}

.ways {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(14rem, 1fr);
  gap: 2rem;
  margin-top: 1.25rem;
  align-items: start;
}

/* As high as it is once the chart is loaded. */
.plot {
  min-height: 16rem;
}

.deeds {
  display: flex;
  align-items: baseline;
  gap: 0.75rem;
}

.typed {
  display: grid;
  gap: 0.75rem;
  margin-top: 0.6rem;
  justify-items: stretch;
}

.typed .button {
  justify-self: start;
}

.asking {
  border-left: 4px solid var(--call);
  padding-left: 0.75rem;
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
}

.files {
  margin-top: 1.5rem;
}

.files .button,
.ways .table .button {
  min-height: 1.5rem;
  padding-block: 0;
}

.confirm {
  display: flex;
  gap: 0.75rem;
  margin-top: 1rem;
}

@media (max-width: 700px) {
  .ways {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
