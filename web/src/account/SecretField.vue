<script setup lang="ts">
import { useId } from 'vue'

/** A labelled line for a name or a password, as password managers expect it. */
withDefaults(
  defineProps<{ label: string; autocomplete: string; type?: 'text' | 'password'; hint?: string; fault?: string }>(),
  { type: 'password' },
)
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="mb-1 block text-sm text-soft">{{ label }}</label>
    <input
      :id="id"
      v-model="model"
      :type="type"
      :name="autocomplete"
      :autocomplete="autocomplete"
      autocapitalize="none"
      spellcheck="false"
      class="min-h-11 w-full rounded border bg-raised px-3"
      :class="fault ? 'border-bad' : 'border-line'"
      :aria-invalid="!!fault"
      :aria-describedby="fault || hint ? `${id}-more` : undefined"
    />
    <p v-if="fault || hint" :id="`${id}-more`" class="mt-1 text-sm" :class="fault ? 'text-bad' : 'text-soft'">
      {{ fault || hint }}
    </p>
  </div>
</template>
