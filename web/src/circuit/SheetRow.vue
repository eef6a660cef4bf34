<script setup lang="ts">
import { ArrowUpIcon, TrashIcon } from '@heroicons/vue/24/outline'
import { computed, ref, watch } from 'vue'
import type { Problem, Schemas } from '../api/client'
import type { useCircuit } from './useCircuit'

/** One point's sheet value; it saves itself when the field is left and says so. */
const props = defineProps<{
  point: Schemas['CircuitPoint']
  sheet: readonly Schemas['SheetView'][]
  conditions: { lineVolts: string; meter: string; mode: string; kind: 'DC' | 'AC' }
  doors: ReturnType<typeof useCircuit>
  say: (text: string) => string
  first: boolean
}>()
defineEmits<{ up: []; remove: [] }>()

const here = computed(() =>
  props.sheet.find((v) => v.kind === props.conditions.kind && v.reference === '0' && v.mode === props.conditions.mode),
)
const shown = computed(() => (here.value ? props.say(String(here.value.value)) : ''))
const text = ref('')
const saved = ref(false)
const problem = ref<Problem | null>(null)
watch(
  shown,
  (value) => {
    text.value = value
  },
  { immediate: true },
)

async function save() {
  saved.value = false
  if (text.value.trim() === shown.value) return
  const answer = await props.doors.putSheet({
    node: props.point.node,
    reference: '0',
    value: text.value,
    ...props.conditions,
  })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  saved.value = answer.kind === 'ready'
}
</script>

<template>
  <tr class="border-t border-line align-top">
    <th scope="row" class="py-2.5 text-left font-semibold">{{ say(point.name) }}</th>
    <td class="py-2.5 text-soft">{{ point.hint }}</td>
    <td class="py-2.5 font-figures text-sm text-soft">{{ point.node }}</td>
    <td class="py-1">
      <input
        v-model="text"
        autocomplete="off"
        class="min-h-11 w-28 rounded border bg-raised px-3 font-figures"
        :class="problem ? 'border-bad' : 'border-line'"
        :aria-label="`Sheet value at ${point.name}`"
        :aria-invalid="!!problem"
        @change="save"
      />
      <span v-if="saved" role="status" class="ml-2 text-sm text-good">kept</span>
      <p v-if="problem" role="alert" class="max-w-80 text-sm text-bad">{{ problem.detail }}</p>
    </td>
    <td class="py-2.5 text-sm text-soft">
      <span v-for="v in sheet" :key="v.kind + v.mode" class="mr-3 whitespace-nowrap">
        <span class="font-figures text-ink">{{ v.text }}</span>
        {{ `${v.kind} ${v.mode} at ${v.lineVolts} V${v.meter ? `, ${v.meter}` : ''}` }}
      </span>
    </td>
    <td class="py-1 text-right whitespace-nowrap">
      <button
        v-if="!first"
        class="inline-flex min-h-11 min-w-11 items-center justify-center text-soft hover:text-ink"
        :aria-label="`Probe ${point.name} earlier`"
        @click="$emit('up')"
      >
        <ArrowUpIcon class="size-5" aria-hidden="true" />
      </button>
      <button
        class="inline-flex min-h-11 min-w-11 items-center justify-center text-soft hover:text-bad"
        :aria-label="`Take ${point.name} off the list`"
        @click="$emit('remove')"
      >
        <TrashIcon class="size-5" aria-hidden="true" />
      </button>
    </td>
  </tr>
</template>
