<script setup lang="ts">
import { minutesText, type Step } from './usePractice'

/** A way through a set, step by step, with what was to be known after each. */
defineProps<{ title: string; says: string; steps: readonly Step[]; say: (text: string) => string }>()
</script>

<template>
  <section class="min-w-0">
    <h2 class="text-lg font-semibold">{{ title }}</h2>
    <p class="text-soft">{{ say(says) }}</p>
    <ol class="mt-2">
      <li
        v-for="(step, i) in steps"
        :key="i"
        class="grid grid-cols-[4.5rem_minmax(0,1fr)] gap-x-3 border-t border-line py-2"
      >
        <span class="text-right font-figures text-sm whitespace-nowrap text-soft">{{ minutesText(step.minutes) }}</span>
        <div>
          <p>
            <strong>{{ say(step.says) }}</strong>
            <span class="ml-2" :class="step.result.endsWith('.') ? '' : 'font-figures'">{{ say(step.result) }}</span>
          </p>
          <p v-if="step.leading.length > 0" class="text-sm text-soft">
            {{ step.leading.map((one) => `${say(one.says)} ${one.percent} %`).join(' · ') }}
          </p>
          <p v-else-if="!step.result.startsWith('Right')" class="text-sm text-soft">sound {{ step.soundPercent }} %</p>
          <p v-if="step.better" class="text-sm text-doubt">
            {{
              say(
                `${step.better} would have told more for its minutes: ${step.betterBits.toFixed(2)} bits, this ${step.bits.toFixed(2)}.`,
              )
            }}
          </p>
        </div>
      </li>
    </ol>
  </section>
</template>
