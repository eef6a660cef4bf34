<script setup lang="ts">
import { BoltIcon, BoltSlashIcon, CheckIcon } from '@heroicons/vue/24/outline'
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { placeOf } from '../guide/place'
import KeyCap from '../ui/KeyCap.vue'
import { useHeadingFocus } from '../ui/useHeadingFocus'
import { useShop } from '../ui/useShop'
import { rest } from './counts'
import StageRow from './StageRow.vue'
import StopList from './StopList.vue'
import { useStands } from './useStands'

/** Where a set stands: read in five seconds from a metre away. */
const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const { stands, error, looked } = useStands(() => props.setId)
const router = useRouter()
useHeadingFocus('heading')

/** A title inside a sentence: small, unless it begins with a name such as V4 or AC. */
const within = (title: string) => (/^[A-Z][a-z]/.test(title) ? title.charAt(0).toLowerCase() + title.slice(1) : title)
const power = computed(() => stands.value?.stops.filter((stop) => stop.gate === 'POWER') ?? [])
const hands = computed(() => stands.value?.stops.filter((stop) => stop.gate === 'HANDS_IN') ?? [])
const day = (date: string) =>
  new Date(`${date}T12:00:00`).toLocaleDateString('en', { weekday: 'short', day: 'numeric', month: 'short' })
const beside = computed(() =>
  [
    stands.value?.danger,
    stands.value?.ticket && `ticket ${stands.value.ticket}`,
    stands.value?.place,
    stands.value && !stands.value.constructionConfirmed && `${stands.value.constructionLabel}, never confirmed`,
  ].filter(Boolean),
)

useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  const target = event.target as HTMLElement
  if (event.key === 'Enter' && stands.value?.next && (target === document.body || target.tagName === 'H1')) {
    event.preventDefault()
    void router.push(placeOf(props.setId, stands.value.next))
  }
})
/** Whoever leaves the page has seen it. */
function seen() {
  if (stands.value) void looked()
}
onBeforeUnmount(seen)
useEventListener(window, 'pagehide', seen)
</script>

<template>
  <div v-if="stands" class="flex min-h-full flex-col bg-sheet">
    <header class="flex min-h-16 flex-wrap items-center gap-x-6 gap-y-1 bg-sheet px-6 py-2 max-sm:px-4">
      <div class="min-w-0 flex-1">
        <h1 ref="heading" tabindex="-1" class="truncate text-xl font-semibold">{{ stands.title }}</h1>
        <p class="text-soft">
          <strong v-if="stands.liveChassis" class="text-bad">{{ beside[0] }}</strong>
          <template v-else>{{ beside[0] }}</template>
          <template v-for="text in beside.slice(1)" :key="String(text)">{{ ` · ${text}` }}</template>
        </p>
      </div>
      <p v-if="stands.owner || stands.promisedFor" class="text-right max-sm:text-left">
        {{ stands.owner }}
        <template v-if="stands.promisedFor">
          <span class="text-soft">{{ stands.owner ? ' · ' : '' }}promised for</span>
          <strong>{{ ` ${day(stands.promisedFor)}` }}</strong>
        </template>
      </p>
    </header>
    <section
      class="flex items-center gap-6 bg-accent px-6 py-5 text-on-accent max-sm:flex-wrap max-sm:gap-3 max-sm:px-4"
      aria-label="Next"
    >
      <component
        :is="!stands.next ? CheckIcon : stands.next.powered ? BoltIcon : BoltSlashIcon"
        class="size-11 shrink-0"
        aria-hidden="true"
      />
      <div class="min-w-0 flex-1 max-sm:basis-[70%]">
        <p class="text-[30px] leading-tight font-semibold max-sm:text-2xl">
          {{
            stands.next
              ? `${stands.next.powered ? 'Plug in' : 'Plug out'}: ${within(say(stands.next.title))}`
              : rest(stands.stages)
          }}
        </p>
        <p v-if="stands.next" class="mt-1 text-[17px] leading-snug">
          <template v-if="stands.next.minutes > 0">{{ stands.next.minutes }} min.</template>
          {{ say(stands.next.why) }}
        </p>
      </div>
      <RouterLink
        v-if="stands.next"
        :to="placeOf(setId, stands.next)"
        class="flex min-h-12 shrink-0 items-center gap-2 rounded border border-on-accent/70 px-5 text-lg font-semibold max-sm:w-full max-sm:justify-center"
      >
        Do it
        <KeyCap class="max-sm:hidden">Enter</KeyCap>
      </RouterLink>
    </section>
    <div class="grid flex-1 grid-cols-1 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section aria-label="Stages" class="border-t border-line">
        <StageRow v-for="stage in stands.stages" :key="stage.id" :set-id="setId" :stage="stage" />
      </section>
      <aside class="space-y-5 border-t border-line bg-ground px-5 py-4 lg:border-l" aria-label="What is open">
        <section v-if="power.length > 0" aria-labelledby="bars-power">
          <h2 id="bars-power" class="border-b border-line pb-1 text-soft">Bars power</h2>
          <StopList :set-id="setId" :stops="power" />
        </section>
        <section v-if="hands.length > 0" aria-labelledby="bars-hands">
          <h2 id="bars-hands" class="border-b border-line pb-1 text-soft">No hand inside until</h2>
          <StopList :set-id="setId" :stops="hands" />
        </section>
        <section v-if="stands.waitsFor" aria-labelledby="waits">
          <h2 id="waits" class="border-b border-line pb-1 text-soft">Waits</h2>
          <p class="py-1.5">
            <strong v-if="stands.waitsUntil">{{ `${day(stands.waitsUntil)} ` }}</strong>
            {{ stands.waitsFor }}
          </p>
        </section>
        <section v-if="stands.toSettle.length > 0" aria-labelledby="settle">
          <h2 id="settle" class="border-b border-line pb-1 text-soft">To settle</h2>
          <ul>
            <li
              v-for="text in stands.toSettle"
              :key="text"
              class="grid grid-cols-[1.25rem_1fr] border-b border-line py-1.5 leading-snug"
            >
              <span aria-hidden="true">≠</span>
              {{ say(text) }}
            </li>
          </ul>
        </section>
        <section v-if="stands.provisional.length > 0" aria-labelledby="provisional">
          <h2 id="provisional" class="border-b border-line pb-1 text-soft">Provisional</h2>
          <ul>
            <li
              v-for="text in stands.provisional"
              :key="text"
              class="grid grid-cols-[1.25rem_1fr] border-b border-line py-1.5 leading-snug"
            >
              <span aria-hidden="true">↺</span>
              {{ say(text) }}
            </li>
          </ul>
        </section>
        <section v-if="stands.since.lookedAt" aria-labelledby="since">
          <h2 id="since" class="border-b border-line pb-1 text-soft">
            Since you looked, {{ when(stands.since.lookedAt) }}
          </h2>
          <p v-if="stands.since.count === 0" class="py-1.5">Nothing was added by others.</p>
          <ul v-else>
            <li
              v-for="item in stands.since.news"
              :key="item.at + item.words"
              class="grid grid-cols-[auto_1fr] gap-x-2 border-b border-line py-1.5 leading-snug"
            >
              <span class="text-soft">{{ item.who }}</span>
              <span class="line-clamp-2">{{ say(item.words) }}</span>
            </li>
          </ul>
          <RouterLink
            v-if="stands.since.count > stands.since.news.length"
            :to="`/sets/${setId}/log`"
            class="flex min-h-11 items-center text-accent underline underline-offset-4"
          >
            {{ stands.since.count - stands.since.news.length }} more in the log
          </RouterLink>
        </section>
      </aside>
    </div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Fetching the set…</p>
</template>
