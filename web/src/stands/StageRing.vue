<script setup lang="ts">
import { computed } from 'vue'
import { counts, shares } from './counts'
import type { StageView } from './useStands'

/** A stage on the rail: a ring that fills as its claims are settled; a failure breaks it with a bar. */
const props = defineProps<{ stage: StageView }>()
const AROUND = 2 * Math.PI * 8
const arcs = computed(() => {
  let from = 0
  return shares(props.stage).map((part) => {
    const arc = { ...part, length: part.share * AROUND, offset: -from * AROUND }
    from += part.share
    return arc
  })
})
const strokes = { proven: 'stroke-good', doubtful: 'stroke-doubt', failed: 'stroke-bad', open: 'stroke-ghost' } as const
</script>

<template>
  <svg viewBox="0 0 24 24" class="size-6 -rotate-90" role="img" :aria-label="counts(stage) || 'nothing to settle'">
    <circle cx="12" cy="12" r="8" fill="none" class="stroke-ghost" stroke-width="4" />
    <circle
      v-for="arc in arcs.filter((a) => a.count > 0 && a.kind !== 'open')"
      :key="arc.kind"
      cx="12"
      cy="12"
      r="8"
      fill="none"
      :class="strokes[arc.kind]"
      stroke-width="4"
      :stroke-dasharray="`${arc.length} ${AROUND - arc.length}`"
      :stroke-dashoffset="arc.offset"
    />
    <path v-if="stage.failed > 0" d="M12 8v8" class="stroke-bad" stroke-width="3" stroke-linecap="round" />
  </svg>
</template>
