<script setup lang="ts">
import { ArrowLeftIcon } from '@heroicons/vue/24/outline'
import { RouterLink } from 'vue-router'
import type { Schemas } from '../api/client'
import { useShop } from '../ui/useShop'

/** What the power transformer of a set must give. */
defineProps<{ setId: string; shop: Schemas['WorkshopView'] }>()
const { say } = useShop()
</script>

<template>
  <section aria-labelledby="size">
    <RouterLink :to="`/sets/${setId}/cold`" class="flex min-h-11 w-fit items-center gap-1 text-accent">
      <ArrowLeftIcon class="size-5" aria-hidden="true" />
      The plan
    </RouterLink>
    <h2 id="size" class="text-xl font-semibold">What it must give</h2>
    <p v-if="!shop.size" class="mt-2">{{ say(shop.without) }}</p>
    <template v-else>
      <p class="mt-2">
        <span class="font-figures text-4xl font-semibold">{{ say(shop.size.wantedVa) }}</span>
        <span class="ml-2 text-soft">with headroom; the load is {{ say(shop.size.loadVa) }}</span>
      </p>
      <dl class="mt-3 divide-y divide-line border-y border-line">
        <div v-for="heaters in shop.size.heaters" :key="heaters.volts + heaters.rectifier" class="py-1.5">
          <dt class="text-sm text-soft">{{ heaters.rectifier ? 'Rectifier’s own winding' : 'Heaters' }}</dt>
          <dd>
            <span class="font-figures text-lg font-semibold">{{ say(heaters.volts) }}, {{ say(heaters.amperes) }}</span>
            <span class="block text-sm leading-tight text-soft">{{ heaters.tubes.join(', ') }}</span>
          </dd>
        </div>
        <div class="py-1.5">
          <dt class="text-sm text-soft">
            {{ say('B+, plates and screens') }}
            {{ shop.size.byEngine ? 'at the real voltages' : 'by published points' }}
          </dt>
          <dd>
            <span class="font-figures text-lg font-semibold">{{ say(shop.size.supply) }}</span>
            <span class="text-soft">; buy {{ say(shop.size.wantedAmperes) }}</span>
          </dd>
        </div>
        <div v-if="shop.size.highVolts" class="py-1.5">
          <dt class="text-sm text-soft">High voltage under load</dt>
          <dd class="font-figures text-lg font-semibold">
            {{ shop.size.halves > 1 ? `${say(shop.size.highVolts)} each half` : say(shop.size.highVolts) }}
          </dd>
        </div>
      </dl>
      <details class="mt-2 text-sm">
        <summary class="min-h-9 content-center text-soft">The arithmetic</summary>
        <p v-for="line in shop.size.arithmetic" :key="line" class="font-figures leading-snug">{{ say(line) }}</p>
      </details>
      <details class="text-sm">
        <summary class="min-h-9 content-center text-soft">Loads for a test of an hour on the bench</summary>
        <ul class="divide-y divide-line border-y border-line">
          <li v-for="load in shop.size.loads" :key="load.winding" class="flex flex-wrap justify-between gap-x-3 py-1">
            <span>{{ say(load.winding) }}</span>
            <span class="font-figures">{{ say(load.ohms) }}, {{ say(load.watts) }}</span>
          </li>
        </ul>
        <p class="mt-1 leading-snug">
          Resistors of twice these watts, off the bench top. Full line through a limiter first; read the copper’s warmth
          by its resistance after an hour. These windings carry their full volts: clip on with the plug out, one hand,
          nobody alone.
        </p>
      </details>
    </template>
  </section>
</template>
