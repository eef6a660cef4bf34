import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import type { Problem, Schemas } from '../api/client'
import type { Posted } from '../outbox/outbox'
import { useEntry } from './useEntry'
import type { VoltsView } from './useVolts'

type Sent = Schemas['NewReading']
const problem = (type: string, detail: string): Problem => ({
  type,
  title: '',
  detail,
  errors: [{ pointer: '#/text', code: 'x', detail }],
})
const preview = {
  subject: 'b1',
  name: 'B1',
  value: '118 V',
  verdict: 'GOOD',
  reason: '',
  part: false,
  question: null,
} as Schemas['PreviewView']

function entryWith(answers: Posted<VoltsView>[]) {
  const sent: Sent[] = []
  const kept = vi.fn()
  const queued = vi.fn()
  let entry!: ReturnType<typeof useEntry>
  const view = mount(
    defineComponent({
      setup() {
        entry = useEntry({
          setId: 's1',
          current: ref('b1'),
          preview: () => Promise.resolve({ kind: 'ready', value: preview }),
          add: (reading) => {
            sent.push(reading)
            return Promise.resolve(answers.shift()!)
          },
          kept,
          queued,
        })
        return () => h('div')
      },
    }),
  )
  return { entry, sent, kept, queued, view }
}

beforeEach(() => sessionStorage.clear())

it('clears the strip and moves on once the reading is kept', async () => {
  const { entry, sent, kept } = entryWith([{ kind: 'ready', value: {} as VoltsView }])
  entry.text.value = '118'
  await flushPromises()
  await entry.commit()
  expect(sent[0]).toMatchObject({ text: '118', node: 'b1', confirmed: false })
  expect(entry.text.value).toBe('')
  expect(kept).toHaveBeenCalledOnce()
})

it('keeps what was typed, and its id, when no answer comes', async () => {
  const { entry, sent } = entryWith([
    { kind: 'failed', problem: problem('/problems/unreachable', 'no answer') },
    { kind: 'ready', value: {} as VoltsView },
  ])
  entry.text.value = '118'
  await flushPromises()
  await entry.commit()
  expect(entry.text.value).toBe('118')
  expect(entry.fault.value).toContain('No answer')
  await entry.commit()
  expect(sent[1]!.id).toBe(sent[0]!.id)
})

it('asks before it keeps an impossible value, and keeps it when asked again', async () => {
  const { entry, sent } = entryWith([
    { kind: 'failed', problem: problem('/problems/ask-first', 'Really?') },
    { kind: 'ready', value: {} as VoltsView },
  ])
  entry.text.value = '6300'
  await flushPromises()
  await entry.commit()
  expect(entry.question.value).toBe('Really?')
  await entry.commit()
  expect(sent.map((reading) => reading.confirmed)).toEqual([false, true])
})

it('forgets the question as soon as the text changes', async () => {
  const { entry, sent } = entryWith([
    { kind: 'failed', problem: problem('/problems/ask-first', 'Really?') },
    { kind: 'ready', value: {} as VoltsView },
  ])
  entry.text.value = '6300'
  await flushPromises()
  await entry.commit()
  entry.text.value = '63.0'
  await flushPromises()
  expect(entry.question.value).toBe('')
  await entry.commit()
  expect(sent[1]!.confirmed).toBe(false)
  expect(sent[1]!.id).not.toBe(sent[0]!.id)
})

it('sends nothing for an empty strip', async () => {
  const { entry, sent } = entryWith([])
  await entry.commit()
  expect(sent).toEqual([])
})

it('clears the strip when the reading waits in the browser', async () => {
  const { entry, queued, kept } = entryWith([{ kind: 'queued' }])
  entry.text.value = '118'
  await flushPromises()
  await entry.commit()
  expect(entry.text.value).toBe('')
  expect(queued).toHaveBeenCalledWith('b1')
  expect(kept).not.toHaveBeenCalled()
})
