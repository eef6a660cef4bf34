<script setup lang="ts">
import { computed } from 'vue'
import { leakAt } from './leakScale'

/** The leak a place allows and the one that was read, on one scale of resistance; the sentence beside it says both. */
const props = defineProps<{ least: number; read: number | null; none: boolean }>()
const limit = computed(() => 100 * leakAt(props.least))
const mark = computed(() => (props.none ? 100 : props.read === null ? null : 100 * leakAt(props.read)))
</script>

<template>
  <svg viewBox="0 0 300 30" class="w-full" aria-hidden="true">
    <rect x="0" y="14" :width="3 * limit" height="14" class="fill-bad" />
    <rect :x="3 * limit" y="14" :width="300 - 3 * limit" height="14" class="fill-good opacity-60" />
    <path v-if="mark !== null" :d="`M${3 * mark - 7} 2h14l-7 11z`" class="fill-ink" />
  </svg>
</template>
