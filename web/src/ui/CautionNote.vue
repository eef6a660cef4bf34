<script setup lang="ts">
import { ExclamationTriangleIcon } from '@heroicons/vue/24/outline'

/** The usual caution, where the act happens. */
</script>

<template>
  <aside
    class="flex items-center gap-3 bg-caution px-4 py-1.5 text-[14px] leading-tight text-on-caution"
    aria-label="Caution"
  >
    <ExclamationTriangleIcon class="size-6 shrink-0" aria-hidden="true" />
    <slot />
  </aside>
</template>
