<script setup lang="ts" generic="T extends string | null">
/** A choice among a few that exclude each other, all in view. */
defineProps<{ label: string; name: string; options: readonly { value: T; label: string }[] }>()
const value = defineModel<T>({ required: true })
</script>

<template>
  <div class="segments" role="radiogroup" :aria-label="label">
    <label
      v-for="option in options"
      :key="String(option.value)"
      :class="{ chosen: value === option.value }"
    >
      <input v-model="value" type="radio" :name="name" :value="option.value" />
      {{ option.label }}
    </label>
  </div>
</template>

<style scoped>
.segments {
  display: flex;
}

label {
  display: flex;
  align-items: center;
  min-height: 2.25rem;
  padding: 0 0.9rem;
  border: 2px solid var(--ink);
  cursor: pointer;
}

label + label {
  border-left: 0;
}

.chosen {
  background: var(--ink);
  color: var(--ground);
  font-weight: 700;
}

label:focus-within {
  outline: 3px solid var(--focus);
  outline-offset: 2px;
}

input {
  position: absolute;
  opacity: 0;
}
</style>
