<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'

/** A dialog over a dimmed ground; Escape and a click outside leave it. */
defineProps<{ open: boolean; title: string; wide?: boolean; size?: 'full' }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <Dialog :open="open" class="relative z-40" @close="$emit('close')">
    <div class="fixed inset-0 bg-ink/40" aria-hidden="true"></div>
    <div class="fixed inset-0 flex items-center justify-center p-6">
      <DialogPanel
        class="max-h-full w-full overflow-auto rounded-lg border border-line bg-sheet p-6 shadow-xl"
        :class="size === 'full' ? 'max-w-7xl' : wide ? 'max-w-3xl' : 'max-w-xl'"
      >
        <DialogTitle as="h2" class="mb-4 text-xl font-semibold">{{ title }}</DialogTitle>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
