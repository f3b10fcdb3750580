<script setup lang="ts">
import { choices, useOptions } from '@/stores/options'
import { computed, ref } from 'vue'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'

const props = defineProps<{ codes: readonly string[] }>()
const emit = defineEmits<{ close: [] }>()

const SHEET_KEY = 'mind-spool-label-sheet'
const known = useOptions()
const sheet = ref(localStorage.getItem(SHEET_KEY) ?? 'A4_3X8')
const skip = ref<number | null>(0)

const perPage = computed(
  () => known.labelSheets.find((each) => each.id === sheet.value)?.perPage ?? 1,
)
const options = computed(() => choices(known.labelSheets))
const link = computed(() => {
  const query = new URLSearchParams({
    codes: props.codes.join(','),
    sheet: sheet.value,
    skip: String(Math.min(skip.value ?? 0, perPage.value - 1)),
  })
  return `/api/labels.pdf?${query.toString()}`
})

function remember() {
  localStorage.setItem(SHEET_KEY, sheet.value)
}
</script>

<template>
  <el-dialog
    :model-value="true"
    :title="codes.length === 1 ? `Label for ${codes[0]}` : `${codes.length} labels`"
    width="min(26rem, 94vw)"
    @close="emit('close')"
  >
    <div class="form">
      <ChoiceField id="label-sheet" v-model="sheet" label="labels" :options="options" />
      <NumberField
        v-if="perPage > 1"
        id="label-skip"
        v-model="skip"
        label="labels already used up on the first sheet"
        :min="0"
        :max="perPage - 1"
      />
      <a
        class="button primary"
        :href="link"
        target="_blank"
        data-testid="labels-pdf"
        @click="remember"
        >Open the sheet to print</a
      >
      <p class="small soft">
        Print at 100 %, not fitted to the page. The square opens the spool's page on a phone that
        reaches this address.
      </p>
    </div>
  </el-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 0.9rem;
  justify-items: stretch;
}

.button {
  justify-self: start;
}
</style>
