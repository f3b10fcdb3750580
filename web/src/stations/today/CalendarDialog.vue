<script setup lang="ts">
import AppDialog from '@/parts/AppDialog.vue'
import { computed, onMounted, ref } from 'vue'
import { answer, client, type Schemas } from '@/api/client'

/** Where a calendar program finds what is due. */
const emit = defineEmits<{ close: [] }>()

const address = ref<Schemas['LabelAddress'] | null>(null)
const copied = ref(false)

onMounted(async () => {
  try {
    address.value = await answer(client.GET('/api/label-address'))
  } catch {
    // The address that this browser uses will do.
    address.value = null
  }
})

const link = computed(() => `${address.value?.base ?? location.origin}/api/today.ics`)
const subscribe = computed(() => link.value.replace(/^https?:/, 'webcal:'))

async function copy() {
  try {
    await navigator.clipboard.writeText(link.value)
    copied.value = true
  } catch {
    // The address is selected as a whole by one click, so it can be copied by hand.
    copied.value = false
  }
}
</script>

<template>
  <AppDialog
    :model-value="true"
    title="Today in your calendar"
    width="min(32rem, 94vw)"
    @close="emit('close')"
  >
    <p>
      Subscribe to this address in a calendar program. It shows the coming two weeks, rings ten
      minutes before each thing that you do, and leads to the page where it is done.
    </p>
    <p class="code address" data-testid="calendar-address">{{ link }}</p>
    <p v-if="address?.advice" class="warning">{{ address.advice }}</p>
    <div class="buttons">
      <a class="button primary" :href="subscribe">Subscribe on this computer</a>
      <button class="button" @click="copy">{{ copied ? 'Copied' : 'Copy the address' }}</button>
      <a class="button plain" href="/api/today.ics" download="mind-spool.ics"
        >save once as a file</a
      >
    </div>
  </AppDialog>
</template>

<style scoped>
.address {
  margin: 0.75rem 0;
  padding: 0.5rem 0.75rem;
  background: var(--field);
  border: 1px solid var(--board);
  user-select: all;
  overflow-wrap: anywhere;
}

.warning {
  margin-bottom: 0.75rem;
  border-left: 4px solid var(--call);
  padding-left: 0.75rem;
  overflow-wrap: anywhere;
}

.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 0.75rem;
}
</style>
