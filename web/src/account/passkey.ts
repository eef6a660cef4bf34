import { ask, type Answer } from '../api/client'
import { loadSession, session, type Session } from './session'

/** Passkeys belong to a host name; here they work, if the browser has them at all. */
export function passkeysWork(): boolean {
  return 'PublicKeyCredential' in window && location.hostname === session.current.value?.passkeyHost
}

async function send(path: string, body: unknown, method = 'POST'): Promise<Answer<unknown>> {
  return ask(
    (async () => {
      const response = await fetch(path, {
        method,
        headers: { 'Content-Type': 'application/json' },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      })
      const said: unknown = await response.json().catch(() => null)
      return response.ok ? { data: said, response } : { error: said, response }
    })(),
  )
}

type Outcome<T> = Answer<T> | { kind: 'left' }

/** Makes a passkey on this device for whoever is signed in. */
export async function makePasskey(label: string): Promise<Outcome<unknown>> {
  const options = await send('/webauthn/register/options', {})
  if (options.kind === 'failed') return options
  try {
    const made = await navigator.credentials.create({
      publicKey: PublicKeyCredential.parseCreationOptionsFromJSON(
        options.value as PublicKeyCredentialCreationOptionsJSON,
      ),
    })
    return send('/webauthn/register', { publicKey: { credential: (made as PublicKeyCredential).toJSON(), label } })
  } catch {
    return { kind: 'left' }
  }
}

/** Comes in by a passkey. */
export async function enterByPasskey(): Promise<Outcome<Session>> {
  const options = await send('/webauthn/authenticate/options', {})
  if (options.kind === 'failed') return options
  let chosen: Credential | null
  try {
    chosen = await navigator.credentials.get({
      publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(
        options.value as PublicKeyCredentialRequestOptionsJSON,
      ),
    })
  } catch {
    return { kind: 'left' }
  }
  const answer = await send('/login/webauthn', (chosen as PublicKeyCredential).toJSON())
  if (answer.kind === 'failed')
    return {
      kind: 'failed',
      problem: { ...answer.problem, detail: 'This passkey is not known here; come in by name and password.' },
    }
  return { kind: 'ready', value: (await loadSession(true))! }
}

export async function forgetPasskey(id: string): Promise<Answer<unknown>> {
  return send(`/webauthn/register/${id}`, undefined, 'DELETE')
}
