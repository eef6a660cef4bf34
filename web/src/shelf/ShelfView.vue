<script setup lang="ts">
import { BoltIcon, BoltSlashIcon, CheckIcon, PlusIcon } from '@heroicons/vue/24/outline'
import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { refDebounced, useEventListener } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { RouterLink } from 'vue-router'
import { ask, http, orThrow, type Schemas } from '../api/client'
import { session } from '../account/session'
import AppButton from '../ui/AppButton.vue'
import KeyCap from '../ui/KeyCap.vue'
import PageFrame from '../ui/PageFrame.vue'
import { useShop } from '../ui/useShop'
import { useWaits } from '../live/useWaits'
import NewSetDialog from './NewSetDialog.vue'
import ReadingMeter from './ReadingMeter.vue'

const PAGE = 40
const { shop, say, when, clock } = useShop()
const typed = ref('')
const find = refDebounced(typed, 200)
const field = useTemplateRef<HTMLInputElement>('field')
const shelf = useInfiniteQuery({
  queryKey: ['shelf', find],
  queryFn: ({ pageParam }) =>
    orThrow(ask(http.GET('/api/sets', { params: { query: { find: find.value, from: pageParam, size: PAGE } } }))),
  initialPageParam: 0,
  getNextPageParam: (last, pages) => {
    const have = pages.reduce((sum, page) => sum + page.entries.length, 0)
    return have < last.total && last.entries.length > 0 ? have : undefined
  },
  placeholderData: keepPreviousData,
})
const entries = computed(() => shelf.data.value?.pages.flatMap((page) => page.entries) ?? [])
const total = computed(() => shelf.data.value?.pages[0]?.total ?? 0)
const waits = useWaits()
/** What a set waits for by itself, beside what somebody wrote. */
function waitsOf(setId: string): string[] {
  const parts = waits.data.value?.parts.find((one) => one.setId === setId)
  const forming = (waits.data.value?.forming ?? []).filter((one) => one.setId === setId)
  const drying = (waits.data.value?.drying ?? []).filter((one) => one.setId === setId)
  return [
    ...(parts ? [[parts.onTheWay && `${parts.onTheWay} on the way`, parts.toBuy && `${parts.toBuy} to buy`]] : [])
      .map((both) => both.filter(Boolean).join(', '))
      .map((both) => `parts: ${both}`),
    ...forming.map((one) =>
      one.due
        ? `${one.part} on its volts, to be read now`
        : `${one.part} on its volts, to be read at ${clock(one.readAgainAt)}`,
    ),
    ...drying.map((one) => (one.due ? `${one.what}: dry, to be looked at` : `${one.what}: dry ${when(one.until)}`)),
  ]
}
const adding = ref(false)
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (event.key === '/' && !(event.target as HTMLElement).closest('input, [role="dialog"]')) {
    event.preventDefault()
    field.value?.focus()
  }
})

const day = (date: string) => new Date(`${date}T12:00:00`).toLocaleDateString('en', { day: 'numeric', month: 'short' })

function state(entry: Schemas['ShelfEntry']): string {
  if (entry.points === 0) return 'no circuit yet'
  const found = [entry.wrong > 0 ? `${entry.wrong} wrong` : '', entry.doubtful > 0 ? `${entry.doubtful} in doubt` : '']
    .filter(Boolean)
    .join(', ')
  return `${entry.read} of ${entry.points} read${found ? `, ${found}` : ''}`
}
</script>

<template>
  <PageFrame title="Shelf" :hint="shop?.name">
    <template #actions>
      <label class="flex items-center gap-2 text-sm text-soft">
        Find
        <KeyCap>/</KeyCap>
        <input
          ref="field"
          v-model="typed"
          type="search"
          autocomplete="off"
          placeholder="owner, part, value, tube, note"
          class="min-h-11 w-44 rounded border border-line bg-raised px-3 text-base text-ink max-sm:w-40 lg:w-64"
        />
      </label>
      <AppButton v-if="session.mayWrite.value" look="main" @click="adding = true">
        <PlusIcon class="size-5" aria-hidden="true" />
        Take in a set
      </AppButton>
    </template>
    <p v-if="shelf.error.value" role="alert" class="p-6 text-bad">{{ shelf.error.value.message }}</p>
    <div v-else-if="shelf.data.value && entries.length === 0 && !find" class="mx-auto max-w-md p-10">
      <h2 class="text-lg font-semibold">The shelf is empty</h2>
      <p class="my-3">
        Take in the set on your bench: a title and how it gets its power; photographs, label and circuit follow.
      </p>
      <AppButton v-if="session.mayWrite.value" look="main" @click="adding = true">Take in a set</AppButton>
    </div>
    <p v-else-if="shelf.data.value && entries.length === 0" class="p-8 text-soft">
      No set says “{{ find }}” anywhere: neither title, owner, parts, tubes nor log.
    </p>
    <template v-else>
      <p v-if="find" role="status" class="px-6 pt-3 text-soft">
        {{ total }} {{ total === 1 ? 'set says' : 'sets say' }} “{{ find }}”
      </p>
      <ul class="divide-y divide-line border-b border-line">
        <li v-for="entry in entries" :key="entry.id">
          <RouterLink
            :to="`/sets/${entry.id}`"
            class="grid grid-cols-[minmax(13rem,22rem)_11rem_minmax(0,1fr)] max-sm:grid-cols-1 max-sm:px-4 items-center gap-x-6 gap-y-2 px-6 py-4 hover:bg-mark/50"
          >
            <span class="min-w-0">
              <span class="block truncate text-lg font-semibold">{{ entry.title }}</span>
              <span class="block text-sm">
                <strong :class="entry.liveChassis ? 'text-bad' : 'font-normal text-soft'">{{ entry.danger }}</strong>
                <span class="text-soft">
                  {{
                    ['', entry.ticket && `ticket ${entry.ticket}`, entry.place, entry.owner]
                      .filter((text, i) => i === 0 || text)
                      .join(' · ')
                  }}
                </span>
              </span>
              <span class="block text-sm text-soft">touched {{ when(entry.touchedAt) }}</span>
            </span>
            <span>
              <ReadingMeter :points="entry.points" :read="entry.read" :wrong="entry.wrong" :doubtful="entry.doubtful" />
              <span class="mt-1 block text-sm" :class="entry.wrong > 0 ? 'font-semibold text-bad' : 'text-soft'">
                {{ state(entry) }}
              </span>
            </span>
            <span class="min-w-0">
              <span v-if="entry.waitsFor" class="mb-1 block text-sm">
                <span class="text-soft">waits for</span>
                {{ entry.waitsFor }}
                <span v-if="entry.waitsUntil" class="text-soft">until {{ day(entry.waitsUntil) }}</span>
              </span>
              <span v-for="wait in waitsOf(entry.id)" :key="wait" class="mb-1 block text-sm">
                <span class="text-soft">waits for</span>
                {{ say(wait) }}
              </span>
              <span class="flex gap-2">
                <component
                  :is="!entry.next ? CheckIcon : entry.nextPowered ? BoltIcon : BoltSlashIcon"
                  class="mt-0.5 size-5 shrink-0 text-accent"
                  aria-hidden="true"
                />
                <span>
                  <span class="line-clamp-2">
                    {{ say(entry.next || 'Nothing is asked for now') }}
                  </span>
                  <strong v-if="entry.stops > 0" class="text-bad">{{ entry.stops }} before any power</strong>
                </span>
              </span>
            </span>
          </RouterLink>
        </li>
      </ul>
      <div v-if="shelf.hasNextPage.value" class="p-5 text-center">
        <AppButton :disabled="shelf.isFetchingNextPage.value" @click="shelf.fetchNextPage()">
          {{ entries.length }} of {{ total }} shown: show more
        </AppButton>
      </div>
    </template>
    <NewSetDialog :open="adding" @close="adding = false" />
  </PageFrame>
</template>
