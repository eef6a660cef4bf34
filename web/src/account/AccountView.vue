<script setup lang="ts">
import { DevicePhoneMobileIcon, FingerPrintIcon, TrashIcon } from '@heroicons/vue/24/outline'
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ask, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import PageFrame from '../ui/PageFrame.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import CalendarLink from './CalendarLink.vue'
import PairingDialog from './PairingDialog.vue'
import PasswordForm from './PasswordForm.vue'
import { forgetPasskey, makePasskey, passkeysWork } from './passkey'
import ProofDialog from './ProofDialog.vue'
import { roles, session, signOut } from './session'
import { useProof } from './useProof'

/** One's own ways in, and out. */
const { when } = useShop()
const proof = useProof()
const devices = useQuery({
  queryKey: ['account', 'devices'],
  queryFn: () => orThrow(ask(http.GET('/api/account/devices'))),
})
const passkeys = useQuery({
  queryKey: ['account', 'passkeys'],
  queryFn: () => orThrow(ask(http.GET('/api/account/passkeys'))),
})
const pairing = ref<Schemas['PairingView'] | null>(null)
const problem = ref<Problem | null>(null)
const kept = ref(false)

async function pair() {
  const answer = await proof.proved(() => ask(http.POST('/api/account/pairings')))
  pairing.value = answer.kind === 'ready' ? answer.value : null
  problem.value = answer.kind === 'failed' ? answer.problem : null
}
async function addPasskey() {
  const answer = await proof.proved(() =>
    makePasskey(`Made ${new Date().toLocaleDateString(undefined, { dateStyle: 'medium' })}`),
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  await passkeys.refetch()
}
async function out(id: string) {
  const answer = await ask(http.DELETE('/api/account/devices/{id}', { params: { path: { id } } }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  await devices.refetch()
}
async function forget(id: string) {
  const answer = await proof.proved(() => forgetPasskey(id))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  await passkeys.refetch()
}
function closePairing() {
  pairing.value = null
  void devices.refetch()
}
</script>

<template>
  <PageFrame
    title="You"
    :hint="
      session.current.value
        ? `${session.current.value.shownName}, ${roles.find((r) => r.id === session.current.value!.role)?.name.toLowerCase()} in ${session.current.value.shopName}`
        : ''
    "
  >
    <template #actions><AppButton v-if="!session.current.value?.demo" @click="signOut()">Sign out</AppButton></template>
    <p v-if="session.current.value?.demo" class="border-b border-line bg-mark px-6 py-2">
      This is the demo, signed in by itself on this machine. People, links and passkeys work in it; your own shop starts
      with a password.
    </p>
    <div class="grid max-w-6xl grid-cols-1 gap-10 p-6 lg:grid-cols-2">
      <div class="space-y-8">
        <section aria-labelledby="pair" class="space-y-3">
          <h2 id="pair" class="text-lg font-semibold">Another device of yours</h2>
          <p class="text-soft">
            A phone at the cabinet, a tablet at the bench: it comes in by a link made here, without typing a password.
          </p>
          <AppButton look="main" @click="pair">
            <DevicePhoneMobileIcon class="size-5" aria-hidden="true" />
            Make a link
          </AppButton>
        </section>
        <section aria-labelledby="devices" class="space-y-2">
          <h2 id="devices" class="text-lg font-semibold">Signed in</h2>
          <ul v-if="devices.data.value?.length" class="divide-y divide-line border-y border-line">
            <li v-for="device in devices.data.value" :key="device.id" class="flex items-center gap-x-4 py-1">
              <span class="flex-1">
                <span class="font-semibold">{{ device.device }}</span>
                <span v-if="device.here" class="text-good">, this one</span>
                <span class="block text-sm text-soft">
                  since {{ when(device.since) }}, used {{ when(device.lastUsed) }}
                </span>
              </span>
              <AppButton
                v-if="!device.here"
                look="quiet"
                :aria-label="`Sign out: ${device.device}, since ${when(device.since)}`"
                @click="out(device.id)"
              >
                Sign out
              </AppButton>
            </li>
          </ul>
          <p v-else class="text-soft">Not signed in on any other device.</p>
          <AppButton look="danger" @click="signOut(true)">Sign out everywhere</AppButton>
        </section>
        <CalendarLink />
      </div>
      <div class="space-y-8">
        <section aria-labelledby="passkeys" class="space-y-2">
          <h2 id="passkeys" class="text-lg font-semibold">Passkeys</h2>
          <p class="text-soft">
            Kept by this device and opened by its fingerprint, face or PIN; nothing to type, nothing to guess.
          </p>
          <ul v-if="passkeys.data.value?.length" class="divide-y divide-line border-y border-line">
            <li v-for="key in passkeys.data.value" :key="key.id" class="flex items-center gap-3 py-1">
              <FingerPrintIcon class="size-6 text-accent" aria-hidden="true" />
              <span class="flex-1">
                {{ key.label }}
                <span class="block text-sm text-soft">used {{ when(key.lastUsed) }}</span>
              </span>
              <button
                class="flex min-h-11 min-w-11 items-center justify-center text-soft hover:text-bad"
                :aria-label="`Forget the passkey ${key.label}`"
                @click="forget(key.id)"
              >
                <TrashIcon class="size-5" aria-hidden="true" />
              </button>
            </li>
          </ul>
          <AppButton v-if="passkeysWork()" @click="addPasskey">
            <FingerPrintIcon class="size-5" aria-hidden="true" />
            Make a passkey here
          </AppButton>
          <p v-else class="text-soft">
            Browsers keep passkeys by host name: open Umber Dial at {{ session.current.value?.passkeyHost }} to make or
            use one.
          </p>
        </section>
        <section v-if="!session.current.value?.demo" aria-labelledby="password" class="space-y-2">
          <h2 id="password" class="text-lg font-semibold">Password</h2>
          <p class="text-soft">
            You sign in as
            <strong class="font-figures text-ink">{{ session.current.value?.name }}</strong>
            and a new password ends your other sessions.
          </p>
          <PasswordForm @kept="kept = true" />
          <p v-if="kept" role="status" class="text-good">Kept.</p>
        </section>
      </div>
    </div>
    <ProblemNote v-if="!pairing" class="mx-6" :problem="problem" />
    <ProofDialog :proof="proof" />
    <PairingDialog
      :who="session.current.value?.shownName ?? ''"
      :pairing="pairing"
      :problem="null"
      @close="closePairing"
    />
  </PageFrame>
</template>
