<script setup lang="ts">
/** How a tangle comes about: the free end has slipped under a neighbouring turn. */
</script>

<template>
  <svg viewBox="0 0 240 190" role="img" aria-label="The end has slipped under its neighbour turn">
    <rect x="20" y="24" width="10" height="140" class="flange" />
    <rect x="190" y="24" width="10" height="140" class="flange" />
    <path
      v-for="x in [44, 60, 76, 128, 144, 160, 176]"
      :key="x"
      :d="`M${x} 34 C ${x + 7} 70, ${x + 7} 120, ${x} 156`"
      class="turn"
    />
    <path d="M98 34 C 104 70, 112 112, 118 156" class="turn" />
    <path d="M112 156 C 104 128, 100 112, 104 98" class="end" />
    <path d="M108 84 C 112 66, 122 46, 150 20" class="end" />
    <path d="M92 34 C 100 70, 108 112, 112 130" class="over" />
    <circle cx="106" cy="91" r="18" class="mark" />
    <text x="129" y="100">under</text>
    <text x="152" y="16">end</text>
    <text x="20" y="184">lift this turn over the side</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
}

.flange {
  fill: var(--board);
}

.turn {
  fill: none;
  stroke: var(--board);
  stroke-width: 6;
}

.end {
  fill: none;
  stroke: var(--ink);
  stroke-width: 6;
  stroke-linecap: round;
}

.over {
  fill: none;
  stroke: var(--board);
  stroke-width: 6;
}

.mark {
  fill: none;
  stroke: var(--call);
  stroke-width: 2.5;
}

text {
  font-size: 13px;
  fill: var(--ink);
}
</style>
