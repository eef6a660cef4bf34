<script setup lang="ts">
import { ArrowDownTrayIcon, ArrowUpTrayIcon } from '@heroicons/vue/24/outline'
import { ref } from 'vue'
import type { Answer, Schemas } from '../api/client'

/** One kind of file, in and out, with what came of it. */
const props = defineProps<{
  name: string
  accept: string
  download: string
  counted: string
  load: (file: File) => Promise<Answer<Schemas['ReadingFile']>>
}>()
const outcome = ref<Answer<Schemas['ReadingFile']> | null>(null)
const busy = ref(false)

async function pick(event: Event) {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  busy.value = true
  outcome.value = await props.load(file)
  busy.value = false
  input.value = ''
}
</script>

<template>
  <div class="border-b border-line py-3">
    <div class="flex items-center gap-4">
      <h3 class="w-44 font-semibold">{{ name }}</h3>
      <label
        class="relative flex min-h-11 cursor-pointer items-center gap-2 rounded border border-line bg-raised px-3 focus-within:outline-3 focus-within:outline-accent"
      >
        <ArrowUpTrayIcon class="size-5" aria-hidden="true" />
        {{ busy ? 'Reading…' : 'From a file' }}
        <input type="file" class="sr-only" :accept="accept" :aria-label="`${name} from a file`" @change="pick" />
      </label>
      <a :href="download" download class="flex min-h-11 items-center gap-2 rounded border border-line bg-raised px-3">
        <ArrowDownTrayIcon class="size-5" aria-hidden="true" />
        To a file
      </a>
    </div>
    <div v-if="outcome" class="mt-2" role="status">
      <template v-if="outcome.kind === 'ready'">
        <p>
          <strong>{{ outcome.value.added }} {{ counted }} taken</strong>
          <span v-if="outcome.value.known">, {{ outcome.value.known }} were here already</span>
          <span v-if="outcome.value.refused.length" class="text-bad">, {{ outcome.value.refused.length }} refused</span>
          .
        </p>
        <ul class="mt-1 max-h-40 list-disc overflow-auto pl-5 text-sm">
          <li v-for="bad in outcome.value.refused" :key="bad.line" class="text-bad">
            Line {{ bad.line }}: {{ bad.reason }}
          </li>
          <li v-for="note in outcome.value.notes" :key="note" class="text-soft">{{ note }}</li>
        </ul>
      </template>
      <template v-else>
        <p class="text-bad">{{ outcome.problem.detail }}</p>
        <ul
          v-if="outcome.problem.errors.length > 1"
          class="mt-1 max-h-40 list-disc overflow-auto pl-5 text-sm text-bad"
        >
          <li v-for="fault in outcome.problem.errors" :key="fault.pointer + fault.detail">{{ fault.detail }}</li>
        </ul>
      </template>
    </div>
  </div>
</template>
