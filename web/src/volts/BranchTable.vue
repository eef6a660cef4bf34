<script setup lang="ts">
import type { Schemas } from '../api/client'

defineProps<{
  branches: readonly Schemas['BranchView'][]
  stages: readonly Schemas['StageCurrentView'][]
  say: (text: string) => string
}>()
</script>

<template>
  <p v-if="branches.length === 0" class="py-2 text-soft">
    A resistor shows its current and watts here once both of its ends are read.
  </p>
  <table v-else class="w-full text-sm">
    <thead class="text-left text-soft">
      <tr>
        <th class="py-1 font-normal">Part</th>
        <th class="font-normal">From – to</th>
        <th class="text-right font-normal">Drop</th>
        <th class="text-right font-normal">Current</th>
        <th class="text-right font-normal">Heat</th>
        <th class="text-right font-normal">Rated</th>
      </tr>
    </thead>
    <tbody class="font-figures">
      <tr v-for="branch in branches" :key="branch.part" class="border-t border-line">
        <td class="py-1 font-semibold">
          {{ branch.part }}
          <span class="font-normal">{{ say(branch.ohms) }}</span>
        </td>
        <td class="font-sans">{{ say(branch.fromName) }} – {{ say(branch.toName) }}</td>
        <td class="text-right">{{ say(branch.volts) }}</td>
        <td class="text-right">{{ say(branch.amperes) }}</td>
        <td class="text-right" :class="branch.strained ? 'font-semibold text-doubt' : ''">
          {{ say(branch.watts) }}
          <span v-if="branch.strained" class="font-sans">strained</span>
        </td>
        <td class="text-right">{{ say(branch.rated || '–') }}</td>
      </tr>
    </tbody>
  </table>
  <table v-if="stages.length > 0" class="mt-4 w-full text-sm">
    <caption class="pb-1 text-left text-soft">What the tubes draw by it</caption>
    <thead class="text-left text-soft">
      <tr>
        <th class="py-1 font-normal">Tube</th>
        <th class="font-normal">By</th>
        <th class="text-right font-normal">Current</th>
        <th class="text-right font-normal">Healthy</th>
        <th class="text-right font-normal">At its plate</th>
        <th class="text-right font-normal">Limit</th>
      </tr>
    </thead>
    <tbody class="font-figures">
      <tr v-for="stage in stages" :key="stage.tube + stage.through" class="border-t border-line">
        <td class="py-1 font-semibold">{{ say(stage.tube) }}</td>
        <td class="font-sans">{{ stage.through }}{{ stage.withScreen ? ', with its screen' : '' }}</td>
        <td class="text-right">{{ say(stage.amperes) }}</td>
        <td class="text-right text-soft">{{ say(stage.healthy || '–') }}</td>
        <td class="text-right" :class="stage.over ? 'font-semibold text-bad' : ''">
          {{ say(stage.watts || '–') }}
          <span v-if="stage.over" class="font-sans">too much</span>
        </td>
        <td class="text-right">{{ say(stage.limit || '–') }}</td>
      </tr>
    </tbody>
  </table>
</template>
