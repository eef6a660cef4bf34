import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import CellField from './CellField.vue'
import ChainStrip from './ChainStrip.vue'
import TapScale from './TapScale.vue'

const cell = (more: Partial<Schemas['CellView']>): Schemas['CellView'] => ({
  key: 'k',
  label: '',
  kind: 'FIGURE',
  unit: 'Ω',
  choices: [],
  expected: '',
  ...more,
})
const say = (text: string) => text

describe('CellField', () => {
  it('says what is expected until something is wrong', async () => {
    const field = mount(CellField, {
      props: { cell: cell({ expected: '16.2 Ω' }), name: 'Pin to pin', fault: '', modelValue: '' },
    })
    expect(field.text()).toContain('16.2 Ω')
    const input = field.get('input')
    expect(input.attributes('aria-describedby')).toBe(field.get('p').attributes('id'))
    await field.setProps({ fault: 'That is no number.' })
    expect(field.text()).toContain('That is no number.')
    expect(input.attributes('aria-invalid')).toBe('true')
    await input.setValue('open')
    expect(field.emitted('update:modelValue')).toEqual([['open']])
  })
  it('gives few choices as keys and many as a list', () => {
    const choices = ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, label: id.toUpperCase() }))
    const few = mount(CellField, {
      props: { cell: cell({ kind: 'CHOICE', choices: choices.slice(0, 2) }), name: 'done', fault: '', modelValue: 'a' },
    })
    expect(few.get('[role=radiogroup]').attributes('aria-label')).toBe('done')
    expect(few.findAll('input[type=radio]')).toHaveLength(2)
    const many = mount(CellField, {
      props: { cell: cell({ kind: 'CHOICE', choices }), name: 'which', fault: '', modelValue: '' },
    })
    expect(many.findAll('option')).toHaveLength(6)
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
