<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import StockMoves from './StockMoves.vue'

/** What lies in the drawers. A count is never written over: every piece put in or taken out is kept. */
const { say } = useShop()
const client = useQueryClient()
const items = useQuery({ queryKey: ['stock'], queryFn: () => orThrow(ask(http.GET('/api/stock'))) })
const kinds: readonly { id: Schemas['StockItemEdit']['kind']; name: string }[] = [
  { id: 'TUBE', name: 'tube' },
  { id: 'CAPACITOR', name: 'capacitor' },
  { id: 'RESISTOR', name: 'resistor' },
  { id: 'FUSE', name: 'fuse' },
  { id: 'LAMP', name: 'lamp' },
  { id: 'TRANSFORMER', name: 'transformer' },
  { id: 'OTHER', name: 'other' },
]
const form = reactive({ id: crypto.randomUUID() as string, kind: kinds[0]!.id, name: '', place: '', quantity: '1' })
const problem = ref<Problem | null>(null)
const open = ref('')

function show(stock: Schemas['StockItemView'][]) {
  client.setQueryData(['stock'], stock)
  void client.invalidateQueries({ queryKey: ['workshop'] })
}
async function add() {
  const answer = await ask(http.POST('/api/stock', { body: { ...form, quantity: Number(form.quantity.trim()) || 0 } }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    show(answer.value)
    Object.assign(form, { id: crypto.randomUUID(), name: '', place: '', quantity: '1' })
  }
}
</script>

<template>
  <section aria-labelledby="stock">
    <h2 id="stock" class="text-lg font-semibold">In stock</h2>
    <p class="text-soft">Every piece put in or taken out is kept, so the count can be followed back.</p>
    <ul v-if="(items.data.value ?? []).length > 0" class="mt-2 divide-y divide-line border-y border-line">
      <li v-for="item in items.data.value" :key="item.id" class="py-1">
        <button
          class="flex min-h-11 w-full items-center gap-3 text-left"
          :aria-expanded="open === item.id"
          @click="open = open === item.id ? '' : item.id"
        >
          <span
            class="w-12 shrink-0 text-right font-figures text-xl font-semibold"
            :class="item.onHand === 0 ? 'text-soft' : ''"
          >
            {{ item.onHand }}
          </span>
          <span class="min-w-0 flex-1 leading-tight">
            <strong>{{ say(item.name) }}</strong>
            <span class="block text-sm text-soft">
              {{ say(item.kindLabel) }}{{ item.place ? `, ${item.place}` : '' }}
            </span>
          </span>
          <span class="text-sm text-accent">{{ open === item.id ? 'Close' : 'Put in, take out' }}</span>
        </button>
        <StockMoves v-if="open === item.id" :item="item" @moved="show" />
      </li>
    </ul>
    <form class="mt-3 flex flex-wrap items-start gap-4" @submit.prevent="add">
      <TextField v-model="form.name" class="w-64!" label="One more item" :fault="faultAt(problem, 'name')" />
      <ChoiceField
        v-model="form.kind"
        class="w-40!"
        label="Kind"
        :options="kinds.map((kind) => ({ id: kind.id, name: say(kind.name) }))"
      />
      <TextField v-model="form.quantity" class="w-20!" label="How many" :fault="faultAt(problem, 'quantity')" />
      <TextField v-model="form.place" class="w-36!" label="Where" hint="drawer 4" :fault="faultAt(problem, 'place')" />
      <AppButton type="submit" class="mt-6" :disabled="!form.name.trim()">Add</AppButton>
    </form>
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
  </section>
</template>
