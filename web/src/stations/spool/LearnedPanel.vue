<script setup lang="ts">
import { computed } from 'vue'
import { type Schemas } from '@/api/client'
import WhyNumber from '@/parts/WhyNumber.vue'
import { dateTime, moisture } from '@/parts/format'

/** What weighings with nothing used between say of this spool's polymer and its water. */
const props = defineProps<{ page: Schemas['SpoolPage'] }>()

const learned = computed(() => props.page.learned)
const mean = computed(() => props.page.spool.frames?.mean[0] ?? 0)

const proof = computed(() => props.page.proof)

const PROOFS: Record<Schemas['ProofView']['verdict'], string> = {
  LOSING: 'It still loses water: go on, and weigh again.',
  GAINING: 'It takes up water where it lies.',
  NOT_YET_PROVEN:
    'It hardly changed. Constant mass is proven by two such changes in a row, two hours or more apart.',
  SCALE_TOO_COARSE: 'Constant as far as this scale shows, which is not far enough.',
  DRY: 'Constant mass in dry air: it is dry.',
  AIR_TAKES_NO_MORE:
    'Constant mass, but not dry: this air can take no more. Drier or hotter air can, more hours cannot.',
}

const removed = computed(() => {
  const p = proof.value
  if (!p) {
    return ''
  }
  const mass = `${Math.abs(p.removedG).toFixed(1)} ± ${(2 * p.removedSdG).toFixed(1)} g`
  const reel =
    Math.abs(p.reelRemovedG) > 0.1 * Math.abs(p.removedG) && Math.abs(p.reelRemovedG) >= 0.1
      ? ` Of it, about ${Math.abs(p.reelRemovedG).toFixed(1)} g ${p.reelRemovedG < 0 ? 'went into' : 'came from'} the reel itself, not the filament.`
      : ''
  return `${mass} of water ${p.removedG < 0 ? 'came in' : 'went'} over ${p.weighings} weighings.${reel}`
})

interface Span {
  name: string
  low: number
  middle: number
  high: number
}

const spans = computed<Span[]>(() => {
  const found = learned.value
  if (!found) {
    return []
  }
  const span = (name: string, middle: number, half: number) => ({
    name,
    low: Math.max(0, middle - half),
    middle,
    high: middle + half,
  })
  return [
    span('by the table alone', found.meanBefore, found.bandBefore.mean),
    span('with the weighings', mean.value, props.page.band.mean),
  ]
})

const end = computed(
  () => 1.08 * Math.max(props.page.spool.printLimitPercent, ...spans.value.map((s) => s.high)),
)

function at(percent: number): string {
  return `${(100 * percent) / end.value}%`
}

function times(factor: { low: number; likely: number; high: number }): string {
  return `${factor.likely.toFixed(2)} times (${factor.low.toFixed(2)} to ${factor.high.toFixed(2)})`
}
</script>

<template>
  <section v-if="learned || proof" data-testid="learned">
    <h2>What the scale taught</h2>
    <p v-if="proof" data-testid="proof">
      <WhyNumber what="What the weighings prove">
        <b>{{ PROOFS[proof.verdict] }}</b>
        <template #why>
          <p>
            The last two changes, each within two steps of the scale or 0.02 % of the filament, two
            hours or more apart. In the air where it lay it can get down to
            {{ moisture(proof.floorPercent) }}; the dry target is
            {{ page.spool.dryTargetPercent }} %. Weigh within two minutes of taking it out, or
            cooled in a closed bag.
          </p>
        </template>
      </WhyNumber>
      {{ removed }}
      <span v-if="proof.scaleTooCoarse" class="small call">
        A scale of {{ proof.stepG }} g is too coarse for {{ page.spool.material }}: take one of
        {{ Math.max(0.01, proof.stepNeededG).toFixed(2) }} g or finer.
      </span>
    </p>
    <p v-if="learned?.doubtful" class="call" data-testid="doubtful">
      The weighings contradict everything that {{ page.spool.material }} does; the one of
      {{ dateTime(learned.doubtfulAtS) }} fits least. Was it this reel, in grams, and was truly
      nothing used before it? Undo it in the record below, or weigh again. Until then the estimate
      stays as the table has it.
    </p>
    <template v-else-if="learned">
      <div class="spans">
        <template v-for="span in spans" :key="span.name">
          <span class="soft small">{{ span.name }}</span>
          <div
            class="scale"
            role="img"
            :aria-label="`${span.name}: mean moisture ${moisture(span.middle)}, 80 % between ${moisture(span.low)} and ${moisture(span.high)}`"
          >
            <div class="span" :style="{ left: at(span.low), width: at(span.high - span.low) }" />
            <div class="middle" :style="{ left: at(span.middle) }" />
            <div class="limit" :style="{ left: at(page.spool.printLimitPercent) }" />
          </div>
          <span class="number small">{{ moisture(span.middle) }}</span>
        </template>
      </div>
      <p>
        <WhyNumber what="This lot against the table">
          <span
            >This lot takes up <b>{{ times(learned.sorption) }}</b> the water of the table's
            {{ page.spool.material }}, <b>{{ times(learned.diffusion) }}</b> as fast.</span
          >
          <template #why>
            <p>
              Uptake, diffusivity and start moisture are sought together so that the replay shows
              the same changes of mass as the scale; 64 states that the weighings allow, each by its
              weight, give the 80 % ranges.
            </p>
            <p v-if="learned.others.length">
              Along with them, against what is usual:
              <template v-for="(other, i) in learned.others" :key="other.what">
                {{ i > 0 ? '; ' : '' }}{{ other.what }}, {{ times(other.factor) }}</template
              >.
            </p>
            <p>
              Reel and dry filament are taken as unknown: only differences between weighings with
              nothing used between count.
              <template v-if="learned.fromLot">
                It began from what a spool of the same lot taught.
              </template>
              To learn most: dry to the end, weigh; weigh again after a day or two in the room, and
              again after some weeks.
            </p>
          </template>
        </WhyNumber>
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  margin-top: 1.25rem;
}

.spans {
  display: grid;
  grid-template-columns: max-content minmax(8rem, 30rem) max-content;
  gap: 0.35rem 0.9rem;
  align-items: center;
  margin: 0.5rem 0;
}

.scale {
  position: relative;
  height: 1.1rem;
  border-bottom: 1px solid var(--board);
}

.span {
  position: absolute;
  top: 0.3rem;
  height: 0.5rem;
  background: var(--board);
  border-radius: 0.25rem;
}

.middle {
  position: absolute;
  top: 0;
  width: 3px;
  height: 1.1rem;
  margin-left: -1px;
  background: var(--ink);
}

.limit {
  position: absolute;
  top: 0;
  height: 1.1rem;
  border-left: 2px solid var(--call);
}

@media (max-width: 700px) {
  .spans {
    grid-template-columns: minmax(0, 1fr) max-content;
  }

  .spans > .small:first-child,
  .spans > .soft {
    grid-column: 1 / -1;
  }
}
</style>
