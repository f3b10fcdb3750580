<script setup lang="ts">
/** A number that tells on hover, focus or tap how it came about. */
defineProps<{ what: string }>()
</script>

<template>
  <el-popover
    :trigger="['hover', 'focus']"
    :width="340"
    placement="bottom-start"
    :show-after="200"
    :hide-after="150"
  >
    <template #reference>
      <button type="button" class="why" :aria-label="`Why: ${what}`">
        <slot />
      </button>
    </template>
    <div class="reason">
      <h3>{{ what }}</h3>
      <slot name="why" />
    </div>
  </el-popover>
</template>

<style scoped>
.why {
  border: 0;
  padding: 0;
  background: none;
  text-align: left;
  cursor: help;
  text-decoration: underline dotted var(--soft);
  text-decoration-thickness: 1px;
  text-underline-offset: 0.25em;
}

.reason {
  color: var(--ink);
  font-size: var(--size-1);
  line-height: 1.45;
  word-break: normal;
  text-align: left;
}

.reason :deep(p) {
  margin-top: 0.4rem;
}
</style>
