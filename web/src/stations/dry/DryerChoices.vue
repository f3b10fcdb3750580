<script setup lang="ts">
import { computed } from 'vue'
import AppForm from '@/parts/AppForm.vue'
import ChoiceField from '@/parts/ChoiceField.vue'
import NumberField from '@/parts/NumberField.vue'
import { temperature } from '@/parts/format'
import { useDryers } from '@/stores/dryers'
import { useShelf, type ShelfPlace } from '@/stores/shelf'
import DryerFacts from './DryerFacts.vue'
import { chooseDryer, type DryerForm } from './dryerForm'

/** Changed here, shared with the page that asks for the forecast. */
const form = defineModel<DryerForm>({ required: true })

defineProps<{
  /** The recommended setpoint, shown while none is typed. */
  setpointC?: number
  /** The room's air as it was taken. */
  room?: { roomTemperatureC: number; roomRelativeHumidityPercent: number }
}>()

const shelf = useShelf()
const store = useDryers()

const VENTS = [
  { value: 'free', label: 'vented freely' },
  { value: 'limited', label: 'limited' },
] as const
const named = (p: ShelfPlace) => ({ value: p.place.id, label: p.place.name })
const dryerOptions = computed(() => [
  ...store.dryers.map((dryer) => ({
    value: dryer.placeId,
    label: dryer.outOfOrder ? `${dryer.name}, out of order` : dryer.name,
  })),
  { value: 0, label: 'another, described here' },
])
const dryer = computed(() => store.dryers.find((each) => each.placeId === form.value.dryerId))
const roomOptions = computed(() => [
  ...shelf.places.filter((p) => p.place.kind !== 'DRYER').map(named),
  { value: 0, label: 'typed here' },
])
</script>

<template>
  <AppForm class="choices" aria-label="Dryer and room">
    <ChoiceField
      id="dryer"
      label="dryer"
      :options="dryerOptions"
      :model-value="form.dryerId ?? 0"
      @update:model-value="chooseDryer(form, $event, store.dryers)"
    />
    <DryerFacts v-if="dryer" :dryer="dryer" />
    <NumberField
      id="setpoint"
      v-model="form.setpointC"
      name="setpointC"
      label="setpoint, °C (recommended if empty)"
      :min="20"
      :max="250"
      :step="1"
      :placeholder="setpointC === undefined ? '' : String(Math.floor(10 * setpointC + 1e-6) / 10)"
    />
    <template v-if="!dryer">
      <NumberField
        id="rated"
        v-model="form.ratedMaxC"
        name="ratedMaxC"
        label="rated maximum, °C"
        :min="30"
        :max="250"
      />
      <ChoiceField
        id="vent"
        v-model="form.vent"
        name="vent"
        label="air exchange with the room"
        :options="VENTS"
      />
      <NumberField
        v-if="form.vent === 'limited'"
        id="ach"
        v-model="form.airChangesPerHour"
        name="airChangesPerHour"
        label="air changes per hour"
        :min="0.01"
        :max="1000"
        :step="1"
      />
      <details>
        <summary>how it really behaves</summary>
        <NumberField
          id="hottest"
          v-model="form.hottestAboveSetC"
          name="hottestAboveSetC"
          label="hottest spot above the setpoint, °C"
          difference
          :min="0"
          :max="60"
        />
        <NumberField
          id="bias"
          v-model="form.biasC"
          name="biasC"
          label="true air minus setpoint, °C"
          difference
          :min="-40"
          :max="40"
        />
        <NumberField
          id="volume"
          v-model="form.volumeL"
          name="volumeL"
          label="inside volume, L"
          :min="1"
          :max="2000"
        />
      </details>
    </template>
    <ChoiceField
      id="room"
      label="room whose air it takes"
      :options="roomOptions"
      :model-value="form.roomId ?? 0"
      @update:model-value="form.roomId = $event"
    />
    <template v-if="!form.roomId">
      <NumberField
        id="room-t"
        v-model="form.roomTemperatureC"
        name="roomTemperatureC"
        label="room temperature, °C"
        :min="-40"
        :max="60"
      />
      <NumberField
        id="room-h"
        v-model="form.roomHumidityPercent"
        name="roomHumidityPercent"
        label="room humidity, %"
        :min="0"
        :max="100"
      />
    </template>
    <p v-else-if="room" class="small soft">
      mean of the last day: {{ temperature(room.roomTemperatureC, 1) }},
      {{ room.roomRelativeHumidityPercent.toFixed(0) }} %
    </p>
  </AppForm>
</template>

<style scoped>
.choices {
  display: grid;
  gap: 0.75rem;
}

details .field {
  margin-top: 0.6rem;
}

summary {
  cursor: pointer;
}
</style>
