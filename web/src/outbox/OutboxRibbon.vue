<script setup lang="ts">
import { CloudArrowUpIcon, ExclamationCircleIcon } from '@heroicons/vue/24/outline'
import { useQueryClient } from '@tanstack/vue-query'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { onUnmounted } from 'vue'
import AppButton from '../ui/AppButton.vue'
import { discard, drain, insist, onSent, outbox } from './outbox'

/** What waits in this browser for the connection, and what came back with a reason. Absent while there is nothing. */
const client = useQueryClient()
const { waiting, refused, others } = outbox
const stop = onSent(
  (setId) =>
    void client.invalidateQueries({
      predicate: (query) =>
        query.queryKey[0] === 'shelf' || JSON.stringify(query.queryKey).includes(setId) || query.queryKey.length > 1,
    }),
)
onUnmounted(stop)
useEventListener(window, 'online', () => void drain())
useIntervalFn(() => {
  if (waiting.value.length > 0) void drain()
}, 3000)
void drain()
</script>

<template>
  <aside
    v-if="waiting.length > 0 || refused.length > 0 || others > 0"
    class="fixed right-4 bottom-37 z-40 max-sm:top-2 max-sm:right-2 max-sm:bottom-auto max-sm:left-2 max-sm:max-w-none max-h-[50dvh] max-w-[min(24rem,calc(100vw-2rem))] overflow-auto rounded border border-line bg-raised px-3 py-2 shadow-lg"
    aria-label="Waiting for the connection"
    aria-live="polite"
  >
    <p v-if="waiting.length > 0" class="flex items-center gap-2 font-semibold">
      <CloudArrowUpIcon class="size-6 shrink-0 text-doubt" aria-hidden="true" />
      {{ waiting.length === 1 ? 'One entry waits' : `${waiting.length} entries wait` }} for the connection
    </p>
    <details v-if="waiting.length > 0" class="pl-8 text-sm text-soft">
      <summary class="min-h-7 content-center">What happens with them</summary>
      Kept in this browser, also when the page is closed; they go in by themselves, in order, with the time they were
      taken.
    </details>
    <p v-if="others > 0" class="text-sm text-soft">
      {{ others === 1 ? 'One entry of somebody else waits' : `${others} entries of somebody else wait` }} here until
      they sign in again.
    </p>
    <ul v-if="refused.length > 0" class="divide-y divide-line">
      <li v-for="one in refused" :key="one.place" class="py-2">
        <p class="flex items-start gap-2">
          <ExclamationCircleIcon class="size-6 shrink-0 text-bad" aria-hidden="true" />
          <span>
            <strong>{{ one.shown }}</strong>
            was not taken: {{ one.refused!.detail }}
          </span>
        </p>
        <div class="flex justify-end gap-2">
          <AppButton v-if="one.refused!.type === '/problems/ask-first'" @click="insist(one)">It is right</AppButton>
          <AppButton look="quiet" @click="discard(one)">Discard</AppButton>
        </div>
      </li>
    </ul>
  </aside>
</template>
