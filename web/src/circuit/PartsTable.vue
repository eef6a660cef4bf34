<script setup lang="ts">
import { nextTick, reactive, ref, watch } from 'vue'
import type { Schemas } from '../api/client'
import type { useCircuit } from './useCircuit'

/** The parts as a table one types in: Enter keeps a cell and goes down, the arrows move, Escape puts back what was there. */
const props = defineProps<{
  parts: readonly Schemas['PartView'][]
  doors: ReturnType<typeof useCircuit>
  say: (text: string) => string
}>()
const emit = defineEmits<{ open: [reference: string] }>()
const columns = ['value', 'rating', 'tolerance', 'kind', 'description', 'date'] as const
type Column = (typeof columns)[number]
const heads: Record<Column, string> = {
  value: 'Value',
  rating: 'Rating',
  tolerance: 'Tolerance %',
  kind: 'Kind',
  description: 'What it does',
  date: 'Date code',
}
const widths: Record<Column, string> = {
  value: 'w-28',
  rating: 'w-24',
  tolerance: 'w-20',
  kind: 'w-32',
  description: 'w-64',
  date: 'w-24',
}
const cells = reactive<Record<string, Record<Column, string>>>({})
const faults = reactive<Record<string, string>>({})
const kept = ref('')

function cell(part: Schemas['PartView'], column: Column): string {
  return {
    value: part.working,
    rating: part.rating,
    tolerance: String(part.tolerancePercent),
    kind: part.kind,
    description: part.description,
    date: part.date,
  }[column]
}
const keeping = new Set<string>()
/** Part by part, what the cells were made from. */
const begun: Record<string, Schemas['PartView']> = {}
watch(
  () => props.parts,
  (parts) => {
    for (const part of parts) {
      const typed = cells[part.reference]
      const was = begun[part.reference]
      const touched =
        typed && was && !keeping.has(part.reference)
          ? columns.filter((column) => typed[column] !== cell(was, column))
          : []
      // Another screen's change must not take away what is being typed here; keeping it is refused first, and says so.
      cells[part.reference] = Object.fromEntries(
        columns.map((column) => [column, touched.includes(column) ? typed![column] : cell(part, column)]),
      ) as Record<Column, string>
      if (touched.length === 0) begun[part.reference] = part
    }
  },
  { immediate: true },
)
const editable = (part: Schemas['PartView']) => part.hasValue && part.nodes.length === 2

async function keep(part: Schemas['PartView'], column: Column) {
  const typed = cells[part.reference]!
  if (typed[column] === cell(part, column)) return
  const quoted = (text: string) => text.replaceAll('"', '')
  const value = column === 'value' ? typed.value : part.exact
  const keys = [
    part.can && `can="${part.can}"`,
    part.mark && `mark="${part.mark}"`,
    typed.date && `date="${quoted(typed.date)}"`,
    typed.description && `"${quoted(typed.description)}"`,
  ]
    .filter(Boolean)
    .join(' ')
  const line = `${part.reference} ${value} ${typed.rating.replaceAll(/\s*([VW])\b/g, '$1')} ${typed.tolerance ? `${typed.tolerance}%` : ''} ${typed.kind.replaceAll(' ', '_')} ${part.nodes.join('-')} ${keys}`
  const wanted = typed[column]
  keeping.add(part.reference)
  const answer = await props.doors.keepLines([line], true, {
    [part.reference]: begun[part.reference]?.line ?? part.line,
  })
  await nextTick()
  keeping.delete(part.reference)
  const fault = answer.kind === 'failed' ? answer.problem.detail : (answer.value[0]?.fault ?? '')
  if (fault) cells[part.reference]![column] = wanted
  faults[part.reference] = fault
  kept.value = fault ? '' : part.reference
}
function move(event: KeyboardEvent, row: number, column: number) {
  const input = event.currentTarget as HTMLInputElement
  const edge =
    event.key === 'ArrowLeft'
      ? input.selectionStart === 0
      : event.key === 'ArrowRight'
        ? input.selectionEnd === input.value.length
        : true
  const by = { Enter: [1, 0], ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key]
  if (!by || !edge) return
  event.preventDefault()
  const next = document.getElementById(`cell-${row + by[0]!}-${column + by[1]!}`)
  if (next) next.focus()
  else input.blur()
}
function back(part: Schemas['PartView'], column: Column) {
  cells[part.reference]![column] = cell(part, column)
  faults[part.reference] = ''
}
</script>

<template>
  <table class="w-full">
    <caption class="sr-only">Parts; Enter keeps a cell and goes down</caption>
    <thead class="text-left text-sm text-soft">
      <tr>
        <th class="py-1 font-normal">Part</th>
        <th v-for="column in columns" :key="column" class="font-normal">{{ heads[column] }}</th>
        <th class="font-normal">Between</th>
      </tr>
    </thead>
    <tbody>
      <template v-for="(part, row) in parts.filter(editable)" :key="part.reference">
        <tr class="border-t border-line">
          <td>
            <button
              class="min-h-11 pr-3 font-semibold text-accent underline-offset-4 hover:underline"
              @click="emit('open', part.reference)"
            >
              {{ part.reference }}
            </button>
          </td>
          <td v-for="(column, i) in columns" :key="column">
            <input
              :id="`cell-${row}-${i}`"
              v-model="cells[part.reference]![column]"
              :aria-label="`${heads[column]} of ${part.reference}`"
              :aria-invalid="!!faults[part.reference]"
              autocomplete="off"
              class="min-h-11 rounded border border-transparent bg-transparent px-2 hover:border-line focus:border-line focus:bg-raised"
              :class="[widths[column], column === 'value' ? 'font-figures font-semibold' : '']"
              @change="keep(part, column)"
              @keydown="move($event, row, i)"
              @keydown.esc.stop="back(part, column)"
            />
          </td>
          <td class="text-sm text-soft">
            {{ part.nodes.join(' – ') }}
            <span v-if="kept === part.reference" role="status" class="ml-2 text-good">kept</span>
          </td>
        </tr>
        <tr v-if="faults[part.reference]">
          <td colspan="8" role="alert" class="pb-2 text-bad">{{ say(faults[part.reference] ?? '') }}</td>
        </tr>
      </template>
    </tbody>
  </table>
</template>
