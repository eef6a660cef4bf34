<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ask, http, orThrow } from '../api/client'
import BenchHeader from '../bench/BenchHeader.vue'
import { useShop } from '../ui/useShop'

const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const params = () => ({ path: { setId: props.setId } })
const set = useQuery({ queryKey: ['circuit', () => props.setId, 'label'], queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: params() }))) })
const log = useQuery({ queryKey: ['log', () => props.setId], queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/readings', { params: params() }))) })
const wanted = ref('')
const shown = computed(() => (log.data.value ?? []).filter((e) => `${e.subject} ${e.text} ${e.author} ${e.source} ${e.note} ${e.lifted} ${e.mode}`.toLowerCase().includes(wanted.value.toLowerCase().trim())))
</script>

<template>
  <div v-if="set.data.value" class="flex min-h-full flex-col">
    <BenchHeader :title="set.data.value.title" :danger="set.data.value.danger" :live-chassis="set.data.value.liveChassis" place="Every reading, the latest first; nothing is ever changed or deleted">
      <label class="flex items-center gap-2 text-sm text-soft">Find in the log <input v-model="wanted" autocomplete="off" class="min-h-11 w-44 rounded border border-line bg-raised px-3 text-ink" /></label>
    </BenchHeader>
    <p v-if="log.error.value" role="alert" class="p-6 text-bad">{{ log.error.value.message }}</p>
    <p v-else-if="shown.length === 0" class="p-6 text-soft">{{ wanted ? 'Nothing in the log says that.' : 'No readings yet. They appear here with their time and conditions.' }}</p>
    <table v-else class="mx-6 my-3">
      <thead class="text-left text-sm text-soft">
        <tr><th class="py-1 font-normal">Taken</th><th class="font-normal">Point</th><th class="pr-6 text-right font-normal">Reading</th><th class="font-normal">{{ say('Line') }}, meter, mode</th><th class="font-normal">By, from</th><th class="font-normal">Note</th></tr>
      </thead>
      <tbody>
        <tr v-for="entry in shown" :key="entry.id" class="border-t border-line" :class="entry.standing ? '' : 'text-soft'">
          <td class="py-2 text-sm whitespace-nowrap">{{ when(entry.takenAt) }}<span v-if="entry.minutesOn !== null" class="text-soft"> · {{ Math.round(entry.minutesOn) }} min on</span></td>
          <td>{{ say(entry.subject) }}<span v-if="entry.reference" class="text-soft"> to {{ say(entry.reference) }}</span><span v-if="entry.lifted" class="text-soft"> · {{ entry.lifted }} lifted</span></td>
          <td class="pr-6 text-right font-figures font-semibold" :class="entry.standing ? '' : 'line-through'">{{ say(entry.text) }} <span class="font-sans text-sm font-normal">{{ entry.kind === 'DC' || entry.kind === 'AC' ? entry.kind : '' }}</span></td>
          <td class="text-sm">{{ entry.kind === 'OHMS' ? entry.meter : [`${entry.lineVolts} V`, entry.meter, entry.mode].filter(Boolean).join(', ') }}</td>
          <td class="text-sm">{{ entry.author }}, {{ entry.source }}</td>
          <td class="text-sm">{{ entry.withdrawn ? 'takes the earlier reading back' : entry.standing ? entry.note : 'taken back' }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
