<script setup lang="ts">
import { ExclamationTriangleIcon } from '@heroicons/vue/24/outline'
import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import type { Schemas } from '../api/client'

/** The cautions of one test; read once today they fold to their first words. */
const props = defineProps<{
  place: string
  cautions: readonly Schemas['BenchCaution'][]
  say: (text: string) => string
}>()
const levels = { STOP: 'Settle first', DANGER: 'Danger', CARE: 'Care' } as const
const read = useLocalStorage<string>(() => `umber.cautions.${props.place}`, '')
const today = computed(() => `${new Date().toDateString()}:${props.cautions.map((one) => one.when).join()}`)
const folded = computed(() => read.value === today.value)
const first = (text: string) => text.split(/[;.]/)[0]
</script>

<template>
  <aside
    class="flex gap-3 rounded bg-caution px-3 py-1.5 text-[14px] leading-snug text-on-caution"
    aria-label="Cautions"
  >
    <ExclamationTriangleIcon class="mt-0.5 size-5 shrink-0" aria-hidden="true" />
    <ul class="min-w-0 flex-1 space-y-0.5">
      <li v-for="caution in cautions" :key="caution.when" :class="folded ? 'truncate' : ''">
        <strong>{{ `${levels[caution.level]}. ` }}</strong>
        <template v-if="folded">{{ say(`${first(caution.text)}.`) }}</template>
        <template v-else>
          {{ say(caution.deferTo ? `${caution.text} Decided first by: ${caution.deferTo}.` : caution.text) }}
        </template>
      </li>
    </ul>
    <button
      type="button"
      class="min-h-11 min-w-11 shrink-0 self-start text-sm font-semibold underline underline-offset-4"
      :aria-expanded="!folded"
      @click="read = folded ? '' : today"
    >
      {{ folded ? 'In full' : 'Read' }}
    </button>
  </aside>
</template>
