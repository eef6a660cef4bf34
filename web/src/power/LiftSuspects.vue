<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Problem } from '../api/client'
import { useWork } from '../parts/useWork'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'

/** Suspects of a run lifted singly: one lead, say so, bring it up again; the runs tell whether it was that part. */
const props = defineProps<{ setId: string; parts: string[] }>()
const { work, forNow, putRight } = useWork(() => props.setId)
const problem = ref<Problem | null>(null)
const rows = computed(() =>
  props.parts.map((part) => ({ part, lifted: work.value?.forNow.find((one) => one.part === part) ?? null })),
)
/** Whatever is not as drawn, suspect or not: beside it a run proves nothing of one part. */
const others = computed(() => work.value?.forNow.map((one) => one.part) ?? [])
async function lift(part: string) {
  const answer = await forNow(part, 'LEAD_LIFTED', 'to see whether it is the one')
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
async function back(entry: string) {
  const answer = await putRight(entry)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <section v-if="parts.length > 0" aria-labelledby="lift-one">
    <h3 id="lift-one" class="font-semibold">Which of them? Lift one lead</h3>
    <p class="text-sm text-soft">
      Plug out, supply read empty: lift one lead of one suspect, say so here, bring the set up again. Its plan reckons
      without that part, and Runs says what that proves.
    </p>
    <ul>
      <li v-for="one in rows" :key="one.part" class="flex min-h-12 items-center justify-between gap-3">
        <span>
          <strong>{{ one.part }}</strong>
          {{ one.lifted ? 'is lifted' : '' }}
        </span>
        <AppButton v-if="one.lifted" @click="back(one.lifted.entry)">{{ one.part }} is soldered back</AppButton>
        <AppButton v-else :disabled="others.length > 0" @click="lift(one.part)">I lifted {{ one.part }}</AppButton>
      </li>
    </ul>
    <p v-if="others.length > 0" class="text-sm text-soft">
      One at a time: put {{ others.join(', ') }} right before another is lifted.
    </p>
    <ProblemNote :problem="problem" />
  </section>
</template>
