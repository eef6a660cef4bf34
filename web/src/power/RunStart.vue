<script setup lang="ts">
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import { useLinks, usePower, usePowerPlan, useRuns, type RunView } from './usePower'

/** Before a run: what is still to be settled, or the way to begin. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { power } = usePower(() => props.setId)
const { data: planned } = usePowerPlan(() => props.setId)
const { start } = useRuns(() => props.setId)
const { links } = useLinks()
const problem = ref<Problem | null>(null)
async function begin(feed: RunView['feed']) {
  const answer = await start(feed)
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <div class="h-full overflow-auto">
    <CautionNote>
      <p>{{ say(power?.cautions[0]?.text ?? '') }}</p>
    </CautionNote>
    <div class="max-w-3xl space-y-4 p-6">
      <template v-if="(power?.unsettled ?? 0) > 0">
        <h2 class="text-xl font-semibold">Not yet</h2>
        <p>
          {{ power?.unsettled }} {{ power?.unsettled === 1 ? 'thing is' : 'things are' }} not settled.
          <RouterLink class="font-semibold text-accent underline underline-offset-4" :to="`/sets/${setId}/power`">
            Settle what stands before power
          </RouterLink>
        </p>
      </template>
      <template v-else-if="planned && !planned.plan">
        <h2 class="text-xl font-semibold">No plan</h2>
        <p>{{ say(planned.reason) }}</p>
      </template>
      <template v-else-if="planned?.plan">
        <h2 class="text-xl font-semibold">
          Bring the set up: {{ planned.plan.steps.map((one) => one.name).join(', ') }}
        </h2>
        <p>
          Plug in and switch on, then start the clock at once: the band counts from there. Lamp and fuse protect the
          set; this screen only warns. Glasses on, lean back, one hand in the pocket, the other at the plug.
        </p>
        <div v-if="session.mayWrite.value" class="flex flex-wrap gap-3">
          <AppButton look="main" @click="begin('HAND')">It is on: start the clock, enter by hand</AppButton>
          <AppButton v-if="links && links.links.length > 0" @click="begin('INSTRUMENTS')">
            Let the instruments switch on and read
          </AppButton>
        </div>
        <p v-if="links && links.links.length > 0" class="text-sm text-soft">
          On the network: {{ links.links.map((one) => one.name).join(', ') }}. Scanner channels from 101 on go to
          {{
            say(
              planned.plan.watched
                .filter((one) => one.kind === 'RAIL' || one.kind === 'DROP')
                .map((one) => one.what)
                .join(', '),
            )
          }}.
        </p>
        <ProblemNote :problem="problem" />
      </template>
      <p v-else class="text-soft">Working out the plan…</p>
    </div>
  </div>
</template>
