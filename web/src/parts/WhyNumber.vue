<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { useRoute } from 'vue-router'

/** A number that says on hover, focus or tap how it came about. */
defineProps<{ what: string }>()

const popover = useTemplateRef('popover')
const route = useRoute()
const how = computed(() => route?.meta.how)
</script>

<template>
  <el-popover
    ref="popover"
    :trigger="['hover', 'focus']"
    :width="340"
    placement="bottom-start"
    :show-after="200"
    :hide-after="150"
  >
    <template #reference>
      <button type="button" class="why" @keydown.esc.stop="popover?.hide()">
        <slot /><span class="sr-only">. Why: {{ what }}</span>
      </button>
    </template>
    <div class="reason" @keydown.esc.stop="popover?.hide()">
      <h3>{{ what }}</h3>
      <slot name="why" />
      <p v-if="how">
        <router-link :to="`/how/${how}`">How it computes</router-link>
      </p>
    </div>
  </el-popover>
</template>

<style scoped>
.why {
  min-height: 1.5rem;
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
