<script setup lang="ts">
import WideTable from '@/parts/WideTable.vue'
import { useOptions } from '@/stores/options'
import UndoButton from '@/parts/UndoButton.vue'
import { computed, ref, shallowRef } from 'vue'
import { answer, client, type Schemas } from '@/api/client'
import { usePolled } from '@/parts/polled'
import ProblemNote from '@/parts/ProblemNote.vue'
import { ago, dateTime } from '@/parts/format'
import { useShelf } from '@/stores/shelf'
import { useActs } from '@/stores/acts'
import DeviceDialog from './DeviceDialog.vue'
import DeviceMapping from './DeviceMapping.vue'
import HygrometerCheck from './HygrometerCheck.vue'

const POLL_MS = 2_000

/** What became of messages, in words; those that need a look come with a mark. */
const FATES: [string, string, boolean][] = [
  ['RECEIVED', 'received', false],
  ['STORED', 'readings stored', false],
  ['DUPLICATE', 'sent twice', false],
  ['OUT_OF_ORDER', 'out of order, stored', false],
  ['DELAYED', 'late by over 10 min, stored', false],
  ['UNKNOWN_TOPIC', 'from no known device', false],
  ['OLD_RETAINED', 'kept by the broker, of unknown age', false],
  ['MALFORMED', 'not readable', true],
  ['IMPOSSIBLE', 'impossible values', true],
  ['FUTURE_CLOCK', 'from the future: clock wrong', true],
  ['TOO_LARGE', 'too large', true],
  ['SET_ASIDE', 'could not be stored, set aside', true],
]

const shelf = useShelf()
const options = useOptions()
const acts = useActs()
const refused = shallowRef<Schemas['Refused'][]>([])
const checking = ref<number | null>(null)
const mapping = ref(false)
const changing = shallowRef<Schemas['DeviceView'] | null>(null)
const {
  view: known,
  problem,
  read,
} = usePolled(
  [() => acts.changes],
  async () => {
    const [mqtt, devices] = await Promise.all([
      answer(client.GET('/api/mqtt')),
      answer(client.GET('/api/devices')),
    ])
    return { mqtt, devices }
  },
  () => POLL_MS,
)
const mqtt = computed(() => known.value?.mqtt ?? null)
const devices = computed(() => known.value?.devices ?? [])

const shown = computed(() =>
  FATES.map(([key, text, look]) => ({
    key,
    text,
    look,
    count: mqtt.value?.counts[key] ?? 0,
  })).filter((fate) => fate.count > 0 || fate.key === 'RECEIVED'),
)

function value(channel: Schemas['ChannelView']): string {
  if (channel.latest === null) {
    return 'nothing yet'
  }
  if (channel.quantity === 'FILAMENT') {
    return channel.latest > 0 ? 'filament there' : 'filament run out'
  }
  const said = `${channel.latest.toFixed(1)} ${channel.quantityUnit}`
  const part = PARTS[channel.quantity]
  return part ? `${part} ${said}` : said
}

/** Of a printer more than one part tells its temperature. */
const PARTS: Partial<Record<Schemas['ChannelView']['quantity'], string>> = {
  CHAMBER: 'chamber',
  BED: 'bed',
  NOZZLE: 'nozzle',
  PROGRESS: 'done',
}

function latestS(device: Schemas['DeviceView']): number | null {
  const times = device.channels.map((channel) => channel.latestMs ?? 0)
  const last = Math.max(0, ...times)
  return last > 0 ? last / 1000 : null
}

async function showRefused() {
  refused.value = await answer(client.GET('/api/mqtt/refused'))
}

async function remove(device: Schemas['DeviceView']) {
  try {
    await acts.record(client.DELETE('/api/devices/{id}', { params: { path: { id: device.id } } }))
  } catch (cause) {
    acts.fail(cause)
  }
}

const VERDICTS: Record<Schemas['CheckView']['verdict'], string> = {
  USABLE: 'usable through its correction',
  ONE_POINT_ONLY: 'one salt only: good near that humidity, not for dry boxes',
  REJECT: 'too far off: replace it; its check is not used',
}
</script>

<template>
  <div class="head">
    <h1>Devices</h1>
    <p v-if="mqtt" class="soft" data-testid="broker">
      <template v-if="mqtt.problem">{{ mqtt.problem }}</template>
      <template v-else>
        {{ mqtt.embedded ? 'They publish to' : 'Listening to the broker at' }}
        <span class="code">mqtt://{{ mqtt.address }}</span
        >, {{ mqtt.connected ? 'connected' : 'not connected' }}
      </template>
    </p>
  </div>
  <ProblemNote v-if="problem" :problem="problem" />

  <ul v-if="devices.length && options.deviceKinds.length" class="devices">
    <li v-for="device in devices" :key="device.id" :data-testid="`device-${device.id}`">
      <div class="name">
        <h2>{{ device.name }}</h2>
        <p class="small soft">
          {{ options.deviceKind(device.kind)
          }}<template v-if="device.placeId">
            in
            <router-link :to="`/place/${device.placeId}`">{{
              shelf.placeName(device.placeId)
            }}</router-link></template
          >;
          <template v-if="latestS(device)">{{ ago(latestS(device)!, Date.now() / 1000) }}</template>
          <template v-else>has said nothing yet</template>
        </p>
      </div>
      <div class="values">
        <span
          v-for="channel in device.channels"
          :key="channel.id"
          class="value"
          :class="{ many: device.channels.length > 2 }"
          >{{ value(channel) }}</span
        >
        <p v-if="device.correctedPercent !== null" class="small soft">
          {{
            device.checks.some((check) => !check.undone)
              ? `corrected ${device.correctedPercent.toFixed(1)}`
              : 'never checked:'
          }}
          ± {{ (device.uncertaintyPercent ?? 0).toFixed(1) }} %
        </p>
      </div>
      <div class="state small">
        <p v-if="device.checkDueS !== null" :class="device.checkOverdue ? 'call' : 'soft'">
          {{
            device.checkOverdue ? 'salt check due' : `salt check by ${dateTime(device.checkDueS)}`
          }}
        </p>
        <p v-for="flag in device.flags.slice(0, 3)" :key="flag.kind + flag.fromS">
          <b>{{ flag.masks ? 'left out' : 'look' }}:</b> {{ flag.why }},
          {{ dateTime(flag.fromS) }} to
          {{ dateTime(flag.toS) }}
        </p>
        <p class="soft">
          {{ device.channels.reduce((sum, channel) => sum + channel.readings, 0) }} readings from
          <span class="code">{{ device.channels[0]?.topicFilter }}</span>
        </p>
        <p v-for="check in device.checks" :key="check.id" :class="{ undone: check.undone }">
          {{ dateTime(check.atS) }}: {{ check.points }}; gain {{ check.gain.toFixed(3) }}, offset
          {{ check.offsetPercent.toFixed(1) }} %: {{ VERDICTS[check.verdict]
          }}<template v-if="check.person">; by {{ check.person }}</template>
          <UndoButton :act="check.actId" :undone="check.undone" what="this check" />
        </p>
      </div>
      <div class="acts">
        <button
          v-if="device.kind === 'HYGROMETER'"
          class="button"
          @click="checking = checking === device.id ? null : device.id"
        >
          Check over salt
        </button>
        <button class="button plain small" @click="changing = device">rename or move</button>
        <button class="button plain small" @click="remove(device)">stop listening</button>
      </div>
      <HygrometerCheck
        v-if="checking === device.id"
        class="check"
        :device="device"
        @done="((checking = null), read())"
      />
    </li>
  </ul>
  <p v-else-if="mqtt && !devices.length" class="first">
    No device is known yet. Let one publish to the address above; its messages then appear below,
    and a click on a number says what it is.
  </p>

  <DeviceDialog v-if="changing" :device="changing" @close="((changing = null), read())" />
  <section v-if="known && options.deviceKinds.length" class="more">
    <button v-if="!mapping" class="button primary" @click="mapping = true">Add a device</button>
    <DeviceMapping v-else-if="mqtt" :mqtt="mqtt" @done="((mapping = false), read())" />
  </section>

  <section v-if="mqtt && options.deviceKinds.length" class="fates small">
    <h2>Messages since the start</h2>
    <p class="counts">
      <span v-for="fate in shown" :key="fate.key" class="fate" :class="{ look: fate.look }"
        ><b>{{ fate.count }}</b> {{ fate.text }}</span
      >
    </p>
    <details @toggle="showRefused">
      <summary>those that could not be used, as they came</summary>
      <WideTable label="Devices">
        <tbody>
          <tr v-for="(message, i) in refused" :key="i">
            <td>{{ dateTime(message.receivedS) }}</td>
            <td class="code">{{ message.topic }}</td>
            <td>{{ message.reason.toLowerCase().replaceAll('_', ' ') }}</td>
            <td class="raw">{{ message.payload.slice(0, 160) }}</td>
          </tr>
        </tbody>
      </WideTable>
      <p v-if="refused.length === 0" class="soft">none</p>
    </details>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1.25rem;
  margin-bottom: 0.75rem;
}

.devices {
  list-style: none;
  margin: 0;
  padding: 0;
  border-top: 3px solid var(--ink);
}

.devices > li {
  display: grid;
  grid-template-columns: minmax(11rem, 1.2fr) minmax(9rem, 1fr) minmax(14rem, 2.2fr) auto;
  gap: 0.25rem 1.25rem;
  padding: 0.7rem 0;
  border-bottom: 1px solid var(--board);
}

.value {
  font-size: var(--size-3);
  font-weight: 700;
  margin-right: 1rem;
  white-space: nowrap;
}

.value.many {
  display: block;
  font-size: var(--size-2);
  font-weight: 400;
  white-space: normal;
}

.acts {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
  gap: 0.25rem;
}

.check {
  grid-column: 1 / -1;
}

.undone {
  text-decoration: line-through;
  color: var(--soft);
}

.more {
  margin: 1.25rem 0;
}

.counts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.25rem 1.25rem;
}

.state {
  min-width: 0;
  overflow-wrap: anywhere;
}

.fate.look b {
  color: var(--call);
}

.raw {
  font-family: var(--mono);
  overflow-wrap: anywhere;
}

.first {
  max-width: 40rem;
  font-size: var(--size-3);
}

summary {
  cursor: pointer;
  margin-top: 0.5rem;
}

@media (max-width: 960px) {
  .devices > li {
    grid-template-columns: minmax(0, 1fr) auto;
  }

  .state {
    grid-column: 1 / -1;
  }

  .acts {
    grid-column: 1 / -1;
    flex-direction: row;
    align-items: center;
  }
}
</style>
