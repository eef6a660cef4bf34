import { expect, it } from 'vitest'
import { sheetsOf } from './sheets'

const rows = [
  [0, 30, 2000, 500],
  [0, 560, 2000, 600],
  [0, 1200, 1300, 300],
]

it('takes one sheet while its letters can be read there', () => {
  expect(sheetsOf(1200, 700, rows)).toHaveLength(1)
})

it('cuts a tall drawing between its rows and loses nothing', () => {
  const [first, second] = sheetsOf(2000, 1800, rows)
  expect(first!.view).toEqual([0, 0, 2000, 1164])
  expect(second!.view).toEqual([0, 1164, 2000, 636])
})

it('cuts a wide drawing between its stages', () => {
  const stages = [
    [0, 0, 2400, 600],
    [2500, 0, 2500, 600],
  ]
  expect(sheetsOf(5000, 600, stages).map((sheet) => sheet.view)).toEqual([
    [0, 0, 2404, 600],
    [2404, 0, 2596, 600],
  ])
})
