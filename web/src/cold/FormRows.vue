<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { columnsOf } from './cells'
import FormCell from './FormCell.vue'
import RowResult from './RowResult.vue'
import type { Test } from './useTest'

/** What a test asks, row by row: beside each what is expected, what was read, and what that says. */
const props = defineProps<{ test: Test; block: Schemas['BlockView']; say: (text: string) => string }>()
const emit = defineEmits<{ choose: [key: string] }>()
const columns = computed(() => columnsOf(props.block))
/** With several figures in a row what they say stands under its name. */
const crowded = computed(() => props.block.lines.some((line) => line.cells.length > 2))
const results = computed(
  () => new Map((props.test.judged.value?.verdict.results ?? []).map((result) => [result.label, result])),
)
const nameOf = (line: Schemas['FormLine'], cell: Schemas['CellView']) =>
  props.say([line.label, cell.label].filter(Boolean).join(', '))
const allYes = computed(
  () =>
    props.block.lines.length > 1 &&
    props.block.lines.every((line) =>
      line.cells.every((cell) => cell.choices.some((choice) => choice.id === 'yes') && !cell.aside),
    ),
)
function yesToAll() {
  for (const line of props.block.lines) for (const cell of line.cells) props.test.type(cell.key, 'yes')
}
/** What is expected stands under a row's name, unless several of its cells expect something. */
const underName = computed(() =>
  props.block.lines.every((line) => line.cells.slice(1).every((cell) => cell.expected === '')),
)
const here = (line: Schemas['FormLine']) => line.cells.some((cell) => cell.key === props.test.current.value)
</script>

<template>
  <section :aria-label="block.title" role="group" class="min-w-0">
    <h3 class="text-lg font-semibold">{{ say(block.title) }}</h3>
    <p v-if="block.lead" class="text-soft">
      {{ say(block.lead) }}
      <button
        v-if="allYes"
        type="button"
        class="min-h-11 font-semibold text-accent underline underline-offset-4"
        @click="yesToAll"
      >
        All are
      </button>
    </p>
    <div class="mt-1 overflow-x-auto border-y border-line" tabindex="-1">
      <table class="w-full">
        <thead v-if="columns.length > 0" class="text-left text-sm text-soft">
          <tr>
            <td />
            <th
              v-for="(column, i) in columns"
              :key="i"
              class="max-w-28 px-2 py-1 align-bottom leading-tight font-normal"
            >
              {{ [say(column), block.lines[0]!.cells[i]!.unit].filter(Boolean).join(', ') }}
            </th>
            <td v-if="!crowded" />
          </tr>
        </thead>
        <tbody class="divide-y divide-line">
          <tr v-for="line in block.lines" :key="line.label" :class="here(line) ? 'bg-mark' : ''">
            <th scope="row" class="w-[34%] min-w-36 py-1 pr-3 pl-2 text-left leading-tight font-normal">
              {{ say(line.label) }}
              <span v-if="underName && line.cells[0]!.expected" class="block text-sm text-soft">
                {{ say(line.cells[0]!.expected) }}
              </span>
              <RowResult
                v-if="crowded && results.get(line.label)"
                class="mt-1"
                :result="results.get(line.label)!"
                :say="say"
              />
            </th>
            <td
              v-for="cell in line.cells"
              :key="cell.key"
              class="py-1 pr-3 align-middle"
              :class="columns.length > 0 ? '' : cell.aside ? 'w-40' : 'w-44'"
            >
              <span v-if="cell.label && columns.length === 0" class="mr-1.5 block text-sm leading-tight text-soft">
                {{ say(cell.label) }}
              </span>
              <FormCell
                :cell="cell"
                :name="nameOf(line, cell)"
                :typed="test.typed.value[cell.key] ?? ''"
                :pending="test.pending.value[cell.key] ?? ''"
                :fault="test.faultOf(cell.key)"
                :current="cell.key === test.current.value"
                :headed="columns.length > 0"
                :fresh="test.read.value.includes(cell.key)"
                :say="say"
                @choose="emit('choose', cell.key)"
              />
              <p v-if="test.faultOf(cell.key)" class="max-w-72 text-sm leading-tight text-bad">
                {{ say(test.faultOf(cell.key)) }}
              </p>
              <p v-else-if="!underName && cell.expected" class="text-sm leading-tight text-soft">
                {{ say(cell.expected) }}
              </p>
            </td>
            <td v-if="!crowded" class="py-1 pr-2">
              <RowResult v-if="results.get(line.label)" :result="results.get(line.label)!" :say="say" />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
