<script setup lang="ts">
import { CheckIcon } from '@heroicons/vue/24/solid'
import { ExclamationTriangleIcon } from '@heroicons/vue/24/outline'
import { ref } from 'vue'
import { RouterLink, RouterView } from 'vue-router'
import BenchHeader from '../bench/BenchHeader.vue'
import NextAct from '../guide/NextAct.vue'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import { useShop } from '../ui/useShop'
import { useArrival } from './useArrival'

/** The phase Arrival: its steps down the side, one of them open, the next act below. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { data: arrival, error } = useArrival(() => props.setId).arrival()
const levels = { STOP: 'Settle first', DANGER: 'Danger', CARE: 'Care' } as const
const cautionsOpen = ref(false)
</script>

<template>
  <div v-if="arrival" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="arrival.title"
      :danger="arrival.danger"
      :live-chassis="arrival.liveChassis"
      :place="[arrival.constructionLabel, arrival.ownerName].filter(Boolean).join(' · ')"
    >
      <button
        class="flex min-h-11 items-center gap-2 rounded bg-caution px-3 font-semibold text-on-caution"
        @click="cautionsOpen = true"
      >
        <ExclamationTriangleIcon class="size-5" aria-hidden="true" />
        {{ arrival.cautions.length }} dangers of this set
      </button>
    </BenchHeader>
    <AppDialog :open="cautionsOpen" title="Dangers of this set" wide @close="cautionsOpen = false">
      <ul class="space-y-3">
        <li v-for="caution in arrival.cautions" :key="caution.id" class="rounded bg-caution px-4 py-2 text-on-caution">
          <strong>{{ levels[caution.level] }} · {{ say(caution.when) }}</strong>
          <p>{{ say(caution.text) }}</p>
          <p v-if="caution.deferTo" class="text-sm">Decided first by: {{ caution.deferTo }}.</p>
        </li>
      </ul>
      <p class="my-4 text-soft">Local electrical codes and licensed practice come first.</p>
      <AppButton look="main" @click="cautionsOpen = false">Understood</AppButton>
    </AppDialog>
    <div
      class="grid min-h-0 flex-1 grid-cols-[3.75rem_minmax(0,1fr)] max-sm:grid-cols-1 max-sm:grid-rows-[auto_minmax(0,1fr)] lg:grid-cols-[13.5rem_minmax(0,1fr)]"
    >
      <nav
        class="overflow-auto border-r border-line bg-sheet py-2 max-sm:flex max-sm:border-r-0 max-sm:border-b max-sm:py-0"
        aria-label="Arrival"
      >
        <RouterLink
          v-for="(step, i) in arrival.steps"
          :key="step.id"
          :to="`/sets/${setId}/arrival/${step.id}`"
          class="grid min-h-16 items-center border-l-4 max-sm:min-h-12 max-sm:flex-1 max-sm:justify-items-center max-sm:border-l-0 max-sm:border-b-4 lg:grid-cols-[2rem_1fr] border-transparent px-2 py-1.5 hover:bg-mark/50"
          active-class="border-l-accent! border-b-accent! bg-ground"
        >
          <span
            class="flex size-7 items-center justify-center rounded-full border font-figures text-sm"
            :class="step.done ? 'border-good bg-good text-sheet' : 'border-line text-soft'"
          >
            <CheckIcon v-if="step.done" class="size-4" aria-hidden="true" />
            <template v-else>{{ i + 1 }}</template>
          </span>
          <span class="sr-only pl-1.5 leading-tight lg:not-sr-only lg:pl-1.5!">
            <span class="block font-semibold">
              {{ step.title }}
              <span v-if="step.done" class="sr-only">(done)</span>
            </span>
            <span class="text-sm text-soft">{{ say(step.state) }}</span>
          </span>
        </RouterLink>
      </nav>
      <div class="min-h-0 overflow-auto"><RouterView :key="setId" /></div>
    </div>
    <NextAct :set-id="setId" :next="arrival.next" />
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Fetching the set…</p>
</template>
