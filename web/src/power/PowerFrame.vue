<script setup lang="ts">
import { computed } from 'vue'
import { RouterView } from 'vue-router'
import BenchHeader from '../bench/BenchHeader.vue'
import FaceTabs from '../bench/FaceTabs.vue'
import { useShop } from '../ui/useShop'
import { usePower } from './usePower'

/** The stage Power and its faces: what stands before it, the plan, the run, the checks, and earlier runs. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { power, error } = usePower(() => props.setId)
const faces = computed(() => [
  { to: '', name: 'Before power', count: power.value?.unsettled ?? 0 },
  { to: '/plan', name: 'Plan', count: 0 },
  { to: '/run', name: 'Run', count: 0 },
  { to: '/checks', name: 'First checks', count: 0 },
  { to: '/runs', name: 'Earlier runs', count: 0 },
])
</script>

<template>
  <div v-if="power" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="power.title"
      :danger="power.danger"
      :live-chassis="power.liveChassis"
      :place="`${power.constructionLabel} · power`"
    >
      <FaceTabs :base="`/sets/${setId}/power`" label="Faces of Power" :faces="faces" counts="to settle" />
    </BenchHeader>
    <div class="min-h-0 flex-1"><RouterView /></div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ say(error.message) }}</p>
  <p v-else class="p-8 text-soft">Looking at what stands before power…</p>
</template>
