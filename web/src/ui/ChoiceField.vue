<script setup lang="ts" generic="T extends string">
import { Listbox, ListboxButton, ListboxLabel, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { ChevronUpDownIcon } from '@heroicons/vue/20/solid'
import { computed } from 'vue'

/** One of several; keyboard and touch through Headless UI. */
const props = defineProps<{
  label: string
  options: readonly { id: T; name: string }[]
  inline?: boolean
  fault?: string
}>()
const model = defineModel<T>({ required: true })
const chosen = computed(() => props.options.find((option) => option.id === model.value)?.name ?? '–')
</script>

<template>
  <Listbox v-model="model" as="div" class="relative" :class="inline ? 'flex items-center gap-2' : 'w-64'">
    <ListboxLabel class="block text-sm text-soft" :class="inline ? 'whitespace-nowrap' : 'mb-1'">
      {{ label }}
    </ListboxLabel>
    <ListboxButton
      class="flex min-h-11 w-full items-center justify-between gap-2 rounded border border-line bg-raised px-3 text-left"
    >
      <span class="truncate font-semibold">{{ chosen }}</span>
      <ChevronUpDownIcon class="size-5 shrink-0 text-soft" aria-hidden="true" />
    </ListboxButton>
    <ListboxOptions
      class="absolute top-full right-0 z-30 mt-1 max-h-80 min-w-full overflow-auto rounded border border-line bg-raised py-1 shadow-lg"
    >
      <ListboxOption
        v-for="option in options"
        :key="option.id"
        v-slot="{ active, selected }"
        :value="option.id"
        as="template"
      >
        <li
          class="min-h-11 px-3 py-2.5 whitespace-nowrap"
          :class="[active ? 'bg-mark' : '', selected ? 'font-semibold' : '']"
        >
          {{ option.name }}
        </li>
      </ListboxOption>
    </ListboxOptions>
    <p v-if="fault" class="mt-1 text-sm text-bad">{{ fault }}</p>
  </Listbox>
</template>
