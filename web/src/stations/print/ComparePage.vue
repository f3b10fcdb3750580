<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { answer, client, Problem } from '@/api/client'
import ProblemNote from '@/parts/ProblemNote.vue'
import WideTable from '@/parts/WideTable.vue'
import { inShownUnits } from '@/parts/format'
import { useActs } from '@/stores/acts'
import { verdict, worst, type JobSheet } from './sheet'

/** Setup sheets of the jobs to come, side by side. */
const acts = useActs()
const sheets = ref<JobSheet[] | null>(null)
const problem = ref<Problem | null>(null)
const hidden = ref<number[]>([])

async function read() {
  try {
    const jobs = await answer(client.GET('/api/jobs'))
    const found = await Promise.all(
      jobs.map((job) =>
        answer(client.GET('/api/jobs/{id}/sheet', { params: { path: { id: job.id } } })),
      ),
    )
    sheets.value = found.filter((each) => each.sheet)
    problem.value = null
  } catch (cause) {
    problem.value = Problem.of(cause)
  }
}
watch(() => acts.changes, read, { immediate: true })

const shown = computed(() =>
  (sheets.value ?? []).filter((each) => !hidden.value.includes(each.job.id)),
)
/** Lines that any sheet has, in their order. */
const lines = computed(() => {
  const all = new Map<string, string>()
  shown.value.forEach((each) =>
    each.sheet?.settings.forEach((line) => all.set(line.id, line.title)),
  )
  return [...all].map(([id, title]) => {
    const values = shown.value.map(
      (each) => each.sheet?.settings.find((line) => line.id === id)?.value ?? '',
    )
    return { id, title, values, differs: new Set(values).size > 1 }
  })
})
</script>

<template>
  <div class="compare">
    <h1>Sheets side by side</h1>
    <ProblemNote v-if="problem" :problem="problem" />
    <p v-if="sheets && sheets.length < 2" class="soft">
      Fewer than two jobs are set up. <router-link to="/print">Set some up first.</router-link>
    </p>
    <p v-if="hidden.length">
      <button class="button plain small" @click="hidden = []">show all again</button>
    </p>
    <WideTable v-if="shown.length" label="Setup sheets side by side">
      <thead>
        <tr>
          <th>Setting</th>
          <th v-for="each in shown" :key="each.job.id">
            <router-link :to="`/print/jobs/${each.job.id}`">{{ each.job.name }}</router-link>
            <button class="button plain small" @click="hidden = [...hidden, each.job.id]">
              hide<span class="sr-only"> {{ each.job.name }}</span>
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>Material</td>
          <td v-for="each in shown" :key="each.job.id">{{ each.material }} {{ each.code }}</td>
        </tr>
        <tr>
          <td>Hold-down</td>
          <td v-for="each in shown" :key="each.job.id">
            <template v-if="each.sheet">
              <b>{{ worst(each.sheet.hold).toFixed(2) }}</b>, {{ verdict(each.sheet) }}
            </template>
          </td>
        </tr>
        <tr>
          <td>Bond across layers</td>
          <td v-for="each in shown" :key="each.job.id">
            {{ each.sheet?.bond.zToXyRatio.toFixed(2) }}
          </td>
        </tr>
        <tr v-for="line in lines" :key="line.id" :class="{ same: !line.differs }">
          <td>{{ line.title }}</td>
          <td v-for="(value, i) in line.values" :key="i">{{ inShownUnits(value) }}</td>
        </tr>
      </tbody>
    </WideTable>
  </div>
</template>

<style scoped>
.compare {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1rem;
}

th a {
  display: inline-block;
  min-width: 1.5rem;
  min-height: 1.5rem;
}

.same td {
  color: var(--soft);
}
</style>
