<script setup lang="ts">
import { reactive, ref } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { useAlignment } from './useAlignment'

/** What bars an earthed lead on this chassis, and the reading that opens it. */
const props = defineProps<{ setId: string; bars: string }>()
const { say } = useShop()
const { lead } = useAlignment(() => props.setId)
const read = reactive({ volts: '', turnedVolts: '', ohms: '1500' })
const problem = ref<Problem | null>(null)
async function keep() {
  const answer = await lead({ ...read })
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <section class="rounded border border-bad p-3" aria-label="Isolation of the chassis">
    <p class="text-bad">{{ say(bars) }}</p>
    <p class="mt-1 text-sm text-soft">
      Isolation transformer in use, set on. Resistor and meter clipped from chassis to earth with the plug out; hands
      away before it goes in.
    </p>
    <form class="mt-2 flex flex-wrap items-end gap-3" @submit.prevent="keep">
      <TextField
        v-model="read.volts"
        class="w-32!"
        label="One plug way"
        unit="V AC"
        :fault="faultAt(problem, 'volts')"
      />
      <TextField
        v-model="read.turnedVolts"
        class="w-32!"
        label="Plug turned"
        unit="V AC"
        :fault="faultAt(problem, 'turnedVolts')"
      />
      <TextField v-model="read.ohms" class="w-28!" label="Across" unit="Ω" :fault="faultAt(problem, 'ohms')" />
      <AppButton
        type="submit"
        look="main"
        :disabled="!session.mayWrite.value || !read.volts.trim() || !read.turnedVolts.trim()"
      >
        Keep
      </AppButton>
    </form>
    <ProblemNote v-if="problem && problem.errors.length === 0" class="mt-2" :problem="problem" />
  </section>
</template>
