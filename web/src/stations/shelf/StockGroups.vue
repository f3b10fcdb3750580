<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client, Problem, type Schemas } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import WideTable from '@/parts/WideTable.vue'
import { csv, saveAs } from '@/parts/csv'
import { grams, metres } from '@/parts/format'
import { questions } from '@/parts/latestAnswer'
import { useActs } from '@/stores/acts'

type Group = Schemas['StockGroup']

const acts = useActs()
const groups = ref<Group[] | null>(null)
const problem = ref<Problem | null>(null)
const question = questions()

async function read() {
  const isLast = question()
  try {
    const found = await answer(client.GET('/api/stock/groups'))
    if (isLast()) {
      groups.value = found
    }
  } catch (cause) {
    if (isLast()) {
      problem.value = Problem.of(cause)
    }
  }
}
watch(() => acts.changes, read, { immediate: true })

const short = computed(() => (groups.value ?? []).filter((group) => group.toOrderG > 0))
const sums = computed(() => ({
  spools: (groups.value ?? []).reduce((sum, each) => sum + each.spools, 0),
  grams: (groups.value ?? []).reduce((sum, each) => sum + each.grams, 0),
  metres: (groups.value ?? []).reduce((sum, each) => sum + each.metres, 0),
}))

async function setMinimum(group: Group, typed: string) {
  const text = typed.trim().replace(',', '.')
  try {
    await acts.record(
      client.PUT('/api/stock/minimums', {
        body: {
          material: group.material,
          colourName: group.colourName,
          minimumG: text === '' ? null : Number(text),
        },
      }),
    )
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
  await read()
}

function download() {
  saveAs(
    'to-order.csv',
    csv(
      ['material', 'colour', 'in stock, g', 'minimum, g', 'to order, g'],
      short.value.map((group) => [
        group.material,
        group.colourName,
        Math.round(group.grams),
        group.minimumG,
        Math.round(group.toOrderG),
      ]),
    ),
  )
}
</script>

<template>
  <ProblemNote v-if="problem" :problem="problem" />
  <p v-if="groups" class="lead">
    <template v-if="short.length === 0">Nothing is below its minimum.</template>
    <template v-else>
      <span class="call">{{ short.length }} below the minimum.</span>
      <button class="button plain" @click="download">save what to order as CSV</button>
    </template>
  </p>
  <WideTable v-if="groups?.length" label="Stock by material and colour" data-testid="groups">
    <thead>
      <tr>
        <th>Material</th>
        <th>Colour</th>
        <th class="n">Spools</th>
        <th class="n">Left</th>
        <th class="n">Length</th>
        <th class="n">At least, g</th>
        <th class="n">To order</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="group in groups" :key="`${group.material} ${group.colourName}`">
        <td>{{ group.material }}</td>
        <td>{{ group.colourName }}</td>
        <td class="n">{{ group.spools }}</td>
        <td class="n">{{ grams(group.grams) }}</td>
        <td class="n">{{ metres(group.metres) }}</td>
        <td class="n">
          <input
            :value="group.minimumG ?? ''"
            inputmode="decimal"
            autocomplete="off"
            placeholder="none"
            :aria-label="`At least, g: ${group.material} ${group.colourName}`"
            @change="setMinimum(group, ($event.target as HTMLInputElement).value)"
          />
        </td>
        <td class="n" :class="group.toOrderG > 0 ? 'call' : 'soft'">
          {{ group.toOrderG > 0 ? grams(group.toOrderG) : '–' }}
        </td>
      </tr>
    </tbody>
    <tfoot>
      <tr>
        <th colspan="2">All</th>
        <td class="n">{{ sums.spools }}</td>
        <td class="n">{{ (sums.grams / 1000).toFixed(1) }} kg</td>
        <td class="n">{{ metres(sums.metres) }}</td>
        <td colspan="2" />
      </tr>
    </tfoot>
  </WideTable>
  <p v-if="groups?.length === 0" class="soft">There is no spool yet.</p>
</template>

<style scoped>
.lead {
  min-height: 2rem;
}

input {
  width: 5.5rem;
  padding: 0.25rem 0.4rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  background: var(--field);
  text-align: right;
}
</style>
