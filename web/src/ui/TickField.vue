<script setup lang="ts">
/** A yes or no with a target large enough for a thumb. */
defineProps<{ label: string }>()
const model = defineModel<boolean>({ required: true })
</script>

<template>
  <label class="flex min-h-11 items-center gap-2">
    <input v-model="model" type="checkbox" class="size-5 accent-accent" />
    {{ label }}
  </label>
</template>
