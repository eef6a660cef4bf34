<script setup lang="ts">
import type { Schemas } from '../api/client'

/** The line chain as links from pin to pin: whole ones closed, suspects dashed, the broken one parted. */
defineProps<{ links: readonly Schemas['ResultView'][]; say: (text: string) => string }>()
const stroke: Record<string, string> = { GOOD: 'text-good', DOUBT: 'text-doubt', BAD: 'text-bad' }
</script>

<template>
  <ol aria-label="The chain, link by link">
    <li
      v-for="(link, i) in links"
      :key="i"
      class="grid grid-cols-[1.75rem_1fr_auto] items-center gap-x-2"
      :class="stroke[link.word] ?? 'text-soft'"
    >
      <svg viewBox="0 0 28 46" class="h-11.5 w-7" aria-hidden="true" fill="none" stroke="currentColor">
        <circle cx="14" cy="5" r="4.5" fill="currentColor" stroke="none" />
        <circle v-if="i === links.length - 1" cx="14" cy="41" r="4.5" fill="currentColor" stroke="none" />
        <path
          v-if="link.word === 'BAD'"
          d="M14 9V17M14 31V46M7 21 21 15M7 33 21 27"
          stroke-width="3.5"
          stroke-linecap="round"
        />
        <path
          v-else
          d="M14 9V46"
          stroke-width="3.5"
          :stroke-dasharray="link.word === 'GOOD' ? undefined : link.word === 'DOUBT' ? '8 5' : '2 4'"
        />
      </svg>
      <span class="leading-tight text-ink">{{ say(link.label) }}</span>
      <span class="font-figures text-sm" :class="link.word === 'BAD' ? 'font-semibold' : ''">
        {{ link.word === 'BAD' ? 'broken' : link.word === 'DOUBT' ? 'suspect' : say(link.value) }}
      </span>
    </li>
  </ol>
</template>
