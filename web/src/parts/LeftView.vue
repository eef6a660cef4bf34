<script setup lang="ts">
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import ForNow from './ForNow.vue'
import WiringPanel from './WiringPanel.vue'
import { useWork, type WorkTask } from './useWork'

/** What is left to do: one task a line, the one below before the one above it; what is done is gone from here. */
const props = defineProps<{ setId: string }>()
const { say, when } = useShop()
const doors = useWork(() => props.setId)
const { work, error, cover } = doors
const problem = ref<Problem | null>(null)
const left = computed(() => {
  const minutes = work.value?.minutes ?? 0
  return minutes < 90 ? `about ${minutes} min` : `about ${(minutes / 60).toFixed(1)} h`
})
const to = (task: WorkTask) =>
  /^XT/.test(task.reference)
    ? `/sets/${props.setId}/cold`
    : task.kind === 'FORM'
      ? `/sets/${props.setId}/parts/forming?part=${task.reference}`
      : task.kind === 'REPLACE' || task.kind === 'RIGHT_ONE'
        ? `/sets/${props.setId}/parts/plan?part=${task.reference}`
        : `/sets/${props.setId}/parts?point=${task.reference}`
async function under(task: WorkTask, by: string) {
  const answer = await cover(task.reference, by)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <div v-if="work" class="h-full overflow-auto">
    <p class="border-b border-line bg-sheet px-5 py-3">
      <template v-if="work.tasks.length > 0">
        <span class="font-figures text-lg font-semibold">{{ work.tasks.length }}</span>
        {{ work.tasks.length === 1 ? 'thing' : 'things' }} left to do, {{ left }}.
        <span class="text-soft">
          What bars power comes first; what lies under another part comes before that other goes in. One part at a time.
        </span>
      </template>
      <template v-else>Nothing is left to do at the parts.</template>
    </p>
    <ForNow :doors="doors" :say="say" :when="when" />
    <ProblemNote :problem="problem" class="m-5" />
    <ol>
      <li
        v-for="(task, i) in work.tasks"
        :key="task.reference"
        class="grid min-h-13 grid-cols-[2.5rem_minmax(0,1fr)_auto] items-center gap-x-4 border-b border-line bg-sheet px-5 py-1.5"
      >
        <span class="text-right font-figures text-soft">{{ i + 1 }}</span>
        <p class="leading-snug">
          <RouterLink :to="to(task)" class="font-semibold text-accent underline underline-offset-4">
            {{ say(`${task.verb} ${task.called}`) }}
          </RouterLink>
          <span v-if="task.job">{{ say(`, ${task.job}`) }}</span>
          <span class="block text-sm text-soft">
            {{ say(`${task.groupLabel}. ${task.why}`) }}
            <strong v-if="task.circle" class="text-doubt">These covers go round in a circle; take one back.</strong>
          </span>
        </p>
        <label v-if="session.mayWrite.value" class="flex items-center gap-2 text-sm text-soft">
          lies under
          <select
            class="min-h-11 w-24 rounded border border-line bg-raised px-2 text-ink"
            :value="task.coveredBy"
            :aria-label="`${task.called} lies under`"
            @change="under(task, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">nothing</option>
            <option v-for="part in work.parts.filter((p) => p !== task.reference)" :key="part" :value="part">
              {{ part.replace(/^X(?=[A-Z])/, '') }}
            </option>
          </select>
        </label>
      </li>
    </ol>
    <WiringPanel :set-id="setId" :say="say" />
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Putting what is left into order…</p>
</template>
