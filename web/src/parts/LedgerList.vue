<script setup lang="ts">
import { computed } from 'vue'
import VerdictMark from '../ui/VerdictMark.vue'
import type { LedgerRow } from './useLedger'

/** Every part by when it has to be settled: mark, what it should be, what it reads, what it does here, what happens. */
const props = defineProps<{ rows: readonly LedgerRow[]; current: string; say: (text: string) => string }>()
const emit = defineEmits<{ choose: [reference: string] }>()
const groups = computed(() => {
  const all: { label: string; rows: LedgerRow[] }[] = []
  for (const row of props.rows) {
    const last = all[all.length - 1]
    if (last?.label === row.groupLabel) last.rows.push(row)
    else all.push({ label: row.groupLabel, rows: [row] })
  }
  return all
})
const bold = (row: LedgerRow) => ['REPLACE', 'FORM', 'SETTLE', 'IN'].includes(row.decision)
</script>

<template>
  <table class="w-full table-fixed border-collapse">
    <caption class="sr-only">Parts by when they have to be settled</caption>
    <colgroup>
      <col class="w-11" />
      <col class="w-16" />
      <col class="w-36 max-lg:w-32" />
      <col class="w-60 max-lg:w-40" />
      <col class="max-md:hidden" />
      <col class="w-26" />
    </colgroup>
    <thead class="sr-only">
      <tr>
        <th>Verdict</th>
        <th>Part</th>
        <th>Marked</th>
        <th>Reads</th>
        <th class="max-md:hidden">What it does here</th>
        <th>What happens</th>
      </tr>
    </thead>
    <tbody v-for="group in groups" :key="group.label">
      <tr>
        <th
          colspan="6"
          scope="rowgroup"
          class="sticky top-0 z-10 border-y border-line bg-ground px-4 py-1.5 text-left text-sm font-normal text-soft"
        >
          {{ say(group.label) }}
          <span class="font-figures">{{ ` ${group.rows.length}` }}</span>
        </th>
      </tr>
      <tr
        v-for="row in group.rows"
        :id="`part-${row.reference}`"
        :key="row.reference"
        class="h-12 cursor-pointer border-b border-line align-middle hover:bg-mark/40"
        :class="row.reference === current ? 'bg-mark!' : ''"
        :aria-current="row.reference === current || undefined"
        @click="emit('choose', row.reference)"
      >
        <td class="pl-4"><VerdictMark :verdict="row.mark" /></td>
        <th scope="row" class="text-left">
          <button type="button" class="min-h-11 w-full text-left font-semibold" @click="emit('choose', row.reference)">
            {{ row.called }}
          </button>
        </th>
        <td class="truncate pr-2 text-[15px]">{{ say(row.marked) }}</td>
        <td class="truncate pr-2 font-figures text-[15px]" :class="row.reading ? '' : 'text-soft'">
          {{ row.reading ? say(row.reading) : '–' }}
        </td>
        <td class="truncate pr-2 text-[15px] text-soft max-md:hidden">
          {{ say(row.consequence || row.job) }}
        </td>
        <td class="pr-3 text-[15px]" :class="bold(row) ? 'font-semibold' : 'text-soft'">{{ row.decisionLabel }}</td>
      </tr>
    </tbody>
  </table>
</template>
