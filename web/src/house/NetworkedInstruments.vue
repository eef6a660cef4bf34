<script setup lang="ts">
import { reactive, ref } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import { useLinks } from '../power/usePower'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'

/** Instruments that answer on the network: a run reads them, and switches off what can be switched. */
const { links, add, remove, identify } = useLinks()
const adding = ref(false)
const fresh = reactive({ name: '', host: '', port: '5025', profile: 'meter' })
const problem = ref<Problem | null>(null)
const said = reactive<Record<string, string>>({})
const owner = () => session.owns.value
async function keep() {
  const answer = await add({ ...fresh, port: Number(fresh.port) || 0 })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    adding.value = false
    Object.assign(fresh, { name: '', host: '', port: '5025' })
  }
}
async function ask(id: string) {
  said[id] = 'Asking…'
  const answer = await identify(id)
  said[id] = answer.kind === 'ready' ? answer.value.says : answer.problem.detail
}
</script>

<template>
  <section aria-labelledby="networked">
    <h2 id="networked" class="pb-1 text-xl font-semibold">Instruments on the network</h2>
    <p class="pb-2 text-soft">They speak SCPI over TCP. A run of first power reads them five times a second.</p>
    <p v-if="links && links.links.length === 0" class="text-soft">
      None yet: figures are typed. Add one to have a run read it.
    </p>
    <ul>
      <li v-for="link in links?.links ?? []" :key="link.id" class="border-b border-line py-2">
        <p class="flex flex-wrap items-baseline gap-x-3">
          <strong>{{ link.name }}</strong>
          <span class="font-figures text-sm">{{ link.host }}:{{ link.port }}</span>
          <span class="text-sm text-soft">{{ link.profileName }}</span>
          <button class="min-h-11 text-accent underline underline-offset-4" @click="ask(link.id)">
            Ask what it is
          </button>
          <button
            v-if="owner()"
            class="min-h-11 text-soft underline underline-offset-4"
            :aria-label="`Remove ${link.name}`"
            @click="remove(link.id)"
          >
            Remove
          </button>
        </p>
        <p v-if="said[link.id]" role="status" class="text-sm">{{ said[link.id] }}</p>
      </li>
    </ul>
    <AppButton v-if="owner() && !adding" class="mt-3" @click="adding = true">
      Add an instrument on the network
    </AppButton>
    <form v-if="adding" class="mt-3 flex flex-wrap items-start gap-3" @submit.prevent="keep">
      <TextField v-model="fresh.name" label="Name" :fault="faultAt(problem, 'name')" />
      <TextField v-model="fresh.host" label="Host" hint="192.168.1.40" :fault="faultAt(problem, 'host')" />
      <TextField v-model="fresh.port" class="w-24!" label="Port" :fault="faultAt(problem, 'port')" />
      <ChoiceField
        v-model="fresh.profile"
        label="It is a"
        :options="(links?.profiles ?? []).map((one) => ({ id: one.id, name: one.name }))"
        :fault="faultAt(problem, 'profile')"
      />
      <div class="flex w-full gap-3">
        <AppButton look="main" type="submit">Add it</AppButton>
        <AppButton look="quiet" @click="adding = false">Cancel</AppButton>
      </div>
      <ProblemNote v-if="problem && problem.errors.length === 0" :problem="problem" />
    </form>
  </section>
</template>
