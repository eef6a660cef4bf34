import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { type MaybeRefOrGetter, toValue } from 'vue'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type AlignmentView = Schemas['AlignmentView']
export type AlignStep = Schemas['AlignStepView']
export type AlignCurve = Schemas['AlignCurve']

/** The alignment of a set, and the networked instruments that serve it. */
export function useAlignment(setId: MaybeRefOrGetter<string>) {
  const client = useQueryClient()
  const path = () => ({ path: { setId: toValue(setId) } })
  const id = () => crypto.randomUUID()
  const query = useQuery({
    queryKey: ['alignment', setId],
    queryFn: () => orThrow(ask(http.GET('/api/sets/{setId}/alignment', { params: path() }))),
  })
  async function shown(answer: Answer<AlignmentView>) {
    if (answer.kind === 'ready') {
      client.setQueryData(['alignment', toValue(setId)], answer.value)
      // Not waited for: whoever types on meanwhile must not be overtaken by what is cleared afterwards.
      void client.invalidateQueries({
        predicate: (q) => q.queryKey[0] !== 'alignment' && q.queryKey.includes(toValue(setId)),
      })
    }
    return answer
  }
  return {
    alignment: query.data,
    error: query.error,
    receiver: async (edit: Omit<Schemas['ReceiverEdit'], 'id'>) =>
      shown(
        await ask(http.POST('/api/sets/{setId}/alignment/receiver', { params: path(), body: { id: id(), ...edit } })),
      ),
    gear: async (edit: Omit<Schemas['GearEdit'], 'id'>) =>
      shown(await ask(http.POST('/api/sets/{setId}/alignment/gear', { params: path(), body: { id: id(), ...edit } }))),
    done: async (edit: Omit<Schemas['AlignStepEdit'], 'id'>) =>
      shown(await ask(http.POST('/api/sets/{setId}/alignment/steps', { params: path(), body: { id: id(), ...edit } }))),
    curve: async (edit: Omit<Schemas['AlignCurveEdit'], 'id'>) =>
      shown(
        await ask(http.POST('/api/sets/{setId}/alignment/curves', { params: path(), body: { id: id(), ...edit } })),
      ),
    lead: async (edit: Omit<Schemas['LeadEdit'], 'id'>) =>
      shown(await ask(http.POST('/api/sets/{setId}/alignment/lead', { params: path(), body: { id: id(), ...edit } }))),
    give: (edit: Schemas['GiveEdit']) =>
      ask(http.POST('/api/sets/{setId}/alignment/generator', { params: path(), body: edit })),
    turn: (edit: Schemas['TurnEdit']) =>
      ask(http.POST('/api/sets/{setId}/alignment/turns', { params: path(), body: edit })),
    meters: () => ask(http.GET('/api/sets/{setId}/alignment/meters', { params: path() })),
  }
}

/** Kilohertz up to 5 MHz, megahertz above, as a dial has them. */
export function frequency(hertz: number): string {
  return hertz < 5e6
    ? `${String(Math.round(hertz / 10) / 100)} kHz`
    : `${(hertz / 1e6).toFixed(3).replace(/0+$/, '').replace(/\.$/, '')} MHz`
}

/** Microvolts, millivolts or volts with three figures. */
export function level(microvolts: number): string {
  const [value, unit] =
    microvolts < 1000 ? [microvolts, 'µV'] : microvolts < 1e6 ? [microvolts / 1000, 'mV'] : [microvolts / 1e6, 'V']
  return `${Number(value.toPrecision(3))} ${unit}`
}
