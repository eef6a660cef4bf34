<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { ask, http, orThrow } from '../api/client'
import BenchHeader from '../bench/BenchHeader.vue'
import AppButton from '../ui/AppButton.vue'
import KeyCap from '../ui/KeyCap.vue'
import { useShop } from '../ui/useShop'
import SocketFromBelow from './SocketFromBelow.vue'

/** The probe's way through the set, gone with the plug out: point by point, each socket as it is seen from below. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { data, error } = useQuery({
  queryKey: ['rehearsal', () => props.setId],
  queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/rehearsal', { params: { path: { setId: props.setId } } }))),
})
const at = ref(0)
const steps = computed(() => data.value?.steps ?? [])
const step = computed(() => steps.value[at.value] ?? null)
function go(by: number) {
  at.value = Math.min(Math.max(0, at.value + by), Math.max(0, steps.value.length - 1))
}
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (event.ctrlKey || event.altKey || event.metaKey || (event.target as HTMLElement).closest('input, textarea')) return
  if (event.key === 'ArrowRight' || event.key === 'ArrowDown') {
    event.preventDefault()
    go(1)
  } else if (event.key === 'ArrowLeft' || event.key === 'ArrowUp') {
    event.preventDefault()
    go(-1)
  }
})
</script>

<template>
  <div v-if="data" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="data.title"
      :danger="data.danger"
      :live-chassis="data.liveChassis"
      place="the probe’s way, plug out"
    >
      <RouterLink
        class="flex min-h-11 items-center px-2.5 text-accent underline underline-offset-4"
        :to="`/sets/${setId}/volts`"
      >
        Back to the readings
      </RouterLink>
    </BenchHeader>
    <p v-if="steps.length === 0" class="max-w-2xl p-8">
      {{ say('This set has no test points yet: enter its circuit, or points of its sheet, under Circuit.') }}
    </p>
    <div v-else-if="step" class="grid min-h-0 flex-1 overflow-auto lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section class="flex min-w-0 flex-col px-8 py-6" aria-labelledby="here">
        <p class="text-sm text-soft">{{ at + 1 }} of {{ steps.length }}</p>
        <h2 id="here" class="text-3xl leading-tight font-semibold" aria-live="polite">
          {{ say(step.name) }}
          <span class="block text-lg font-normal">{{ say(step.where) }}</span>
        </h2>
        <div class="grid flex-1 items-start gap-x-10 gap-y-4 pt-4 md:grid-cols-[26rem_minmax(0,1fr)]">
          <SocketFromBelow v-if="step.socket" :socket="step.socket" :pin="step.pin" :say="say" />
          <p v-else class="text-soft">{{ say('It is at no socket; put the probe on one of the leads named here.') }}</p>
          <dl class="space-y-4">
            <div v-if="step.expects">
              <dt class="text-sm text-soft">A healthy set shows</dt>
              <dd class="font-figures text-2xl font-semibold">{{ say(step.expects) }}</dd>
            </div>
            <div v-if="step.beside">
              <dt class="text-sm text-soft">Beside it</dt>
              <dd class="font-semibold text-bad">{{ say(step.beside) }}</dd>
            </div>
            <div v-if="step.easier.length > 0">
              <dt class="text-sm text-soft">The same node, easier to reach</dt>
              <dd v-for="one in step.easier" :key="one">{{ say(one) }}</dd>
            </div>
            <div>
              <dt class="text-sm text-soft">Now, with the plug out</dt>
              <dd>
                Put the probe there with one hand, the other away from the set. If it slips or the light is bad, take
                the easier place, or solder a lead to it.
              </dd>
            </div>
          </dl>
        </div>
        <div class="flex flex-wrap items-center gap-3 pt-4">
          <AppButton :disabled="at === 0" @click="go(-1)">Back</AppButton>
          <AppButton v-if="at < steps.length - 1" look="main" @click="go(1)">Next point</AppButton>
          <RouterLink
            v-else
            class="inline-flex min-h-11 items-center font-semibold text-accent underline underline-offset-4"
            :to="`/sets/${setId}/power`"
          >
            The way is known: power
          </RouterLink>
          <span class="text-sm text-soft">
            <KeyCap>←</KeyCap>
            <KeyCap>→</KeyCap>
            go through it
          </span>
        </div>
      </section>
      <ol class="min-h-0 overflow-auto border-line bg-sheet lg:border-l" aria-label="All points">
        <li v-for="(one, i) in steps" :key="one.node" class="border-b border-line">
          <button
            class="grid min-h-11 w-full grid-cols-[2rem_minmax(0,1fr)] items-center gap-2 px-4 py-1 text-left"
            :class="i === at ? 'bg-mark font-semibold' : ''"
            :aria-current="i === at"
            @click="at = i"
          >
            <span class="text-right font-figures text-sm text-soft">{{ i + 1 }}</span>
            <span>
              {{ say(one.name) }}
              <span class="block text-sm font-normal text-soft">{{ say(one.where) }}</span>
            </span>
          </button>
        </li>
      </ol>
    </div>
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ error.message }}</p>
</template>
