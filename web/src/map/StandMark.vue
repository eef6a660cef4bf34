<script setup lang="ts">
import { marks, type ProofState } from './marks'

/** The mark of a part's state; the same drawing as on the picture. */
defineProps<{ state: ProofState }>()
</script>

<template>
  <svg viewBox="-12 -12 24 24" class="size-6 shrink-0" role="img" :aria-label="marks[state].word">
    <path
      :d="marks[state].outline"
      :fill="marks[state].hollow ? 'var(--c-sheet)' : marks[state].colour"
      :stroke="marks[state].colour"
      stroke-width="2"
      :stroke-dasharray="marks[state].dashes"
    />
    <path
      v-if="marks[state].sign"
      :d="marks[state].sign"
      fill="none"
      :stroke="marks[state].hollow ? marks[state].colour : 'var(--c-sheet)'"
      stroke-width="2.6"
      stroke-linecap="round"
      stroke-linejoin="round"
    />
  </svg>
</template>
