<script setup lang="ts">
import { Combobox, ComboboxInput, ComboboxLabel, ComboboxOption, ComboboxOptions } from '@headlessui/vue'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { ask, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import ControlForm from './ControlForm.vue'
import { useArrival } from './useArrival'

/** What the owner says and what is seen; each line is matched to a symptom the trade knows, or kept in its own words. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const doors = useArrival(() => props.setId)
const { data: complaints, error } = doors.complaints()
const { data: register } = doors.register()
const words = ref('')
const chosen = ref<Schemas['SymptomView'] | null>(null)
const byOwner = ref(true)
const problem = ref<Problem | null>(null)
const asked = refDebounced(words, 150)
const matches = useQuery({
  queryKey: ['symptom-matches', asked],
  queryFn: () => orThrow(ask(http.GET('/api/symptom-matches', { params: { query: { words: asked.value } } }))),
  placeholderData: (before) => before,
  staleTime: Infinity,
})
const found = computed(() => (matches.data.value ?? []).slice(0, 9))

async function keep() {
  const answer = await doors.tell({ symptom: chosen.value?.id ?? '', words: words.value, byOwner: byOwner.value })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  words.value = ''
  chosen.value = null
}
function choose(symptom: Schemas['SymptomView'] | null) {
  chosen.value = symptom
  if (symptom && !words.value.trim()) words.value = symptom.words
}
const dangerWords: Record<string, string> = { shock: 'shock', fire: 'fire', damages_parts: 'damages parts' }
</script>

<template>
  <div class="grid grid-cols-1 gap-8 p-5 xl:grid-cols-2">
    <section aria-labelledby="said">
      <h2 id="said" class="text-lg font-semibold">What is said, what is seen</h2>
      <form class="mt-2 space-y-3" @submit.prevent="keep">
        <Combobox as="div" class="relative" :model-value="chosen" nullable @update:model-value="choose">
          <ComboboxLabel class="mb-1 block text-sm text-soft">
            Word for word; what still works counts as well
          </ComboboxLabel>
          <ComboboxInput
            class="min-h-11 w-full rounded border border-line bg-raised px-3"
            autocomplete="off"
            :display-value="() => words"
            @change="words = $event.target.value"
          />
          <ComboboxOptions
            class="absolute z-30 mt-1 max-h-80 w-full overflow-auto rounded border border-line bg-raised py-1 shadow-lg"
          >
            <li class="px-3 py-1 text-sm text-soft" role="presentation">Which symptom is it? None is an answer too.</li>
            <ComboboxOption
              v-for="symptom in found"
              :key="symptom.id"
              v-slot="{ active }"
              :value="symptom"
              as="template"
            >
              <li class="min-h-11 px-3 py-2.5" :class="active ? 'bg-mark' : ''">{{ say(symptom.words) }}</li>
            </ComboboxOption>
          </ComboboxOptions>
        </Combobox>
        <p v-if="chosen" class="rounded bg-mark px-3 py-2">
          Read as
          <strong>{{ say(chosen.words) }}</strong>
          .
          <span v-if="chosen.act" class="font-semibold text-bad">{{ chosen.act }}</span>
          <button
            type="button"
            class="min-h-8 font-semibold text-accent underline underline-offset-4"
            @click="chosen = null"
          >
            None of these
          </button>
        </p>
        <div class="flex flex-wrap items-center gap-4">
          <div class="flex" role="group" aria-label="Who says so">
            <button
              v-for="owner in [true, false]"
              :key="String(owner)"
              type="button"
              class="min-h-11 border px-4 first:rounded-l last:rounded-r"
              :class="byOwner === owner ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised text-soft'"
              :aria-pressed="byOwner === owner"
              @click="byOwner = owner"
            >
              {{ owner ? 'The owner says' : 'Found here' }}
            </button>
          </div>
          <AppButton look="main" type="submit" :disabled="!words.trim()">Keep it</AppButton>
        </div>
        <ProblemNote :problem="problem" />
      </form>
      <p v-if="error" role="alert" class="py-3 text-bad">{{ error.message }}</p>
      <ul class="mt-4">
        <li v-for="heard in complaints?.told" :key="heard.id" class="border-t border-line py-2">
          <div class="flex items-start gap-3">
            <p class="flex-1">
              <span class="text-soft">{{ heard.byOwner ? 'Owner:' : 'Found:' }}</span>
              <strong>“{{ heard.words }}”</strong>
              <span v-if="heard.symptom && heard.symptom.words !== heard.words" class="block text-sm text-soft">
                {{ say(heard.symptom.words) }}
              </span>
            </p>
            <AppButton look="quiet" :aria-label="`Take “${heard.words}” back`" @click="doors.withdraw(heard.id)">
              Take back
            </AppButton>
          </div>
          <p v-if="heard.symptom && (heard.symptom.dangers.length || heard.symptom.act)" class="font-semibold text-bad">
            {{ heard.symptom.dangers.length ? 'Danger: ' : ''
            }}{{ heard.symptom.dangers.map((d) => dangerWords[d] ?? d).join(', ')
            }}{{ heard.symptom.act ? `. ${heard.symptom.act}` : '' }}
          </p>
          <details v-if="heard.tests.length" class="text-sm">
            <summary class="min-h-8 content-center text-soft">Cheapest tests that tell its causes apart</summary>
            <p v-for="test in heard.tests" :key="test">{{ say(test) }}</p>
          </details>
        </li>
      </ul>
    </section>
    <section aria-labelledby="first">
      <template v-if="complaints && complaints.questions.length > 0">
        <h2 id="first" class="text-lg font-semibold">Ask or look at this first</h2>
        <ol class="mt-2 mb-6 list-decimal space-y-1 pl-6">
          <li v-for="question in complaints.questions" :key="question">{{ say(question) }}</li>
        </ol>
      </template>
      <h2 :id="complaints?.questions.length ? 'controls' : 'first'" class="text-lg font-semibold">
        Controls as they were found
      </h2>
      <p class="text-soft">
        Write each down before you turn it: a switch left on phono or standby looks like a dead set.
      </p>
      <ControlForm class="mt-3" :set-id="setId" :doors="doors" />
      <ul class="mt-3">
        <li
          v-for="item in register?.items.filter((i) => i.control)"
          :key="item.id"
          class="flex items-center gap-3 border-t border-line py-1"
        >
          <span class="flex-1">
            <strong>{{ say(item.title) }}</strong>
            {{ item.where }}
          </span>
          <AppButton look="quiet" :aria-label="`Take ${item.title} back`" @click="doors.withdraw(item.id)">
            Take back
          </AppButton>
        </li>
      </ul>
    </section>
  </div>
</template>
