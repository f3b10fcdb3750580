<script setup lang="ts" generic="T extends string">
/** Words that are ticked by a tap, as many as hold. */
defineProps<{ legend: string; options: readonly { id: T; title: string }[] }>()
const chosen = defineModel<T[]>({ required: true })
const emit = defineEmits<{ ticked: [id: T] }>()

function toggle(id: T) {
  if (chosen.value.includes(id)) {
    chosen.value = chosen.value.filter((each) => each !== id)
  } else {
    chosen.value = [...chosen.value, id]
    emit('ticked', id)
  }
}
</script>

<template>
  <fieldset>
    <legend class="soft">{{ legend }}</legend>
    <div class="words">
      <button
        v-for="option in options"
        :key="option.id"
        type="button"
        :aria-pressed="chosen.includes(option.id)"
        @click="toggle(option.id)"
      >
        {{ option.title }}
      </button>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  min-width: 0;
  margin: 0;
  padding: 0;
  border: 0;
}

.words {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin-top: 0.5rem;
}

button {
  min-height: 2.25rem;
  padding: 0 0.8rem;
  border: 2px solid var(--board);
  border-radius: var(--corner);
  background: none;
  cursor: pointer;
}

button[aria-pressed='true'] {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--ground);
}
</style>
