<script setup lang="ts">
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ask, faultAt, http, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import DoorFrame from './DoorFrame.vue'
import SecretField from './SecretField.vue'
import { entered, session } from './session'

const router = useRouter()
const owner = reactive({ shopName: '', shownName: '', name: '', password: '' })
const problem = ref<Problem | null>(null)
const busy = ref(false)

async function open() {
  busy.value = true
  const answer = await ask(
    http.POST('/api/first-owner', { body: { ...owner, shownName: owner.shownName || owner.name } }),
  )
  busy.value = false
  if (entered(answer)) return void router.replace('/')
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
</script>

<template>
  <DoorFrame
    title="Open the shop"
    hint="The first person here owns it: house policy, people, and what leaves the shop are yours to settle."
  >
    <p v-if="session.current.value && !session.current.value.atTheMachine" class="text-bad">
      Nobody has opened this shop yet. That is done at the machine itself, not over the network.
    </p>
    <form v-else class="space-y-4" @submit.prevent="open">
      <SecretField
        v-model="owner.shopName"
        label="The shop’s name"
        type="text"
        autocomplete="organization"
        :fault="faultAt(problem, 'shopName')"
      />
      <SecretField
        v-model="owner.shownName"
        label="Your name, as it stands beside readings"
        type="text"
        autocomplete="name"
        :fault="faultAt(problem, 'shownName')"
      />
      <SecretField
        v-model="owner.name"
        label="Name to sign in with"
        type="text"
        autocomplete="username"
        hint="Small letters, digits, dots; never changes"
        :fault="faultAt(problem, 'name')"
      />
      <SecretField
        v-model="owner.password"
        label="Password"
        autocomplete="new-password"
        hint="At least 10 characters; four unrelated words are good"
        :fault="faultAt(problem, 'password')"
      />
      <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
      <AppButton look="main" type="submit" :disabled="busy">Open the shop</AppButton>
    </form>
  </DoorFrame>
</template>
