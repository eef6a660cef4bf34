<script setup lang="ts">
import { LinkIcon, UserPlusIcon } from '@heroicons/vue/24/outline'
import { useQuery } from '@tanstack/vue-query'
import { reactive, ref } from 'vue'
import { ask, faultAt, http, orThrow, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import PageFrame from '../ui/PageFrame.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import PairingDialog from './PairingDialog.vue'
import ProofDialog from './ProofDialog.vue'
import { useProof } from './useProof'
import { roles, session } from './session'

/** Who works here, what each may do, and what happened to their accounts. */
type Person = Schemas['PersonView']
const { when } = useShop()
const proof = useProof()
const people = useQuery({ queryKey: ['people'], queryFn: () => orThrow(ask(http.GET('/api/accounts'))) })
const events = useQuery({
  queryKey: ['people', 'events'],
  queryFn: () => orThrow(ask(http.GET('/api/account-events'))),
})
const failures = useQuery({
  queryKey: ['people', 'failures'],
  queryFn: () => orThrow(ask(http.GET('/api/sign-in-failures'))),
})
const adding = reactive({ name: '', shownName: '', role: 'BENCH' as Person['role'] })
const shop = reactive({ shopName: '', ownerName: '', ownerShownName: '' })
const problem = ref<Problem | null>(null)
const shopProblem = ref<Problem | null>(null)
const pairing = ref<Schemas['PairingView'] | null>(null)
const paired = ref('')

async function settle<T>(
  request: Promise<{ kind: 'ready'; value: T } | { kind: 'failed'; problem: Problem } | { kind: 'left' }>,
): Promise<T | null> {
  const answer = await request
  problem.value = answer.kind === 'failed' ? answer.problem : null
  await Promise.all([people.refetch(), events.refetch(), failures.refetch()])
  return answer.kind === 'ready' ? answer.value : null
}
async function link(person: Pick<Person, 'id' | 'shownName'>) {
  paired.value = person.shownName
  pairing.value = await settle(
    proof.proved(() => ask(http.POST('/api/accounts/{id}/pairings', { params: { path: { id: person.id } } }))),
  )
}
async function add() {
  const person = await settle(
    ask(
      http.POST('/api/accounts', {
        body: { id: crypto.randomUUID(), ...adding, shownName: adding.shownName || adding.name },
      }),
    ),
  )
  if (!person) return
  Object.assign(adding, { name: '', shownName: '' })
  await link(person)
}
const change = (person: Person, role: Person['role'], closed: boolean) =>
  settle(
    ask(
      http.PUT('/api/accounts/{id}', {
        params: { path: { id: person.id } },
        body: { role, closed, version: person.version },
      }),
    ),
  )
async function openShop() {
  const answer = await proof.proved(() => ask(http.POST('/api/shops', { body: shop })))
  shopProblem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind !== 'ready') return
  paired.value = `${shop.ownerShownName}, owner of ${shop.shopName}`
  pairing.value = answer.value
  Object.assign(shop, { shopName: '', ownerName: '', ownerShownName: '' })
}

const told: Record<Schemas['AccountEventView']['kind'], (e: Schemas['AccountEventView']) => string> = {
  OPENED: (e) => (e.actor === e.subject ? `${e.subject} opened the shop` : `${e.actor} added ${e.subject}`),
  SIGNED_IN: (e) => `${e.subject} signed in by password`,
  SIGNED_IN_BY_LINK: (e) => `${e.subject} let a device in by a link`,
  SIGNED_IN_BY_PASSKEY: (e) => `${e.subject} signed in by passkey`,
  REFUSED: (e) => `wrong password for ${e.subject}`,
  SHUT_OUT: (e) => `too many tries for ${e.subject}: shut out for a quarter of an hour`,
  SIGNED_OUT: (e) => `${e.subject} signed out`,
  SIGNED_OUT_EVERYWHERE: (e) => `${e.subject} signed out everywhere`,
  LINK_MADE: (e) => `${e.actor} made a link for ${e.subject === e.actor ? 'a device of theirs' : e.subject}`,
  CHANGED: (e) => `${e.actor} changed what ${e.subject} may do`,
  CLOSED: (e) => `${e.actor} closed ${e.subject}’s account`,
  PASSWORD_SET: (e) => `${e.subject} set a password`,
}
const failed = (one: Schemas['FailureView']) =>
  [
    one.wrong > 0 ? `${one.wrong === 1 ? 'one wrong password' : `${one.wrong} wrong passwords`} for ${one.name}` : '',
    one.shutOut > 0 ? `${one.shutOut} too soon after${one.wrong > 0 ? '' : ` others, for ${one.name}`}` : '',
  ]
    .filter(Boolean)
    .join(', ')
const grave = (kind: string) => kind === 'REFUSED' || kind === 'SHUT_OUT'
function closePairing() {
  pairing.value = null
  void people.refetch()
}
</script>

<template>
  <PageFrame title="People" hint="Who works in this shop">
    <div class="grid max-w-6xl grid-cols-1 gap-x-10 gap-y-8 p-6 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div class="space-y-8">
        <section aria-labelledby="who">
          <h2 id="who" class="sr-only">Who has an account</h2>
          <ul class="divide-y divide-line border-y border-line">
            <li
              v-for="person in people.data.value ?? []"
              :key="person.id"
              class="flex flex-wrap items-center gap-x-4 gap-y-1 py-2"
              :class="person.closed ? 'text-soft' : ''"
            >
              <span class="min-w-40 flex-1">
                <span class="block font-semibold">
                  {{ person.shownName }}
                  <span v-if="person.id === session.current.value?.accountId" class="font-normal text-soft">, you</span>
                </span>
                <span class="block text-sm text-soft">
                  <span class="font-figures">{{ person.name }}</span>
                  {{ person.closed ? ' · closed' : person.hasPassword ? '' : ' · no password yet' }}
                </span>
              </span>
              <ChoiceField
                v-if="!person.closed"
                class="whitespace-nowrap [&_button]:w-28"
                label="Role"
                inline
                :model-value="person.role"
                :options="roles"
                @update:model-value="(role) => change(person, role, false)"
              />
              <AppButton v-if="!person.closed" @click="link(person)">
                <LinkIcon class="size-5" aria-hidden="true" />
                Link
                <span class="sr-only">for {{ person.shownName }}</span>
              </AppButton>
              <AppButton
                look="quiet"
                :aria-label="`${person.closed ? 'Open again' : 'Close'}: ${person.shownName}`"
                @click="change(person, person.role, !person.closed)"
              >
                {{ person.closed ? 'Open again' : 'Close' }}
              </AppButton>
            </li>
          </ul>
          <ProblemNote class="mt-3" :problem="problem && problem.errors.length === 0 ? problem : null" />
        </section>
        <section aria-labelledby="add">
          <h2 id="add" class="mb-2 text-lg font-semibold">Add a person</h2>
          <form class="flex flex-wrap items-start gap-x-4 gap-y-2" @submit.prevent="add">
            <TextField v-model="adding.shownName" label="Name beside readings" :fault="faultAt(problem, 'shownName')" />
            <TextField
              v-model="adding.name"
              label="Name to sign in with"
              hint="never changes"
              :fault="faultAt(problem, 'name')"
            />
            <ChoiceField v-model="adding.role" class="w-36!" label="Role" :options="roles" />
            <AppButton type="submit" class="sm:mt-6">
              <UserPlusIcon class="size-5" aria-hidden="true" />
              Add, and make the link
            </AppButton>
          </form>
          <dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-4 text-sm text-soft">
            <template v-for="role in roles" :key="role.id">
              <dt class="font-semibold">{{ role.name }}</dt>
              <dd>{{ role.what }}</dd>
            </template>
          </dl>
        </section>
        <details v-if="session.current.value?.atTheMachine">
          <summary class="min-h-11 content-center text-lg font-semibold">Another shop on this server</summary>
          <p class="mb-3 text-soft">It has its own sets, people and policy; neither shop sees anything of the other.</p>
          <form class="flex flex-wrap items-start gap-x-4 gap-y-2" @submit.prevent="openShop">
            <TextField v-model="shop.shopName" label="The shop’s name" :fault="faultAt(shopProblem, 'shopName')" />
            <TextField
              v-model="shop.ownerShownName"
              label="Its owner"
              :fault="faultAt(shopProblem, 'ownerShownName')"
            />
            <TextField
              v-model="shop.ownerName"
              label="Owner signs in as"
              :fault="faultAt(shopProblem, 'ownerName') || faultAt(shopProblem, 'name')"
            />
            <AppButton type="submit" class="sm:mt-6">Open it, and make the link</AppButton>
          </form>
          <ProblemNote class="mt-3" :problem="shopProblem && shopProblem.errors.length === 0 ? shopProblem : null" />
        </details>
      </div>
      <section aria-labelledby="happened">
        <template v-if="failures.data.value?.length">
          <h2 class="mb-2 text-lg font-semibold">Failed tries to sign in</h2>
          <ul class="mb-6 divide-y divide-line border-y border-line text-sm">
            <li v-for="one in failures.data.value" :key="one.name + one.address + one.since" class="py-1.5">
              <span class="font-semibold" :class="one.wrong + one.shutOut >= 5 ? 'text-bad' : ''">
                {{ failed(one) }}
              </span>
              <span class="block text-soft">last {{ when(one.lastAt) }}, from {{ one.address }}</span>
            </li>
          </ul>
        </template>
        <h2 id="happened" class="mb-2 text-lg font-semibold">What happened</h2>
        <ol class="divide-y divide-line border-y border-line text-sm">
          <li v-for="(event, i) in events.data.value ?? []" :key="i" class="py-1.5">
            <span :class="grave(event.kind) ? 'font-semibold text-bad' : ''">{{ told[event.kind](event) }}</span>
            <span class="block text-soft">
              {{ when(event.at) }}{{ event.address ? `, from ${event.address}` : '' }}
            </span>
          </li>
        </ol>
        <p v-if="events.data.value?.length === 0" class="text-soft">Nothing yet.</p>
      </section>
    </div>
    <ProofDialog :proof="proof" />
    <PairingDialog :who="paired" :pairing="pairing" :problem="null" @close="closePairing" />
  </PageFrame>
</template>
