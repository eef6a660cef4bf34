<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { ref } from 'vue'
import { ask, http, orThrow } from '../api/client'
import CandidateTool from './CandidateTool.vue'
import CopperTool from './CopperTool.vue'
import FieldTool from './FieldTool.vue'
import TransformerNeeds from './TransformerNeeds.vue'
import TurnsTool from './TurnsTool.vue'

/** What a transformer must give, candidates against it, turns to take off, a field coil's stand-in, warmth of copper. */
const props = defineProps<{ setId: string }>()
const { data: shop, error } = useQuery({
  queryKey: ['workshop', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/workshop', { params: { path: { setId: props.setId } } }))),
})
const tools = [
  { id: 'candidate', name: 'Another transformer' },
  { id: 'turns', name: 'Turns to take off' },
  { id: 'field', name: 'Instead of a field coil' },
  { id: 'copper', name: 'Warmth by resistance' },
] as const
const tool = ref<(typeof tools)[number]['id']>('candidate')
</script>

<template>
  <div v-if="shop" class="grid grid-cols-1 gap-x-8 gap-y-6 p-5 lg:grid-cols-[22rem_minmax(0,1fr)]">
    <TransformerNeeds :set-id="setId" :shop="shop" />
    <section class="min-w-0" aria-label="Tools">
      <div class="flex flex-wrap gap-x-1 border-b border-line" role="tablist" aria-label="Tools">
        <button
          v-for="one in tools"
          :id="`tab-${one.id}`"
          :key="one.id"
          role="tab"
          :aria-selected="tool === one.id"
          aria-controls="panel-tool"
          class="min-h-11 border-b-4 px-3"
          :class="tool === one.id ? 'border-accent font-semibold' : 'border-transparent text-soft'"
          @click="tool = one.id"
        >
          {{ one.name }}
        </button>
      </div>
      <div id="panel-tool" role="tabpanel" :aria-labelledby="`tab-${tool}`" class="pt-4">
        <template v-if="tool === 'candidate'">
          <p v-if="!shop.size" class="text-soft">Candidates are compared once the set has a transformer to replace.</p>
          <CandidateTool v-else :set-id="setId" :stock="shop.stock" />
        </template>
        <TurnsTool v-else-if="tool === 'turns'" :set-id="setId" />
        <FieldTool v-else-if="tool === 'field'" :set-id="setId" />
        <CopperTool v-else :set-id="setId" />
      </div>
    </section>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Working out the size…</p>
</template>
