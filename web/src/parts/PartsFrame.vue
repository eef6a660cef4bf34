<script setup lang="ts">
import { RouterView } from 'vue-router'
import BenchHeader from '../bench/BenchHeader.vue'
import FaceTabs from '../bench/FaceTabs.vue'
import { useShop } from '../ui/useShop'
import { useLedger } from './useLedger'

/** The stage Parts and its faces: what is known, what goes in, what is left to do. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { ledger, error } = useLedger(() => props.setId)
const faces = [
  { to: '', name: 'Known' },
  { to: '/plan', name: 'Goes in' },
  { to: '/left', name: 'Left to do' },
  { to: '/forming', name: 'Forming' },
  { to: '/rectifying', name: 'Rectifier' },
] as const
</script>

<template>
  <div v-if="ledger" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="ledger.title"
      :danger="ledger.danger"
      :live-chassis="ledger.liveChassis"
      :place="`${ledger.constructionLabel} · parts`"
    >
      <div class="flex items-center gap-6">
        <FaceTabs :base="`/sets/${setId}/parts`" label="Faces of Parts" :faces="faces" />
        <p class="text-right leading-tight">
          <span class="font-figures text-lg font-semibold">{{ ledger.open }}</span>
          <span class="text-soft">{{ ` of ${ledger.rows.length} parts open` }}</span>
          <span class="block text-sm text-soft">{{ say(ledger.standing) }}</span>
        </p>
      </div>
    </BenchHeader>
    <div class="min-h-0 flex-1"><RouterView /></div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Working out what is known of each part…</p>
</template>
