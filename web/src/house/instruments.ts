import type { Schemas } from '../api/client'

export type Kind = Schemas['InstrumentKind']
export type AbilityEdit = Schemas['AbilityEdit']

/** An ability of which nothing is known but that there is one. */
export function abilityOf(kind: Kind['id']): AbilityEdit {
  return { kind, input: '', accuracyPercent: '', highest: '', testVolts: '', outputOhms: '', response: '' }
}

/** An instrument as it is sent back; what a kind is not asked for stays as it was. */
export function editOf(one: Schemas['InstrumentView']): Schemas['InstrumentEdit'] {
  return {
    id: one.id,
    name: one.name,
    retired: one.retired,
    version: one.version,
    abilities: one.abilities.map(
      ({ kind, input, accuracyPercent, highest, testVolts, outputOhms, response }): AbilityEdit => ({
        kind,
        input,
        accuracyPercent,
        highest,
        testVolts,
        outputOhms,
        response,
      }),
    ),
  }
}

type Field = { key: Exclude<keyof AbilityEdit, 'kind' | 'response'>; label: string; unit: string; hint: string }
const symbols: Record<Kind['unit'], string> = {
  VOLT: 'V',
  OHM: 'Ω',
  FARAD: 'F',
  AMPERE: 'A',
  HENRY: 'H',
  WATT: 'W',
  SECOND: 's',
  HERTZ: 'Hz',
  PERCENT: '%',
}

/** The fields of what bounds an instrument in something it does; the response is a choice apart. */
export function fieldsOf(kind: Kind): Field[] {
  const fields: Partial<Record<Kind['limits'][number], Field>> = {
    INPUT: { key: 'input', label: 'Input', unit: '', hint: '10M, 20k/V or 20k/V@250' },
    ACCURACY: { key: 'accuracyPercent', label: 'Accuracy', unit: '%', hint: '' },
    HIGHEST: {
      key: 'highest',
      label: kind.id === 'DC_SUPPLY' ? 'Gives at most' : 'Shows at most',
      unit: symbols[kind.unit],
      hint: kind.unit === 'OHM' ? '20M' : kind.unit === 'FARAD' ? '200u' : '',
    },
    TEST_VOLTS: { key: 'testVolts', label: 'Tests at', unit: 'V', hint: '250 500 1000' },
    OUTPUT_OHMS: { key: 'outputOhms', label: 'Output', unit: 'Ω', hint: '' },
  }
  return kind.limits.map((limit) => fields[limit]).filter((field) => field !== undefined)
}
