<script setup lang="ts">
import { ExclamationTriangleIcon } from '@heroicons/vue/24/outline'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import CautionNote from '../ui/CautionNote.vue'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import SetSchools from './SetSchools.vue'
import { usePlan, type Old, type Renewal, type SetSchool } from './usePlan'

/** What goes in: for each part that is replaced the new one, why that one, and a tick when it is in. */
const props = defineProps<{ setId: string }>()
const { say, sum } = useShop()
const { plan, error, list, fitted, follow } = usePlan(() => props.setId)
const chosen = ref(String(useRoute().query['part'] ?? ''))
const other = ref('')
const olds: { id: Old; name: string }[] = [
  { id: 'OUT', name: 'out of the set' },
  { id: 'FOR_LOOKS', name: 'left for looks, cut free at both ends' },
  { id: 'AROUND_THE_NEW', name: 'around the new one' },
]
const old = ref<Old>('OUT')
const problem = ref<Problem | null>(null)
const groups = computed(() => {
  const all: { label: string; renewals: Renewal[] }[] = []
  for (const one of plan.value?.renewals ?? []) {
    const last = all[all.length - 1]
    if (last?.label === one.groupLabel) last.renewals.push(one)
    else all.push({ label: one.groupLabel, renewals: [one] })
  }
  return all
})
/** What lies in the drawers, and what the parts cost as far as anybody knows. */
const inStock = computed(() => {
  const all = plan.value
  if (!all) return ''
  const priced = all.unpriced < all.renewals.length
  return [
    `${all.fromStock} in stock`,
    ...(priced ? [sum(all.total) + (all.unpriced > 0 ? ` and ${all.unpriced} without a price` : '')] : []),
  ].join(', ')
})
function open(one: Renewal) {
  chosen.value = chosen.value === one.reference ? '' : one.reference
  other.value = one.item
  old.value = 'OUT'
  problem.value = null
}
watch(
  plan,
  (now) => {
    other.value ||= now?.renewals.find((one) => one.reference === chosen.value)?.item ?? ''
  },
  { immediate: true },
)
async function put(one: Renewal, standsIn: boolean) {
  const answer = await fitted(one.reference, other.value.trim(), standsIn, old.value)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') chosen.value = ''
}
async function chooseSchool(question: SetSchool['question'], school: SetSchool['follows'] | null) {
  const answer = await follow(question, school)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
async function toList() {
  const answer = await list(!plan.value?.listed)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <div v-if="plan" class="h-full overflow-auto">
    <SetSchools
      class="border-b border-line bg-sheet px-5 py-3"
      :schools="plan.schools"
      :say="say"
      @follow="chooseSchool"
    >
      <p class="text-right text-sm leading-tight text-soft">
        <span class="font-figures text-lg font-semibold text-ink">{{ plan.renewals.length }}</span>
        to go in
        <span class="block">
          {{ inStock }}
        </span>
      </p>
      <AppButton
        v-if="session.mayWrite.value && plan.renewals.length > 0"
        :look="plan.listed ? 'plain' : 'main'"
        @click="toList"
      >
        {{ plan.listed ? 'Take off the shopping list' : 'Put on the shopping list' }}
      </AppButton>
      <RouterLink to="/house/shopping" class="font-semibold text-accent underline underline-offset-4">
        Shopping list
      </RouterLink>
    </SetSchools>
    <CautionNote>
      <p>
        Plug out, and every capacitor read empty, before a part is unsoldered. Old solder has lead, old oil may have
        PCB: wash hands, no food at the bench.
      </p>
    </CautionNote>
    <ProblemNote :problem="problem" class="m-5" />
    <p v-if="plan.renewals.length === 0" class="p-8">
      Nothing has to go in.
      <span class="text-soft">
        What fails, and what goes on sight by the house rules, stands here with its new part.
      </span>
    </p>
    <section v-for="group in groups" :key="group.label" :aria-labelledby="`goes-${group.label}`">
      <h2 :id="`goes-${group.label}`" class="border-b border-line bg-ground px-5 py-1.5 text-sm text-soft">
        {{ say(group.label) }}
        <span class="font-figures">{{ ` ${group.renewals.length}` }}</span>
      </h2>
      <ul>
        <li v-for="one in group.renewals" :key="one.reference" class="border-b border-line bg-sheet">
          <button
            type="button"
            class="grid min-h-13 w-full grid-cols-[4rem_minmax(0,13rem)_minmax(0,1fr)_auto] items-center gap-x-4 px-5 py-2 text-left hover:bg-mark/40 max-md:grid-cols-[4rem_minmax(0,1fr)]"
            :class="chosen === one.reference ? 'bg-mark' : ''"
            :aria-expanded="chosen === one.reference"
            @click="open(one)"
          >
            <span class="font-semibold">{{ one.called }}</span>
            <span class="text-[15px] text-soft max-md:hidden">
              {{ say(one.marked) }}
              <span class="block text-sm">{{ say(one.job) }}</span>
            </span>
            <span>
              <span class="font-semibold" :class="one.item ? '' : 'text-doubt'">
                {{ say(one.item || 'nothing in the catalogue fits') }}{{ one.how ? `, ${one.how}` : '' }}
              </span>
              <span class="block text-sm text-soft">{{ say(one.why[0] ?? one.because) }}</span>
            </span>
            <span class="text-right text-sm text-soft max-md:hidden">
              {{ one.onHand > 0 ? `${one.onHand} in stock` : '' }}
              <span v-if="one.price !== null" class="block font-figures">
                {{ sum(one.price) }}
              </span>
            </span>
          </button>
          <div
            v-if="chosen === one.reference"
            class="grid gap-x-8 gap-y-3 border-t border-line bg-raised px-5 py-4 lg:grid-cols-[1fr_22rem]"
          >
            <div class="space-y-2">
              <p v-for="why in one.why" :key="why">{{ say(why) }}</p>
              <p v-if="one.why.length === 0">{{ say(one.because) }}</p>
              <p v-for="caution in one.cautions" :key="caution" class="flex gap-2">
                <ExclamationTriangleIcon class="size-5 shrink-0 text-doubt" aria-hidden="true" />
                <span>{{ say(caution) }}</span>
              </p>
              <ol class="list-decimal space-y-1 pl-6">
                <li v-for="step in one.steps" :key="step">{{ say(step) }}</li>
              </ol>
              <p v-if="one.expect">
                <strong>Then expect</strong>
                {{ say(one.expect) }}.
                <span class="text-soft">Another reading there accuses the new work first.</span>
              </p>
            </div>
            <div v-if="session.mayWrite.value" class="space-y-3">
              <TextField v-model="other" class="w-full!" label="What goes in" hint="As it is marked, if another" />
              <ChoiceField v-model="old" class="w-full!" label="The old one is" :options="olds" />
              <div class="flex flex-wrap gap-2">
                <AppButton look="main" @click="put(one, false)">It is in</AppButton>
                <AppButton @click="put(one, true)">It stands in for now</AppButton>
              </div>
              <p class="text-sm text-soft">
                One part at a time.
                <RouterLink :to="`/sets/${setId}/arrival/photos`" class="text-accent underline underline-offset-4">
                  Photos of this set
                </RouterLink>
              </p>
            </div>
          </div>
        </li>
      </ul>
    </section>
    <section v-if="plan.cans.length > 0" class="space-y-2 p-5" aria-labelledby="goes-cans">
      <h2 id="goes-cans" class="text-lg font-semibold">Cans of several sections</h2>
      <p v-for="can in plan.cans" :key="can.can">
        <strong>{{ can.can }}</strong>
        {{ ` (${can.sections.join(', ')}): ` }}{{ say(can.sentence) }}
      </p>
    </section>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Choosing the new parts…</p>
</template>
