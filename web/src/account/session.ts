import { computed, readonly, ref, shallowRef } from 'vue'
import { ask, http, onSignedOut, type Answer, type Schemas } from '../api/client'

export type Session = Schemas['SessionView']

const state = shallowRef<Session | null>(null)
/** Whether the session ended while a page was open: that page stays as it is, under a question for the password. */
const ended = ref(false)
onSignedOut(() => {
  if (state.value?.state === 'SIGNED_IN') ended.value = true
})

/** Who sits at this screen; asked once, then known. */
export async function loadSession(anew = false): Promise<Session | null> {
  if (anew || !state.value) {
    const answer = await ask(http.GET('/api/session'))
    if (answer.kind === 'ready') state.value = answer.value
  }
  return state.value
}

/** Takes over who has just come in. */
export function entered(answer: Answer<Session>): answer is { kind: 'ready'; value: Session } {
  if (answer.kind !== 'ready') return false
  state.value = answer.value
  ended.value = false
  return true
}

export const signIn = (name: string, password: string) => ask(http.POST('/api/session', { body: { name, password } }))

export async function signOut(everywhere = false) {
  const answer = everywhere ? await ask(http.DELETE('/api/sessions')) : await ask(http.DELETE('/api/session'))
  // A page loaded anew holds nothing of who was here before.
  if (answer.kind === 'ready') location.assign('/')
  return answer
}

const role = computed(() => state.value?.role ?? 'VIEWER')
export const session = {
  current: readonly(state),
  ended: readonly(ended),
  mayWrite: computed(() => role.value !== 'VIEWER'),
  owns: computed(() => role.value === 'OWNER'),
}

export const roles: readonly { id: Session['role']; name: string; what: string }[] = [
  { id: 'OWNER', name: 'Owner', what: 'all of it: policy, people, erasing an owner’s data' },
  { id: 'BENCH', name: 'Bench', what: 'all work on sets' },
  { id: 'VIEWER', name: 'Viewer', what: 'looks, changes nothing' },
]
