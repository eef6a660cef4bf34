<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { ChevronDownIcon } from '@heroicons/vue/24/outline'
import { computed } from 'vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { session } from '../account/session'
import type { SetSchool } from './usePlan'

/** The schools a set follows: the house's, but for those chosen for this set. */
const props = defineProps<{ schools: readonly SetSchool[]; say: (text: string) => string }>()
const emit = defineEmits<{ follow: [question: SetSchool['question'], school: SetSchool['follows'] | null] }>()
const PLANNED: SetSchool['question'][] = ['ELECTROLYTICS', 'PAPER', 'RESISTORS', 'FITTING']
const summary = computed(() =>
  props.schools
    .filter((one) => PLANNED.includes(one.question) || one.own)
    .map((one) => label(one, one.follows) + (one.own ? ' (this set)' : ''))
    .join(' · '),
)
function label(one: SetSchool, school: SetSchool['follows']) {
  return one.schools.find((option) => option.id === school)?.label ?? ''
}
const why = (one: SetSchool) => one.schools.find((option) => option.id === one.follows)?.why ?? ''
const options = (one: SetSchool) =>
  one.schools.map((option) => ({
    id: option.id,
    name: props.say(option.label) + (option.id === one.house ? ' (house)' : ''),
  }))
function choose(one: SetSchool, school: SetSchool['follows']) {
  emit('follow', one.question, school === one.house ? null : school)
}
</script>

<template>
  <Disclosure v-slot="{ open }" as="div">
    <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
      <DisclosureButton class="flex min-h-11 min-w-0 flex-1 items-center gap-2 text-left">
        <span>
          <strong>{{ say(summary) }}</strong>
          <span class="block text-sm text-soft">
            {{
              schools.some((one) => one.own)
                ? 'By the house rules, with schools of this set’s own.'
                : 'By the house rules.'
            }}
            {{ open ? 'Close' : 'Another school for this set' }}
          </span>
        </span>
        <ChevronDownIcon class="size-5 shrink-0 text-accent" :class="open ? 'rotate-180' : ''" aria-hidden="true" />
      </DisclosureButton>
      <slot />
    </div>
    <DisclosurePanel class="grid gap-x-8 gap-y-3 pt-3 pb-1 md:grid-cols-2 xl:grid-cols-3">
      <div v-for="one in schools" :key="one.question">
        <ChoiceField
          v-if="session.mayWrite.value"
          class="w-full!"
          :label="say(one.label)"
          :model-value="one.follows"
          :options="options(one)"
          @update:model-value="choose(one, $event)"
        />
        <p v-else class="font-semibold">{{ say(label(one, one.follows)) }}</p>
        <p class="pt-1 text-sm text-soft">{{ say(why(one)) }}</p>
      </div>
    </DisclosurePanel>
  </Disclosure>
</template>
