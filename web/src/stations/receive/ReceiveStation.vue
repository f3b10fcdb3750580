<script setup lang="ts">
import AppForm from '@/parts/AppForm.vue'
import { useFormProblem } from '@/parts/formProblem'
import TimeField from '@/parts/TimeField.vue'
import TextField from '@/parts/TextField.vue'
import { choices, useOptions } from '@/stores/options'
import { computed, nextTick, onMounted, reactive, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import MoistureLegend from '@/parts/MoistureLegend.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import LabelDialog from '@/parts/LabelDialog.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import ScaleLine from '@/parts/ScaleLine.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import { band, grams, metres, moisture } from '@/parts/format'
import { useLatestAnswer } from '@/parts/latestAnswer'
import type { Face } from '@/parts/spoolFace'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'
import YesNo from './YesNo.vue'

const PAUSE_MS = 150
/** Less than this on the scale is no reel, g. */
const LEAST_REEL_G = 30
const shelf = useShelf()
const acts = useActs()
const options = useOptions()
const templates = ref<Schemas['MakerTemplate'][]>([])
const saving = ref(false)
const tried = ref(false)

const form = reactive({
  material: 'PETG',
  colourName: '',
  colourHex: '#5a646c',
  diameterMm: 1.75,
  nominalNetG: 1000,
  reel: 'plastic',
  emptyReelG: null as number | null,
  hubRadiusMm: 40 as number | null,
  rimRadiusMm: 100 as number | null,
  widthMm: 60 as number | null,
  arrival: 'SEALED_TIGHT' as Schemas['ArrivalView']['id'],
  arrivedAt: null as Date | null,
  openedAt: null as Date | null,
  placeId: null as number | null,
  lot: {
    maker: '',
    batch: '',
    price: null as number | null,
    currency: 'EUR',
    nozzleLowC: null as number | null,
    nozzleHighC: null as number | null,
    bedLowC: null as number | null,
    bedHighC: null as number | null,
  },
  check: {
    desiccantPresent: null as boolean | null,
    cardHumidPercent: null as number | null,
    labelMatches: null as boolean | null,
    windingEven: null as boolean | null,
    heatSuspected: null as boolean | null,
    bend: null as Schemas['BendView']['id'] | null,
  },
})

/** One row for each reel in the box; they share everything else. */
interface Reel {
  grossMassG: number | null
  endSecured: boolean | null
}
const reels = reactive<Reel[]>([{ grossMassG: null, endSecured: null }])
const diameters = ref('')
const received = ref<string[]>([])
const labelling = ref(false)

const points = computed(() =>
  diameters.value
    .replaceAll(',', '.')
    .split(/[\s;]+/)
    .map(Number)
    .filter((value) => value > 0),
)

/** Adds a row and goes there. */
async function oneMore() {
  reels.push({ grossMassG: null, endSecured: null })
  await nextTick()
  document.getElementById(`gross-${reels.length - 1}`)?.focus()
}

const weighing = ref(false)

/** The reel on the scale is the first one without a mass; with none left, another row is asked for. */
function rests(massG: number) {
  const next = reels.find((reel) => reel.grossMassG === null)
  if (next) {
    next.grossMassG = massG
  }
}

/** A reel's usual dimensions follow from the mass it carries, until they are measured. */
watch(
  () => form.nominalNetG,
  (mass) => {
    const sizes = options.reels.sizes
    const nearest = [...sizes].sort(
      (a, b) => Math.abs(Math.log(mass / a.nominalNetG)) - Math.abs(Math.log(mass / b.nominalNetG)),
    )[0]
    if (nearest) {
      form.hubRadiusMm = nearest.hubRadiusMm
      form.rimRadiusMm = nearest.rimRadiusMm
      form.widthMm = nearest.widthMm
    }
  },
)

watch(
  () => shelf.places,
  (places) => {
    const first =
      places.find((p) => !['DRYER', 'ROOM'].includes(p.place.kind)) ??
      places.find((p) => p.place.kind !== 'DRYER')
    if (form.placeId === null && first) {
      form.placeId = first.place.id
    }
  },
  { immediate: true },
)

const body = computed(() => ({
  ...form,
  colourName: form.colourName.trim() || (tried.value ? '' : 'unnamed'),
  arrivedAt: form.arrivedAt?.toISOString(),
  openedAt: form.arrival === 'OPEN' ? undefined : form.openedAt?.toISOString(),
  lot: form.lot.maker.trim() ? form.lot : undefined,
  check: {
    ...form.check,
    bend: form.check.bend ?? undefined,
    diameterPointsMm: points.value.length > 1 ? points.value : [],
  },
}))

/** What is previewed: the reel last weighed, with its own answer about the end. */
const previewed = computed(() => {
  const reel = [...reels].reverse().find((each) => each.grossMassG !== null) ?? reels[0]
  return {
    ...body.value,
    grossMassG: reel?.grossMassG ?? null,
    check: {
      ...body.value.check,
      endSecured: reels.some((r) => r.endSecured === false) ? false : null,
    },
  }
})

const { view: preview, problem } = useLatestAnswer(
  [previewed],
  () => answer(client.POST('/api/spools/preview', { body: previewed.value })),
  PAUSE_MS,
)
useFormProblem(problem)

onMounted(async () => {
  try {
    templates.value = await answer(client.GET('/api/stock/templates'))
  } catch {
    // Everything can be typed.
    templates.value = []
  }
})

/** A maker whose reels were received before: how they were described then. */
const template = computed(() => {
  const maker = form.lot.maker.trim().toLowerCase()
  return templates.value.find((each) => each.maker.toLowerCase() === maker) ?? null
})

async function fill() {
  const known = template.value
  if (!known) {
    return
  }
  form.nominalNetG = known.nominalNetG
  form.diameterMm = known.diameterMm
  form.reel = known.reel
  form.emptyReelG = known.emptyReelG
  // After what usually follows from the net mass.
  await nextTick()
  form.hubRadiusMm = known.hubRadiusMm
  form.rimRadiusMm = known.rimRadiusMm
  form.widthMm = known.widthMm
}

const materialOptions = computed(() =>
  options.materials.map((m) => ({
    value: m.name,
    label: m.name === m.title ? m.name : `${m.name}, ${m.title}`,
  })),
)
const diameterOptions = computed(() =>
  options.receiving.diametersMm.map((mm) => ({ value: mm, label: String(mm) })),
)
const reelOptions = computed(() => choices(options.reels.kinds))
const placeOptions = computed(() =>
  shelf.places.map((p) => ({ value: p.place.id, label: p.place.name })),
)

const face = computed<Face | null>(() => {
  const p = preview.value
  return p
    ? {
        hubRadiusMm: form.hubRadiusMm ?? 40,
        windingRadiusMm: p.windingRadiusMm,
        rimRadiusMm: form.rimRadiusMm ?? 100,
        ringShares: [1, 1].map(() => p.startMoisturePercent / p.printLimitPercent),
        hubColour: form.colourHex,
        sealed: form.arrival !== 'OPEN' && form.openedAt === null,
      }
    : null
})

/** Enter in a field is the end of a word or a scanner's: only the button takes into stock. */
function notFromAField(event: KeyboardEvent) {
  if (event.target instanceof HTMLInputElement) {
    event.preventDefault()
  }
}

async function receive() {
  tried.value = true
  saving.value = true
  try {
    const { codes } = await acts.record(
      client.POST('/api/deliveries', { body: { common: body.value, reels: [...reels] } }),
    )
    received.value = codes
    tried.value = false
    reels.splice(0, reels.length, { grossMassG: null, endSecured: null })
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  saving.value = false
}
</script>

<template>
  <div class="head">
    <h1>Receive</h1>
    <router-link to="/lots">lots</router-link>
    <MoistureLegend class="legend" />
  </div>
  <p v-if="shelf.view && shelf.places.length === 0">
    A spool needs a place to lie in.
    <router-link to="/shelf">Add one on the shelf</router-link> first.
  </p>
  <section v-if="received.length" class="received" data-testid="received">
    <p>
      In stock:
      <router-link v-for="code in received" :key="code" class="code" :to="`/spool/${code}`">{{
        code
      }}</router-link>
    </p>
    <button class="button primary" @click="labelling = true">
      Print {{ received.length === 1 ? 'its label' : 'their labels' }}
    </button>
    <span class="soft small">The form below is ready for more of the same lot.</span>
  </section>
  <AppForm class="columns" @submit="receive" @keydown.enter="notFromAField">
    <div class="fields">
      <div class="group">
        <ChoiceField
          id="material"
          v-model="form.material"
          name="material"
          label="material"
          :options="materialOptions"
          filterable
          default-first-option
        />
        <TextField
          id="colour"
          v-model="form.colourName"
          label="colour, as you call it"
          name="colourName"
          maxlength="60"
          data-testid="colour"
        />
        <div class="field">
          <label for="hex">its look</label>
          <input id="hex" v-model="form.colourHex" type="color" class="hex" />
        </div>
        <ChoiceField
          id="diameter"
          v-model="form.diameterMm"
          name="diameterMm"
          label="diameter, mm"
          :options="diameterOptions"
        />
        <NumberField
          id="net"
          v-model="form.nominalNetG"
          name="nominalNetG"
          label="net mass on the label, g"
          :min="10"
          :max="10000"
          :step="250"
        />
      </div>

      <div class="group">
        <ChoiceField
          id="reel"
          v-model="form.reel"
          name="reel"
          label="reel"
          :options="reelOptions"
        />
        <NumberField
          id="empty"
          v-model="form.emptyReelG"
          name="emptyReelG"
          label="empty reel, g (if known)"
          :min="0"
          :controls="false"
        />
        <NumberField
          id="hub"
          v-model="form.hubRadiusMm"
          name="hubRadiusMm"
          label="hub radius, mm"
          :min="5"
          :controls="false"
        />
        <NumberField
          id="rim"
          v-model="form.rimRadiusMm"
          name="rimRadiusMm"
          label="rim radius, mm"
          :min="10"
          :controls="false"
        />
        <NumberField
          id="width"
          v-model="form.widthMm"
          name="widthMm"
          label="width between flanges, mm"
          :min="5"
          :controls="false"
        />
      </div>

      <div class="group lot">
        <TextField
          id="maker"
          v-model="form.lot.maker"
          label="maker, as on the label (if you keep lots)"
          name="lot.maker"
          maxlength="80"
          list="makers"
        />
        <datalist id="makers">
          <option v-for="each in templates" :key="each.maker" :value="each.maker" />
        </datalist>
        <p v-if="template" class="small template" data-testid="template">
          {{ template.maker }}'s reels came last as {{ grams(template.nominalNetG) }} net,
          {{ template.widthMm }} mm wide<template v-if="template.emptyReelG !== null"
            >, {{ grams(template.emptyReelG) }} empty</template
          >.
          <button type="button" class="button small" @click="fill">Fill that in</button>
        </p>
        <TextField
          id="batch"
          v-model="form.lot.batch"
          label="batch"
          name="lot.batch"
          maxlength="80"
        />
        <NumberField
          id="price"
          v-model="form.lot.price"
          name="lot.price"
          label="price of one"
          :min="0"
          :controls="false"
        />
        <TextField
          id="currency"
          v-model="form.lot.currency"
          label="currency"
          name="lot.currency"
          maxlength="3"
        />
        <details class="wide">
          <summary>the label's temperatures</summary>
          <div class="four">
            <NumberField
              id="nozzle-low"
              v-model="form.lot.nozzleLowC"
              name="lot.nozzleLowC"
              label="nozzle from, °C"
              :controls="false"
            />
            <NumberField
              id="nozzle-high"
              v-model="form.lot.nozzleHighC"
              name="lot.nozzleHighC"
              label="nozzle to, °C"
              :controls="false"
            />
            <NumberField
              id="bed-low"
              v-model="form.lot.bedLowC"
              name="lot.bedLowC"
              label="bed from, °C"
              :controls="false"
            />
            <NumberField
              id="bed-high"
              v-model="form.lot.bedHighC"
              name="lot.bedHighC"
              label="bed to, °C"
              :controls="false"
            />
          </div>
        </details>
      </div>

      <fieldset class="group arrivals">
        <legend>state on arrival</legend>
        <label
          v-for="a in options.receiving.arrivals"
          :key="a.id"
          :class="{ on: form.arrival === a.id }"
        >
          <input v-model="form.arrival" type="radio" name="arrival" :value="a.id" />
          <b>{{ a.title }}</b>
          <span class="small soft">{{ a.sign }}</span>
        </label>
      </fieldset>

      <details class="questions">
        <summary>
          what you saw when you unpacked it (each answer changes what is computed or advised)
        </summary>
        <div class="group">
          <YesNo
            v-if="form.arrival !== 'OPEN'"
            v-model="form.check.desiccantPresent"
            name="desiccant"
            question="Sachet in the bag?"
          />
          <NumberField
            v-if="form.arrival !== 'OPEN'"
            id="card"
            v-model="form.check.cardHumidPercent"
            name="check.cardHumidPercent"
            label="humidity card shows, % (if any)"
            :min="0"
            :max="100"
            :controls="false"
          />
          <YesNo
            v-model="form.check.labelMatches"
            name="label"
            question="Label says what was ordered?"
          />
          <YesNo
            v-model="form.check.windingEven"
            name="winding"
            question="Winding even, rim whole?"
          />
          <YesNo
            v-model="form.check.heatSuspected"
            name="heat"
            question="Was it in a hot car or a hot shipping container?"
          />
          <ChoiceField
            id="bend"
            v-model="form.check.bend"
            name="check.bend"
            label="a piece bent around 20 mm"
            :options="choices(options.receiving.bends)"
            placeholder="not tried"
            clearable
          />
          <TextField
            id="diameters"
            v-model="diameters"
            name="check.diameterPointsMm"
            label="diameters measured, mm, with spaces (ten is best)"
            placeholder="1.74 1.75 1.76"
          />
        </div>
      </details>

      <div class="group">
        <ChoiceField
          id="place"
          v-model="form.placeId"
          name="placeId"
          label="lies in"
          :options="placeOptions"
        />
        <TimeField
          id="arrived"
          v-model="form.arrivedAt"
          label="there since (now if empty)"
          name="arrivedAt"
        />
        <div v-if="form.arrival !== 'OPEN'" class="field">
          <label for="opened">bag opened (not yet if empty)</label>
          <el-date-picker
            id="opened"
            v-model="form.openedAt"
            type="datetime"
            format="D MMM YYYY, HH:mm"
          />
        </div>
      </div>

      <div class="group reels">
        <div v-for="(reel, i) in reels" :key="i" class="reel">
          <span class="soft small">reel {{ i + 1 }}</span>
          <NumberField
            :id="i === 0 ? 'gross' : `gross-${i}`"
            v-model="reel.grossMassG"
            :name="`reels[${i}].grossMassG`"
            label="gross mass now, g (if weighed)"
            :controls="false"
            @keydown.enter.prevent="oneMore"
          />
          <YesNo v-model="reel.endSecured" :name="`end-${i}`" question="End hooked in?" />
          <button
            v-if="reels.length > 1"
            type="button"
            class="button plain small"
            @click="reels.splice(i, 1)"
          >
            not this one
          </button>
        </div>
        <button type="button" class="button" data-testid="one-more" @click="oneMore">
          One more of the same (Enter)
        </button>
        <label class="weigh small">
          <input v-model="weighing" type="checkbox" data-testid="from-scale" />
          take the masses from the scale: the next empty row gets what it rests at
        </label>
        <ScaleLine v-if="weighing" :least-g="LEAST_REEL_G" @rests="rests" />
      </div>
    </div>

    <aside aria-label="What it means" aria-live="polite">
      <SpoolFace
        v-if="face"
        :face="face"
        :size="200"
        label="The spool as described, at its true radius"
      />
      <template v-if="preview">
        <p class="consequence" data-testid="consequence">{{ preview.consequence }}</p>
        <ul v-if="preview.consequences.length" class="findings" data-testid="findings">
          <li v-for="found in preview.consequences" :key="found.about">
            <b :class="{ call: found.needsHand }">{{ found.about }}:</b> {{ found.what }}
          </li>
        </ul>
        <p>
          <WhyNumber what="Moisture on arrival">
            <b>{{ moisture(preview.startMoisturePercent) }}</b> at the start
            <span class="soft small"
              >({{ preview.startLowPercent.toFixed(3) }} to
              {{ preview.startHighPercent.toFixed(3) }})</span
            >
            <template #why>
              <p>
                Water in balance with the air that its packing suggests; 80 % band. An estimate
                (grade D) until it is weighed before and after drying.
              </p>
              <p>
                Dry target {{ preview.dryTargetPercent }} %, print limit
                {{ preview.printLimitPercent }} %.
              </p>
            </template>
          </WhyNumber>
        </p>
        <p data-testid="remaining">
          <WhyNumber what="Filament on it">
            <b>{{ band(preview.remainingG, grams) }}</b>, {{ band(preview.remainingM, metres) }}
            <template #why>
              <p>
                Gross mass minus the empty reel, {{ band(preview.emptyReelG, grams) }}; the net mass
                of the label where it was not weighed.
                <template v-if="preview.siblingEmptyReelG !== null">
                  Empty reels of this maker weighed {{ grams(preview.siblingEmptyReelG) }}.
                </template>
                Weigh the empty reel when it runs out to close the range.
              </p>
            </template>
          </WhyNumber>
        </p>
      </template>
      <ProblemNote v-if="problem" :problem="problem" />
      <button
        class="button primary"
        :disabled="saving || form.placeId === null"
        data-testid="receive"
      >
        {{ reels.length === 1 ? 'Take it into stock' : `Take ${reels.length} into stock` }}
      </button>
    </aside>
  </AppForm>
  <LabelDialog v-if="labelling" :codes="received" @close="labelling = false" />
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1.25rem;
  margin-bottom: 1rem;
}

.template {
  grid-column: 1 / -1;
}

.legend {
  margin-left: auto;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 17rem;
  gap: 2rem;
  align-items: start;
}

.fields {
  display: grid;
  gap: 1.25rem;
}

.group {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  gap: 0.9rem 1rem;
  border: 0;
  border-top: 1px solid var(--board);
  padding: 0.9rem 0 0;
  margin: 0;
}

.group:first-child {
  border-top: 0;
  padding-top: 0;
}

.hex {
  width: 100%;
  height: 2.5rem;
  padding: 0.15rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
}

.arrivals {
  grid-template-columns: repeat(3, minmax(0, 1fr));
}

.arrivals legend {
  font-size: var(--size-1);
  color: var(--soft);
  padding: 0;
}

.arrivals label {
  display: flex;
  flex-direction: column;
  padding: 0.6rem 0.75rem;
  border: 2px solid var(--hairline);
  border-radius: var(--corner);
  cursor: pointer;
}

.arrivals label.on {
  border-color: var(--ink);
  background: var(--sheet);
}

.arrivals input {
  position: absolute;
  opacity: 0;
}

.arrivals label:has(:focus-visible) {
  outline: 3px solid var(--focus);
  outline-offset: 2px;
}

.received {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.75rem;
  padding: 0.75rem;
  margin-bottom: 1rem;
  background: var(--sheet);
  border-top: 3px solid var(--ink);
}

.received .code {
  font-size: var(--size-4);
  margin-right: 0.75rem;
}

.wide {
  grid-column: 1 / -1;
}

.four {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(9rem, 1fr));
  gap: 0.75rem;
  padding-top: 0.6rem;
}

summary {
  cursor: pointer;
}

.questions {
  border-top: 1px solid var(--board);
  padding-top: 0.75rem;
}

.questions .group {
  border-top: 0;
}

.reels {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  justify-items: start;
}

.reel {
  display: flex;
  flex-wrap: wrap;
  gap: 1rem;
  align-items: end;
}

.reel .field {
  width: 13rem;
}

.findings {
  margin: 0;
  padding: 0;
  list-style: none;
}

.findings li {
  padding: 0.25rem 0;
  border-top: 1px solid var(--hairline);
}

aside {
  display: grid;
  gap: 0.75rem;
  justify-items: start;
  position: sticky;
  top: 5.5rem;
}

.consequence {
  font-size: var(--size-3);
  font-weight: 700;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  .group {
    grid-template-columns: 1fr 1fr;
  }

  .arrivals {
    grid-template-columns: minmax(0, 1fr);
  }

  aside {
    position: static;
  }
}
</style>
