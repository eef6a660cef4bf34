<script setup lang="ts">
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import { placeOf } from '../guide/place'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { useStands, type StopView } from './useStands'

/** What bars a gate: what is wrong first, then what nobody has looked at, which a written reason can pass. */
const props = defineProps<{ setId: string; stops: readonly StopView[] }>()
const { say } = useShop()
const { decide } = useStands(() => props.setId)
const SHOWN = 4
const all = ref(false)
const passing = ref<StopView | null>(null)
const reason = ref('')
const problem = ref<Problem | null>(null)
async function pass() {
  if (!passing.value) return
  const answer = await decide(passing.value.id, reason.value)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'failed') return
  passing.value = null
  reason.value = ''
}
</script>

<template>
  <ul>
    <li
      v-for="stop in all ? stops : stops.slice(0, SHOWN)"
      :key="stop.id"
      class="grid grid-cols-[1.25rem_1fr] gap-x-1 border-b border-line py-1.5 leading-snug"
    >
      <span class="mt-1 size-3" :class="stop.bad ? 'bg-bad' : 'rounded-full border-2 border-soft'" aria-hidden="true" />
      <span>
        <RouterLink
          v-if="stop.act"
          :to="placeOf(setId, stop.act)"
          class="underline decoration-line underline-offset-4 hover:decoration-accent"
        >
          {{ say(stop.words) }}
        </RouterLink>
        <template v-else>{{ say(stop.words) }}</template>
        <button
          v-if="!stop.bad && stop.gate === 'POWER' && session.mayWrite.value"
          class="ml-2 text-sm text-soft underline underline-offset-4"
          @click="passing = stop"
        >
          go on without
        </button>
      </span>
    </li>
  </ul>
  <button
    v-if="stops.length > SHOWN"
    class="min-h-11 text-sm text-accent underline underline-offset-4"
    :aria-expanded="all"
    @click="all = !all"
  >
    {{ all ? 'Show the first' : `Show all ${stops.length}` }}
  </button>
  <AppDialog :open="passing !== null" title="Go on without this" @close="passing = null">
    <form class="space-y-4" @submit.prevent="pass">
      <p>{{ say(passing?.words ?? '') }}</p>
      <p class="rounded bg-caution px-3 py-2 text-on-caution">
        Shock and fire: what nobody has measured can still be bad. Local codes and licensed practice come first. Your
        reason stays in the log.
      </p>
      <TextField v-model="reason" label="Why you go on" wide />
      <ProblemNote :problem="problem" />
      <div class="flex gap-3">
        <AppButton look="danger" type="submit" :disabled="!reason.trim()">Go on without it</AppButton>
        <AppButton look="quiet" @click="passing = null">Cancel</AppButton>
      </div>
    </form>
  </AppDialog>
</template>
