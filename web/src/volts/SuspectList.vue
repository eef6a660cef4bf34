<script setup lang="ts">
import type { Schemas } from '../api/client'

defineProps<{ suspects: readonly Schemas['SuspectView'][]; underway: boolean; say: (text: string) => string }>()
const standings = { OPEN: '', PROVEN: 'proven', CLEARED: 'cleared by a test' } as const
</script>

<template>
  <p v-if="underway" class="text-sm text-soft" role="status">
    Every fault of this circuit is being worked out; suspects follow in some seconds.
  </p>
  <p v-else-if="suspects.length === 0" class="text-sm text-soft">
    No single part at this point explains it; read its neighbours first.
  </p>
  <ol class="mt-1 space-y-1.5">
    <li v-for="suspect in suspects" :key="suspect.part + suspect.failure" class="grid grid-cols-[3.5rem_1fr] gap-x-3">
      <span
        class="text-right font-figures font-semibold"
        :class="suspect.standing === 'CLEARED' ? 'text-soft line-through' : ''"
      >
        {{ suspect.oddsPercent }} %
      </span>
      <div :class="suspect.standing === 'CLEARED' ? 'text-soft' : ''">
        <strong>{{ suspect.part }} {{ suspect.failure }}</strong>
        <span v-if="suspect.severity" class="ml-1">· about {{ say(suspect.severity) }}</span>
        <span
          v-if="standings[suspect.standing]"
          class="ml-2 font-semibold"
          :class="suspect.standing === 'PROVEN' ? 'text-bad' : 'text-good'"
        >
          {{ standings[suspect.standing] }}
        </span>
        <p class="text-sm text-soft">{{ say(suspect.reason) }}</p>
        <p class="text-sm">
          {{ say(suspect.confirm) }}
          <span class="text-soft">{{ say(suspect.tells) }}</span>
        </p>
      </div>
    </li>
  </ol>
</template>
