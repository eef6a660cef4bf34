<script setup lang="ts">
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import QuestionCard from './QuestionCard.vue'
import { usePlayer, type PlayerView } from './usePlayer'

/** What explains the signs, the likeliest first, with what speaks for and against it, and the test that tells most. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { player, mend } = usePlayer(() => props.setId)
type Suspect = PlayerView['suspects'][number]
const mending = ref<Suspect | null>(null)
const note = ref('')
const problem = ref<Problem | null>(null)
async function done() {
  if (!mending.value) return
  const answer = await mend(mending.value.id, note.value)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    mending.value = null
    note.value = ''
  }
}
const percent = (belief: number) => (belief > 0.995 ? 'over 99' : belief < 0.01 ? 'under 1' : (100 * belief).toFixed(0))
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
</script>

<template>
  <div v-if="player" class="grid lg:grid-cols-[minmax(0,1fr)_26rem]">
    <div class="min-w-0 px-5 py-4">
      <p v-if="!player.drive" class="max-w-prose">Describe the drive first: an idler and a belt fail differently.</p>
      <template v-else-if="player.signs.length === 0">
        <p class="max-w-prose">
          No sign of anything wrong has been read or seen. Read the speed with nothing on it and with record and arm,
          record a tone, and answer the checks: what is found there is explained here.
        </p>
      </template>
      <template v-else>
        <h2 class="text-lg font-semibold">What was found</h2>
        <p class="mb-4">{{ say(capital(player.signs.join('; '))) }}.</p>
        <ol class="divide-y divide-line border-y border-line">
          <li
            v-for="one in player.suspects"
            :key="one.id"
            class="grid grid-cols-[4.5rem_minmax(0,1fr)] gap-x-4 border-l-4 py-3 pl-3"
            :class="one.named ? 'border-l-accent bg-mark' : 'border-l-transparent'"
          >
            <div>
              <span class="font-figures text-2xl font-semibold">{{ percent(one.belief) }}</span>
              <span class="text-soft">%</span>
              <span class="mt-1 block h-1.5 rounded bg-ghost">
                <span
                  class="block h-1.5 rounded"
                  :class="one.named ? 'bg-accent' : 'bg-follows'"
                  :style="{ width: `${100 * one.belief}%` }"
                />
              </span>
            </div>
            <div class="min-w-0">
              <h3 class="text-lg font-semibold">{{ say(capital(one.cause)) }}</h3>
              <p v-if="one.speaksFor.length">
                <span class="text-soft">For it:</span>
                {{ say(one.speaksFor.join('; ')) }}.
              </p>
              <p v-if="one.speaksAgainst.length">
                <span class="text-soft">Against it, by what was read or seen: not</span>
                {{ say(one.speaksAgainst.join('; not ')) }}.
              </p>
              <template v-if="one.named">
                <p class="mt-1">{{ say(one.remedy) }}</p>
                <p v-if="one.caution" class="mt-1 text-sm text-bad">{{ say(one.caution) }}</p>
                <AppButton
                  v-if="one.part !== 'RECORD'"
                  class="mt-2"
                  :disabled="!session.mayWrite.value"
                  @click="mending = one"
                >
                  It was this, and is put right
                </AppButton>
              </template>
            </div>
          </li>
        </ol>
        <p class="mt-2 text-soft">
          {{ percent(player.unexplained) }} % that none of these explains it. These are likelihoods by the trade’s
          experience, not proofs: look before anything is renewed.
        </p>
      </template>
    </div>
    <section v-if="player.next.length" class="border-line px-5 py-4 lg:border-l" aria-labelledby="tells-most">
      <h2 id="tells-most" class="mb-2 text-lg font-semibold">What tells most next</h2>
      <ul class="space-y-4">
        <li v-for="one in player.next" :key="one.id" class="rounded border border-line bg-sheet p-3">
          <QuestionCard v-if="player.questions.some((q) => q.id === one.id)" :set-id="setId" :question="one" open />
          <template v-else>
            <h3 class="text-lg font-semibold">{{ say(capital(one.ask)) }}?</h3>
            <p>{{ say(capital(one.how.join(', '))) }}.</p>
            <RouterLink
              class="mt-1 inline-flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
              :to="`/sets/${setId}/finish`"
            >
              Read speeds
            </RouterLink>
          </template>
        </li>
      </ul>
    </section>
    <AppDialog :open="mending !== null" title="Put right" @close="mending = null">
      <form class="space-y-4" @submit.prevent="done">
        <p>
          {{ say(capital(mending?.cause ?? '')) }}. Speeds and answers from before it speak no longer; read them again.
        </p>
        <TextField v-model="note" wide label="What was done" />
        <ProblemNote :problem="problem" />
        <div class="flex gap-3">
          <AppButton type="submit" look="main">Save</AppButton>
          <AppButton look="quiet" @click="mending = null">Cancel</AppButton>
        </div>
      </form>
    </AppDialog>
  </div>
</template>
