<script setup lang="ts">
import { computed, ref } from 'vue'
import MoistureLegend from '@/parts/MoistureLegend.vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import { moisture } from '@/parts/format'
import { faceAt, faceLabel, moistureAt, standingAt } from '@/parts/spoolAtTime'
import { useShelf, type Spool } from '@/stores/shelf'
import { useTime } from '@/stores/time'
import DryersNow from './DryersNow.vue'
import NoDryer from './NoDryer.vue'

const shelf = useShelf()
const time = useTime()
const chosen = ref<string[]>([])

/** How far a spool is above its dry target, in print limits: the wettest of outside and core. */
function need(spool: Spool): number {
  const at = moistureAt(spool, shelf.frameHours, time.hoursAhead)
  return at ? Math.max(at.outer, at.core) / spool.printLimitPercent : -1
}

const rows = computed(() =>
  [...shelf.spools]
    .sort((a, b) => need(b) - need(a))
    .map((spool) => ({
      spool,
      at: moistureAt(spool, shelf.frameHours, time.hoursAhead),
      standing: standingAt(spool, shelf.nowS, time.shownS),
    })),
)
</script>

<template>
  <div class="head">
    <h1>Dry</h1>
    <p class="soft">
      Choose a spool, the wettest against its print limit first; or tick several to dry together.
    </p>
    <router-link to="/plan" data-testid="to-plan">plan for jobs to come</router-link>
    <MoistureLegend class="legend" />
  </div>
  <DryersNow />
  <NoDryer />
  <p v-if="shelf.view && rows.length === 0">
    There is no spool yet. <router-link to="/receive">Receive one</router-link> first.
  </p>
  <ul class="spools">
    <li v-for="{ spool, at, standing } in rows" :key="spool.code">
      <input
        v-model="chosen"
        type="checkbox"
        :value="spool.code"
        :aria-label="`Dry ${spool.code} with others`"
      />
      <router-link :to="`/dry/${spool.code}`">
        <SpoolFace
          :face="faceAt(spool, shelf.frameHours, time.hoursAhead)"
          :size="56"
          :label="faceLabel(spool, at)"
        />
        <span class="what">
          <span
            ><span class="code">{{ spool.code }}</span> {{ spool.material }}
            {{ spool.colourName }}</span
          >
          <span v-if="at" class="small">
            outer {{ moisture(at.outer) }}, core {{ moisture(at.core) }}
            <span class="soft target">· target {{ spool.dryTargetPercent }} %</span>
          </span>
          <span class="small" :class="standing?.past ? 'call' : 'soft'">{{ standing?.text }}</span>
        </span>
      </router-link>
    </li>
  </ul>
  <p v-if="chosen.length > 1" class="together">
    <router-link class="button primary" :to="`/dry/${chosen.join('+')}`" data-testid="together"
      >Dry these {{ chosen.length }} together</router-link
    >
    <button class="button plain" @click="chosen = []">none of them</button>
  </p>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0.25rem 1.25rem;
  margin-bottom: 0.75rem;
}

.legend {
  margin-left: auto;
}

.spools {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(20rem, 1fr));
  gap: 0 1.5rem;
}

.spools > li {
  display: flex;
  align-items: center;
  gap: 0.6rem;
  border-bottom: 1px solid var(--hairline);
}

.target {
  white-space: nowrap;
}

.together {
  position: sticky;
  bottom: 0;
  display: flex;
  gap: 1rem;
  padding: 0.75rem 0;
  background: var(--ground);
  border-top: 2px solid var(--ink);
}

.spools a {
  flex: 1;
  display: flex;
  gap: 0.9rem;
  align-items: center;
  padding: 0.45rem 0.25rem;
  text-decoration: none;
}

.spools a:hover {
  background: var(--sheet);
}

.what {
  display: flex;
  flex-direction: column;
  line-height: 1.3;
}
</style>
