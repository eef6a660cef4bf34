import { expect, it } from 'vitest'
import { counts, rest, shares } from './counts'

it('says what there is and nothing that is none', () => {
  expect(counts({ proven: 61, doubtful: 2, failed: 1, open: 9 })).toBe('61 proven · 2 in doubt · 1 failed · 9 open')
  expect(counts({ proven: 0, doubtful: 0, failed: 0, open: 14 })).toBe('14 open')
  expect(counts({ proven: 0, doubtful: 0, failed: 0, open: 0 })).toBe('')
})

it('keeps one failure among many wide enough to be seen', () => {
  const bar = shares({ proven: 300, doubtful: 0, failed: 1, open: 0 })
  expect(bar.map((part) => part.kind)).toEqual(['proven', 'doubtful', 'failed', 'open'])
  expect(bar[2]!.share).toBeGreaterThan(0.015)
  expect(bar.reduce((sum, part) => sum + part.share, 0)).toBeCloseTo(1)
  expect(shares({ proven: 0, doubtful: 0, failed: 0, open: 0 }).every((part) => part.share === 0)).toBe(true)
})

it('says that all is proven only when it is', () => {
  expect(rest([{ doubtful: 0, failed: 0, open: 0 }])).toBe('Everything asked for here is proven')
  expect(
    rest([
      { doubtful: 0, failed: 0, open: 0 },
      { doubtful: 1, failed: 0, open: 2 },
    ]),
  ).toBe('Nothing more can be done here now; 3 stay unproven')
})
