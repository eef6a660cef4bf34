<script setup lang="ts">
import { NoSymbolIcon, WrenchIcon } from '@heroicons/vue/24/outline'
import { computed } from 'vue'
import { RouterLink, RouterView, useRoute } from 'vue-router'
import CautionNote from '../ui/CautionNote.vue'
import type { Schemas } from '../api/client'
import BenchHeader from '../bench/BenchHeader.vue'
import NextAct from '../guide/NextAct.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import PlanStrip from './PlanStrip.vue'
import { useCold } from './useCold'

/** The phase Cold: its tests in the order that proves most, one of them open, the next act below. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const route = useRoute()
const { data: plan, error } = useCold(() => props.setId).plan()
type Step = Schemas['PlanStep']
const made = computed(() => (plan.value?.steps ?? []).filter((s) => ['PASSED', 'FAILED', 'UNCLEAR'].includes(s.state)))
const open = computed(() => (plan.value?.steps ?? []).filter((s) => s.state === 'OPEN'))
const rest = computed(() => [
  { title: 'When a reading asks for it', steps: (plan.value?.steps ?? []).filter((s) => s.state === 'WHEN_NEEDED') },
  { title: 'Would prove nothing new', steps: (plan.value?.steps ?? []).filter((s) => s.state === 'ADDS_NOTHING') },
  {
    title: 'No instrument for it in this shop',
    steps: (plan.value?.steps ?? []).filter((s) => s.state === 'NO_INSTRUMENT'),
  },
])
const inside = computed(() => typeof route.params['test'] === 'string')
/** No test and no tool is open. */
const onPlan = computed(() => route.path.endsWith('/cold'))
const to = (step: Step) => `/sets/${props.setId}/cold/${step.id}`
</script>

<template>
  <div v-if="plan" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="plan.title"
      :danger="plan.danger"
      :live-chassis="plan.liveChassis"
      :place="`${plan.constructionLabel} · cold bench`"
    >
      <div class="flex items-center gap-4">
        <p class="text-right leading-tight">
          <span class="font-figures text-lg font-semibold">{{ plan.proven }}</span>
          <span class="text-soft">{{ ` of ${plan.claims} proven` }}</span>
          <span class="block text-sm text-soft">{{ plan.minutesLeft }} min of tests left</span>
        </p>
        <RouterLink
          :to="`/sets/${setId}/cold/workshop`"
          class="flex min-h-11 items-center gap-2 rounded border border-line bg-raised px-3 font-semibold"
        >
          <WrenchIcon class="size-5" aria-hidden="true" />
          Workshop
        </RouterLink>
      </div>
    </BenchHeader>
    <CautionNote>
      <p v-if="plan.charge === 'GONE'">
        Plug out and in sight. The charge was read and gone; large capacitors regain some by themselves, so leave the
        bleeder clipped on and read again after a break.
      </p>
      <p v-else-if="plan.charge === 'THERE'">
        Plug out and in sight.
        <strong>A capacitor still held more than {{ plan.safeVolts }} V when it was last read.</strong>
        No hand and no ohmmeter inside until it is bled and proven gone.
      </p>
      <p v-else>
        Plug out and in sight.
        <strong>Nobody has read the capacitors since they could last charge:</strong>
        bleed them and prove it before a hand or an ohmmeter goes inside. Local codes and licensed practice come first.
      </p>
    </CautionNote>
    <div class="grid min-h-0 flex-1 grid-cols-1" :class="inside ? 'xl:grid-cols-[19rem_minmax(0,1fr)]' : ''">
      <nav
        v-if="inside"
        class="hidden min-h-0 overflow-auto border-r border-line bg-sheet py-2 xl:block"
        aria-label="Tests"
      >
        <RouterLink :to="`/sets/${setId}/cold`" class="flex min-h-11 items-center px-4 font-semibold hover:bg-mark/50">
          The plan
        </RouterLink>
        <template v-if="made.length > 0">
          <h2 class="px-4 pt-3 pb-1 text-sm text-soft">Made</h2>
          <RouterLink
            v-for="step in made"
            :key="step.id"
            :to="to(step)"
            class="grid min-h-11 grid-cols-[1.75rem_1fr] items-center border-l-4 border-transparent px-3 py-1 leading-tight hover:bg-mark/50"
            active-class="border-l-accent! bg-ground"
          >
            <VerdictMark v-if="step.word" :verdict="step.word" />
            <span v-else />
            <span>{{ say(step.title) }}</span>
          </RouterLink>
        </template>
        <h2 class="px-4 pt-3 pb-1 text-sm text-soft">In this order</h2>
        <RouterLink
          v-for="(step, i) in open"
          :key="step.id"
          :to="to(step)"
          class="grid min-h-11 grid-cols-[1.75rem_1fr_auto] items-center gap-x-1 border-l-4 border-transparent px-3 py-1 leading-tight hover:bg-mark/50"
          active-class="border-l-accent! bg-ground"
        >
          <span class="font-figures text-soft">{{ i + 1 }}</span>
          <span>{{ say(step.title) }}</span>
          <span class="font-figures text-sm text-soft">{{ step.minutes }} min</span>
        </RouterLink>
        <p v-if="open.length === 0" class="px-4 text-soft">Nothing more that this bench can prove cold.</p>
        <details
          v-for="group in rest.filter((g) => g.steps.length > 0)"
          :key="group.title"
          class="mt-2 border-t border-line"
        >
          <summary class="flex min-h-11 items-center px-4 text-sm text-soft">
            {{ group.title }} ({{ group.steps.length }})
          </summary>
          <RouterLink
            v-for="step in group.steps"
            :key="step.id"
            :to="to(step)"
            class="grid min-h-11 grid-cols-[1.75rem_1fr] items-center border-l-4 border-transparent px-3 py-1 leading-tight hover:bg-mark/50"
            active-class="border-l-accent! bg-ground"
          >
            <NoSymbolIcon v-if="step.state === 'NO_INSTRUMENT'" class="size-5 text-soft" aria-hidden="true" />
            <span v-else class="text-soft" aria-hidden="true">·</span>
            <span>{{ say(step.title) }}</span>
          </RouterLink>
        </details>
      </nav>
      <div class="min-h-0 overflow-auto" tabindex="-1"><RouterView :key="route.path" /></div>
    </div>
    <NextAct :set-id="setId" :next="plan.guide" />
    <div id="cold-strip"><PlanStrip v-if="onPlan" :set-id="setId" :say="say" /></div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Working out the plan…</p>
</template>
