<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { reactive, ref } from 'vue'
import { session } from '../account/session'
import type { Answer, Problem } from '../api/client'
import FileTransfer from '../circuit/FileTransfer.vue'
import AppButton from '../ui/AppButton.vue'
import PageFrame from '../ui/PageFrame.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import ItemForm from './ItemForm.vue'
import { useCatalogue } from './useCatalogue'

/** What the shop buys: what ships and its own, which of it the plans may choose, and what one costs. */
const { say, shop } = useShop()
const query = ref('')
const { list, error, keep, offer, remove, price, take, takePrices } = useCatalogue(refDebounced(query, 150))
const problem = ref<Problem | null>(null)
const at = ref('')
/** Prices that were refused stay as they were typed. */
const typed = reactive<Record<string, string>>({})
async function done(name: string, answer: Promise<Answer<unknown>>) {
  const said = await answer
  problem.value = said.kind === 'failed' ? said.problem : null
  at.value = said.kind === 'failed' ? name : ''
}
async function setPrice(name: string, text: string) {
  typed[name] = text
  await done(name, price(name, text))
  if (!at.value) delete typed[name]
}
</script>

<template>
  <PageFrame title="Catalogue" hint="What this shop buys, and what it pays">
    <div class="mx-auto max-w-6xl space-y-8 p-6 max-sm:p-4">
      <section aria-label="Items">
        <div class="flex flex-wrap items-end gap-x-6 gap-y-2 pb-3">
          <TextField v-model="query" class="w-80!" label="Find" hint="words of its name: 22 nF 630, flameproof" />
          <p v-if="list" class="pb-7 text-soft">
            {{ list.of > list.items.length ? `${list.items.length} of ${list.of}; write more of it` : `${list.of}` }}
          </p>
        </div>
        <p v-if="list?.of === 0">Nothing here is called so. Add it below.</p>
        <ul v-if="list" class="max-h-[28rem] overflow-auto border-y border-line">
          <li
            v-for="one in list.items"
            :key="one.name"
            class="grid min-h-13 grid-cols-[minmax(0,1fr)_9rem_8rem_6rem] items-center gap-x-4 border-b border-line bg-sheet px-4 py-1 last:border-b-0 max-md:grid-cols-[minmax(0,1fr)_8rem]"
          >
            <p :class="one.offered ? '' : 'text-soft line-through'">
              {{ say(one.name) }}
              <span v-if="one.own" class="text-sm font-semibold text-accent">· yours</span>
            </p>
            <div>
              <label v-if="one.capacitor && session.mayWrite.value" class="flex items-center gap-2 text-soft">
                {{ shop?.money ?? '' }}
                <input
                  class="min-h-11 w-24 rounded border border-line bg-raised px-2 font-figures text-ink"
                  autocomplete="off"
                  :value="typed[one.name] ?? say(one.price?.toFixed(2) ?? '')"
                  :aria-label="`Price of one ${one.name}`"
                  @change="setPrice(one.name, ($event.target as HTMLInputElement).value)"
                />
              </label>
            </div>
            <TickField
              v-if="session.mayWrite.value"
              label="bought"
              :model-value="one.offered"
              @update:model-value="done(one.name, offer(one.name, !one.offered))"
            />
            <AppButton v-if="one.own && session.mayWrite.value" class="px-3!" @click="done(one.name, remove(one.name))">
              Remove
            </AppButton>
            <ProblemNote v-if="at === one.name" class="col-span-full" :problem="problem" />
          </li>
        </ul>
        <p v-else-if="error" role="alert" class="text-bad">{{ error.message }}</p>
        <p class="pt-2 text-sm text-soft">
          A resistor is priced by its value, where it stands on the shopping list; what was paid last is remembered.
        </p>
      </section>
      <section v-if="list && session.mayWrite.value" aria-labelledby="add-item" class="space-y-3">
        <h2 id="add-item" class="text-lg font-semibold">A part of your own</h2>
        <ItemForm
          :capacitor-kinds="list.capacitorKinds"
          :resistor-kinds="list.resistorKinds"
          :keep="keep"
          :say="say"
          @kept="query = $event"
        />
      </section>
      <section v-if="session.mayWrite.value" aria-labelledby="catalogue-files">
        <h2 id="catalogue-files" class="text-lg font-semibold">As files</h2>
        <FileTransfer
          name="Own parts"
          accept=".csv,text/csv"
          download="/api/catalogue/own.csv"
          counted="parts"
          :load="take"
        />
        <FileTransfer
          name="Prices"
          accept=".csv,text/csv"
          download="/api/shopping/list.csv"
          counted="prices"
          :load="takePrices"
        />
        <p class="pt-2 text-sm text-soft">
          Prices come in by name, from any list with the columns item and price: send out the shopping list, take it
          back with its prices filled in.
        </p>
      </section>
    </div>
  </PageFrame>
</template>
