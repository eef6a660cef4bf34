<script setup lang="ts">
import type { Problem } from '../api/client'

/** What was wrong and what to do, where the person is looking. */
defineProps<{ problem: Problem | null }>()
</script>

<template>
  <p v-if="problem" role="alert" class="rounded border border-bad bg-raised px-3 py-2 text-bad">{{ problem.detail }}</p>
</template>
