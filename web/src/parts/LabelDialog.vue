<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import { choices, useOptions } from '@/stores/options'
import { computed, onMounted, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'

const props = withDefaults(
  defineProps<{
    codes?: readonly string[]
    /** Places to choose from. */
    places?: readonly { id: number; name: string }[]
  }>(),
  { codes: () => [], places: () => [] },
)
const emit = defineEmits<{ close: [] }>()

const SHEET_KEY = 'mind-spool-label-sheet'
const known = useOptions()
const sheet = ref(localStorage.getItem(SHEET_KEY) ?? 'A4_3X8')
const skip = ref<number | null>(0)
const chosen = ref(props.places.map((place) => place.id))
const address = ref<Schemas['LabelAddress'] | null>(null)

onMounted(async () => {
  try {
    address.value = await answer(client.GET('/api/label-address'))
  } catch {
    // The sheet can be printed all the same.
    address.value = null
  }
})

const count = computed(() => props.codes.length + chosen.value.length)
const title = computed(() => {
  const only = props.codes[0] ?? props.places[0]?.name
  return props.codes.length + props.places.length === 1 ? `Label for ${only}` : 'Labels'
})

const perPage = computed(
  () => known.labelSheets.find((each) => each.id === sheet.value)?.perPage ?? 1,
)
const options = computed(() => choices(known.labelSheets))
const link = computed(() => {
  const query = new URLSearchParams({
    sheet: sheet.value,
    skip: String(Math.min(skip.value ?? 0, perPage.value - 1)),
  })
  if (props.codes.length) {
    query.set('codes', props.codes.join(','))
  }
  if (chosen.value.length) {
    query.set('places', chosen.value.join(','))
  }
  return `/api/labels.pdf?${query.toString()}`
})

function remember() {
  localStorage.setItem(SHEET_KEY, sheet.value)
}
</script>

<template>
  <AppDialog :model-value="true" :title="title" width="min(28rem, 94vw)" @close="emit('close')">
    <div class="form">
      <fieldset v-if="places.length > 1" class="places">
        <legend>for</legend>
        <label v-for="place in places" :key="place.id">
          <input v-model="chosen" type="checkbox" :value="place.id" /> {{ place.name }}
        </label>
      </fieldset>
      <ChoiceField id="label-sheet" v-model="sheet" label="labels" :options="options" />
      <NumberField
        v-if="perPage > 1"
        id="label-skip"
        v-model="skip"
        label="labels already used up on the first sheet"
        :min="0"
        :max="perPage - 1"
      />
      <p v-if="address?.advice" class="warning" data-testid="label-warning">
        A phone cannot open these labels yet. {{ address.advice }}
      </p>
      <a
        v-if="count"
        class="button primary"
        :href="link"
        target="_blank"
        data-testid="labels-pdf"
        @click="remember"
        >Open the sheet with {{ count }} {{ count === 1 ? 'label' : 'labels' }} to print</a
      >
      <p class="small soft">
        Print at 100 %, not fitted to the page. The square opens the page of what it is on<template
          v-if="address"
        >
          at {{ address.base }}</template
        >. In <router-link to="/rounds" @click="emit('close')">Rounds</router-link> a scanned spool
        and then a scanned place is a move.
      </p>
    </div>
  </AppDialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 0.9rem;
  justify-items: start;
}

.form > * {
  width: 100%;
}

.form > .button {
  width: auto;
}

.places {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
  gap: 0.25rem 1rem;
  max-height: 14rem;
  overflow-y: auto;
  margin: 0;
  padding: 0;
  border: 0;
}

.places label {
  min-height: 1.5rem;
}

.warning {
  border-left: 4px solid var(--call);
  padding-left: 0.75rem;
  overflow-wrap: anywhere;
}
</style>
