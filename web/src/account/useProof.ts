import { ref, shallowRef } from 'vue'
import { ask, http, type Answer, type Problem } from '../api/client'
import { enterByPasskey } from './passkey'

type Outcome<T> = Answer<T> | { kind: 'left' }

/** Asks for password or passkey where the server wants to know once more who sits here, then does what was asked for. */
export function useProof() {
  const open = ref(false)
  const problem = shallowRef<Problem | null>(null)
  let settle: (shown: boolean) => void = () => {}

  function asked(): Promise<boolean> {
    problem.value = null
    open.value = true
    return new Promise((resolve) => {
      settle = resolve
    })
  }
  function end(shown: boolean) {
    open.value = false
    settle(shown)
  }
  return {
    open,
    problem,
    async proved<T>(act: () => Promise<Outcome<T>>): Promise<Outcome<T>> {
      const first = await act()
      if (first.kind !== 'failed' || first.problem.type !== '/problems/prove-first') return first
      return (await asked()) ? act() : { kind: 'left' }
    },
    async byPassword(password: string) {
      const answer = await ask(http.POST('/api/account/proofs', { body: { password } }))
      problem.value = answer.kind === 'failed' ? answer.problem : null
      if (answer.kind === 'ready') end(true)
    },
    async byPasskey() {
      const answer = await enterByPasskey()
      if (answer.kind === 'left') return
      problem.value = answer.kind === 'failed' ? answer.problem : null
      if (answer.kind === 'ready') end(true)
    },
    leave: () => end(false),
  }
}
