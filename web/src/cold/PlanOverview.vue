<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '../api/client'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { useCold } from './useCold'

/** The plan as a whole: what comes next and why, what failed, what no instrument here can prove. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { data: plan } = useCold(() => props.setId).plan()
const failed = computed(() => (plan.value?.steps ?? []).filter((s) => s.state === 'FAILED' || s.state === 'UNCLEAR'))
const open = computed(() => (plan.value?.steps ?? []).filter((s) => s.state === 'OPEN'))
const made = computed(() => (plan.value?.steps ?? []).filter((s) => s.state === 'PASSED'))
const others = computed(() => [
  { title: 'When a reading asks for it', steps: (plan.value?.steps ?? []).filter((s) => s.state === 'WHEN_NEEDED') },
  { title: 'Would prove nothing new', steps: (plan.value?.steps ?? []).filter((s) => s.state === 'ADDS_NOTHING') },
  {
    title: 'No instrument for it in this shop',
    steps: (plan.value?.steps ?? []).filter((s) => s.state === 'NO_INSTRUMENT'),
  },
])
const widest = computed(() => Math.max(1, ...open.value.map((s) => s.minutes)))

/** Claims by part: {@code XT1 power transformer: insulation}. */
function byPart(claims: readonly Schemas['ClaimView'][]) {
  const parts = new Map<string, string[]>()
  for (const claim of claims) parts.set(claim.name, [...(parts.get(claim.name) ?? []), claim.aspect])
  return [...parts].map(([name, aspects]) => `${name}: ${aspects.join(', ')}`)
}
function aspects(claims: readonly Schemas['ClaimView'][]) {
  const names = [...new Set(claims.map((claim) => claim.name))]
  return names.length <= 3 ? byPart(claims).join('; ') : `${names.slice(0, 3).join(', ')} and ${names.length - 3} more`
}
</script>

<template>
  <div v-if="plan" class="grid grid-cols-1 gap-x-8 gap-y-6 p-5 lg:grid-cols-[minmax(0,1fr)_18rem]">
    <div class="min-w-0 space-y-6">
      <p v-if="plan.parts === 0" class="rounded border border-line bg-sheet p-4 text-lg">
        No circuit is entered yet: only cord, fuse and windings can be planned.
        <RouterLink class="font-semibold text-accent underline underline-offset-4" :to="`/sets/${setId}/arrival/label`">
          Start from a usual circuit
        </RouterLink>
      </p>
      <section v-if="failed.length > 0" aria-labelledby="failed">
        <h2 id="failed" class="text-lg font-semibold">Settle these</h2>
        <ul class="mt-2 divide-y divide-line border-y border-line">
          <li v-for="step in failed" :key="step.id">
            <RouterLink
              :to="`/sets/${setId}/cold/${step.id}`"
              class="grid grid-cols-[2rem_1fr] gap-x-2 py-2 hover:bg-mark/50"
            >
              <VerdictMark v-if="step.word" class="mt-0.5" :verdict="step.word" />
              <span v-else />
              <span>
                <strong>{{ say(step.title) }}</strong>
                <span class="block">{{ say(step.reason) }}</span>
              </span>
            </RouterLink>
          </li>
        </ul>
      </section>
      <section v-if="open.length > 0" aria-labelledby="order">
        <h2 id="order" class="text-lg font-semibold">The order, and what each would prove</h2>
        <p class="text-soft">
          The next test is the one expected to settle most for its minutes; what guards against the line counts three
          times, what cannot be bought twice.
        </p>
        <ol class="mt-2 divide-y divide-line border-y border-line">
          <li v-for="(step, i) in open" :key="step.id">
            <RouterLink
              :to="`/sets/${setId}/cold/${step.id}`"
              class="grid grid-cols-[2rem_minmax(0,1fr)_9rem] items-center gap-x-3 py-2 hover:bg-mark/50"
            >
              <span class="font-figures text-lg text-soft">{{ i + 1 }}</span>
              <span>
                <strong>{{ say(step.title) }}</strong>
                <span class="block text-sm leading-snug">
                  {{ step.adds.length > 0 ? say(aspects(step.adds)) : say(step.reason) }}
                </span>
              </span>
              <span class="text-sm text-soft">
                <span class="block h-2 rounded-sm bg-ghost">
                  <span
                    class="block h-2 rounded-sm bg-accent"
                    :style="{ width: `${(100 * step.minutes) / widest}%` }"
                  />
                </span>
                {{ `${step.minutes} min${step.adds.length > 0 ? `, proves ${step.adds.length}` : ''}` }}
              </span>
            </RouterLink>
          </li>
        </ol>
      </section>
      <section v-if="plan.gaps.length > 0" aria-labelledby="gaps">
        <h2 id="gaps" class="text-lg font-semibold">Cannot be tested with this shop's instruments</h2>
        <p class="text-soft">
          For want of an instrument;
          <RouterLink class="font-semibold text-accent underline underline-offset-4" to="/house">
            the house page
          </RouterLink>
          lists what this bench has.
        </p>
        <dl class="mt-2 divide-y divide-line border-y border-line">
          <div v-for="(gap, i) in plan.gaps" :key="i" class="grid gap-x-4 py-2 sm:grid-cols-[13rem_1fr]">
            <dt class="font-semibold">{{ say(gap.needs) }}</dt>
            <dd class="text-sm leading-snug">{{ say(byPart(gap.claims).join('; ')) }}</dd>
          </div>
        </dl>
      </section>
    </div>
    <div class="space-y-5">
      <section aria-labelledby="made">
        <h2 id="made" class="text-lg font-semibold">Made and passed</h2>
        <p v-if="made.length === 0" class="text-soft">Nothing yet.</p>
        <ul v-else>
          <li v-for="step in made" :key="step.id">
            <RouterLink
              :to="`/sets/${setId}/cold/${step.id}`"
              class="flex min-h-11 items-center gap-2 leading-tight hover:bg-mark/50"
            >
              <VerdictMark :verdict="step.word ?? 'GOOD'" />
              {{ say(step.title) }}
            </RouterLink>
          </li>
        </ul>
      </section>
      <section v-for="group in others.filter((g) => g.steps.length > 0)" :key="group.title" :aria-label="group.title">
        <h2 class="text-sm text-soft">{{ group.title }}</h2>
        <ul>
          <li v-for="step in group.steps" :key="step.id">
            <RouterLink
              :to="`/sets/${setId}/cold/${step.id}`"
              class="flex min-h-10 items-center leading-tight underline decoration-line underline-offset-4 hover:bg-mark/50"
            >
              {{ say(step.title) }}
            </RouterLink>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
