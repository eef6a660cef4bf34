<script setup lang="ts">
import type { Schemas } from '../api/client'
import VerdictMark from '../ui/VerdictMark.vue'

/** What the figures of one row say, beside or under it. */
defineProps<{ result: Schemas['ResultView']; say: (text: string) => string }>()
</script>

<template>
  <p class="grid grid-cols-[1.5rem_1fr] items-start gap-x-1 leading-tight">
    <VerdictMark class="size-5!" :verdict="result.word" />
    <span class="text-sm">{{ say(result.note || result.value) }}</span>
  </p>
</template>
