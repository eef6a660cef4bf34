<script setup lang="ts">
import { BoltIcon, BoltSlashIcon } from '@heroicons/vue/24/outline'
import type { Schemas } from '../api/client'
import KeyCap from '../ui/KeyCap.vue'

defineProps<{ next: Schemas['NextView'] | null; say: (text: string) => string }>()
defineEmits<{ go: [node: string] }>()
</script>

<template>
  <section
    v-if="next"
    class="flex min-h-16 items-center gap-4 bg-accent px-5 max-sm:gap-2 max-sm:px-3 py-2 text-on-accent"
    aria-label="Next"
    aria-live="polite"
  >
    <span class="flex w-16 shrink-0 flex-col items-center text-[12px] leading-tight">
      <component :is="next.powered ? BoltIcon : BoltSlashIcon" class="size-6" aria-hidden="true" />
      {{ next.powered ? 'power on' : 'plug out' }}
    </span>
    <p class="flex-1 leading-snug max-sm:line-clamp-4 max-sm:text-sm">
      <strong>{{ say(next.title) }}</strong>
      {{ say(next.reason) }}
    </p>
    <button
      v-if="next.node"
      class="flex min-h-11 shrink-0 items-center gap-2 font-semibold"
      @click="$emit('go', next.node)"
    >
      Show
      <KeyCap>Alt N</KeyCap>
    </button>
  </section>
</template>
