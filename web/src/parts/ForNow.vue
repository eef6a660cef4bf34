<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { computed, ref } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import type { useWork, Way } from './useWork'

/** What is not as it will be when the set leaves, and the way to say so. */
const props = defineProps<{
  doors: Pick<ReturnType<typeof useWork>, 'work' | 'forNow' | 'putRight'>
  say: (text: string) => string
  when: (instant: string) => string
}>()
const work = props.doors.work
const part = ref('')
const way = ref<Way>('OUT')
const note = ref('')
const ways = computed(() => (work.value?.ways ?? []).map((one) => ({ id: one.id, name: props.say(one.label) })))
const problem = ref<Problem | null>(null)
async function keep() {
  const answer = await props.doors.forNow(part.value.trim(), way.value, note.value.trim())
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    part.value = ''
    note.value = ''
  }
}
async function right(entry: string) {
  const answer = await props.doors.putRight(entry)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <section v-if="work" class="border-b border-line bg-raised px-5 py-2" aria-labelledby="for-now">
    <Disclosure v-slot="{ open }">
      <div class="flex flex-wrap items-center gap-x-4">
        <h2 id="for-now" class="font-semibold">For now</h2>
        <p v-if="work.forNow.length === 0" class="text-sm text-soft">Nothing is out, lifted, clipped on or bypassed.</p>
        <p v-else class="text-sm text-soft">Put right, or said plainly, before the set leaves.</p>
        <DisclosureButton
          v-if="session.mayWrite.value"
          class="ml-auto min-h-11 text-accent underline underline-offset-4"
        >
          {{ open ? 'Close' : 'Something is changed for now' }}
        </DisclosureButton>
      </div>
      <DisclosurePanel>
        <form class="flex flex-wrap items-end gap-3 pb-2" @submit.prevent="keep">
          <TextField v-model="part" class="w-28!" label="Part" :fault="faultAt(problem, 'part')" />
          <ChoiceField v-model="way" class="w-60!" label="Which" :options="ways" />
          <TextField v-model="note" class="w-72!" label="Where it lies, what was clipped on" />
          <AppButton type="submit">Keep</AppButton>
        </form>
      </DisclosurePanel>
    </Disclosure>
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
    <ul>
      <li
        v-for="one in work.forNow"
        :key="one.entry"
        class="flex min-h-13 flex-wrap items-center gap-x-4 border-t border-line py-1"
      >
        <p class="min-w-0 flex-1">
          <strong>{{ say(one.says) }}</strong>
          <span class="block text-sm text-soft">{{ say(`${one.undo}. Since ${when(one.at)}`) }}</span>
        </p>
        <AppButton v-if="session.mayWrite.value" @click="right(one.entry)">Done</AppButton>
      </li>
    </ul>
  </section>
</template>
