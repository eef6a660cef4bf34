<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { ask, http, orThrow } from '../api/client'
import KeyCap from '../ui/KeyCap.vue'

/** A run that goes on, on every page but its own, with the way to stop it. */
const route = useRoute()
const client = useQueryClient()
const { data } = useQuery({
  queryKey: ['going-runs'],
  queryFn: () => orThrow(ask(http.GET('/api/power-runs'))),
  refetchInterval: 10_000,
})
const going = computed(() => data.value?.find((one) => !route.path.startsWith(`/sets/${one.setId}/power/run`)))
const stopped = ref('')
async function stop() {
  const run = going.value
  if (!run) return
  const params = { path: { setId: run.setId, run: run.id } }
  const answer = await ask(http.POST('/api/sets/{setId}/power/runs/{run}/stops', { params, body: { why: '' } }))
  stopped.value =
    answer.kind === 'ready' && answer.value.controlled
      ? 'The supply is told to be off. See that it is.'
      : 'PULL THE PLUG'
  await client.invalidateQueries({ queryKey: ['going-runs'] })
}
useEventListener(window, 'keydown', (event) => {
  if (event.key === 'F9' && going.value) {
    event.preventDefault()
    void stop()
  }
})
</script>

<template>
  <div v-if="going" role="status" class="flex flex-wrap items-center gap-x-4 bg-[#a32218] px-5 py-1.5 text-white">
    <p class="min-w-0 flex-1">
      <strong>{{ going.title }}</strong>
      {{ going.state === 'RUNNING' ? ' has power: a run goes on.' : ' was stopped; its supply is not read empty yet.' }}
    </p>
    <RouterLink
      class="flex min-h-11 items-center font-semibold underline underline-offset-4"
      :to="`/sets/${going.setId}/power/run`"
    >
      Go there
    </RouterLink>
    <button
      v-if="going.state === 'RUNNING'"
      class="flex min-h-11 items-center gap-2 rounded border-2 border-white px-4 text-lg font-semibold"
      @click="stop"
    >
      <KeyCap>F9</KeyCap>
      Stop it
    </button>
  </div>
  <div
    v-if="stopped"
    role="alertdialog"
    aria-label="Stopped"
    class="fixed inset-0 z-50 flex flex-col items-center justify-center gap-6 bg-[#a32218] p-8 text-center text-white"
  >
    <p class="text-7xl font-semibold">{{ stopped }}</p>
    <p class="text-2xl">Then read every supply point empty before a hand goes in.</p>
    <button class="min-h-11 rounded border-2 border-white px-6 text-xl font-semibold" autofocus @click="stopped = ''">
      It is out
    </button>
  </div>
</template>
