<script setup lang="ts">
import { FingerPrintIcon } from '@heroicons/vue/24/outline'
import { ref } from 'vue'
import type { Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import SecretField from './SecretField.vue'
import { enterByPasskey, passkeysWork } from './passkey'
import { entered, signIn } from './session'

/** Name and password, or a passkey of this device. */
const emit = defineEmits<{ entered: [] }>()
const props = defineProps<{ name?: string }>()
const name = ref(props.name ?? '')
const password = ref('')
const problem = ref<Problem | null>(null)
const busy = ref(false)

async function enter() {
  busy.value = true
  const answer = await signIn(name.value, password.value)
  busy.value = false
  if (entered(answer)) return emit('entered')
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
async function byPasskey() {
  const answer = await enterByPasskey()
  if (answer.kind === 'left') return
  if (entered(answer)) return emit('entered')
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <form class="space-y-4" @submit.prevent="enter">
    <SecretField v-model="name" label="Name" type="text" autocomplete="username" />
    <SecretField v-model="password" label="Password" autocomplete="current-password" />
    <ProblemNote :problem="problem" />
    <div class="flex flex-wrap gap-3">
      <AppButton look="main" type="submit" :disabled="busy">Sign in</AppButton>
      <AppButton v-if="passkeysWork()" @click="byPasskey">
        <FingerPrintIcon class="size-5" aria-hidden="true" />
        With a passkey
      </AppButton>
    </div>
    <details class="text-sm text-soft">
      <summary class="min-h-11 content-center">No password, or forgotten</summary>
      The shop’s owner makes a link for you under House policy, People. The owner’s own way back in is at the machine:
      <code class="font-figures">./umber sign-in</code>
      prints a link.
    </details>
  </form>
</template>
