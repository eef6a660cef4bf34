<script setup lang="ts">
import { useId } from 'vue'
import type { Schemas } from '../api/client'

/** One thing to enter at a test: a figure with its unit and what is expected, a choice as keys side by side, or words. */
defineProps<{ cell: Schemas['CellView']; name: string; fault: string; narrow?: boolean }>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div
    v-if="cell.kind === 'CHOICE' && cell.choices.length <= 4"
    class="flex flex-wrap gap-1.5"
    role="radiogroup"
    :aria-label="name"
  >
    <label
      v-for="choice in cell.choices"
      :key="choice.id"
      class="flex min-h-11 items-center rounded border px-3 has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-accent"
      :class="model === choice.id ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised'"
    >
      <input v-model="model" type="radio" class="sr-only" :name="id" :value="choice.id" />
      {{ choice.label }}
    </label>
  </div>
  <select
    v-else-if="cell.kind === 'CHOICE'"
    v-model="model"
    :aria-label="name"
    class="min-h-11 max-w-80 rounded border border-line bg-raised px-3"
  >
    <option value="">choose…</option>
    <option v-for="choice in cell.choices" :key="choice.id" :value="choice.id">{{ choice.label }}</option>
  </select>
  <div v-else class="min-w-0">
    <div class="flex items-baseline gap-1.5">
      <input
        :id="id"
        v-model="model"
        data-figure
        autocomplete="off"
        :aria-label="name"
        :aria-invalid="!!fault"
        :aria-describedby="fault || cell.expected ? `${id}-more` : undefined"
        class="min-h-11 rounded border bg-raised px-2.5 font-figures"
        :class="[fault ? 'border-bad' : 'border-line', cell.kind === 'WORDS' ? 'w-56' : narrow ? 'w-19' : 'w-28']"
      />
      <span v-if="cell.unit && !narrow" class="w-4 shrink-0 text-soft">{{ cell.unit }}</span>
    </div>
    <p
      v-if="fault || cell.expected"
      :id="`${id}-more`"
      class="mt-0.5 text-sm leading-tight"
      :class="fault ? 'max-w-72 text-bad' : 'text-soft'"
    >
      {{ fault || cell.expected }}
    </p>
  </div>
</template>
