<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import DriveSketch from './DriveSketch.vue'
import { signed, speeds, speedName } from './speeds'
import { usePlayer } from './usePlayer'

/** How the player is driven, with its diameters, and the speeds and rates that follow. */
const props = defineProps<{ setId: string }>()
const { say, shop } = useShop()
const { player, describe } = usePlayer(() => props.setId)
const form = reactive({
  kind: 'idler',
  has: {} as Record<string, boolean>,
  motorRpm: '',
  madeForHertz: '',
  steps: {} as Record<string, string>,
  idlerMm: '',
  rimMm: '',
  beltMm: '',
  beltThickMm: '',
})
const problem = ref<Problem | null>(null)
const saved = ref(false)
const drive = computed(() => player.value?.drive ?? null)
const shown = (value: number | null) =>
  value === null ? '' : shop.value?.decimalSign === 'COMMA' ? String(value).replace('.', ',') : String(value)
watch(
  drive,
  (now) => {
    if (!now) return
    Object.assign(form, {
      kind: now.kind,
      has: Object.fromEntries(now.has.map((one) => [one, true])),
      motorRpm: shown(now.motorRpm),
      madeForHertz: shown(now.madeForHertz),
      steps: Object.fromEntries(now.steps.map((one) => [String(one.rpm), shown(one.stepMm)])),
      idlerMm: shown(now.idlerMm),
      rimMm: shown(now.rimMm),
      beltMm: shown(now.beltMm),
      beltThickMm: shown(now.beltThickMm),
    })
  },
  { immediate: true },
)
const kinds = computed(() => player.value?.drives.map((one) => ({ id: one.id, name: one.label })) ?? [])
const kind = computed(() => player.value?.drives.find((one) => one.id === form.kind))
const extras: Record<string, string> = {
  changer: 'changes records',
  'auto-stop': 'stops by itself',
  lift: 'has a lift',
  bias: 'has bias (anti-skate)',
  muting: 'mutes while it changes',
}
async function save() {
  saved.value = false
  const answer = await describe({
    ...form,
    has: Object.keys(form.has).filter((one) => form.has[one]),
    steps: Object.fromEntries(Object.entries(form.steps).filter(([, mm]) => mm.trim())),
  })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  saved.value = answer.kind === 'ready'
}
</script>

<template>
  <div v-if="player">
    <CautionNote>
      <p>{{ say(player.cautions[0] ?? '') }}</p>
    </CautionNote>
    <div class="grid gap-x-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
      <form class="space-y-3 px-5 py-3" @submit.prevent="save">
        <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
          <ChoiceField v-model="form.kind" label="Driven by" :options="kinds" :fault="faultAt(problem, 'kind')" />
          <p class="min-h-11 content-center text-sm text-soft">{{ kind?.what }}</p>
        </div>
        <fieldset v-if="kind?.turnsRecords">
          <legend class="text-sm text-soft">It also</legend>
          <div class="flex flex-wrap gap-x-6">
            <TickField
              v-for="one in player.extras"
              :key="one"
              :model-value="form.has[one] ?? false"
              :label="extras[one] ?? one"
              @update:model-value="(now) => (form.has[one] = now)"
            />
          </div>
        </fieldset>
        <div v-if="form.kind !== 'spring'" class="flex flex-wrap gap-3">
          <TextField
            v-model="form.motorRpm"
            label="Motor’s speed, by its plate"
            unit="1/min"
            :fault="faultAt(problem, 'motorRpm')"
          />
          <TextField
            v-model="form.madeForHertz"
            label="Frequency on the plate"
            unit="Hz"
            :fault="faultAt(problem, 'madeForHertz')"
          />
        </div>
        <fieldset v-if="kind?.carries">
          <legend class="mb-1 text-sm text-soft">Diameter of the shaft’s step or pulley, by calliper</legend>
          <div class="flex flex-wrap gap-3">
            <TextField
              v-for="one in speeds"
              :key="one.id"
              :model-value="form.steps[one.id] ?? ''"
              class="w-28!"
              :label="`for ${one.name}`"
              unit="mm"
              @update:model-value="(now) => (form.steps[one.id] = now)"
            />
          </div>
          <p v-if="faultAt(problem, 'steps')" class="mt-1 text-sm text-bad">{{ faultAt(problem, 'steps') }}</p>
        </fieldset>
        <div class="flex flex-wrap gap-3">
          <TextField
            v-if="kind?.carries"
            v-model="form.rimMm"
            :label="form.kind === 'belt' ? 'Where the belt lies' : 'Rim, inside'"
            unit="mm"
            :fault="faultAt(problem, 'rimMm')"
          />
          <TextField
            v-if="form.kind === 'idler'"
            v-model="form.idlerMm"
            label="Idler"
            unit="mm"
            :fault="faultAt(problem, 'idlerMm')"
          />
          <template v-if="form.kind === 'belt'">
            <TextField v-model="form.beltMm" label="Belt, length round" unit="mm" :fault="faultAt(problem, 'beltMm')" />
            <TextField
              v-model="form.beltThickMm"
              label="Belt, thickness"
              unit="mm"
              :fault="faultAt(problem, 'beltThickMm')"
            />
          </template>
        </div>
        <p class="max-w-prose text-sm text-soft">
          Leave out what is not measured: nothing is named by a diameter nobody read.
        </p>
        <div class="flex items-center gap-4">
          <AppButton type="submit" look="main" :disabled="!session.mayWrite.value">Save</AppButton>
          <span v-if="saved" role="status" class="text-good">Saved. What turns as often was named anew.</span>
        </div>
        <ProblemNote v-if="problem && problem.errors.length === 0" :problem="problem" />
      </form>
      <div v-if="drive" class="min-w-0 px-5 py-4">
        <DriveSketch v-if="kind?.turnsRecords" :drive="drive" />
        <p v-if="drive.otherLine" class="mb-3 rounded border border-doubt px-3 py-2">{{ say(drive.otherLine) }}</p>
        <table v-if="drive.steps.length" class="w-full">
          <thead class="text-left text-sm text-soft">
            <tr>
              <th class="font-normal">Speed</th>
              <th class="font-normal">Step</th>
              <th class="font-normal">Makes</th>
              <th class="font-normal">Right step</th>
            </tr>
          </thead>
          <tbody class="font-figures">
            <tr v-for="one in drive.steps" :key="one.rpm" class="border-t border-line">
              <td class="py-1">{{ say(speedName(one.rpm)) }}</td>
              <td>{{ say(one.stepMm.toFixed(2)) }} mm</td>
              <td>
                <template v-if="one.madeRpm !== null">
                  {{ say(one.madeRpm.toFixed(2)) }}
                  <span :class="Math.abs(one.offPercent ?? 0) > player.speedApartPercent ? 'text-bad' : 'text-soft'">
                    {{ say(signed(one.offPercent ?? 0, 1)) }} %
                  </span>
                </template>
                <span v-else class="text-soft">–</span>
              </td>
              <td>{{ one.rightStepMm === null ? '–' : `${say(one.rightStepMm.toFixed(2))} mm` }}</td>
            </tr>
          </tbody>
        </table>
        <h2 v-if="drive.turning.length" class="mt-4 mb-1 text-sm text-soft">What comes round, and how often</h2>
        <dl class="grid grid-cols-[1fr_auto] gap-x-4">
          <template v-for="one in drive.turning" :key="one.id">
            <dt>{{ one.label }}</dt>
            <dd class="text-right font-figures">{{ say(one.hertz.toFixed(2)) }} Hz</dd>
          </template>
        </dl>
      </div>
    </div>
  </div>
</template>
