<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import type { useCatalogue } from './useCatalogue'

/** A part the shop buys that does not ship. */
const props = defineProps<{
  capacitorKinds: readonly string[]
  resistorKinds: readonly string[]
  keep: ReturnType<typeof useCatalogue>['keep']
  say: (text: string) => string
}>()
const emit = defineEmits<{ kept: [name: string] }>()
type Part = 'capacitor' | 'resistor'
const parts: { id: Part; name: string }[] = [
  { id: 'capacitor', name: 'capacitor' },
  { id: 'resistor', name: 'resistor, any value' },
]
const part = ref<Part>('capacitor')
const kind = reactive<Record<Part, string>>({ capacitor: 'film polypropylene', resistor: 'metal film' })
const empty = { value: '', volts: '', watts: '', diameter_mm: '', length_mm: '', lead: 'axial', ripple_mA: '' }
const cells = reactive({ ...empty })
const problem = ref<Problem | null>(null)
const kinds = computed(() =>
  (part.value === 'capacitor' ? props.capacitorKinds : props.resistorKinds).map((one) => ({ id: one, name: one })),
)
async function add() {
  const answer = await props.keep({ ...cells, part: part.value, kind: kind[part.value], offered: 'yes' })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    emit('kept', answer.value.items[0]?.name ?? '')
    Object.assign(cells, empty)
  }
}
const fault = (column: string) => faultAt(problem.value, column)
</script>

<template>
  <form class="flex flex-wrap items-start gap-3" @submit.prevent="add">
    <ChoiceField v-model="part" class="w-48!" label="Part" :options="parts" />
    <ChoiceField v-model="kind[part]" class="w-56!" label="Kind" :options="kinds" :fault="fault('kind')" />
    <template v-if="part === 'capacitor'">
      <TextField v-model="cells.value" class="w-28!" label="Value" hint="47 nF" :fault="fault('value')" />
      <TextField v-model="cells.volts" class="w-28!" label="Rated" unit="V" :fault="fault('volts')" />
      <TextField v-model="cells.diameter_mm" class="w-28!" label="Diameter" unit="mm" :fault="fault('diameter_mm')" />
      <TextField v-model="cells.length_mm" class="w-28!" label="Length" unit="mm" :fault="fault('length_mm')" />
      <TextField v-model="cells.lead" class="w-36!" label="Leads" hint="axial, or radial 5 mm" :fault="fault('lead')" />
      <TextField
        v-model="cells.ripple_mA"
        class="w-36!"
        label="Ripple current"
        unit="mA"
        hint="if known"
        :fault="fault('ripple_mA')"
      />
    </template>
    <template v-else>
      <TextField v-model="cells.watts" class="w-28!" label="Rated" unit="W" :fault="fault('watts')" />
      <TextField v-model="cells.volts" class="w-32!" label="Stands" unit="V" :fault="fault('volts')" />
    </template>
    <AppButton class="mt-6" type="submit">Add it</AppButton>
    <ProblemNote class="w-full" :problem="problem && problem.errors.length === 0 ? problem : null" />
  </form>
</template>
