<script setup lang="ts">
import { computed } from 'vue'
import SpoolFace from '@/parts/SpoolFace.vue'
import { hours, moment, setTo } from '@/parts/format'
import { faceAt, faceLabel, moistureAt } from '@/parts/spoolAtTime'
import { useDryers, type Cycle } from '@/stores/dryers'
import { useShelf } from '@/stores/shelf'

/** Every dryer with what it does now: a bar from its start to its end, and the reels inside. */
const shelf = useShelf()
const store = useDryers()

const rows = computed(() =>
  store.dryers.map((dryer) => {
    const cycle = store.cycleIn(dryer.placeId)
    return {
      dryer,
      cycle,
      spools: shelf.spools.filter((spool) => cycle?.codes.includes(spool.code)),
      passed: cycle ? share(cycle) : 0,
      words: cycle ? words(cycle) : dryer.outOfOrder ? 'out of order' : 'free',
    }
  }),
)

function share(cycle: Cycle): number {
  const span = Math.max(1, cycle.plannedEndS - cycle.startedS)
  return Math.min(100, Math.max(0, (100 * (shelf.nowS - cycle.startedS)) / span))
}

function words(cycle: Cycle): string {
  const end = moment(cycle.plannedEndS, shelf.nowS)
  const left = (cycle.plannedEndS - shelf.nowS) / 3600
  switch (cycle.stage) {
    case 'RUNNING':
      return `${setTo(cycle.setpointC)} until ${end}, ${hours(Math.max(0.02, left))} to go`
    case 'PAUSED':
      return 'paused, not heating'
    case 'TO_EMPTY':
      return `stopped, still inside: take out and bag`
    case 'OVER':
      return cycle.forgotten
        ? `over since ${end}: forgotten? It takes up water again`
        : `over since ${end}: take out and bag`
    default:
      return 'stopped'
  }
}
</script>

<template>
  <ul class="dryers" data-testid="dryers">
    <li v-for="{ dryer, cycle, spools, passed, words: says } in rows" :key="dryer.placeId">
      <router-link class="name" :to="`/dryer/${dryer.placeId}`">{{ dryer.name }}</router-link>
      <component
        :is="cycle ? 'router-link' : 'div'"
        class="bar"
        :class="{ idle: !cycle, alarm: cycle?.alarm }"
        :to="cycle ? `/cycle/${cycle.id}` : undefined"
      >
        <span v-if="cycle" class="passed" :style="{ width: `${passed}%` }" />
        <SpoolFace
          v-for="spool in spools"
          :key="spool.code"
          :face="faceAt(spool, shelf.frameHours, 0)"
          :size="36"
          :label="faceLabel(spool, moistureAt(spool, shelf.frameHours, 0))"
        />
        <span class="inside">{{ spools.map((s) => `${s.code} ${s.material}`).join(', ') }}</span>
        <span class="says" :class="{ call: cycle?.forgotten || cycle?.alarm }">{{
          cycle?.alarm ?? says
        }}</span>
      </component>
    </li>
  </ul>
</template>

<style scoped>
.dryers {
  list-style: none;
  margin: 0 0 1.5rem;
  padding: 0;
  border-top: 2px solid var(--ink);
}

li {
  display: grid;
  grid-template-columns: 10rem minmax(0, 1fr);
  gap: 1rem;
  align-items: center;
  padding: 0.35rem 0;
  border-bottom: 1px solid var(--hairline);
}

.name {
  font-weight: 700;
}

.bar {
  position: relative;
  display: flex;
  align-items: center;
  gap: 0.75rem;
  min-height: 2.75rem;
  padding: 0.2rem 0.75rem;
  background: var(--sheet);
  text-decoration: none;
  overflow: hidden;
}

.bar > * {
  position: relative;
}

.bar.idle {
  background: none;
  color: var(--soft);
  min-height: 2rem;
}

.bar.alarm {
  outline: 3px solid var(--call);
}

.bar > .passed {
  position: absolute;
  inset: 0 auto 0 0;
  background: var(--forecast);
}

.says {
  margin-left: auto;
}

.idle .says {
  margin-left: 0;
}

@media (max-width: 700px) {
  li {
    grid-template-columns: minmax(0, 1fr);
    gap: 0.1rem;
  }

  .bar {
    flex-wrap: wrap;
    gap: 0.1rem 0.5rem;
  }

  .says {
    margin-left: 0;
  }
}
</style>
