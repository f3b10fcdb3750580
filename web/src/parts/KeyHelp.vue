<script setup lang="ts">
const open = defineModel<boolean>({ required: true })

const KEYS = [
  ['/', 'find a spool: scan its label, or type code, material, colour or place'],
  ['?', 'this list'],
  ['[  ]', 'show six hours earlier, later'],
  ['n', 'back to now'],
  ['g s', 'go to the shelf'],
  ['g r', 'go to receive'],
  ['g d', 'go to dry'],
  ['g m', 'go to materials'],
  ['arrows', 'on the shelf: from spool to spool'],
  ['Enter', 'open the spool in focus'],
  ['m', 'move the spool in focus: choose the place with arrows, Enter'],
  ['w', 'weigh the spool in focus'],
  ['Esc', 'close'],
] as const
</script>

<template>
  <el-dialog v-model="open" title="Keys" width="min(34rem, 94vw)">
    <table class="table">
      <tbody>
        <tr v-for="[key, meaning] in KEYS" :key="key">
          <td>
            <kbd class="code">{{ key }}</kbd>
          </td>
          <td>{{ meaning }}</td>
        </tr>
      </tbody>
    </table>
  </el-dialog>
</template>
