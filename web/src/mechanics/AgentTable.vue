<script setup lang="ts">
import { useShop } from '../ui/useShop'
import type { AgentView } from './useWorks'

/** What may touch a material, for how long, and what must not. */
defineProps<{ agents: readonly AgentView[] }>()
const { say } = useShop()
const looks = { SAFE: 'text-good', TEST_FIRST: 'text-doubt', NEVER: 'text-bad' } as const
const marks = { SAFE: '✓', TEST_FIRST: '?', NEVER: '✕' } as const
</script>

<template>
  <ul class="divide-y divide-line border-y border-line">
    <li
      v-for="one in agents"
      :key="one.material + one.agent"
      class="grid grid-cols-[9rem_minmax(0,1fr)] gap-x-4 py-2 max-sm:grid-cols-1"
    >
      <p class="font-semibold" :class="looks[one.verdict]">
        <span aria-hidden="true">{{ marks[one.verdict] }}</span>
        {{ one.verdictLabel }}
        <span v-if="one.minutes > 0" class="block font-normal text-soft">
          {{ one.minutes < 1 ? `${Math.round(one.minutes * 60)} s` : `${one.minutes} min` }} at most
        </span>
      </p>
      <div class="min-w-0">
        <p :class="one.verdict === 'NEVER' ? 'text-soft line-through' : 'font-semibold'">{{ say(one.agent) }}</p>
        <p>{{ say(one.effect) }}</p>
        <p v-if="one.forbidden" class="text-bad">Not: {{ say(one.forbidden) }}</p>
        <p v-if="one.caution && one.verdict !== 'NEVER'" class="text-sm text-soft">{{ say(one.caution) }}</p>
      </div>
    </li>
  </ul>
</template>
