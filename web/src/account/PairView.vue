<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, http, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'
import PasswordForm from './PasswordForm.vue'
import { entered, session } from './session'

/** Where a link or its QR code leads. The secret stands behind the #, which no server or log on the way gets to see. */
const router = useRouter()
const token = location.hash.slice(1)
const problem = ref<Problem | null>(null)
const choosing = ref(false)
const busy = ref(false)
history.replaceState(history.state, '', '/pair')

async function enter() {
  busy.value = true
  const answer = await ask(http.POST('/api/pairing-redemptions', { body: { token } }))
  busy.value = false
  if (!entered(answer)) {
    problem.value = answer.kind === 'failed' ? answer.problem : null
    return
  }
  if (answer.value.hasPassword) return void router.replace('/')
  choosing.value = true
}
</script>

<template>
  <DoorFrame
    v-if="!choosing"
    title="Use this device"
    hint="The link lets this device in, once, and within ten minutes of being made. It then stays signed in for a week of not being used."
  >
    <div class="space-y-4">
      <p v-if="!token" class="text-bad">
        The link was not read whole: its last part, behind the # sign, is missing. Scan it again.
      </p>
      <p v-else-if="session.current.value?.state === 'SIGNED_IN' && !session.current.value.demo" class="text-soft">
        This device is signed in as {{ session.current.value.shownName }}; the link may make it somebody else’s.
      </p>
      <ProblemNote :problem="problem" />
      <AppButton v-if="token" look="main" :disabled="busy" @click="enter">Sign this device in</AppButton>
    </div>
  </DoorFrame>
  <DoorFrame
    v-else
    :title="`Welcome, ${session.current.value?.shownName}`"
    :hint="`You are in ${session.current.value?.shopName}. To come in elsewhere, sign in as ${session.current.value?.name} with a password of your own.`"
  >
    <PasswordForm @kept="router.replace('/')" />
    <AppButton look="quiet" class="mt-2" @click="router.replace('/')">Later</AppButton>
  </DoorFrame>
</template>
