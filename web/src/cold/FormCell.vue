<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import type { Schemas } from '../api/client'

/** One figure of a test as it was read, large; its unit beside it. Chosen, it is what the entry strip writes into. */
const props = defineProps<{
  cell: Schemas['CellView']
  name: string
  typed: string
  pending: string
  fault: string
  current: boolean
  /** Typed here and not kept yet. */
  fresh: boolean
  /** The unit stands above. */
  headed?: boolean
  say: (text: string) => string
}>()
const emit = defineEmits<{ choose: [] }>()
const key = useTemplateRef('key')
const shown = computed(() => {
  const text = props.pending || props.typed
  const choice = props.cell.choices.find((one) => one.id === text)
  return choice ? props.say(choice.label) : text
})
const bare = computed(() => props.cell.unit !== '' && !props.headed && /[0-9kM]$/.test(shown.value))
watch(
  () => props.current,
  async (is) => {
    await nextTick()
    if (is) key.value?.scrollIntoView({ block: 'nearest' })
  },
  { immediate: true },
)
</script>

<template>
  <button
    ref="key"
    type="button"
    class="min-h-11 rounded border-2 px-2.5 text-left"
    :class="[
      headed ? 'min-w-16' : 'min-w-24',
      current
        ? 'border-accent bg-raised'
        : fault
          ? 'border-bad bg-raised'
          : 'border-transparent border-b-line bg-transparent hover:bg-mark/50',
    ]"
    :aria-label="`${name}: ${shown || 'not read'}`"
    :aria-current="current"
    @click="emit('choose')"
  >
    <span
      v-if="shown"
      class="whitespace-nowrap"
      :class="[
        cell.kind === 'WORDS' ? 'text-base whitespace-normal' : 'font-figures text-xl',
        pending ? 'text-accent' : fresh ? 'font-semibold' : '',
      ]"
    >
      {{ shown }}
      <span v-if="bare" class="text-base font-normal text-soft">{{ cell.unit }}</span>
    </span>
    <span v-else class="text-soft">–</span>
  </button>
</template>
