<script setup lang="ts">
import { computed, reactive, ref, useTemplateRef } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { level, useAlignment } from './useAlignment'
import LeadProof from './LeadProof.vue'
import { useGains } from './useGains'

/** Gain stage by stage: the same sound from each grid in turn, and which stage gives less than it should. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { gains, error, level: keepLevel } = useGains(() => props.setId)
const { alignment } = useAlignment(() => props.setId)
const chosen = ref('')
const read = reactive({ microvolts: '', speakerVolts: '' })
const problem = ref<Problem | null>(null)
const field = useTemplateRef<InstanceType<typeof TextField>>('field')
const points = computed(() => gains.value?.points ?? [])
const at = computed(
  () =>
    points.value.find((one) => one.id === chosen.value) ??
    points.value.find((one) => one.readMicrovolts == null) ??
    points.value[0] ??
    null,
)
const standard = computed(() => Math.sqrt(0.05 * (gains.value?.speakerOhms ?? 3.2)))
type Stage = Schemas['GainStageView']
const verdict = (stage: Stage) =>
  stage.verdict === 'RIGHT' ? 'GOOD' : stage.verdict === 'UNREAD' ? 'UNREAD' : stage.usual ? 'UNUSUAL' : 'DOUBT'
/** From a hundredth to a hundred thousand times, on one scale. */
const LOW = -1
const HIGH = 3
const place = (gain: number) => `${Math.max(0, Math.min(100, ((Math.log10(gain) - LOW) / (HIGH - LOW)) * 100))}%`
const times = (gain: number) => (gain >= 10 ? gain.toFixed(0) : gain.toPrecision(2))
async function keep() {
  if (!at.value) return
  const answer = await keepLevel({ point: at.value.id, ...read })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    read.microvolts = ''
    chosen.value = ''
    field.value?.focus()
  }
}
</script>

<template>
  <p v-if="error" role="alert" class="p-6 text-bad">{{ say(error.message) }}</p>
  <div v-else-if="gains">
    <CautionNote>
      <p>
        {{
          gains.caution ||
          'Grids and plates lie side by side: the generator through a capacitor, one hand, clipped on with the set off; B+ stops a heart.'
        }}
      </p>
    </CautionNote>
    <div class="grid lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div class="min-w-0 px-5 py-4">
        <h2 class="text-xl font-semibold">What each stage amplifies</h2>
        <p class="max-w-prose text-soft">
          Move the generator from grid to grid and set it each time for the same sound. What one stage needs less than
          the one behind it is its gain. Volume full up, level low, so that the AVC sleeps.
        </p>
        <p v-for="one in gains.lacks" :key="one" class="mt-2 border-l-4 border-l-accent bg-mark px-3 py-2">
          {{ say(one) }}
        </p>
        <ol class="mt-4 divide-y divide-line border-y border-line">
          <li v-for="stage in gains.stages" :key="stage.id" class="py-3">
            <div class="flex items-center gap-3">
              <VerdictMark :verdict="verdict(stage)" />
              <span class="min-w-0 flex-1 font-semibold">{{ say(stage.title) }}</span>
              <span class="font-figures text-lg">
                {{ stage.measured != null ? `${say(times(stage.measured))} ×` : '–' }}
              </span>
              <span class="w-32 text-right text-sm text-soft">
                {{ say(`${times(stage.low)} to ${times(stage.high)}`) }}
              </span>
            </div>
            <div class="relative mt-2 ml-8 h-4 rounded border border-line bg-sheet" aria-hidden="true">
              <div
                class="absolute inset-y-0 bg-ghost"
                :style="{
                  left: place(stage.low),
                  right: `calc(100% - ${place(stage.high)})`,
                }"
              ></div>
              <div class="absolute inset-y-0 w-0.5 bg-soft" :style="{ left: place(stage.typical) }"></div>
              <div
                v-if="stage.measured != null"
                class="absolute -inset-y-1 w-1.5 rounded"
                :class="stage.verdict === 'RIGHT' ? 'bg-good' : 'bg-bad'"
                :style="{ left: place(stage.measured) }"
              ></div>
            </div>
            <p class="mt-1 ml-8 text-sm text-soft">
              {{ say(stage.measured != null ? stage.says : stage.basis) }}
            </p>
          </li>
        </ol>
      </div>
      <div class="border-line px-5 py-4 lg:border-l">
        <h2 class="text-lg font-semibold">Levels for the same sound</h2>
        <LeadProof v-if="alignment?.lead" class="my-2" :set-id="setId" :bars="alignment.lead" />
        <ol class="mt-2 space-y-1">
          <li v-for="one in points" :key="one.id">
            <button
              class="flex min-h-11 w-full items-center gap-2 border-l-4 px-3 py-1 text-left leading-tight"
              :class="one.id === at?.id ? 'border-l-accent bg-mark' : 'border-l-transparent'"
              :aria-pressed="one.id === at?.id"
              @click="((chosen = one.id), field?.focus())"
            >
              <span class="min-w-0 flex-1">{{ say(one.words) }}</span>
              <span class="font-figures" :class="one.readMicrovolts == null ? 'text-soft' : ''">
                {{
                  one.readMicrovolts != null
                    ? say(level(one.readMicrovolts))
                    : one.expectedMicrovolts != null
                      ? `≈ ${say(level(one.expectedMicrovolts))}`
                      : ''
                }}
              </span>
            </button>
          </li>
        </ol>
        <form v-if="at && !alignment?.lead" class="mt-3 space-y-3 border-t border-line pt-3" @submit.prevent="keep">
          <p class="font-semibold">Generator at: {{ say(at.words) }}</p>
          <div class="flex flex-wrap items-start gap-3">
            <TextField
              ref="field"
              v-model="read.microvolts"
              class="w-36!"
              label="It gives"
              unit="µV"
              :fault="faultAt(problem, 'microvolts')"
            />
            <TextField
              v-model="read.speakerVolts"
              class="w-44!"
              label="For, at the voice coil"
              unit="V"
              :hint="`empty: ${say(standard.toFixed(2))} V, 50 mW`"
              :fault="faultAt(problem, 'speakerVolts')"
            />
          </div>
          <AppButton type="submit" look="main" :disabled="!session.mayWrite.value || !read.microvolts.trim()">
            Keep
          </AppButton>
          <ProblemNote v-if="problem && problem.errors.length === 0" :problem="problem" />
        </form>
        <p class="mt-4 text-sm text-soft">
          Reckoned for {{ say(gains.intermediateKilohertz.toFixed(0)) }} kHz with Q {{ gains.quality.toFixed(0) }} of
          each circuit,
          {{
            gains.qualityMeasured
              ? 'by the width of its curve.'
              : 'which is usual: it accuses nothing. Read its curve at Align, then it is this set’s own.'
          }}
        </p>
      </div>
    </div>
  </div>
  <p v-else class="p-8 text-soft">Reckoning its stages…</p>
</template>
