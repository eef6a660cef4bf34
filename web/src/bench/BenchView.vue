<script setup lang="ts">
import {
  ArrowLeftIcon,
  ClockIcon,
  CpuChipIcon,
  MapIcon,
  MoonIcon,
  QueueListIcon,
  SunIcon,
  WrenchScrewdriverIcon,
} from '@heroicons/vue/24/outline'
import { computed } from 'vue'
import { RouterLink, RouterView } from 'vue-router'
import { session } from '../account/session'
import StageRing from '../stands/StageRing.vue'
import { useStands } from '../stands/useStands'
import { useTheme } from '../ui/theme'

/** A set's rail: where it stands, its stages in working order, and apart from them what is consulted at any stage. */
const props = defineProps<{ setId: string }>()
const { theme, toggle } = useTheme()
const { stands } = useStands(() => props.setId)
/** Before the first answer, so that nothing on the rail moves when it comes. */
const unknown = { proven: 0, doubtful: 0, failed: 0, open: 0, state: 'OPEN', sentence: '', barred: '' } as const
const stages = computed(
  () =>
    stands.value?.stages ?? [
      { ...unknown, id: 'arrival', title: 'Arrival' },
      { ...unknown, id: 'cold', title: 'Cold' },
      { ...unknown, id: 'parts', title: 'Parts' },
      { ...unknown, id: 'power', title: 'Power' },
      { ...unknown, id: 'volts', title: 'Volts' },
      { ...unknown, id: 'finish', title: 'Finish' },
    ],
)
const consulted = [
  { to: 'map', name: 'Map', icon: MapIcon },
  { to: 'circuit', name: 'Circuit', icon: CpuChipIcon },
  { to: 'log', name: 'Log', icon: ClockIcon },
] as const
const item =
  'flex min-h-16 min-w-18 flex-col items-center justify-center gap-1 border-t-4 border-transparent text-sm whitespace-nowrap text-soft hover:text-ink sm:border-t-0 sm:border-l-4'
const here = 'border-t-accent! border-l-accent! bg-sheet font-semibold text-ink!'
</script>

<template>
  <div class="grid h-full grid-rows-[minmax(0,1fr)_auto] sm:grid-cols-[5.5rem_minmax(0,1fr)] sm:grid-rows-1">
    <nav
      class="order-last flex overflow-x-auto border-t border-line bg-ground sm:order-first sm:flex-col sm:overflow-y-auto sm:border-t-0 sm:border-r"
      aria-label="This set"
    >
      <RouterLink to="/" :class="item">
        <ArrowLeftIcon class="size-5" aria-hidden="true" />
        Shelf
      </RouterLink>
      <RouterLink :to="`/sets/${setId}`" :class="item" :exact-active-class="here">
        <QueueListIcon class="size-6" aria-hidden="true" />
        Stands
      </RouterLink>
      <RouterLink
        v-for="stage in stages"
        :key="stage.id"
        :to="`/sets/${setId}/${stage.id}`"
        :class="item"
        :active-class="here"
      >
        <StageRing :stage="stage" />
        {{ stage.title }}
      </RouterLink>
      <hr class="mx-4 my-2 border-line max-sm:hidden" />
      <RouterLink
        v-for="page in consulted"
        :key="page.to"
        :to="`/sets/${setId}/${page.to}`"
        :class="item"
        :active-class="here"
      >
        <component :is="page.icon" class="size-5" aria-hidden="true" />
        {{ page.name }}
      </RouterLink>
      <div class="flex sm:mt-auto sm:flex-col">
        <RouterLink to="/house" :class="item">
          <WrenchScrewdriverIcon class="size-5" aria-hidden="true" />
          House
        </RouterLink>
        <button :class="item" @click="toggle">
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
