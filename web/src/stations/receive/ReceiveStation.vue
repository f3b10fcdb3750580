<script setup lang="ts">
import { computed, onMounted, reactive, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { answer, client, Problem, type Schemas } from '@/api/client'
import MoistureLegend from '@/parts/MoistureLegend.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import NumberField from '@/parts/NumberField.vue'
import ProblemNote from '@/parts/ProblemNote.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import WhyNumber from '@/parts/WhyNumber.vue'
import { band, grams, metres, moisture } from '@/parts/format'
import type { Face } from '@/parts/spoolFace'
import { useActs } from '@/stores/acts'
import { useShelf } from '@/stores/shelf'

const PAUSE_MS = 150
const ARRIVALS = [
  { value: 'SEALED_TIGHT', label: 'bag sealed tight', note: 'film drawn tight over the reel' },
  { value: 'SLACK_BAG', label: 'bag slack', note: 'the seal leaked: exposed since packing' },
  { value: 'OPEN', label: 'open', note: 'no bag, or opened before' },
] as const

const DIAMETERS = [
  { value: 1.75, label: '1.75' },
  { value: 2.85, label: '2.85' },
] as const

const shelf = useShelf()
const acts = useActs()
const router = useRouter()
const materials = ref<Schemas['MaterialView'][]>([])
const reels = ref<Schemas['ReelsView'] | null>(null)
const preview = ref<Schemas['ReceivePreview'] | null>(null)
const problem = ref<Problem | null>(null)
const saving = ref(false)
const tried = ref(false)

const form = reactive({
  material: 'PETG',
  colourName: '',
  colourHex: '#5a646c',
  diameterMm: 1.75,
  nominalNetG: 1000,
  grossMassG: null as number | null,
  reel: 'plastic',
  emptyReelG: null as number | null,
  hubRadiusMm: 40 as number | null,
  rimRadiusMm: 100 as number | null,
  widthMm: 60 as number | null,
  arrival: 'SEALED_TIGHT' as (typeof ARRIVALS)[number]['value'],
  arrivedAt: null as Date | null,
  openedAt: null as Date | null,
  placeId: null as number | null,
})

onMounted(async () => {
  try {
    const [all, kinds] = await Promise.all([
      answer(client.GET('/api/materials')),
      answer(client.GET('/api/reels')),
    ])
    materials.value = all
    reels.value = kinds
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
})

/** A reel's usual dimensions follow from the mass it carries, until they are measured. */
watch(
  () => form.nominalNetG,
  (mass) => {
    const sizes = reels.value?.sizes ?? []
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
    const first = places.find((p) => p.place.kind !== 'DRYER')
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
}))

let timer: ReturnType<typeof setTimeout> | undefined
let asking = 0

async function ask() {
  const mine = ++asking
  try {
    const fresh = await answer(client.POST('/api/spools/preview', { body: body.value }))
    if (mine === asking) {
      preview.value = fresh
      problem.value = null
    }
  } catch (cause) {
    if (mine === asking) {
      problem.value = Problem.of(cause)
    }
  }
}

watch(
  body,
  () => {
    clearTimeout(timer)
    timer = setTimeout(ask, PAUSE_MS)
  },
  { immediate: true, deep: true },
)

const materialOptions = computed(() =>
  materials.value.map((m) => ({
    value: m.name,
    label: m.name === m.title ? m.name : `${m.name}, ${m.title}`,
  })),
)
const reelOptions = computed(
  () => reels.value?.kinds.map((k) => ({ value: k.id, label: k.title })) ?? [],
)
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

async function receive() {
  tried.value = true
  saving.value = true
  try {
    const { code } = await answer(client.POST('/api/spools', { body: body.value }))
    await acts.changed()
    acts.show(
      { text: `${code} is in stock. Write the code on it.`, remark: null, undo: null },
      null,
    )
    void router.push(`/spool/${code}`)
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  saving.value = false
}
</script>

<template>
  <div class="head">
    <h1>Receive a spool</h1>
    <MoistureLegend class="legend" />
  </div>
  <p v-if="shelf.view && shelf.places.length === 0">
    A spool needs a place to lie in.
    <router-link to="/shelf">Add one on the shelf</router-link> first.
  </p>
  <form novalidate class="columns" @submit.prevent="receive">
    <div class="fields">
      <div class="group">
        <ChoiceField
          id="material"
          v-model="form.material"
          label="material"
          :options="materialOptions"
          filterable
        />
        <div class="field">
          <label for="colour">colour, as you call it</label>
          <el-input id="colour" v-model="form.colourName" maxlength="60" data-testid="colour" />
        </div>
        <div class="field">
          <label for="hex">its look</label>
          <input id="hex" v-model="form.colourHex" type="color" class="hex" />
        </div>
        <ChoiceField
          id="diameter"
          v-model="form.diameterMm"
          label="diameter, mm"
          :options="DIAMETERS"
        />
        <NumberField
          id="net"
          v-model="form.nominalNetG"
          label="net mass on the label, g"
          :min="10"
          :max="10000"
          :step="250"
        />
      </div>

      <div class="group">
        <NumberField
          id="gross"
          v-model="form.grossMassG"
          label="gross mass now, g (if weighed)"
          :controls="false"
        />
        <ChoiceField id="reel" v-model="form.reel" label="reel" :options="reelOptions" />
        <NumberField
          id="empty"
          v-model="form.emptyReelG"
          label="empty reel, g (if known)"
          :min="0"
          :controls="false"
        />
        <NumberField
          id="hub"
          v-model="form.hubRadiusMm"
          label="hub radius, mm"
          :min="5"
          :controls="false"
        />
        <NumberField
          id="rim"
          v-model="form.rimRadiusMm"
          label="rim radius, mm"
          :min="10"
          :controls="false"
        />
        <NumberField
          id="width"
          v-model="form.widthMm"
          label="width between flanges, mm"
          :min="5"
          :controls="false"
        />
      </div>

      <fieldset class="group arrivals">
        <legend>state on arrival</legend>
        <label v-for="a in ARRIVALS" :key="a.value" :class="{ on: form.arrival === a.value }">
          <input v-model="form.arrival" type="radio" name="arrival" :value="a.value" />
          <b>{{ a.label }}</b>
          <span class="small soft">{{ a.note }}</span>
        </label>
      </fieldset>

      <div class="group">
        <ChoiceField id="place" v-model="form.placeId" label="lies in" :options="placeOptions" />
        <div class="field">
          <label for="arrived">there since (now if empty)</label>
          <el-date-picker
            id="arrived"
            v-model="form.arrivedAt"
            type="datetime"
            format="D MMM YYYY, HH:mm"
          />
        </div>
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
                of the label where it was not weighed. Weigh the empty reel when it runs out to
                close the range.
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
        Take it into stock
      </button>
    </aside>
  </form>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1.25rem;
  margin-bottom: 1rem;
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
