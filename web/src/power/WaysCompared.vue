<script setup lang="ts">
import { ref } from 'vue'
import AppButton from '../ui/AppButton.vue'
import { useShop } from '../ui/useShop'
import { clockOf } from './timeline'
import { usePowerWays } from './usePower'

/** One set by every school: how long each takes, what the set has in the first step, and what a short takes. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const asked = ref(false)
const { data, error, isFetching } = usePowerWays(() => props.setId, asked)
</script>

<template>
  <section class="border-t border-line px-5 py-4" aria-labelledby="ways">
    <h2 id="ways" class="pb-1 text-lg font-semibold">This set by each school</h2>
    <AppButton v-if="!asked" @click="asked = true">Work out all four</AppButton>
    <p v-else-if="error" role="alert" class="text-bad">{{ error.message }}</p>
    <p v-else-if="!data || isFetching" class="text-soft">Warming it up by each of them…</p>
    <table v-else class="w-full max-w-6xl text-left">
      <thead class="text-sm text-soft">
        <tr>
          <th class="py-1 font-normal">School</th>
          <th class="font-normal">Steps</th>
          <th class="font-normal">At the end of the first</th>
          <th class="font-normal">The same, first filter shorted</th>
          <th class="font-normal">Most line current</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="one in data"
          :key="one.way.id"
          class="border-t border-line align-top"
          :class="one.followed ? 'bg-mark' : ''"
        >
          <th class="w-56 px-2 py-2 font-semibold">
            {{ one.way.label }}
            <span v-if="one.followed" class="block text-sm font-normal text-soft">followed here</span>
          </th>
          <td v-if="one.reason" colspan="4" class="py-2 text-soft">{{ say(one.reason) }}</td>
          <template v-else>
            <td class="py-2 pr-3">
              <ol class="flex flex-wrap gap-x-4">
                <li v-for="(step, i) in one.steps" :key="i">
                  <span class="text-sm text-soft">{{ i + 1 }}</span>
                  {{ step }}
                </li>
              </ol>
              <span class="block text-sm text-soft">{{ clockOf(one.seconds) }} at least</span>
            </td>
            <td class="py-2 pr-3">{{ say(one.firstStep) }}</td>
            <td class="py-2 pr-3">{{ one.shorted ? say(one.shorted) : 'does not settle in the model' }}</td>
            <td class="py-2">
              <span class="font-figures">{{ say(one.most) }}</span>
              <span v-if="one.mostShorted" class="block text-sm text-soft">
                shorted
                <span class="font-figures">{{ say(one.mostShorted) }}</span>
              </span>
            </td>
          </template>
        </tr>
      </tbody>
    </table>
  </section>
</template>
