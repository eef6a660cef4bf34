<script setup lang="ts">
import { InformationCircleIcon } from '@heroicons/vue/24/outline'
import type { Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import { useShop } from '../ui/useShop'

/** What went wrong with the machine lately and was put right, until this browser's people have read it. */
defineProps<{ event: Schemas['EventView'] }>()
defineEmits<{ read: [] }>()
const { when } = useShop()
</script>

<template>
  <p
    role="status"
    class="flex items-center gap-3 border-l-8 border-accent px-5 py-1 max-sm:px-3 max-sm:py-0 max-sm:text-sm"
  >
    <InformationCircleIcon class="size-6 shrink-0 text-accent" aria-hidden="true" />
    <span class="flex-1">
      {{ event.sentence }}
      <span class="whitespace-nowrap text-soft">{{ when(event.at) }}</span>
    </span>
    <AppButton look="quiet" @click="$emit('read')">Understood</AppButton>
  </p>
</template>
