<script setup lang="ts">
import { encode } from 'uqr'
import { computed, ref, watch } from 'vue'
import type { Problem, Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'
import { session } from './session'

/** Shows a one-time link as a QR code, for each address at which this server is found. */
const props = defineProps<{ who: string; pairing: Schemas['PairingView'] | null; problem: Problem | null }>()
defineEmits<{ close: [] }>()
const { when } = useShop()
const chosen = ref('')
const origins = computed(() => session.current.value?.origins ?? [])
watch(
  () => props.pairing,
  () => {
    chosen.value = origins.value[0] ?? location.origin
  },
  { immediate: true },
)
const link = computed(() => (props.pairing ? `${chosen.value}/pair#${props.pairing.token}` : ''))
const quiet = 4
/** Whole pixels, so that every square of the code is as large as the next. */
const MODULE = 6
const code = computed(() => (link.value ? encode(link.value, { ecc: 'M', border: quiet }) : null))
const squares = computed(
  () => code.value?.data.flatMap((row, y) => row.map((dark, x) => (dark ? `M${x} ${y}h1v1h-1z` : ''))).join('') ?? '',
)
/** In rows a person can compare. */
const fingerprint = computed(() => (session.current.value?.fingerprint ?? '').match(/.{1,24}/g) ?? [])
</script>

<template>
  <AppDialog :open="!!pairing || !!problem" :title="`Let a device in as ${who}`" wide @close="$emit('close')">
    <ProblemNote :problem="problem" />
    <div v-if="pairing && code" class="flex flex-wrap gap-6">
      <svg
        :viewBox="`0 0 ${code.size} ${code.size}`"
        :width="MODULE * code.size"
        :height="MODULE * code.size"
        class="h-auto max-w-full shrink-0 rounded border border-line bg-white text-black"
        role="img"
        :aria-label="`QR code of the link for ${who}`"
        shape-rendering="crispEdges"
      >
        <path :d="squares" fill="currentColor" />
      </svg>
      <div class="min-w-64 flex-1 space-y-3">
        <p>
          Point the device’s camera at the code, or type the address. It works once, until
          {{ when(pairing.expiresAt) }}.
        </p>
        <fieldset v-if="origins.length > 1">
          <legend class="text-sm text-soft">
            Address of this machine; if the device does not reach one, try another
          </legend>
          <label v-for="origin in origins" :key="origin" class="flex min-h-9 items-center gap-2">
            <input v-model="chosen" type="radio" name="origin" :value="origin" class="size-5 accent-accent" />
            <span class="font-figures">{{ origin }}</span>
          </label>
        </fieldset>
        <p class="font-figures text-sm break-all select-all" data-link>{{ link }}</p>
        <p v-if="origins.length === 0" class="rounded border border-doubt px-3 py-2">
          Only this machine reaches Umber Dial now. To let in a phone or tablet, start it with
          <code class="font-figures">./umber start --lan</code>
          .
        </p>
        <details v-else class="text-sm text-soft">
          <summary class="min-h-9 content-center">The device warns about the connection</summary>
          It does not know this machine’s certificate, which the machine made itself. Look at the certificate there: its
          SHA-256 fingerprint must be this one, then go on.
          <span class="mt-1 block font-figures text-xs">
            <span v-for="row in fingerprint" :key="row" class="block">{{ row }}</span>
          </span>
        </details>
      </div>
    </div>
    <div class="mt-5 flex justify-end"><AppButton look="main" @click="$emit('close')">Done</AppButton></div>
  </AppDialog>
</template>
