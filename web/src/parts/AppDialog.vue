<script setup lang="ts">
import { useTemplateRef } from 'vue'

/** A dialog that begins at its first field. Everything else goes through to the library's. */
defineOptions({ inheritAttrs: false })

const body = useTemplateRef('body')
const FIELDS = 'input:not([disabled]), select, textarea'
const OTHERS = `${FIELDS}, [tabindex="0"], button:not([disabled]), a[href]`

function focusFirst() {
  const inside = body.value
  const now = document.activeElement
  if (!inside || (now && inside.contains(now))) {
    return
  }
  const first =
    inside.querySelector<HTMLElement>(FIELDS) ?? inside.querySelector<HTMLElement>(OTHERS)
  first?.focus()
}

/** A select that is closed keeps Escape to itself; it closes the dialog all the same. */
function escape(event: KeyboardEvent, close: () => void) {
  const target = event.target as HTMLElement
  if (target.getAttribute('aria-expanded') !== 'true') {
    close()
  }
}
defineEmits<{ close: [] }>()
</script>

<template>
  <el-dialog v-bind="$attrs" @close="$emit('close')" @opened="focusFirst">
    <div ref="body" @keydown.esc.capture="escape($event, () => $emit('close'))">
      <slot />
    </div>
  </el-dialog>
</template>
