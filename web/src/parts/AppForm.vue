<script setup lang="ts">
/**
 * A form of this program. The browser never stops it with a message of its own: steps, least and
 * most are help for typing, and what cannot be is said by the server beside its field.
 */
defineEmits<{ submit: [] }>()
</script>

<template>
  <form novalidate @submit.prevent="$emit('submit')"><slot /></form>
</template>
