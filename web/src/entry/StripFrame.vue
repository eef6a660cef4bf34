<script setup lang="ts">
import { useTemplateRef } from 'vue'
import { session } from '../account/session'
import KeyCap from '../ui/KeyCap.vue'

/** The one line at the foot of every stage that takes figures: what it is for, the line, what was understood, its key. */
withDefaults(
  defineProps<{ label: string; placeholder?: string; fault?: boolean; action?: string; disabled?: boolean }>(),
  { placeholder: '', fault: false, action: 'Keep', disabled: false },
)
const text = defineModel<string>({ required: true })
const emit = defineEmits<{ commit: []; key: [event: KeyboardEvent] }>()
const field = useTemplateRef('field')
function onKey(event: KeyboardEvent) {
  if (event.key === 'Escape') text.value = ''
  else emit('key', event)
}
defineExpose({
  focus: () => field.value?.focus({ preventScroll: true }),
  /** Chosen whole: the next key writes over it, an arrow goes into it. */
  select: () => field.value?.select(),
})
</script>

<template>
  <form
    v-if="session.mayWrite.value"
    class="grid grid-cols-1 sm:grid-cols-[minmax(12rem,1fr)_auto] items-center gap-x-5 gap-y-1 border-t lg:grid-cols-[minmax(16rem,22rem)_1fr_auto] border-line bg-raised px-5 py-2"
    @submit.prevent="emit('commit')"
  >
    <div>
      <label for="entry" class="block truncate text-sm text-soft">{{ label }}</label>
      <input
        id="entry"
        ref="field"
        v-model="text"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        class="w-full border-b-4 border-line bg-transparent font-figures text-[28px] leading-9 outline-none focus:border-accent"
        :aria-invalid="fault"
        aria-describedby="entry-says"
        :placeholder="placeholder"
        @keydown="onKey"
      />
    </div>
    <div
      id="entry-says"
      aria-live="polite"
      class="order-last col-span-2 min-h-14 max-sm:order-none max-sm:col-span-1 max-sm:min-h-6 lg:order-none lg:col-span-1"
    >
      <slot />
    </div>
    <div class="flex items-center gap-2">
      <slot name="actions" />
      <button
        type="submit"
        class="min-h-11 max-sm:ml-auto rounded border border-accent bg-accent px-4 text-on-accent"
        :disabled="disabled"
      >
        <span class="mr-2 font-semibold">{{ action }}</span>
        <KeyCap>Enter</KeyCap>
      </button>
    </div>
  </form>
</template>
