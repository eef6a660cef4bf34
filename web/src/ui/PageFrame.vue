<script setup lang="ts">
import {
  AcademicCapIcon,
  ArchiveBoxIcon,
  MoonIcon,
  ShoppingCartIcon,
  SunIcon,
  TableCellsIcon,
  UserCircleIcon,
  UsersIcon,
  WrenchScrewdriverIcon,
} from '@heroicons/vue/24/outline'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import { useTheme } from './theme'
import { useHeadingFocus } from './useHeadingFocus'

/** Frame of the shop's own pages: name of the page, its actions, the way to the others. */
defineProps<{ title: string; hint?: string }>()
const { theme, toggle } = useTheme()
useHeadingFocus('heading')
</script>

<template>
  <div class="flex h-full flex-col">
    <header class="flex min-h-16 flex-wrap items-center gap-x-6 border-b py-1 border-line bg-sheet px-6 max-sm:px-4">
      <h1 ref="heading" tabindex="-1" class="text-xl font-semibold">{{ title }}</h1>
      <p v-if="hint" class="text-soft max-sm:hidden">{{ hint }}</p>
      <nav class="ml-auto flex flex-wrap items-center gap-0.5 max-sm:ml-0 max-sm:gap-0" aria-label="Shop">
        <slot name="actions" />
        <RouterLink
          to="/"
          class="flex min-h-11 items-center gap-1.5 px-2 text-sm text-soft hover:text-ink"
          exact-active-class="font-semibold text-ink!"
        >
          <ArchiveBoxIcon class="size-5" aria-hidden="true" />
          <span class="max-sm:sr-only">Shelf</span>
        </RouterLink>
        <RouterLink
          to="/practice"
          class="flex min-h-11 items-center gap-1.5 px-2 text-sm text-soft hover:text-ink"
          active-class="font-semibold text-ink!"
        >
          <AcademicCapIcon class="size-5" aria-hidden="true" />
          <span class="max-sm:sr-only">Practice</span>
        </RouterLink>
        <RouterLink
          to="/house"
          class="flex min-h-11 items-center gap-1.5 px-2 text-sm text-soft hover:text-ink"
          exact-active-class="font-semibold text-ink!"
        >
          <WrenchScrewdriverIcon class="size-5" aria-hidden="true" />
          <span class="max-sm:sr-only">House policy</span>
        </RouterLink>
        <RouterLink
          to="/house/shopping"
          class="flex min-h-11 items-center gap-1.5 px-2 text-sm text-soft hover:text-ink"
          active-class="font-semibold text-ink!"
        >
          <ShoppingCartIcon class="size-5" aria-hidden="true" />
          <span class="max-sm:sr-only">Shopping</span>
        </RouterLink>
        <RouterLink
          to="/house/tubes"
          class="flex min-h-11 items-center gap-1.5 px-2 text-sm text-soft hover:text-ink"
          active-class="font-semibold text-ink!"
        >
          <TableCellsIcon class="size-5" aria-hidden="true" />
          <span class="max-sm:sr-only">Tubes</span>
        </RouterLink>
        <RouterLink
          v-if="session.owns.value"
          to="/house/people"
          class="flex min-h-11 items-center gap-1.5 px-2 text-sm text-soft hover:text-ink"
          active-class="font-semibold text-ink!"
        >
          <UsersIcon class="size-5" aria-hidden="true" />
          <span class="max-sm:sr-only">People</span>
        </RouterLink>
        <RouterLink
          to="/account"
          class="flex min-h-11 items-center gap-1.5 px-2 text-sm text-soft hover:text-ink"
          active-class="font-semibold text-ink!"
        >
          <UserCircleIcon class="size-5" aria-hidden="true" />
          <span class="max-sm:sr-only">{{ session.current.value?.shownName ?? 'You' }}</span>
        </RouterLink>
        <button
          class="flex min-h-11 min-w-11 items-center justify-center text-soft hover:text-ink"
          :aria-label="theme === 'dark' ? 'Light theme' : 'Dark theme'"
          @click="toggle"
        >
          <component :is="theme === 'dark' ? SunIcon : MoonIcon" class="size-5" aria-hidden="true" />
        </button>
      </nav>
    </header>
    <main class="min-h-0 flex-1 overflow-auto"><slot /></main>
  </div>
</template>
