<script setup lang="ts">
import { ExclamationTriangleIcon } from '@heroicons/vue/24/solid'
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'

const props = defineProps<{
  setId: string
  cautions: readonly Schemas['CautionView'][]
  say: (text: string) => string
}>()
const open = ref(false)
/** The day on which these cautions were read here, and which they were: others, or another day, show in full again. */
const read = useLocalStorage<string>(() => `umber.cautions.${props.setId}`, '')
const today = computed(() => `${new Date().toDateString()}:${props.cautions.map((caution) => caution.id).join()}`)
const folded = computed(() => read.value === today.value)
function understood() {
  read.value = today.value
  open.value = false
}
const levels = { STOP: 'Settle first', DANGER: 'Danger', CARE: 'Care' } as const
</script>

<template>
  <aside
    v-if="cautions.length > 0"
    class="flex items-center gap-3 bg-caution px-4 text-on-caution"
    aria-label="Caution"
  >
    <ExclamationTriangleIcon class="size-6 shrink-0" aria-hidden="true" />
    <p class="flex-1 py-1 text-[14px] leading-tight max-sm:my-1 max-sm:line-clamp-2 max-sm:py-0">
      <template v-if="!folded">{{ `${say(cautions[0]!.text)} ` }}</template>
      <strong>Clip the meter on with power off; one hand.</strong>
    </p>
    <button class="min-h-11 shrink-0 text-sm font-semibold underline underline-offset-4" @click="open = true">
      All {{ cautions.length }} cautions
    </button>
    <AppDialog :open="open" :title="say('Before the probe goes in')" wide @close="open = false">
      <ul class="space-y-3">
        <li v-for="caution in cautions" :key="caution.id" class="rounded bg-caution px-4 py-2 text-on-caution">
          <strong>{{ levels[caution.level] }} · {{ say(caution.when) }}</strong>
          <p>{{ say(caution.text) }}</p>
          <p v-if="caution.deferTo" class="text-sm">Decided first by: {{ caution.deferTo }}.</p>
        </li>
      </ul>
      <p class="my-4 text-soft">
        Local electrical codes and licensed practice come first. This program never replaces a meter: prove dead each
        time.
      </p>
      <AppButton look="main" @click="understood">Understood</AppButton>
    </AppDialog>
  </aside>
</template>
