<script setup lang="ts">
import {
  Combobox,
  ComboboxInput,
  ComboboxLabel,
  ComboboxOption,
  ComboboxOptions,
  RadioGroup,
  RadioGroupLabel,
  RadioGroupOption,
} from '@headlessui/vue'
import { computed, ref, watch } from 'vue'
import type { Problem, Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'
import { dragged, placeOf } from './drag'
import { kinds, type Change, type Kind } from './useModel'

type Part = Schemas['ChangeableView']
const props = defineProps<{
  parts: readonly Part[]
  problem: Problem | null
  say: (text: string) => string
  full: boolean
  /** A part chosen elsewhere on the screen. */
  picked?: { part: string; times: number }
}>()
const model = defineModel<Change | null>({ required: true })
const emit = defineEmits<{ keep: [] }>()

const wanted = ref('')
const part = ref<Part | null>(null)
const kind = ref<Kind>('VALUE')
const value = ref('')
const shown = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.parts.filter((p) =>
    words.every((word) => `${p.part} ${p.description} ${p.working}`.toLowerCase().includes(word)),
  )
})
const asksFor = computed(() => kinds[kind.value].value)
const fault = computed(() => (model.value ? (props.problem?.errors[0]?.detail ?? props.problem?.detail ?? '') : ''))

watch(
  () => props.picked,
  (picked) => {
    const found = props.parts.find((one) => one.part === picked?.part)
    if (found && !props.full) part.value = found
  },
)
watch(part, (chosen) => {
  if (chosen) kind.value = chosen.kinds[0] ?? 'OPEN'
})
watch([part, kind], () => {
  value.value = kinds[kind.value].first
})
watch([part, kind, value], () => {
  const complete = part.value !== null && (asksFor.value === null || value.value.trim() !== '')
  model.value =
    complete && part.value
      ? { part: part.value.part, kind: kind.value, value: asksFor.value === null ? '' : value.value.trim() }
      : null
})
watch(model, (change) => {
  if (change === null && value.value === '' && asksFor.value === null) part.value = null
})

/** Where the slider stands; without a figure typed, in the middle. */
const place = computed(() => {
  if (!part.value || dragged(kind.value, part.value.working, 0.5) === '') return null
  return placeOf(kind.value, part.value.working, value.value) ?? 0.5
})
function drag(to: number) {
  if (part.value) value.value = dragged(kind.value, part.value.working, to)
}
function keep() {
  emit('keep')
  part.value = null
  wanted.value = ''
}
</script>

<template>
  <form class="space-y-3" @submit.prevent="model && !fault && !full && keep()">
    <Combobox v-model="part" as="div" class="relative" nullable>
      <ComboboxLabel class="mb-1 block text-sm text-soft">Part</ComboboxLabel>
      <ComboboxInput
        class="min-h-11 w-full rounded border border-line bg-raised px-3"
        autocomplete="off"
        placeholder="C4, coupling, 470k…"
        :display-value="(p) => (p ? `${(p as Part).part} ${(p as Part).description}` : '')"
        @change="wanted = $event.target.value"
      />
      <ComboboxOptions
        class="absolute z-30 mt-1 max-h-96 w-full overflow-auto rounded border border-line bg-raised py-1 shadow-lg"
      >
        <ComboboxOption v-for="p in shown" :key="p.part" v-slot="{ active }" :value="p" as="template">
          <li class="flex min-h-11 items-center gap-2 px-3" :class="active ? 'bg-mark' : ''">
            <strong class="w-14 shrink-0">{{ p.part }}</strong>
            <span class="truncate">{{ say(p.description) }}</span>
            <span class="ml-auto shrink-0 font-figures text-sm text-soft">{{ say(p.working) }}</span>
          </li>
        </ComboboxOption>
        <li v-if="shown.length === 0" class="px-3 py-2.5 text-soft">No part by that name.</li>
      </ComboboxOptions>
    </Combobox>
    <RadioGroup v-if="part" v-model="kind">
      <RadioGroupLabel class="mb-1 block text-sm text-soft">{{ part.part }} is</RadioGroupLabel>
      <div class="flex flex-wrap gap-1">
        <RadioGroupOption
          v-for="each in part.kinds"
          :key="each"
          v-slot="{ checked, active }"
          :value="each"
          as="template"
        >
          <button
            type="button"
            class="min-h-11 rounded border px-3"
            :class="[
              checked ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised',
              active ? 'ring-2 ring-accent' : '',
            ]"
          >
            {{ kinds[each].name }}
          </button>
        </RadioGroupOption>
      </div>
    </RadioGroup>
    <TextField
      v-if="part && asksFor"
      v-model="value"
      :label="kind === 'VALUE' ? `${asksFor}, now ${say(part.working)}` : asksFor"
      wide
      :fault="say(fault)"
    />
    <p v-else-if="fault" role="alert" class="text-sm text-bad">{{ say(fault) }}</p>
    <label v-if="part && asksFor && place !== null" class="block text-sm text-soft">
      {{ say(`Drag it, and watch the staircase`) }}
      <input
        type="range"
        min="0"
        max="1"
        step="0.01"
        class="h-11 w-full accent-accent"
        :value="place"
        :aria-valuetext="value"
        @input="drag(Number(($event.target as HTMLInputElement).value))"
      />
    </label>
    <AppButton v-if="model" type="submit" :disabled="!!fault || full">Keep, and change another</AppButton>
  </form>
</template>
