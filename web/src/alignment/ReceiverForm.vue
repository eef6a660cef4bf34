<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import { session } from '../account/session'
import type { Problem, Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import { useAlignment, type AlignmentView } from './useAlignment'

/** What kind of receiver it is and what it is aligned with: the plan follows from both. */
const props = defineProps<{ setId: string; alignment: AlignmentView }>()
const emit = defineEmits<{ said: [] }>()
const { say } = useShop()
const { receiver, gear } = useAlignment(() => props.setId)
type Has = Schemas['ReceiverEdit']['has'][number]
const form = reactive({
  kind: props.alignment.receiver.kind,
  cans: String(props.alignment.receiver.cans),
  fmCans: String(props.alignment.receiver.fmCans),
  detector: props.alignment.receiver.detector,
  has: new Set<Has>(props.alignment.receiver.has),
  generator: props.alignment.gear.generator,
  meter: props.alignment.gear.meter,
  counter: props.alignment.gear.counter,
})
const counts = Array.from({ length: 7 }, (_, n) => ({ id: String(n), name: String(n) }))
watch(
  () => form.detector,
  (now, before) => {
    if (before === 'NONE' && now !== 'NONE' && form.fmCans === '0') form.fmCans = '2'
  },
)
const options = (all: { id: string; name: string }[]) => all.map((one) => ({ id: one.id, name: say(one.name) }))
const problem = ref<Problem | null>(null)
function tick(id: string, on: boolean) {
  if (on) form.has.add(id as Has)
  else form.has.delete(id as Has)
}
async function save() {
  const answers = [
    await receiver({
      kind: form.kind,
      cans: Number(form.cans),
      fmCans: form.detector === 'NONE' ? 0 : Number(form.fmCans),
      detector: form.detector,
      has: [...form.has],
    }),
    await gear({ generator: form.generator, meter: form.meter, counter: form.counter }),
  ]
  const failed = answers.find((one) => one.kind === 'failed')
  problem.value = failed?.kind === 'failed' ? failed.problem : null
  if (!failed) emit('said')
}
</script>

<template>
  <form class="space-y-4" @submit.prevent="save">
    <fieldset class="rounded border border-line p-4">
      <legend class="px-1 font-semibold">The receiver</legend>
      <p v-if="!alignment.receiver.said" class="mb-2 text-sm text-soft">
        Filled in from its circuit as far as that tells. Look at the set before you save.
      </p>
      <div class="flex flex-wrap gap-4">
        <ChoiceField
          v-model="form.kind"
          class="w-72!"
          label="Kind"
          :options="options(alignment.choices.kinds) as any"
        />
        <ChoiceField
          v-if="form.kind === 'SUPERHET'"
          v-model="form.cans"
          class="w-28!"
          label="IF cans, AM"
          :options="counts"
        />
        <ChoiceField
          v-model="form.detector"
          class="w-80!"
          label="FM detector"
          :options="options(alignment.choices.detectors) as any"
        />
        <ChoiceField
          v-if="form.detector !== 'NONE'"
          v-model="form.fmCans"
          class="w-28!"
          label="IF cans, FM"
          :options="counts"
        />
      </div>
      <div class="mt-2 grid gap-x-6 sm:grid-cols-2">
        <TickField
          v-for="one in alignment.choices.has"
          :key="one.id"
          :model-value="form.has.has(one.id as Has)"
          :label="say(one.name)"
          @update:model-value="(on) => tick(one.id, on)"
        />
      </div>
    </fieldset>
    <fieldset class="rounded border border-line p-4">
      <legend class="px-1 font-semibold">Aligned with</legend>
      <div class="flex flex-wrap items-end gap-4">
        <ChoiceField
          v-model="form.generator"
          class="w-80!"
          label="Signal from"
          :options="options(alignment.choices.generators) as any"
        />
        <ChoiceField
          v-model="form.meter"
          class="w-80!"
          label="Height shown by"
          :options="options(alignment.choices.meters) as any"
        />
        <TickField v-model="form.counter" label="a counter beside it" />
      </div>
    </fieldset>
    <ProblemNote :problem="problem" />
    <AppButton type="submit" look="main" :disabled="!session.mayWrite.value">Save and plan</AppButton>
  </form>
</template>
