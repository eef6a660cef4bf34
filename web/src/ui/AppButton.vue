<script setup lang="ts">
withDefaults(
  defineProps<{ look?: 'plain' | 'main' | 'quiet' | 'danger'; disabled?: boolean; type?: 'button' | 'submit' }>(),
  { look: 'plain', disabled: false, type: 'button' },
)
const looks = {
  plain: 'border border-line bg-raised text-ink hover:border-accent',
  main: 'border border-accent bg-accent text-on-accent',
  quiet: 'text-accent underline-offset-4 hover:underline',
  danger: 'border border-bad bg-raised text-bad',
}
</script>

<template>
  <button
    :type="type"
    :disabled="disabled"
    class="inline-flex min-h-11 items-center gap-2 rounded px-4 py-2 font-semibold disabled:opacity-60"
    :class="looks[look]"
  >
    <slot />
  </button>
</template>
