<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ask, http, orThrow } from '../api/client'

/** What the date codes say together, and the cans with their sections. */
const props = defineProps<{ setId: string; say: (text: string) => string }>()
const { data: view, error } = useQuery({
  queryKey: ['originality', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/originality', { params: { path: { setId: props.setId } } }))),
})
const words = { AGREES: 'original', CHANGED: 'changed', OLDER: 'older', UNREADABLE: 'no date', ALONE: 'alone' } as const
const looks = {
  AGREES: 'text-good',
  CHANGED: 'text-bad',
  OLDER: 'text-doubt',
  UNREADABLE: 'text-soft',
  ALONE: 'text-soft',
} as const
</script>

<template>
  <p v-if="error" role="alert" class="py-3 text-bad">{{ error.message }}</p>
  <div v-else-if="view" class="grid grid-cols-1 gap-8 py-4 lg:grid-cols-2">
    <section aria-labelledby="dates">
      <h2 id="dates" class="text-lg font-semibold">
        {{ view.year ? `Most dated parts agree on about ${view.year}` : 'Date codes' }}
      </h2>
      <p v-if="view.parts.length === 0" class="text-soft">
        None yet. Add
        <code class="font-figures">date=4712</code>
        to a part's line, or type it in the table: a year and week, a month and year, or a year.
      </p>
      <ul class="mt-2">
        <li
          v-for="part in view.parts"
          :key="part.reference"
          class="grid grid-cols-[4rem_6rem_5rem_1fr] items-baseline gap-2 border-t border-line py-2"
        >
          <strong>{{ part.reference }}</strong>
          <span class="font-figures">{{ part.code }}</span>
          <strong :class="looks[part.kind]">{{ words[part.kind] }}</strong>
          <span class="text-sm">{{ say(part.reason) }}</span>
        </li>
      </ul>
    </section>
    <section aria-labelledby="cans">
      <h2 id="cans" class="text-lg font-semibold">Capacitor cans</h2>
      <p v-if="view.cans.length === 0" class="text-soft">
        None yet. Sections of one can share
        <code class="font-figures">can=C1</code>
        ;
        <code class="font-figures">mark=square</code>
        is the sign at the terminal, as on the label.
      </p>
      <div v-for="can in view.cans" :key="can.name" class="border-t border-line py-2">
        <p>
          <strong>{{ can.name }}</strong>
          <span class="text-soft">{{ say(can.remark) }}</span>
        </p>
        <ul>
          <li v-for="section in can.sections" :key="section.reference" class="grid grid-cols-[4rem_8rem_1fr] py-0.5">
            <strong>{{ section.reference }}</strong>
            <span>{{ section.mark || 'no mark' }}</span>
            <span class="text-soft">{{ say(section.live) }}</span>
          </li>
        </ul>
      </div>
    </section>
  </div>
</template>
