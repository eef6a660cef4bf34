import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import ChainStrip from './ChainStrip.vue'
import FormCell from './FormCell.vue'
import TapScale from './TapScale.vue'

const cell = (more: Partial<Schemas['CellView']>): Schemas['CellView'] => ({
  key: 'k',
  label: '',
  kind: 'FIGURE',
  unit: 'Ω',
  choices: [],
  expected: '',
  aside: false,
  ...more,
})
const say = (text: string) => text

describe('FormCell', () => {
  const props = { name: 'Pin to pin', typed: '', pending: '', fault: '', current: false, fresh: false, say }
  it('shows what was read with its unit, and what the strip would write before it is there', async () => {
    const field = mount(FormCell, { props: { ...props, cell: cell({}) } })
    expect(field.get('button').attributes('aria-label')).toBe('Pin to pin: not read')
    await field.setProps({ typed: '16.2' })
    expect(field.text().replace(/\s+/g, ' ')).toBe('16.2 Ω')
    await field.setProps({ pending: 'open' })
    expect(field.text()).toBe('open')
    await field.get('button').trigger('click')
    expect(field.emitted('choose')).toHaveLength(1)
  })
  it('shows the word of a choice, not what is kept', () => {
    const choices = [{ id: 'doubt', label: 'doubtful' }]
    const field = mount(FormCell, { props: { ...props, typed: 'doubt', cell: cell({ kind: 'CHOICE', choices }) } })
    expect(field.text()).toBe('doubtful')
  })
})

describe('drawings of a test', () => {
  const link = (
    label: string,
    word: Schemas['ResultView']['word'],
    at: number | null = null,
  ): Schemas['ResultView'] => ({ label, value: '0.1 Ω', note: '', word, at })
  it('parts the broken link and dashes the suspects', () => {
    const strip = mount(ChainStrip, {
      props: { links: [link('cord', 'GOOD'), link('fuse', 'DOUBT'), link('switch', 'BAD')], say },
    })
    const items = strip.findAll('li')
    expect(items.map((one) => one.text())).toEqual(['cord0.1 Ω', 'fusesuspect', 'switchbroken'])
    expect(items[1]!.get('path').attributes('stroke-dasharray')).toBeDefined()
    expect(items[0]!.get('path').attributes('stroke-dasharray')).toBeUndefined()
  })
  it('places leads along their ohms and leaves out what has no place', () => {
    const scale = mount(TapScale, {
      props: {
        taps: [
          link('black', 'GOOD', 0),
          link('brown', 'GOOD', 12.1),
          link('red', 'DOUBT', 24),
          link('loose', 'NO_EXPECTATION'),
        ],
        say,
      },
    })
    expect(scale.findAll('circle')).toHaveLength(2)
    expect(scale.findAll('rect')).toHaveLength(1)
    expect(scale.text()).not.toContain('loose')
  })
})
