<script setup lang="ts">
import { useId, useTemplateRef } from 'vue'

/** One labelled line of text with its unit, a hint and the sentence about what is wrong with it. */
defineProps<{ label: string; unit?: string; hint?: string; fault?: string; wide?: boolean; type?: 'text' | 'date' }>()
const model = defineModel<string>({ required: true })
const id = useId()
const input = useTemplateRef<HTMLInputElement>('input')
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <div :class="wide ? 'w-full' : 'w-44'">
    <label :for="id" class="mb-1 block text-sm text-soft">{{ label }}</label>
    <div class="flex items-baseline gap-2">
      <input
        :id="id"
        ref="input"
        v-model="model"
        :type="type ?? 'text'"
        autocomplete="off"
        class="min-h-11 w-full rounded border bg-raised px-3 font-figures"
        :class="fault ? 'border-bad' : 'border-line'"
        :aria-invalid="!!fault"
        :aria-describedby="fault || hint ? `${id}-more` : undefined"
      />
      <span v-if="unit" class="text-soft">{{ unit }}</span>
    </div>
    <p v-if="fault || hint" :id="`${id}-more`" class="mt-1 text-sm" :class="fault ? 'text-bad' : 'text-soft'">
      {{ fault || hint }}
    </p>
  </div>
</template>
