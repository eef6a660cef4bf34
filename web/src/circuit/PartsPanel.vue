<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { faultAt, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'
import PartDialog from './PartDialog.vue'
import type { useCircuit } from './useCircuit'

const props = defineProps<{ parts: readonly Schemas['PartView'][]; doors: ReturnType<typeof useCircuit>; say: (text: string) => string }>()
const wanted = ref('')
const line = ref('')
const problem = ref<Problem | null>(null)
const chosen = ref('')
const part = computed(() => props.parts.find((p) => p.reference === chosen.value) ?? null)
const shown = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.parts.filter((p) => words.every((word) => `${p.reference} ${p.kind} ${p.description} ${p.working} ${p.nodes.join(' ')}`.toLowerCase().includes(word)))
})
const disputed = computed(() => props.parts.filter((p) => p.conflict))
watch(line, () => { problem.value = null })

async function add() {
  const answer = await props.doors.putPart(line.value)
  if (answer.kind === 'failed') problem.value = answer.problem
  else line.value = ''
}
</script>

<template>
  <form class="flex items-start gap-3 py-3" @submit.prevent="add">
    <TextField v-model="line" label="Add or change a part: reference, nodes, value; more behind a semicolon" wide hint="R7 filter_2 v3_plate 470k ; kind=carbon tol=20 watt=0.5 desc=&quot;plate load&quot;" :fault="faultAt(problem, 'line') || problem?.detail" />
    <AppButton type="submit" class="mt-6" :disabled="!line.trim()">Keep</AppButton>
    <TextField v-model="wanted" label="Find" />
  </form>
  <section v-if="disputed.length > 0" class="mb-3 rounded border border-bad bg-sheet px-4 py-2" aria-label="Values that disagree">
    <p v-for="p in disputed" :key="p.reference"><button class="min-h-11 font-semibold text-bad underline underline-offset-4" @click="chosen = p.reference">{{ p.reference }}</button> {{ say(p.description) }}: {{ say(p.conflict ?? '') }}</p>
  </section>
  <p v-if="parts.length === 0" class="text-soft">No parts yet. Load a SPICE deck under Files, or type the first part.</p>
  <table v-else class="w-full">
    <thead class="text-left text-sm text-soft">
      <tr><th class="py-1 font-normal">Part</th><th class="font-normal">Value</th><th class="font-normal">Tolerance, rating</th><th class="font-normal">What it does</th><th class="font-normal">Between</th><th class="font-normal">Values</th></tr>
    </thead>
    <tbody>
      <tr v-for="p in shown" :key="p.reference" class="border-t border-line">
        <td><button class="min-h-11 font-semibold text-accent underline-offset-4 hover:underline" @click="chosen = p.reference">{{ p.reference }}</button></td>
        <td class="font-figures">{{ say(p.working) }}</td>
        <td class="text-sm text-soft">{{ p.hasValue ? `± ${p.tolerancePercent} %` : '' }} {{ p.rating }}</td>
        <td>{{ say(p.description || p.kind) }}</td>
        <td class="text-sm text-soft">{{ p.nodes.join(' – ') }}</td>
        <td class="text-sm" :class="p.conflict ? 'font-semibold text-bad' : 'text-soft'">{{ p.conflict ? 'disagree' : p.values.map((v) => v.label).join(', ') }}</td>
      </tr>
    </tbody>
  </table>
  <PartDialog :part="part" :doors="doors" :say="say" @close="chosen = ''" @change="line = $event; chosen = ''" />
</template>
