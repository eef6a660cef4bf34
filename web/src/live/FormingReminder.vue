<script setup lang="ts">
import { ClockIcon } from '@heroicons/vue/24/outline'
import { computed } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { useWaits } from './useWaits'

/** A capacitor on its volts that somebody should look at now, on every page but its own. */
const route = useRoute()
const { data } = useWaits()
const due = computed(
  () =>
    data.value?.forming.filter((one) => one.due && !route.path.startsWith(`/sets/${one.setId}/parts/forming`)) ?? [],
)
</script>

<template>
  <div v-if="due[0]" role="status" class="flex flex-wrap items-center gap-x-3 bg-mark px-5 py-1.5">
    <ClockIcon class="size-5 shrink-0" aria-hidden="true" />
    <p class="min-w-0 flex-1">
      <strong>{{ due[0].part }}</strong>
      {{
        ` of ${due[0].set} is on its volts: ${due[0].state === 'GOING_ON' || due[0].state === 'WAITING' ? 'read it now' : due[0].says}`
      }}
      {{ due.length > 1 ? `, and ${due.length - 1} more` : '' }}
    </p>
    <RouterLink
      class="flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
      :to="`/sets/${due[0].setId}/parts/forming?part=${due[0].part}`"
    >
      Go there
    </RouterLink>
  </div>
</template>
