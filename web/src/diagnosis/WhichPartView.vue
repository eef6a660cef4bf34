<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask, http, orThrow } from '../api/client'
import { whileUnderway } from '../api/underway'
import BenchHeader from '../bench/BenchHeader.vue'
import { useShop } from '../ui/useShop'
import { useVolts } from '../volts/useVolts'

const ASK_AGAIN_MS = 1000

/** Which part explains what was read, how sure that is, and what to read next. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { volts } = useVolts(() => props.setId)
const { data, error } = useQuery({
  queryKey: ['diagnosis', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/diagnosis', { params: { path: { setId: props.setId } } }))),
  // Solving every fault of a circuit takes some seconds, once.
  refetchInterval: whileUnderway(ASK_AGAIN_MS),
})
const chosen = ref('')
const suspects = computed(() => data.value?.suspects ?? [])
const current = computed(() => suspects.value.find((one) => one.says === chosen.value) ?? suspects.value[0] ?? null)
const figure = (percent: number) => (percent >= 99.5 ? '>99' : percent < 1 ? '<1' : String(Math.round(percent)))
</script>

<template>
  <div v-if="data" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="data.title"
      :danger="volts?.danger ?? ''"
      :live-chassis="volts?.liveChassis ?? false"
      :place="data.reason ? 'which part' : `which part · ${data.read} of ${data.points} points read`"
    >
      <RouterLink
        class="flex min-h-11 items-center px-2.5 text-accent underline underline-offset-4"
        :to="`/sets/${setId}/volts`"
      >
        Back to the readings
      </RouterLink>
    </BenchHeader>
    <p v-if="data.reason" class="max-w-2xl p-8" role="status">{{ say(data.reason) }}</p>
    <div v-else class="grid min-h-0 flex-1 overflow-auto lg:grid-cols-[minmax(0,1fr)_24rem]">
      <div class="min-w-0">
        <section class="border-b border-line bg-raised px-5 py-4" aria-label="What the readings come to">
          <p class="text-2xl leading-tight font-semibold">{{ say(data.verdict) }}</p>
          <p v-for="note in data.notes" :key="note" class="pt-1 text-sm text-soft">{{ say(note) }}</p>
        </section>
        <ol aria-label="What may be wrong, the likeliest first">
          <li
            v-for="one in suspects"
            :key="one.says"
            class="border-b border-line"
            :class="one === current ? 'bg-sheet' : ''"
          >
            <button
              class="grid min-h-12 w-full grid-cols-[4.5rem_minmax(0,1fr)] items-center gap-3 px-5 py-2 text-left"
              :aria-expanded="one === current"
              @click="chosen = one.says"
            >
              <span class="text-right font-figures text-xl font-semibold">{{ figure(one.percent) }} %</span>
              <span class="min-w-0">
                <strong>{{ say(one.says) }}</strong>
                <span v-if="one.parts.length === 1 && one.parts[0]?.role" class="ml-2 text-soft">
                  {{ say(one.parts[0].role) }}
                </span>
                <span v-if="!one.accuses" class="block text-sm text-doubt">
                  The drawn value is only usual: read the part before it is called bad.
                </span>
                <span class="relative mt-1 block h-1.5 bg-line" aria-hidden="true">
                  <span class="absolute inset-y-0 left-0 bg-accent" :style="{ width: `${one.percent}%` }" />
                </span>
              </span>
            </button>
            <div v-if="one === current" class="grid gap-x-8 gap-y-3 px-5 pb-4 pl-[6.75rem] md:grid-cols-2">
              <table v-if="one.signs.length > 0" class="self-start text-left">
                <caption class="pb-1 text-left text-sm text-soft">
                  What speaks for and against it{{ data.line ? `, on a ${say('line')} of ${say(data.line)}` : '' }}
                </caption>
                <thead class="text-sm text-soft">
                  <tr>
                    <th class="pr-3 font-normal">Point</th>
                    <th class="pr-3 font-normal">read</th>
                    <th class="pr-3 font-normal">with it</th>
                    <th class="font-normal">healthy</th>
                  </tr>
                </thead>
                <tbody>
                  <tr v-for="sign in one.signs" :key="sign.point" class="border-t border-line">
                    <th class="py-1 pr-3 font-normal">
                      {{ say(sign.point) }}
                      <span class="block text-sm" :class="sign.speaks > 0 ? 'text-bad' : 'text-good'">
                        {{ sign.speaks > 0 ? 'for it' : 'against it' }}
                      </span>
                    </th>
                    <td class="pr-3 font-figures font-semibold">{{ say(sign.read) }}</td>
                    <td class="pr-3 font-figures">{{ say(sign.predicted) }}</td>
                    <td class="font-figures text-soft">{{ say(sign.healthy) }}</td>
                  </tr>
                </tbody>
              </table>
              <dl class="space-y-2">
                <div v-if="one.alike.length > 0">
                  <dt class="text-sm text-soft">No voltage tells it from</dt>
                  <dd class="font-semibold">{{ one.alike.join(', ') }}</dd>
                </div>
                <div v-if="one.acquits">
                  <dt class="text-sm text-soft">Clears it</dt>
                  <dd class="font-semibold">{{ say(one.acquits) }}</dd>
                </div>
                <div v-for="part in one.parts" :key="part.part" class="space-y-1">
                  <dt class="font-semibold">
                    {{ part.part }}
                    <span v-if="one.parts.length > 1" class="font-normal text-soft">{{ say(part.role) }}</span>
                  </dt>
                  <dd>
                    <span class="text-soft">Proves it:</span>
                    {{ say(part.confirm) }}
                  </dd>
                  <dd v-if="part.tellApart">
                    <span class="text-soft">Told apart:</span>
                    {{ say(part.tellApart) }}
                  </dd>
                  <dd>
                    <span class="text-soft">Left as it is:</span>
                    {{ say(part.ignored) }}
                  </dd>
                  <dd v-if="part.whatIf">
                    <RouterLink
                      class="inline-flex min-h-11 items-center text-accent underline underline-offset-4"
                      :to="`/sets/${setId}/circuit/what-if?${part.whatIf}`"
                    >
                      {{ say(`What if: the whole set with ${part.part} so`) }}
                    </RouterLink>
                  </dd>
                </div>
              </dl>
            </div>
          </li>
        </ol>
        <p v-if="suspects.length === 0 && data.read > 0" class="px-5 py-4 text-soft">
          No part stands out in what was read.
        </p>
        <p class="px-5 py-3 text-sm text-soft">
          Healthy within tolerance {{ figure(data.healthyPercent) }} % · none of what was reckoned
          {{ figure(data.unknownPercent) }} %. Belief, not proof: a part is bad when its own test says so.
        </p>
      </div>
      <aside class="border-line bg-sheet lg:border-l">
        <section aria-labelledby="next-probe">
          <h2 id="next-probe" class="px-4 pt-3 pb-1 font-semibold">What would tell most</h2>
          <p v-if="data.probes.length === 0" class="px-4 pb-3 text-soft">Nothing that can be read here tells more.</p>
          <ol>
            <li
              v-for="(probe, i) in data.probes"
              :key="probe.words"
              class="flex min-h-12 items-center justify-between gap-3 border-t border-line px-4 py-1.5"
              :class="i === 0 ? 'bg-mark' : ''"
            >
              <span v-if="probe.node">
                <RouterLink
                  class="font-semibold text-accent underline underline-offset-4"
                  :to="`/sets/${setId}/volts?point=${encodeURIComponent(probe.node)}`"
                >
                  {{ say(probe.words) }}
                </RouterLink>
                <span v-if="probe.typed" class="block text-sm text-soft">{{ say(probe.typed) }}</span>
              </span>
              <RouterLink
                v-else
                class="font-semibold text-accent underline underline-offset-4"
                :to="`/sets/${setId}/parts?point=${encodeURIComponent(probe.part)}`"
              >
                {{ say(probe.words) }}
              </RouterLink>
              <span class="text-right text-sm whitespace-nowrap text-soft">
                {{ probe.bits >= 0.1 ? probe.bits.toFixed(1) : '<0.1' }} bit
                <span class="block">{{ probe.minutes }} min</span>
              </span>
            </li>
          </ol>
        </section>
        <Disclosure v-if="data.unseen.length > 0" v-slot="{ open }" as="section" class="border-t border-line">
          <DisclosureButton class="min-h-12 w-full px-4 text-left font-semibold">
            {{ open ? 'Hide' : 'Show' }} what nothing read here shows, of {{ data.unseen.length }} parts
          </DisclosureButton>
          <DisclosurePanel as="ul" class="px-4 pb-3 text-sm">
            <li v-for="one in data.unseen" :key="one.part" class="py-0.5">
              <strong>{{ one.part }}</strong>
              {{ one.ways.join(', ') }}
            </li>
            <li class="pt-1 text-soft">Their own tests, without power, show them: Parts.</li>
          </DisclosurePanel>
        </Disclosure>
        <p v-if="data.unsolved.length > 0" class="border-t border-line px-4 py-3 text-sm text-soft">
          Not reckoned, since the circuit does not settle with them or is too large:
          {{ data.unsolved.map((one) => one.part).join(', ') }}.
        </p>
      </aside>
    </div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
  <p v-else class="p-8 text-soft">Letting every part fail on paper, one by one. Some seconds the first time…</p>
</template>
