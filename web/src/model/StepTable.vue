<script setup lang="ts">
import type { Schemas } from '../api/client'

defineProps<{ steps: readonly Schemas['StepView'][]; current: string; say: (text: string) => string }>()
defineEmits<{ choose: [node: string] }>()
const figure = (text: string) => text.replace(' V', '')
</script>

<template>
  <section class="min-h-0 border-line bg-sheet xl:overflow-auto xl:border-l" aria-label="Every point">
    <table class="w-full">
      <thead class="sticky top-0 bg-sheet text-sm text-soft">
        <tr>
          <th class="py-2 pl-4 text-left font-normal">Point</th>
          <th class="text-right font-normal">Healthy</th>
          <th class="text-right font-normal">Changed</th>
          <th class="pr-4 text-right font-normal">By, V</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="step in steps"
          :key="step.node"
          class="cursor-pointer border-t border-line"
          :class="step.node === current ? 'bg-mark' : ''"
          @click="$emit('choose', step.node)"
        >
          <th scope="row" class="py-1.5 pl-4 text-left font-normal" :class="step.change ? '' : 'text-soft'">
            {{ say(step.name) }}
          </th>
          <td class="text-right font-figures text-soft">{{ say(figure(step.healthyText)) }}</td>
          <td class="text-right font-figures" :class="step.change ? 'font-semibold' : 'text-soft'">
            {{ say(figure(step.changedText)) }}
          </td>
          <td class="pr-4 text-right font-figures text-follows">{{ say(figure(step.change)) || '–' }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
