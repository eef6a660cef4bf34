<script setup lang="ts">
import { ArchiveBoxXMarkIcon, ArrowPathIcon } from '@heroicons/vue/24/outline'
import { toRef } from 'vue'
import StandingEvent from './StandingEvent.vue'
import { useStanding } from './useStanding'

/** Over every page, when there is something about the machine to say. Nothing on the page is covered or lost by it. */
const props = defineProps<{ inside: boolean }>()
const { away, space, event, readEvent } = useStanding(toRef(props, 'inside'))
</script>

<template>
  <div v-if="away || space || event" class="border-b border-line bg-raised" data-standing>
    <p
      v-if="away"
      role="status"
      class="flex items-center gap-3 border-l-8 border-doubt px-5 py-2 max-sm:px-3 max-sm:py-1 max-sm:text-sm"
    >
      <ArrowPathIcon class="size-6 shrink-0 text-doubt" aria-hidden="true" />
      <span>
        <strong>The database is being started again.</strong>
        What you type waits here and goes in by itself; it takes a few seconds.
      </span>
    </p>
    <p
      v-if="space"
      role="alert"
      class="flex items-center gap-3 border-l-8 border-bad px-5 py-2 max-sm:px-3 max-sm:py-1 max-sm:text-sm"
    >
      <ArchiveBoxXMarkIcon class="size-6 shrink-0 text-bad" aria-hidden="true" />
      <span>{{ space }}</span>
    </p>
    <StandingEvent v-if="event && !away" :event="event" @read="readEvent" />
  </div>
</template>
