import { expect, it } from 'vitest'
import { placeOf } from './place'

it('leads to where an act is done', () => {
  const at = (id: string, subject = '') => placeOf('s', { id, area: id.split(':')[0]!, subject })
  expect(at('arrival:inspect')).toBe('/sets/s/arrival/inspection')
  expect(at('arrival:parts')).toBe('/sets/s/circuit')
  expect(at('cold:insulation', 'insulation')).toBe('/sets/s/cold/insulation')
  expect(at('volts:read-next', 'v4_plate')).toBe('/sets/s/volts?point=v4_plate')
  expect(at('volts:no-points')).toBe('/sets/s/circuit')
  expect(at('finish:drive', 'drive')).toBe('/sets/s/finish/drive')
  expect(at('finish:idler_hard', 'idler_hard')).toBe('/sets/s/finish/checks?question=idler_hard')
  expect(at('finish:clean')).toBe('/sets/s/finish')
  expect(at('finish:align', 'alignment')).toBe('/sets/s/finish/alignment')
  expect(at('finish:heard-bands', 'listening')).toBe('/sets/s/finish/listening')
  expect(at('finish:dial-MW', 'dial')).toBe('/sets/s/finish/dial')
  expect(at('finish:work-1', 'work')).toBe('/sets/s/finish/work?work=1')
})
