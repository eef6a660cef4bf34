<script setup lang="ts">
import {
  AdjustmentsHorizontalIcon,
  ArrowLeftIcon,
  BeakerIcon,
  BoltSlashIcon,
  ClockIcon,
  CpuChipIcon,
  InboxArrowDownIcon,
  MapIcon,
  MoonIcon,
  ScaleIcon,
  SunIcon,
  WrenchScrewdriverIcon,
} from '@heroicons/vue/24/outline'
import { RouterLink, RouterView } from 'vue-router'
import { session } from '../account/session'
import { useTheme } from '../ui/theme'

defineProps<{ setId: string }>()
const { theme, toggle } = useTheme()
const pages = [
  { to: 'arrival', name: 'Arrival', icon: InboxArrowDownIcon },
  { to: 'cold', name: 'Cold', icon: BoltSlashIcon },
  { to: 'map', name: 'Map', icon: MapIcon },
  { to: 'circuit', name: 'Circuit', icon: CpuChipIcon },
  { to: 'ohms', name: 'Ohms', icon: ScaleIcon },
  { to: 'volts', name: 'Volts', icon: AdjustmentsHorizontalIcon },
  { to: 'what-if', name: 'What if', icon: BeakerIcon },
  { to: 'log', name: 'Log', icon: ClockIcon },
] as const
</script>

<template>
  <div class="grid h-full grid-rows-[minmax(0,1fr)_auto] sm:grid-cols-[5.5rem_minmax(0,1fr)] sm:grid-rows-1">
    <nav
      class="order-last flex overflow-x-auto border-t border-line bg-ground sm:order-first sm:flex-col sm:overflow-y-auto sm:border-t-0 sm:border-r"
      aria-label="This set"
    >
      <RouterLink
        to="/"
        class="flex min-h-16 min-w-16 flex-col items-center justify-center text-sm text-soft hover:text-ink"
      >
        <ArrowLeftIcon class="size-5" aria-hidden="true" />
        Shelf
      </RouterLink>
      <RouterLink
        v-for="page in pages"
        :key="page.to"
        :to="`/sets/${setId}/${page.to}`"
        class="flex min-h-16 min-w-18 flex-col items-center justify-center gap-1 border-t-4 border-transparent text-sm whitespace-nowrap text-soft hover:text-ink sm:border-t-0 sm:border-l-4"
        active-class="border-t-accent! border-l-accent! bg-sheet font-semibold text-ink!"
      >
        <component :is="page.icon" class="size-6" aria-hidden="true" />
        {{ page.name }}
      </RouterLink>
      <div class="flex sm:mt-auto sm:flex-col">
        <RouterLink
          to="/house"
          class="flex min-h-16 min-w-18 flex-col items-center justify-center gap-1 text-sm text-soft hover:text-ink"
        >
          <WrenchScrewdriverIcon class="size-5" aria-hidden="true" />
          House
        </RouterLink>
        <button
          class="flex min-h-14 min-w-18 flex-col items-center justify-center text-sm text-soft hover:text-ink"
          @click="toggle"
        >
          <component :is="theme === 'dark' ? SunIcon : MoonIcon" class="size-5" aria-hidden="true" />
          {{ theme === 'dark' ? 'Light' : 'Dark' }}
        </button>
      </div>
    </nav>
    <main class="min-h-0 overflow-auto">
      <p v-if="!session.mayWrite.value" class="border-b border-line bg-mark px-5 py-2">
        You look at this set; readings and changes are for the bench’s people.
      </p>
      <RouterView :key="setId" />
    </main>
  </div>
</template>
