<script setup lang="ts">
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { ask, http, orThrow, type Schemas, upload } from '../api/client'
import FileTransfer from '../circuit/FileTransfer.vue'
import AppButton from '../ui/AppButton.vue'
import PageFrame from '../ui/PageFrame.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import TubeCard from './TubeCard.vue'
import TubeForm from './TubeForm.vue'

/** The tube data: what ships, searched by any name, and what the shop knows itself. */
const { say } = useShop()
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const query = ref('')
const asked = refDebounced(query, 150)
const chosen = computed(() => String(route.query['type'] ?? ''))
const editing = ref<'' | 'change' | 'new'>(route.query['new'] === undefined ? '' : 'new')
const list = useQuery({
  queryKey: ['tubes', asked],
  queryFn: () => orThrow(ask(http.GET('/api/tubes', { params: { query: { query: asked.value } } }))),
  placeholderData: keepPreviousData,
})
const tube = useQuery({
  queryKey: ['tube', chosen],
  queryFn: () => orThrow(ask(http.GET('/api/tubes/type', { params: { query: { name: chosen.value } } }))),
  // One that is being added is not there to be asked for.
  enabled: computed(() => chosen.value !== '' && editing.value !== 'new'),
})
watch(chosen, () => (editing.value = route.query['new'] === undefined ? '' : 'new'))

/** The focus goes along, so that the next Tab is past the list. */
async function choose(name: string) {
  await router.replace({ query: { type: name } })
  await tube.suspense()
  await nextTick()
  document.getElementById('tube-name')?.focus()
}
/** With Enter in the field the first one found is shown. */
const first = () => list.data.value?.tubes[0] && choose(list.data.value.tubes[0].name)
async function changed() {
  await client.invalidateQueries({ predicate: (q) => !['shop', 'session'].includes(String(q.queryKey[0])) })
}
async function kept(one: Schemas['TubeView']) {
  editing.value = ''
  client.setQueryData(['tube', one.row.name], one)
  await choose(one.row.name)
  await changed()
}
async function removed() {
  await router.replace({ query: {} })
  await changed()
}
async function load(file: File) {
  const answer = await upload('/api/tubes/imports', file)
  if (answer.kind === 'ready') await changed()
  return answer
}
</script>

<template>
  <PageFrame :title="say('Tubes')" :hint="say('What is known of each type, and what this shop knows itself')">
    <div class="grid max-w-7xl grid-cols-[19rem_minmax(0,1fr)] gap-x-8 p-6 gap-y-8 max-lg:grid-cols-1">
      <section aria-label="Types" class="min-w-0">
        <form @submit.prevent="first">
          <TextField v-model="query" wide label="Find a type" hint="any name it goes by: 6SN7GT, VT-231, ECC32" />
        </form>
        <ul class="mt-3 max-h-[calc(100vh-15rem)] overflow-auto border-y border-line max-lg:max-h-56">
          <li v-for="one in list.data.value?.tubes" :key="one.name" class="border-b border-line last:border-b-0">
            <button
              class="grid min-h-11 w-full grid-cols-[5.5rem_1fr] items-center gap-x-2 px-2 py-1.5 text-left leading-tight"
              :class="one.name === tube.data.value?.row.name && chosen ? 'bg-mark' : 'hover:bg-mark/50'"
              :aria-current="one.name === tube.data.value?.row.name && chosen ? 'true' : undefined"
              @click="choose(one.name)"
            >
              <strong class="font-figures">{{ one.name }}</strong>
              <span class="text-sm text-soft">
                {{ say(one.use) }}
                <span v-if="one.own" class="font-semibold text-accent">· yours</span>
              </span>
            </button>
          </li>
        </ul>
        <p v-if="list.data.value?.of === 0" class="mt-2">
          Nobody here knows “{{ query }}”. Say what you know of it: even its heater and pins help.
        </p>
        <p
          v-else-if="list.data.value && list.data.value.of > list.data.value.tubes.length"
          class="mt-1 text-sm text-soft"
        >
          {{ list.data.value.tubes.length }} of {{ list.data.value.of }}; type more of the name.
        </p>
        <AppButton class="mt-3" @click="((editing = 'new'), undefined)">{{ say('Add a type of your own') }}</AppButton>
        <details class="mt-3">
          <summary class="min-h-11 content-center font-semibold text-accent">
            {{ say('Your own types as a file') }}
          </summary>
          <FileTransfer
            :name="say('Own types')"
            accept=".csv,text/csv"
            download="/api/tubes/own.csv"
            counted="types"
            :load="load"
          />
        </details>
      </section>
      <section aria-live="polite" class="min-w-0">
        <TubeForm
          v-if="editing === 'new' || (editing === 'change' && tube.data.value)"
          :key="`${editing} ${chosen}`"
          :from="editing === 'change' ? (tube.data.value ?? null) : null"
          :name="editing === 'change' ? (tube.data.value?.row.name ?? chosen) : chosen || query.trim().toUpperCase()"
          :say="say"
          @kept="kept"
          @left="editing = ''"
        />
        <TubeCard
          v-else-if="chosen && tube.data.value"
          :tube="tube.data.value"
          :asked="chosen"
          :say="say"
          @change="editing = 'change'"
          @removed="removed"
        />
        <div v-else-if="chosen && tube.isError.value" class="max-w-xl">
          <h2 class="text-2xl font-semibold">{{ chosen }}</h2>
          <p class="mt-2">No type goes by this name. Compare it with the print on the bulb, or add it as your own.</p>
          <AppButton class="mt-3" look="main" @click="editing = 'new'">Add {{ chosen }}</AppButton>
        </div>
        <div v-else-if="!chosen" class="max-w-xl text-soft">
          <p>Choose a type to see its pins, heater, published points and how sure they are.</p>
          <p class="mt-2">
            {{
              say(
                'What you add or change here holds for every set of this shop at once, and comes before the table that ships.',
              )
            }}
            {{ say('It goes along with a set that you hand on.') }}
          </p>
        </div>
      </section>
    </div>
  </PageFrame>
</template>
