<script setup lang="ts">
/** A question answered yes, no, or not looked at. */
defineProps<{ question: string; name: string }>()
const answer = defineModel<boolean | null>({ required: true })
const CHOICES = [
  { value: true, text: 'yes' },
  { value: false, text: 'no' },
  { value: null, text: 'not looked' },
] as const
</script>

<template>
  <fieldset>
    <legend>{{ question }}</legend>
    <label v-for="choice in CHOICES" :key="choice.text" :class="{ on: answer === choice.value }">
      <input
        type="radio"
        :name="name"
        :checked="answer === choice.value"
        @change="answer = choice.value"
      />
      {{ choice.text }}
    </label>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  align-content: start;
}

legend {
  padding: 0;
  width: 100%;
}

label {
  padding: 0.3rem 0.7rem;
  border: 1px solid var(--board);
  margin-right: -1px;
  cursor: pointer;
}

label.on {
  background: var(--ink);
  color: var(--ground);
}

input {
  position: absolute;
  opacity: 0;
}

label:has(:focus-visible) {
  outline: 3px solid var(--focus);
  outline-offset: 2px;
}
</style>
