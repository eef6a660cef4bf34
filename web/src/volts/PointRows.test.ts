import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import PointRows from './PointRows.vue'
import type { PointView } from './useVolts'

const point = (node: string, more: Partial<PointView>) =>
  ({
    node,
    name: node,
    hint: 'pin 7',
    kind: 'DC',
    expected: 80,
    expectedText: '80.0 V',
    bandText: '8.0 V',
    band: 8,
    verdict: 'UNREAD',
    reason: '',
    arithmetic: [],
    reading: null,
    ...more,
  }) as PointView
const reading = {
  id: 'r',
  value: 58,
  text: '58.0 V',
  lineVolts: 117,
  meter: '10M',
  minutesOn: null,
  takenAt: '',
  author: '',
}

it('says each verdict in a word and a shape, never by colour alone', () => {
  const rows = mount(PointRows, {
    props: {
      points: [point('a', { verdict: 'BAD', reading }), point('b', {})],
      current: 'b',
      say: (text: string) => text,
    },
  })
  const [wrong, unread] = rows.findAll('li')
  expect(wrong!.text()).toContain('wrong')
  expect(wrong!.find('svg').attributes('aria-label')).toBe('wrong')
  expect(wrong!.text()).toContain('58.0')
  expect(unread!.text()).toContain('pin 7')
  expect(unread!.find('button').attributes('aria-current')).toBe('true')
})

it('names the point that was chosen', async () => {
  const rows = mount(PointRows, {
    props: { points: [point('a', {}), point('b', {})], current: 'a', say: (text: string) => text },
  })
  await rows.findAll('button')[1]!.trigger('click')
  expect(rows.emitted('choose')).toEqual([['b']])
})

it('says when there is no figure to compare with', () => {
  const rows = mount(PointRows, {
    props: {
      points: [point('a', { expected: null, expectedText: '', bandText: '' })],
      current: 'a',
      say: (text: string) => text,
    },
  })
  expect(rows.text()).toContain('no figure')
})
