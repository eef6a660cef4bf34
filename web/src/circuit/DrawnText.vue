<script setup lang="ts">
import type { DrawingView } from './useDrawing'

/** A word on a schematic, beside the point it belongs to. */
defineProps<{ at: Pick<DrawingView['spots'][number], 'x' | 'y' | 'anchor'>; text: string }>()
const anchors = { START: 'start', MIDDLE: 'middle', END: 'end' } as const
</script>

<template>
  <text :x="at.x" :y="at.y" :text-anchor="anchors[at.anchor]" fill="currentColor" stroke="none" font-size="11">
    {{ text }}
  </text>
</template>
