<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import { computed } from 'vue'
import { STATIONS } from '@/stations'

const open = defineModel<boolean>({ required: true })

const EVERYWHERE = [
  ['/', 'find a spool: scan its label, or type code, material, colour or place'],
  ['?', 'this list'],
  ['[  ]', 'show six hours earlier, later'],
  ['n', 'back to now'],
  ['Esc', 'close'],
] as const

const keys = computed(() => [
  ...EVERYWHERE,
  ...STATIONS.flatMap((station) =>
    (station.keys ?? []).map(({ key, what }) => [key, what] as const),
  ),
  ...STATIONS.flatMap((station) => [
    [`g ${station.key}`, `${station.name}: ${station.help}`] as const,
    ...(station.pages ?? [])
      .filter((page) => page.key)
      .map((page) => [`g ${page.key}`, `${page.name}: ${page.help}`] as const),
  ]),
])
</script>

<template>
  <AppDialog v-model="open" title="Keys" width="min(34rem, 94vw)">
    <table class="table">
      <tbody>
        <tr v-for="[key, meaning] in keys" :key="key">
          <td>
            <kbd class="code">{{ key }}</kbd>
          </td>
          <td>{{ meaning }}</td>
        </tr>
      </tbody>
    </table>
  </AppDialog>
</template>
