<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import StagePicture from '../circuit/StagePicture.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { looks } from '../ui/verdicts'
import BranchTable from './BranchTable.vue'
import SuspectList from './SuspectList.vue'
import type { VoltsView } from './useVolts'

const props = defineProps<{ view: VoltsView; current: string; say: (text: string) => string }>()
defineEmits<{ choose: [node: string] }>()

const point = computed(() => props.view.points.find((p) => p.node === props.current))
const finding = computed(() => props.view.findings.find((f) => f.node === props.current))
const tabs = computed(() => [
  'This point',
  `Findings (${props.view.findings.length})`,
  `Currents (${props.view.branches.length + props.view.stages.length})`,
  'Drawing',
])
</script>

<template>
  <TabGroup as="section" class="flex min-h-0 flex-col border-t border-line bg-sheet" aria-label="Why">
    <TabList class="flex shrink-0 gap-1 px-3">
      <Tab v-for="(tab, i) in tabs" :key="i" v-slot="{ selected }" as="template">
        <button
          class="min-h-11 border-b-2 px-3 text-sm"
          :class="selected ? 'border-accent font-semibold' : 'border-transparent text-soft'"
        >
          {{ tab }}
        </button>
      </Tab>
    </TabList>
    <TabPanels class="min-h-0 flex-1 overflow-y-auto px-4 pb-3" tabindex="0" role="group" aria-label="Details">
      <TabPanel>
        <template v-if="point">
          <p class="flex items-center gap-2 py-1">
            <VerdictMark :verdict="point.verdict" />
            <strong>{{ say(point.name) }}</strong>
            <span :class="looks[point.verdict].text">{{ looks[point.verdict].word }}</span>
          </p>
          <p v-if="point.reason">{{ say(point.reason) }}</p>
          <SuspectList v-if="finding" :suspects="finding.suspects" :underway="view.underway" :say="say" />
          <p v-if="!point.reading && point.expectedText">
            {{ say(`A healthy set shows ${point.expectedText} here on your meter, give or take ${point.bandText}.`) }}
          </p>
          <details class="mt-1" :open="!point.reading">
            <summary class="min-h-6 text-sm text-accent">The arithmetic</summary>
            <ol class="mt-1 list-decimal pl-5 text-sm text-soft">
              <li v-for="step in point.arithmetic" :key="step">{{ say(step) }}</li>
            </ol>
          </details>
        </template>
        <p v-else class="py-2 text-soft">Choose a point to see what its reading rests on.</p>
      </TabPanel>
      <TabPanel>
        <p v-if="view.findings.length === 0" class="py-2 text-soft">
          {{ say('Nothing stands out. A point that is off only because the rail feeding it is off is no finding.') }}
        </p>
        <p v-if="view.comesTo" class="flex flex-wrap items-baseline gap-x-4 border-b border-line py-2">
          <strong class="text-lg">{{ say(view.comesTo) }}</strong>
          <RouterLink
            class="inline-flex min-h-6 items-center text-accent underline underline-offset-4"
            :to="`/sets/${view.setId}/volts/part`"
          >
            What speaks for and against it
          </RouterLink>
        </p>
        <p v-for="cure in view.cures" :key="cure" class="border-b border-line py-2 text-good">{{ say(cure) }}</p>
        <div v-for="found in view.findings" :key="found.node" class="border-b border-line py-2 last:border-0">
          <button
            class="min-h-6 text-left font-semibold text-bad underline-offset-4 hover:underline"
            @click="$emit('choose', found.node)"
          >
            {{ say(found.text) }}
          </button>
          <SuspectList :suspects="found.suspects" :underway="view.underway" :say="say" />
        </div>
      </TabPanel>
      <TabPanel><BranchTable :branches="view.branches" :stages="view.stages" :say="say" /></TabPanel>
      <TabPanel class="h-full min-h-48"><StagePicture :set-id="view.setId" :node="current" :say="say" /></TabPanel>
    </TabPanels>
  </TabGroup>
</template>
