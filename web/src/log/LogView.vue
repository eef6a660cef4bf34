<script setup lang="ts">
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { ask, http, orThrow } from '../api/client'
import { useArrival } from '../arrival/useArrival'
import BenchHeader from '../bench/BenchHeader.vue'
import AppButton from '../ui/AppButton.vue'
import { useShop } from '../ui/useShop'

/** Everything that was read, done, found and said, the latest first. */
const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const doors = useArrival(() => props.setId)
const params = () => ({ path: { setId: props.setId } })
const set = useQuery({
  queryKey: ['circuit', () => props.setId, 'label'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: params() }))),
})
const kinds: readonly { id: string; name: string; of: readonly string[] }[] = [
  { id: 'all', name: 'All', of: [] },
  { id: 'readings', name: 'Readings', of: ['reading'] },
  { id: 'apart', name: 'Apart and together', of: ['taken-off', 'put-back', 'closed', 'control-found'] },
  { id: 'found', name: 'Found and said', of: ['looked', 'told', 'task-done', 'part-tested'] },
  { id: 'cold', name: 'Cold tests', of: ['cold-figures'] },
  { id: 'parts', name: 'Parts', of: ['part-read', 'part-decided', 'part-covered', 'part-replaced'] },
  { id: 'rest', name: 'Remarks and decisions', of: ['remark', 'worth', 'decided'] },
]
const kind = ref('all')
const wanted = ref('')
const words = refDebounced(wanted, 250)
const remark = ref('')
const chosen = computed(() => [...(kinds.find((k) => k.id === kind.value)?.of ?? [])])
const log = useInfiniteQuery({
  queryKey: ['log', () => props.setId, chosen, words],
  initialPageParam: undefined as number | undefined,
  queryFn: ({ pageParam }) =>
    orThrow(
      ask(
        http.GET('/api/sets/{setId}/log', {
          params: {
            ...params(),
            query: { kinds: chosen.value, words: words.value.trim(), before: pageParam, size: 60 },
          },
        }),
      ),
    ),
  getNextPageParam: (page) => page.before ?? undefined,
  placeholderData: (before) => before,
})
const shown = computed(() => log.data.value?.pages.flatMap((page) => page.lines) ?? [])
const total = computed(() => log.data.value?.pages[0]?.total ?? 0)

async function keep() {
  const answer = await doors.remark(remark.value)
  if (answer.kind !== 'failed') remark.value = ''
}
</script>

<template>
  <div v-if="set.data.value" class="flex min-h-full flex-col">
    <BenchHeader
      :title="set.data.value.title"
      :danger="set.data.value.danger"
      :live-chassis="set.data.value.liveChassis"
      place="Everything, the latest first; nothing is ever changed or deleted"
    >
      <label class="flex items-center gap-2 text-sm text-soft">
        Find in the log
        <input
          v-model="wanted"
          autocomplete="off"
          class="min-h-11 w-44 rounded border border-line bg-raised px-3 text-ink"
        />
      </label>
    </BenchHeader>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2 px-6 pt-3 max-sm:px-4">
      <div class="flex flex-wrap gap-1" role="group" aria-label="What is shown">
        <button
          v-for="k in kinds"
          :key="k.id"
          class="min-h-11 rounded border px-3"
          :class="kind === k.id ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised text-soft'"
          :aria-pressed="kind === k.id"
          @click="kind = k.id"
        >
          {{ k.name }}
        </button>
      </div>
      <form class="ml-auto flex items-center gap-2 max-sm:ml-0 max-sm:w-full" @submit.prevent="keep">
        <label class="flex flex-1 items-center gap-2 text-sm text-soft">
          Remark
          <input
            v-model="remark"
            autocomplete="off"
            class="min-h-11 w-64 max-sm:w-full rounded border border-line bg-raised px-3 text-ink"
          />
        </label>
        <AppButton type="submit" :disabled="!remark.trim()">Keep</AppButton>
      </form>
    </div>
    <p v-if="log.error.value" role="alert" class="p-6 text-bad">{{ log.error.value.message }}</p>
    <p v-else-if="log.data.value && shown.length === 0" class="p-6 text-soft">
      {{
        wanted || kind !== 'all'
          ? 'Nothing in the log says that.'
          : 'Nothing yet. What is read, done and found appears here with its time.'
      }}
    </p>
    <table v-else class="mx-6 my-3 max-sm:mx-4 max-sm:block">
      <thead class="max-sm:hidden text-left text-sm text-soft">
        <tr>
          <th class="py-1 font-normal">When</th>
          <th class="font-normal">What</th>
          <th class="pr-6 text-right font-normal">Reading</th>
          <th class="font-normal">{{ say('Line') }}, meter, mode</th>
          <th class="font-normal">By</th>
        </tr>
      </thead>
      <tbody class="max-sm:block">
        <tr
          v-for="entry in shown"
          :key="entry.id"
          class="border-t border-line max-sm:grid max-sm:grid-cols-[1fr_auto] max-sm:py-2"
          :class="entry.standing ? '' : 'text-soft'"
        >
          <td class="py-2 pr-4 text-sm whitespace-nowrap max-sm:order-2 max-sm:py-0 max-sm:text-soft">
            {{ when(entry.takenAt) }}
          </td>
          <td class="pr-4">
            <template v-if="entry.kind === 'reading'">
              <strong>{{ say(entry.subject) }}</strong>
              <span class="text-soft">{{ ` ${say(entry.text)}` }}</span>
            </template>
            <span v-else :class="entry.standing || entry.withdrawal ? '' : 'line-through'">{{ say(entry.text) }}</span>
            <span v-if="!entry.standing && !entry.withdrawal" class="ml-2 text-sm">taken back or corrected</span>
          </td>
          <td
            class="pr-6 text-right max-sm:pr-0 font-figures font-semibold whitespace-nowrap"
            :class="entry.standing ? '' : 'line-through'"
          >
            {{ say(entry.figure) }}
          </td>
          <td class="text-sm max-sm:order-4 max-sm:col-span-2 max-sm:text-soft">
            {{ entry.conditions }}
            <span v-if="entry.ahead" class="block text-doubt">
              Its time is ahead of this machine’s clock: one of the two is wrong.
            </span>
          </td>
          <td class="text-sm max-sm:order-3">{{ entry.author }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="log.hasNextPage.value" class="mx-6 mb-6 flex items-center gap-4 text-sm text-soft max-sm:mx-4">
      <AppButton :disabled="log.isFetchingNextPage.value" @click="log.fetchNextPage()">Show earlier entries</AppButton>
      {{ shown.length }} of {{ total }}
    </p>
  </div>
</template>
