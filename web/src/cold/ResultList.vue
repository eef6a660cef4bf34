<script setup lang="ts">
import type { Schemas } from '../api/client'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'

/** What was compared, point by point. */
defineProps<{ results: Schemas['CandidateResult'][] }>()
const { say } = useShop()
</script>

<template>
  <ul class="divide-y divide-line border-y border-line">
    <li
      v-for="result in results"
      :key="result.label"
      class="grid grid-cols-[1.5rem_10rem_1fr] items-start gap-x-2 py-1"
    >
      <VerdictMark class="mt-0.5 size-4!" :verdict="result.word" />
      <span>{{ say(result.label) }}</span>
      <span>
        <span class="font-figures font-semibold">{{ say(result.value) }}</span>
        <span class="text-soft">{{ ` ${say(result.note)}` }}</span>
      </span>
    </li>
  </ul>
</template>
