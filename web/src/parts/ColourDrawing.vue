<script setup lang="ts">
import { computed } from 'vue'
import { paint, spoken, type Colour, type Scheme } from './colours'

/** An old part with its colours on it. */
const props = defineProps<{ scheme: Scheme; colours: readonly Colour[] }>()
const fill = (i: number) => (props.colours[i] ? paint[props.colours[i]] : 'none')
const words = computed(() => props.colours.map(spoken).join(', ') || 'no colour yet')
</script>

<template>
  <svg viewBox="0 0 320 90" class="h-24 w-full max-w-sm" role="img" :aria-label="words">
    <template v-if="scheme === 'BANDS'">
      <path d="M0 45h40M280 45h40" class="stroke-soft" stroke-width="3" />
      <rect x="40" y="20" width="240" height="50" rx="16" class="fill-raised stroke-line" stroke-width="2" />
      <rect
        v-for="i in 5"
        :key="i"
        :x="28 + 42 * i"
        y="20"
        width="18"
        height="50"
        :fill="fill(i - 1)"
        :class="colours[i - 1] ? 'stroke-line' : ''"
      />
    </template>
    <template v-else-if="scheme === 'BODY_END_DOT'">
      <path d="M0 45h40M280 45h40" class="stroke-soft" stroke-width="3" />
      <rect x="40" y="20" width="240" height="50" rx="6" class="stroke-line" :fill="fill(0)" stroke-width="2" />
      <rect x="40" y="20" width="46" height="50" rx="6" class="stroke-line" :fill="fill(1)" stroke-width="2" />
      <rect x="234" y="20" width="46" height="50" rx="6" class="stroke-line" :fill="fill(3)" stroke-width="2" />
      <circle cx="160" cy="45" r="13" class="stroke-line" :fill="fill(2)" stroke-width="2" />
    </template>
    <template v-else>
      <rect x="60" y="6" width="200" height="78" rx="6" class="fill-raised stroke-line" stroke-width="2" />
      <path d="M14 45h32m0 0-10-7m10 7-10 7" class="stroke-soft" fill="none" stroke-width="3" />
      <circle
        v-for="i in 6"
        :key="i"
        :cx="100 + 60 * ((i - 1) % 3)"
        :cy="i < 4 ? 27 : 63"
        r="13"
        class="stroke-line"
        :fill="fill(i - 1)"
        stroke-width="2"
      />
    </template>
  </svg>
</template>
