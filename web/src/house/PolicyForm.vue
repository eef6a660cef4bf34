<script setup lang="ts">
import { RadioGroup, RadioGroupDescription, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { CheckCircleIcon, StopCircleIcon } from '@heroicons/vue/24/solid'
import { useQuery } from '@tanstack/vue-query'
import { reactive, ref, watch } from 'vue'
import { session } from '../account/session'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'

/** The house policy: its words, and its figures in the groups the server names. */
const { shop, say, save } = useShop()
const groups = useQuery({
  queryKey: ['shop', 'figures'],
  queryFn: () => orThrow(ask(http.GET('/api/shop/figures'))),
  staleTime: Infinity,
})
const questions = useQuery({
  queryKey: ['shop', 'schools'],
  queryFn: () => orThrow(ask(http.GET('/api/shop/schools'))),
  staleTime: Infinity,
})
type Edit = Schemas['ShopEdit']
type School = Schemas['SchoolView']['id']
const words = reactive({
  name: '',
  money: '',
  hourRate: '',
  timeZone: '',
  vocabulary: 'NORTH_AMERICAN' as Edit['vocabulary'],
  decimalSign: 'POINT' as Edit['decimalSign'],
})
const figures = reactive<Record<string, string>>({})
const schools = reactive<Record<string, School>>({})
const problem = ref<Problem | null>(null)
const kept = ref(false)

watch(
  shop,
  (s) => {
    if (!s) return
    for (const key of Object.keys(words) as (keyof typeof words)[]) Object.assign(words, { [key]: s[key] })
    Object.assign(figures, s.figures)
    Object.assign(schools, s.schools)
  },
  { immediate: true },
)

async function keep() {
  if (!shop.value) return
  const answer = await save({ ...words, figures: { ...figures }, schools: { ...schools }, version: shop.value.version })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  kept.value = answer.kind === 'ready'
}
</script>

<template>
  <form v-if="shop" class="min-w-0 space-y-6" @submit.prevent="keep">
    <section aria-labelledby="policy-shop" class="space-y-4">
      <h2 id="policy-shop" class="text-lg font-semibold">The shop</h2>
      <div class="flex flex-wrap gap-4">
        <TextField v-model="words.name" label="Called" :fault="faultAt(problem, 'name')" />
        <TextField v-model="words.timeZone" label="Time zone" :fault="faultAt(problem, 'timeZone')" />
        <TextField v-model="words.money" class="w-24!" label="Money" :fault="faultAt(problem, 'money')" />
        <TextField
          v-model="words.hourRate"
          class="w-40!"
          label="An hour here costs"
          :unit="words.money"
          hint="For the sum of Worth it?"
          :fault="faultAt(problem, 'hourRate')"
        />
      </div>
      <div class="flex flex-wrap gap-4">
        <ChoiceField
          v-model="words.vocabulary"
          label="Words"
          :options="[
            { id: 'NORTH_AMERICAN', name: 'tube, plate, B+, line' },
            { id: 'BRITISH_EUROPEAN', name: 'valve, anode, HT, mains' },
          ]"
        />
        <ChoiceField
          v-model="words.decimalSign"
          label="Decimal sign"
          :options="[
            { id: 'POINT', name: 'point: 82.4' },
            { id: 'COMMA', name: 'comma: 82,4' },
          ]"
        />
      </div>
    </section>
    <section
      v-for="group in groups.data.value ?? []"
      :key="group.label"
      :aria-labelledby="`policy-${group.label}`"
      class="space-y-3"
    >
      <h2 :id="`policy-${group.label}`" class="border-t border-line pt-4 text-lg font-semibold">
        {{ say(group.label) }}
      </h2>
      <div class="flex flex-wrap gap-x-6 gap-y-4">
        <TextField
          v-for="figure in group.figures"
          :key="figure.id"
          v-model="figures[figure.id]!"
          class="w-56!"
          :label="say(figure.label)"
          :unit="figure.unit"
          :hint="say(figure.why)"
          :fault="faultAt(problem, figure.id)"
        />
      </div>
    </section>
    <section aria-labelledby="policy-schools" class="space-y-4">
      <h2 id="policy-schools" class="border-t border-line pt-4 text-lg font-semibold">Where schools differ</h2>
      <RadioGroup
        v-for="question in questions.data.value ?? []"
        :key="question.id"
        v-model="schools[question.id]"
        class="grid gap-2 lg:grid-cols-[14rem_1fr]"
      >
        <RadioGroupLabel as="h3" class="pt-2 font-semibold">{{ say(question.label) }}</RadioGroupLabel>
        <div class="space-y-1">
          <RadioGroupOption
            v-for="school in question.schools"
            :key="school.id"
            v-slot="{ checked }"
            :value="school.id"
            class="flex min-h-11 cursor-pointer gap-3 rounded border border-line px-3 py-2"
          >
            <component
              :is="checked ? CheckCircleIcon : StopCircleIcon"
              class="mt-0.5 size-5 shrink-0"
              :class="checked ? 'text-accent' : 'text-line'"
              aria-hidden="true"
            />
            <span>
              <span :class="checked ? 'font-semibold' : ''">{{ say(school.label) }}</span>
              <RadioGroupDescription as="span" class="block text-sm text-soft">
                {{ say(school.why) }}
              </RadioGroupDescription>
            </span>
          </RadioGroupOption>
        </div>
      </RadioGroup>
    </section>
    <ProblemNote :problem="problem" />
    <div class="flex items-center gap-4">
      <AppButton v-if="session.owns.value" look="main" type="submit">Save the policy</AppButton>
      <span v-else class="text-soft">The shop’s owner keeps the policy.</span>
      <span v-if="kept" role="status" class="text-good">Saved. Verdicts updated.</span>
    </div>
  </form>
</template>
