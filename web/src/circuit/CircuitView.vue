<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/vue'
import { useQuery } from '@tanstack/vue-query'
import { ask, http, orThrow } from '../api/client'
import { ref } from 'vue'
import BenchHeader from '../bench/BenchHeader.vue'
import LabelDialog from '../bench/LabelDialog.vue'
import AppButton from '../ui/AppButton.vue'
import { useShop } from '../ui/useShop'
import DatesPanel from './DatesPanel.vue'
import FileTransfer from './FileTransfer.vue'
import PartsPanel from './PartsPanel.vue'
import SheetPanel from './SheetPanel.vue'
import { useCircuit } from './useCircuit'

const props = defineProps<{ setId: string }>()
const { say } = useShop()
const doors = useCircuit(() => props.setId)
const { circuit, error } = doors
const labelling = ref(false)
const set = useQuery({
  queryKey: ['circuit', () => props.setId, 'label'],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}', { params: { path: { setId: props.setId } } }))),
})
</script>

<template>
  <div v-if="circuit && set.data.value" class="flex min-h-full flex-col">
    <BenchHeader
      :title="set.data.value.title"
      :danger="set.data.value.danger"
      :live-chassis="set.data.value.liveChassis"
      :place="
        [
          set.data.value.constructionLabel,
          set.data.value.ticket && `ticket ${set.data.value.ticket}`,
          set.data.value.place,
        ]
          .filter(Boolean)
          .join(' · ')
      "
    >
      <AppButton @click="labelling = true">Edit details</AppButton>
    </BenchHeader>
    <LabelDialog :open="labelling" :set="set.data.value" @close="labelling = false" />
    <section
      v-if="circuit.unread.length > 0"
      class="mx-6 mt-3 rounded border border-bad bg-sheet px-4 py-2"
      aria-label="Incomplete circuit"
    >
      <h2 class="font-semibold text-bad">The circuit is incomplete and is not solved until this is mended</h2>
      <ul>
        <li v-for="line in circuit.unread" :key="line" class="py-0.5">{{ say(line) }}</li>
      </ul>
      <p class="py-1 text-sm text-soft">
        Type each part again under Parts, or load a mended file.
        <button class="min-h-11 font-semibold text-accent underline underline-offset-4" @click="doors.settleUnread()">
          They are mended, or not needed
        </button>
      </p>
    </section>
    <p
      v-if="circuit.sheetOrigin"
      class="mx-6 mt-3 flex flex-wrap items-center gap-x-3 rounded border border-doubt bg-sheet px-4"
    >
      <strong class="text-doubt">Not its own sheet:</strong>
      {{ say(circuit.sheetOrigin) }}.
      <button class="min-h-11 font-semibold text-accent underline underline-offset-4" @click="doors.ownSheet()">
        Compared with this set’s schematic
      </button>
    </p>
    <TabGroup as="div" class="px-6 py-2">
      <TabList class="flex gap-1 border-b border-line">
        <Tab
          v-for="(tab, i) in [
            `Parts (${circuit.parts.length})`,
            `Points and sheet (${circuit.testPoints.length})`,
            'Dates and cans',
            'Files',
          ]"
          :key="i"
          v-slot="{ selected }"
          as="template"
        >
          <button
            class="min-h-11 border-b-2 px-4"
            :class="selected ? 'border-accent font-semibold' : 'border-transparent text-soft'"
          >
            {{ tab }}
          </button>
        </Tab>
      </TabList>
      <TabPanels>
        <TabPanel><PartsPanel :set-id="setId" :parts="circuit.parts" :doors="doors" :say="say" /></TabPanel>
        <TabPanel><SheetPanel :circuit="circuit" :modes="set.data.value.modes" :doors="doors" :say="say" /></TabPanel>
        <TabPanel><DatesPanel :set-id="setId" :say="say" /></TabPanel>
        <TabPanel class="max-w-3xl">
          <FileTransfer
            name="Circuit"
            accept=".cir,.net,.sp,.spice,.txt"
            counted="parts"
            :download="`/api/sets/${setId}/circuit.cir`"
            :load="(file) => doors.load('circuit', file)"
          />
          <FileTransfer
            name="Parts"
            accept=".csv,.txt"
            counted="parts"
            :download="`/api/sets/${setId}/parts.csv`"
            :load="(file) => doors.load('part', file)"
          />
          <FileTransfer
            name="Sheet values"
            accept=".csv,.txt"
            counted="values"
            :download="`/api/sets/${setId}/sheet.csv`"
            :load="(file) => doors.load('sheet', file)"
          />
          <FileTransfer
            name="Readings"
            accept=".csv,.txt"
            counted="readings"
            :download="`/api/sets/${setId}/readings.csv`"
            :load="(file) => doors.load('reading', file)"
          />
          <div class="flex items-center gap-4 border-b border-line py-3">
            <h3 class="w-44 font-semibold">The whole set</h3>
            <a
              :href="`/api/sets/${setId}/bundle.zip`"
              download
              class="flex min-h-11 items-center gap-2 rounded border border-line bg-raised px-3"
            >
              As a bundle (zip)
            </a>
            <span class="text-sm text-soft">
              Circuit, sheet, readings, log, pictures and marks; not the owner. Take it in as a new set on any shelf.
            </span>
          </div>
          <div class="mt-4 space-y-2 text-sm text-soft">
            <p>
              <strong class="text-ink">Circuit:</strong>
              a SPICE deck with the cards R C L K V I D X. It takes the place of the whole circuit; readings and sheet
              values stay.
            </p>
            <p>
              <strong class="text-ink">Parts:</strong>
              CSV with
              <code class="font-figures">
                reference,value,volts,watts,tolerance,kind,from,to,date,can,mark,description
              </code>
              (a part that is there takes the file's values).
            </p>
            <p>
              <strong class="text-ink">Readings:</strong>
              CSV with
              <code class="font-figures">point,reference,kind,value,unit,line_v,meter,mode,minutes,taken_at,note</code>
              (point and value are enough). Comma, semicolon or tab. The same file twice adds nothing.
            </p>
            <p>
              <strong class="text-ink">Sheet values:</strong>
              <code class="font-figures">point,reference,kind,value,unit,line_v,meter,mode</code>
              with meters as
              <code class="font-figures">10M</code>
              or
              <code class="font-figures">20k/V</code>
              or
              <code class="font-figures">20k/V@250</code>
            </p>
          </div>
        </TabPanel>
      </TabPanels>
    </TabGroup>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Fetching the circuit…</p>
</template>
