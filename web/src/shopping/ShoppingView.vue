<script setup lang="ts">
import { ArrowDownTrayIcon } from '@heroicons/vue/24/outline'
import { computed, reactive, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import PageFrame from '../ui/PageFrame.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import { useShopping } from './useShopping'

/** One list for all sets: what is left to buy, for whom, and what is on its way. */
const { say, when, sum, shop } = useShop()
const { list, error, spare, order, arrived, callOff } = useShopping()
const problem = ref<Problem | null>(null)
const prices = reactive<Record<string, string>>({})
const came = reactive<Record<string, string>>({})
const awaited = computed(() => list.value?.orders.filter((one) => one.open > 0) ?? [])

async function done(answer: Promise<{ kind: string; problem?: Problem }>) {
  const said = await answer
  problem.value = said.problem ?? null
}
const whole = (typed: string | undefined, usual: number) => {
  const number = Number(typed)
  return typed && Number.isInteger(number) ? number : usual
}
</script>

<template>
  <PageFrame title="Shopping" hint="One list for all sets on it">
    <template #actions>
      <RouterLink to="/house/catalogue" class="flex min-h-11 items-center px-3 font-semibold text-accent">
        Catalogue and prices
      </RouterLink>
      <a
        v-if="list && list.toBuy > 0"
        href="/api/shopping/list.csv"
        download="shopping.csv"
        class="flex min-h-11 items-center gap-2 px-3 font-semibold text-accent"
      >
        <ArrowDownTrayIcon class="size-5" aria-hidden="true" />
        List as CSV
      </a>
    </template>
    <div v-if="list" class="mx-auto max-w-6xl space-y-8 p-6 max-sm:p-4">
      <ProblemNote :problem="problem" />
      <section aria-labelledby="to-buy">
        <h2 id="to-buy" class="pb-2 text-lg font-semibold">
          <span class="font-figures">{{ list.toBuy }}</span>
          left to buy
          <span v-if="list.unpriced < list.toBuy" class="text-base font-normal text-soft">
            {{ sum(list.total) + (list.unpriced > 0 ? `, ${list.unpriced} without a price` : '') }}
          </span>
        </h2>
        <p v-if="list.lines.length === 0" class="text-soft">
          No set is on the list. Open a set’s Parts, Goes in, and put it on the shopping list.
        </p>
        <ul class="border-t border-line">
          <li
            v-for="line in list.lines"
            :key="line.item"
            class="grid grid-cols-[3.5rem_minmax(0,1fr)_auto] items-center gap-x-4 gap-y-2 border-b border-line bg-sheet px-4 py-2 max-md:grid-cols-[3.5rem_minmax(0,1fr)]"
          >
            <span class="text-right font-figures text-2xl" :class="line.toBuy > 0 ? '' : 'text-soft'">
              {{ line.toBuy }}
            </span>
            <div>
              <p class="font-semibold">{{ say(line.item) }}</p>
              <p class="text-sm text-soft">
                {{ line.needed }} needed, {{ line.onHand }} in stock, {{ line.ordered }} on the way.
                <template v-for="need in line.by" :key="need.setId">
                  <RouterLink :to="`/sets/${need.setId}/parts/plan`" class="text-accent underline underline-offset-4">
                    {{ need.set }}
                  </RouterLink>
                  {{ ` ${need.quantity} ` }}
                </template>
              </p>
            </div>
            <div
              v-if="session.mayWrite.value"
              class="flex flex-wrap items-end gap-3 max-md:col-span-2 max-md:justify-end"
            >
              <label class="text-sm text-soft">
                Spares
                <input
                  type="number"
                  min="0"
                  class="block min-h-11 w-18 rounded border border-line bg-raised px-2 font-figures text-ink"
                  :value="line.spares"
                  @change="done(spare(line.item, Number(($event.target as HTMLInputElement).value)))"
                />
              </label>
              <TextField
                :model-value="prices[line.item] ?? line.price?.toFixed(2) ?? ''"
                class="w-24!"
                label="Price each"
                :unit="shop?.money ?? ''"
                @update:model-value="prices[line.item] = $event"
              />
              <AppButton
                look="main"
                :disabled="line.toBuy === 0"
                @click="done(order(line.item, line.toBuy, prices[line.item] ?? line.price?.toFixed(2) ?? ''))"
              >
                {{ line.toBuy === 0 ? 'Enough' : `Ordered ${line.toBuy}` }}
              </AppButton>
            </div>
          </li>
        </ul>
      </section>
      <section v-if="awaited.length > 0" aria-labelledby="on-the-way">
        <h2 id="on-the-way" class="pb-2 text-lg font-semibold">On the way</h2>
        <ul class="border-t border-line">
          <li
            v-for="one in awaited"
            :key="one.id"
            class="flex flex-wrap items-end gap-x-4 gap-y-2 border-b border-line bg-sheet px-4 py-2"
          >
            <p class="min-w-0 flex-1">
              <strong>{{ say(one.item) }}</strong>
              <span class="block text-sm text-soft">
                {{ `${one.open} of ${one.quantity} awaited, ordered ${when(one.orderedAt)}` }}
                {{ one.author ? ` by ${one.author}` : '' }}
                {{ one.price === null ? '' : `, ${sum(one.price)} each` }}
              </span>
            </p>
            <template v-if="session.mayWrite.value">
              <label class="text-sm text-soft">
                Came
                <input
                  v-model="came[one.id]"
                  type="number"
                  min="1"
                  :max="one.open"
                  :placeholder="String(one.open)"
                  class="block min-h-11 w-18 rounded border border-line bg-raised px-2 font-figures text-ink"
                />
              </label>
              <AppButton look="main" @click="done(arrived(one.id, whole(came[one.id], one.open)))">
                Into stock
              </AppButton>
              <AppButton @click="done(callOff(one.id))">Will not come</AppButton>
            </template>
          </li>
        </ul>
      </section>
    </div>
    <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
    <p v-else class="p-8 text-soft">Adding up what every set needs…</p>
  </PageFrame>
</template>
