<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'

/** One item's moves, and the next one. */
const props = defineProps<{ item: Schemas['StockItemView'] }>()
const emit = defineEmits<{ moved: [Schemas['StockItemView'][]] }>()
const { when } = useShop()
const client = useQueryClient()
const path = () => ({ path: { id: props.item.id } })
const moves = useQuery({
  queryKey: ['stock', () => props.item.id, 'moves'],
  queryFn: () => orThrow(ask(http.GET('/api/stock/{id}/moves', { params: path() }))),
})
const form = reactive({ id: crypto.randomUUID() as string, quantity: '1', note: '' })
const problem = ref<Problem | null>(null)

async function move(sign: 1 | -1, reason: Schemas['StockMoveEdit']['reason']) {
  const quantity = sign * (Number(form.quantity.trim()) || 0)
  const answer = await ask(
    http.POST('/api/stock/{id}/moves', {
      params: path(),
      body: { id: form.id, quantity, reason, setId: null, note: form.note },
    }),
  )
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind !== 'ready') return
  Object.assign(form, { id: crypto.randomUUID(), quantity: '1', note: '' })
  await client.invalidateQueries({ queryKey: ['stock', props.item.id, 'moves'] })
  emit('moved', answer.value)
}
</script>

<template>
  <div class="pb-3 pl-15">
    <div class="flex flex-wrap items-start gap-3">
      <TextField v-model="form.quantity" class="w-20!" label="How many" />
      <TextField v-model="form.note" class="w-56!" label="Note" hint="which set, from where" />
      <div class="flex flex-wrap gap-2 pt-6">
        <AppButton @click="move(1, 'BOUGHT')">Put in</AppButton>
        <AppButton @click="move(-1, 'USED')">Use</AppButton>
        <AppButton look="quiet" @click="move(-1, 'SCRAPPED')">Scrap</AppButton>
      </div>
    </div>
    <p v-if="problem" role="alert" class="mt-1 text-sm text-bad">
      {{ faultAt(problem, 'quantity') || problem.detail }}
    </p>
    <ul class="mt-2 text-sm text-soft">
      <li v-for="one in moves.data.value" :key="one.id" class="leading-snug">
        <span class="inline-block w-8 text-right font-figures">
          {{ one.quantity > 0 ? `+${one.quantity}` : `−${-one.quantity}` }}
        </span>
        {{ one.reasonLabel }}{{ one.note ? `, ${one.note}` : '' }}, {{ when(one.at)
        }}{{ one.author ? `, ${one.author}` : '' }}
      </li>
    </ul>
  </div>
</template>
