import { mount } from '@vue/test-utils'
import { ref } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import type { Schemas } from '../api/client'
import ColourDrawing from './ColourDrawing.vue'
import { least, order, paint, places } from './colours'
import VoltsBar from './VoltsBar.vue'

const writes = vi.hoisted(() => ({ may: true }))
vi.mock('../account/session', () => ({
  session: {
    mayWrite: {
      get value() {
        return writes.may
      },
    },
  },
}))
const { default: SetSchools } = await import('./SetSchools.vue')
const { default: ForNow } = await import('./ForNow.vue')
const say = (text: string) => text

describe('colours of old parts', () => {
  it('have a paint each, and every scheme can be read once its least is tapped', () => {
    expect(order).toHaveLength(12)
    expect(new Set(Object.values(paint)).size).toBe(12)
    for (const scheme of ['BANDS', 'BODY_END_DOT', 'MICA_DOTS'] as const)
      expect(least[scheme]).toBeLessThanOrEqual(places[scheme].length)
  })
  it('are said in words beside the drawing', () => {
    const drawing = mount(ColourDrawing, { props: { scheme: 'BODY_END_DOT', colours: ['RED', 'VIOLET', 'YELLOW'] } })
    expect(drawing.attributes('aria-label')).toBe('red, violet, yellow')
    expect(drawing.get('circle').attributes('fill')).toBe(paint.YELLOW)
    expect(mount(ColourDrawing, { props: { scheme: 'BANDS', colours: [] } }).attributes('aria-label')).toBe(
      'no colour yet',
    )
  })
})

describe('VoltsBar', () => {
  it('marks what passes the rating, and draws no stroke where nobody knows one', () => {
    const over = mount(VoltsBar, { props: { work: 200, peak: 360, limit: 350, most: 400 } })
    const [before, work] = over.findAll('rect')
    expect(before!.classes()).toContain('fill-bad')
    expect(work!.classes()).toContain('fill-good')
    expect(work!.attributes('width')).toBe('150')
    expect(over.find('path').exists()).toBe(true)
    const unknown = mount(VoltsBar, { props: { work: 200, peak: 360, limit: null, most: 400 } })
    expect(unknown.find('path').exists()).toBe(false)
    expect(unknown.findAll('rect')[0]!.classes()).toContain('fill-good')
  })
})

describe('SetSchools', () => {
  const question = (own: boolean): Schemas['SetSchool'] => ({
    question: 'PAPER',
    label: 'Paper and wax capacitors',
    follows: own ? 'PROVE_PAPER' : 'REPLACE_PAPER',
    house: 'REPLACE_PAPER',
    own,
    schools: [
      { id: 'REPLACE_PAPER', label: 'Replace on sight', why: 'Nearly all leak.' },
      { id: 'PROVE_PAPER', label: 'Prove each first', why: 'Some are good.' },
    ],
  })
  it('says which are this set’s own, and gives the house’s back as none', async () => {
    const house = mount(SetSchools, { props: { schools: [question(false)], say } })
    expect(house.text()).toContain('Replace on sight')
    expect(house.text()).not.toContain('(this set)')
    const own = mount(SetSchools, { props: { schools: [question(true)], say } })
    expect(own.text()).toContain('Prove each first (this set)')
    await own.get('button').trigger('click')
    expect(own.text()).toContain('Some are good.')
    own.getComponent({ name: 'ChoiceField' }).vm.$emit('update:modelValue', 'REPLACE_PAPER')
    expect(own.emitted('follow')).toEqual([['PAPER', null]])
    own.getComponent({ name: 'ChoiceField' }).vm.$emit('update:modelValue', 'PROVE_PAPER')
    expect(own.emitted('follow')?.[1]).toEqual(['PAPER', 'PROVE_PAPER'])
  })
  it('shows a viewer what holds, without a choice', async () => {
    writes.may = false
    const viewed = mount(SetSchools, { props: { schools: [question(false)], say } })
    await viewed.get('button').trigger('click')
    expect(viewed.findComponent({ name: 'ChoiceField' }).exists()).toBe(false)
    writes.may = true
  })
})

describe('ForNow', () => {
  const view = (forNow: Schemas['ForNowView'][]): Schemas['WorkView'] => ({
    revision: 1,
    tasks: [],
    minutes: 0,
    parts: [],
    forNow,
    ways: [
      { id: 'OUT', label: 'is out of the set' },
      { id: 'LEAD_LIFTED', label: 'has a lead lifted' },
    ],
  })
  const when = (instant: string) => instant.slice(0, 10)
  it('keeps what was typed when it is refused, and clears it once it is kept', async () => {
    const forNow = vi
      .fn()
      .mockResolvedValueOnce({ kind: 'failed', problem: { detail: 'This part is not here.', errors: [] } })
      .mockResolvedValueOnce({ kind: 'ready', value: view([]) })
    const panel = mount(ForNow, {
      props: { doors: { work: ref(view([])), forNow, putRight: vi.fn() } as never, say, when },
    })
    await panel.get('button').trigger('click')
    const part = panel.get('input')
    await part.setValue(' V9 ')
    await panel.get('form').trigger('submit')
    await vi.waitFor(() => expect(panel.text()).toContain('This part is not here.'))
    expect(part.element.value).toBe(' V9 ')
    expect(forNow).toHaveBeenCalledWith('V9', 'OUT', '')
    await panel.get('form').trigger('submit')
    await vi.waitFor(() => expect(part.element.value).toBe(''))
    expect(panel.text()).not.toContain('This part is not here.')
  })
  it('lists what is open with what puts it right', async () => {
    const putRight = vi.fn().mockResolvedValue({ kind: 'ready', value: view([]) })
    const open = {
      entry: 'e1',
      part: 'V3',
      says: 'V3 is out of the set',
      undo: 'Put it back',
      at: '2026-03-01T10:00:00Z',
    }
    const panel = mount(ForNow, {
      props: { doors: { work: ref(view([open])), forNow: vi.fn(), putRight } as never, say, when },
    })
    expect(panel.text()).toContain('Put it back. Since 2026-03-01')
    await panel.get('li button').trigger('click')
    expect(putRight).toHaveBeenCalledWith('e1')
  })
})
