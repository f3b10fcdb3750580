<script setup lang="ts">
import type { Schemas } from '@/api/client'
import { inShownUnits } from '@/parts/format'

/** Settings with what is allowed, why, and what else has to be done where the machine cannot. */
defineProps<{ settings: Schemas['SettingView'][] }>()

function range(line: Schemas['SettingView']): string {
  return line.low == null || line.high == null
    ? ''
    : inShownUnits(`${plain(line.low)} to ${plain(line.high)} ${line.unit}`.trim())
}
function plain(value: number): string {
  return String(Math.round(100 * value) / 100)
}
</script>

<template>
  <dl>
    <div v-for="line in settings" :key="line.id" :data-testid="`setting-${line.id}`">
      <dt>{{ line.title }}</dt>
      <dd class="value">
        <b>{{ inShownUnits(line.value) }}</b>
        <span v-if="range(line)" class="soft small">{{ range(line) }}</span>
      </dd>
      <dd class="why small">
        {{ inShownUnits(line.reason) }} <span class="soft">({{ line.from }})</span>
        <span v-if="line.instead" class="instead">{{ inShownUnits(line.instead) }}</span>
      </dd>
    </div>
  </dl>
</template>

<style scoped>
dl {
  margin: 0.4rem 0 0;
}

dl > div {
  display: grid;
  grid-template-columns: 9rem 8.5rem 1fr;
  gap: 0 0.9rem;
  padding: 0.35rem 0;
  border-top: 1px solid var(--hairline);
}

dd {
  margin: 0;
}

.value {
  display: flex;
  flex-direction: column;
}

.why {
  max-width: 46rem;
}

.instead {
  display: block;
  margin-top: 0.15rem;
  padding-left: 0.6rem;
  border-left: 4px solid var(--call);
}

@media (max-width: 640px) {
  dl > div {
    grid-template-columns: 1fr 1fr;
  }

  .why {
    grid-column: 1 / -1;
  }
}
</style>
