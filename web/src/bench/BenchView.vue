<script setup lang="ts">
import { AdjustmentsHorizontalIcon, ArrowLeftIcon, BeakerIcon, BoltSlashIcon, ClockIcon, CpuChipIcon, InboxArrowDownIcon, MapIcon, MoonIcon, ScaleIcon, SunIcon, WrenchScrewdriverIcon } from '@heroicons/vue/24/outline'
import { RouterLink, RouterView } from 'vue-router'
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
  <div class="grid h-dvh grid-cols-[5.5rem_minmax(0,1fr)]">
    <nav class="flex flex-col border-r border-line bg-ground" aria-label="This set">
      <RouterLink to="/" class="flex min-h-16 flex-col items-center justify-center text-sm text-soft hover:text-ink"><ArrowLeftIcon class="size-5" aria-hidden="true" />Shelf</RouterLink>
      <RouterLink v-for="page in pages" :key="page.to" :to="`/sets/${setId}/${page.to}`" class="flex min-h-16 flex-col items-center justify-center gap-1 border-l-4 border-transparent text-sm text-soft hover:text-ink" active-class="border-l-accent! bg-sheet font-semibold text-ink!">
        <component :is="page.icon" class="size-6" aria-hidden="true" />{{ page.name }}
      </RouterLink>
      <div class="mt-auto flex flex-col">
        <RouterLink to="/house" class="flex min-h-16 flex-col items-center justify-center gap-1 text-sm text-soft hover:text-ink"><WrenchScrewdriverIcon class="size-5" aria-hidden="true" />House</RouterLink>
        <button class="flex min-h-14 flex-col items-center justify-center text-sm text-soft hover:text-ink" @click="toggle">
          <component :is="theme === 'dark' ? SunIcon : MoonIcon" class="size-5" aria-hidden="true" />{{ theme === 'dark' ? 'Light' : 'Dark' }}
        </button>
      </div>
    </nav>
    <main class="min-h-0 overflow-auto"><RouterView :key="setId" /></main>
  </div>
</template>
