<script setup lang="ts">
import { BoltIcon, BoltSlashIcon, PlusIcon } from '@heroicons/vue/24/outline'
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask, http, orThrow, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import PageFrame from '../ui/PageFrame.vue'
import { useShop } from '../ui/useShop'
import NewSetDialog from './NewSetDialog.vue'
import ReadingMeter from './ReadingMeter.vue'

const { shop, say, when } = useShop()
const shelf = useQuery({ queryKey: ['shelf'], queryFn: () => orThrow(ask(http.GET('/api/sets'))) })
const adding = ref(false)

function state(entry: Schemas['ShelfEntry']): string {
  if (entry.points === 0) return 'no circuit yet'
  const found = [entry.wrong > 0 ? `${entry.wrong} wrong` : '', entry.doubtful > 0 ? `${entry.doubtful} in doubt` : ''].filter(Boolean).join(', ')
  return `${entry.read} of ${entry.points} read${found ? `, ${found}` : ''}`
}
</script>

<template>
  <PageFrame title="Shelf" :hint="shop?.name">
    <template #actions>
      <AppButton look="main" @click="adding = true"><PlusIcon class="size-5" aria-hidden="true" />Take in a set</AppButton>
    </template>
    <p v-if="shelf.error.value" role="alert" class="p-6 text-bad">{{ shelf.error.value.message }}</p>
    <div v-else-if="shelf.data.value?.length === 0" class="mx-auto max-w-md p-10">
      <h2 class="text-lg font-semibold">The shelf is empty</h2>
      <p class="my-3">Take in the set on your bench: a title, how it gets its power, then its circuit and its sheet.</p>
      <AppButton look="main" @click="adding = true">Take in a set</AppButton>
    </div>
    <ul v-else class="divide-y divide-line border-b border-line">
      <li v-for="entry in shelf.data.value" :key="entry.id">
        <RouterLink :to="`/sets/${entry.id}`" class="grid grid-cols-[minmax(15rem,22rem)_12rem_minmax(0,1fr)] items-center gap-6 px-6 py-4 hover:bg-mark/50">
          <span class="min-w-0">
            <span class="block truncate text-lg font-semibold">{{ entry.title }}</span>
            <span class="block text-sm"><strong :class="entry.liveChassis ? 'text-bad' : 'font-normal text-soft'">{{ entry.danger }}</strong><span class="text-soft"> · {{ [entry.ticket && `ticket ${entry.ticket}`, entry.place].filter(Boolean).join(' · ') }}</span></span>
            <span class="block text-sm text-soft">touched {{ when(entry.touchedAt) }}</span>
          </span>
          <span>
            <ReadingMeter :points="entry.points" :read="entry.read" :wrong="entry.wrong" :doubtful="entry.doubtful" />
            <span class="mt-1 block text-sm" :class="entry.wrong > 0 ? 'font-semibold text-bad' : 'text-soft'">{{ state(entry) }}</span>
          </span>
          <span class="min-w-0">
            <span v-if="entry.waitsFor" class="mb-1 block text-sm"><span class="text-soft">waits for</span> {{ entry.waitsFor }}</span>
            <span class="flex gap-2"><component :is="entry.nextPowered ? BoltIcon : BoltSlashIcon" class="mt-0.5 size-5 shrink-0 text-accent" aria-hidden="true" /><span class="line-clamp-2">{{ say(entry.next) }}</span></span>
          </span>
        </RouterLink>
      </li>
    </ul>
    <NewSetDialog :open="adding" @close="adding = false" />
  </PageFrame>
</template>
