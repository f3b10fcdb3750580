<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { faceAt, faceLabel, moistureAt } from './spoolAtTime'
import SpoolFace from './SpoolFace.vue'
import { searchSpools } from './searchSpools'
import { useShelf } from '@/stores/shelf'
import { useTime } from '@/stores/time'

const shelf = useShelf()
const time = useTime()
const router = useRouter()
const input = useTemplateRef('input')
const text = ref('')
const open = ref(false)
const chosen = ref(0)

const found = computed(() => searchSpools(shelf.spools, shelf.placeName, text.value).slice(0, 8))

const active = computed(() => {
  const spool = found.value[chosen.value]
  return spool ? `quick-${spool.code}` : undefined
})

function focus() {
  input.value?.focus()
  input.value?.select()
}

defineExpose({ focus })

function go(code: string | undefined) {
  if (code) {
    void router.push(`/spool/${code}`)
    text.value = ''
    open.value = false
    input.value?.blur()
  }
}

/** A scanned label holds the address of the spool's page; its code is the end of it. */
function scanned(): string | undefined {
  return /spool\/([a-z0-9]{4})\/?$/i.exec(text.value.trim())?.[1]?.toUpperCase()
}

function key(event: KeyboardEvent) {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    const count = found.value.length
    if (count > 0) {
      chosen.value = (chosen.value + (event.key === 'ArrowDown' ? 1 : count - 1)) % count
    }
  } else if (event.key === 'Enter') {
    go(scanned() ?? found.value[chosen.value]?.code)
  } else if (event.key === 'Escape') {
    text.value = ''
    open.value = false
    input.value?.blur()
  }
}
</script>

<template>
  <div class="quick" role="search">
    <input
      ref="input"
      v-model="text"
      type="text"
      placeholder="Scan a label or type"
      aria-label="Find a spool by code or words"
      role="combobox"
      aria-controls="quick-found"
      :aria-expanded="open && text !== ''"
      :aria-activedescendant="active"
      autocomplete="off"
      spellcheck="false"
      data-testid="quick-box"
      @focus="open = true"
      @blur="open = false"
      @input="chosen = 0"
      @keydown="key"
    />
    <kbd aria-hidden="true">/</kbd>
    <div v-if="open && text" class="panel">
      <ul id="quick-found" role="listbox" aria-label="Spools found">
        <li
          v-for="(spool, i) in found"
          :id="`quick-${spool.code}`"
          :key="spool.code"
          role="option"
          :aria-selected="i === chosen"
          :class="{ chosen: i === chosen }"
          @mousedown.prevent="go(spool.code)"
          @mousemove="chosen = i"
        >
          <SpoolFace
            :face="faceAt(spool, shelf.frameHours, time.hoursAhead)"
            :size="32"
            :label="faceLabel(spool, moistureAt(spool, shelf.frameHours, time.hoursAhead))"
          />
          <span class="code">{{ spool.code }}</span>
          <span>{{ spool.material }} {{ spool.colourName }}</span>
          <span class="soft small">{{ shelf.placeName(spool.placeId) }}</span>
        </li>
      </ul>
      <p v-if="found.length === 0" class="none">
        No spool matches “{{ text }}”. Check the characters on the label, or try a material, colour
        or place.
      </p>
    </div>
  </div>
</template>

<style scoped>
.quick {
  position: relative;
}

input {
  width: 100%;
  height: 2.6rem;
  padding: 0 2.4rem 0 0.8rem;
  border: 2px solid var(--ink);
  border-radius: var(--corner);
  background: var(--field);
}

kbd {
  position: absolute;
  right: 0.5rem;
  top: 0.5rem;
  padding: 0.05rem 0.5rem;
  border: 1px solid var(--board);
  border-radius: var(--corner);
  font-family: var(--mono);
  color: var(--soft);
  pointer-events: none;
}

.panel {
  position: absolute;
  z-index: 30;
  top: calc(100% + 2px);
  right: 0;
  width: max(100%, 24rem);
  max-width: calc(100vw - 1rem);
  background: var(--sheet);
  border: 2px solid var(--ink);
  border-radius: var(--corner);
}

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li {
  display: flex;
  align-items: center;
  gap: 0.75rem;
  padding: 0.4rem 0.75rem;
  cursor: pointer;
}

li.chosen {
  background: var(--ground);
  box-shadow: inset 4px 0 0 var(--ink);
}

li > :last-child {
  margin-left: auto;
}

.none {
  padding: 0.75rem;
}
</style>
