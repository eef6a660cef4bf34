<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ask, http, orThrow, type Answer, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'

/** A link by which one's calendar program fetches what dries and what is to be read again. */
const link = useQuery({
  queryKey: ['account', 'calendar-link'],
  queryFn: () => orThrow(ask(http.GET('/api/account/calendar-link'))),
})
const address = ref('')
const problem = ref<Problem | null>(null)
async function shown(asked: Promise<Answer<Schemas['CalendarLinkView']>>) {
  const answer = await asked
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') address.value = answer.value.path ? location.origin + answer.value.path : ''
  await link.refetch()
}
const make = () => shown(ask(http.POST('/api/account/calendar-link')))
const end = () => shown(ask(http.DELETE('/api/account/calendar-link')))
</script>

<template>
  <section aria-labelledby="calendar" class="space-y-2">
    <h2 id="calendar" class="text-lg font-semibold">Your calendar</h2>
    <p class="text-soft">
      What dries on the sets, and capacitors to be read again, fetched by your calendar program. Whoever has the link
      reads titles of sets and what waits on them, nothing else.
    </p>
    <p v-if="address">
      It is told once; put it into your calendar program now:
      <span class="block rounded border border-line bg-raised px-3 py-2 font-figures text-sm break-all select-all">
        {{ address }}
      </span>
    </p>
    <div class="flex flex-wrap gap-3">
      <AppButton @click="make">{{ link.data.value?.linked ? 'Make a new link' : 'Make a link' }}</AppButton>
      <AppButton v-if="link.data.value?.linked" look="danger" @click="end">End the link</AppButton>
    </div>
    <p v-if="link.data.value?.linked && !address" class="text-sm text-soft">A link is in use. A new one ends it.</p>
    <ProblemNote :problem="problem" />
  </section>
</template>
