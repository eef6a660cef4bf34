<script setup lang="ts">
import { FingerPrintIcon } from '@heroicons/vue/24/outline'
import { ref, watch } from 'vue'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import SecretField from './SecretField.vue'
import { passkeysWork } from './passkey'
import { session } from './session'
import type { useProof } from './useProof'

/** Who sits at an open screen is asked once more, before a way in is given away. */
const props = defineProps<{ proof: ReturnType<typeof useProof> }>()
const password = ref('')
watch(props.proof.open, () => {
  password.value = ''
})
</script>

<template>
  <AppDialog :open="proof.open.value" title="Is it you?" @close="proof.leave()">
    <form class="space-y-4" @submit.prevent="proof.byPassword(password)">
      <p class="text-soft">
        This gives away a way in, and this screen has been open for a while. Show once more who you are.
      </p>
      <input
        type="text"
        class="hidden"
        autocomplete="username"
        :value="session.current.value?.name"
        readonly
        tabindex="-1"
        aria-hidden="true"
      />
      <SecretField
        v-if="session.current.value?.hasPassword"
        v-model="password"
        label="Your password"
        autocomplete="current-password"
      />
      <p v-else-if="!session.current.value?.hasPasskey">
        You have no password yet. Ask the owner for a new link; at the machine,
        <code class="font-figures">./umber sign-in</code>
        prints one.
      </p>
      <ProblemNote :problem="proof.problem.value" />
      <div class="flex flex-wrap gap-3">
        <AppButton v-if="session.current.value?.hasPassword" look="main" type="submit" :disabled="!password">
          Go on
        </AppButton>
        <AppButton v-if="session.current.value?.hasPasskey && passkeysWork()" @click="proof.byPasskey()">
          <FingerPrintIcon class="size-5" aria-hidden="true" />
          With a passkey
        </AppButton>
        <AppButton look="quiet" @click="proof.leave()">Cancel</AppButton>
      </div>
    </form>
  </AppDialog>
</template>
