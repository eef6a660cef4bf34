import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { ask, http, orThrow, type Schemas } from '../api/client'
import { translate, withDecimalComma } from './words'

/** The shop with its policy, and its words: say() puts a text into the shop's vocabulary and decimal sign. */
export function useShop() {
  const client = useQueryClient()
  const query = useQuery({ queryKey: ['shop'], queryFn: () => orThrow(ask(http.GET('/api/shop'))), staleTime: 60_000 })
  const terms = computed<Record<string, string>>(() => query.data.value?.terms ?? {})
  const zone = computed(() => query.data.value?.timeZone ?? 'UTC')

  function say(text: string): string {
    const worded = translate(text, terms.value)
    return query.data.value?.decimalSign === 'COMMA' ? withDecimalComma(worded) : worded
  }

  /** A time in the shop's zone. */
  function when(instant: string): string {
    return new Date(instant).toLocaleString(undefined, {
      timeZone: zone.value,
      dateStyle: 'medium',
      timeStyle: 'short',
    })
  }

  /** The time of day alone, in the shop's zone. */
  function clock(instant: string): string {
    return new Date(instant).toLocaleTimeString(undefined, { timeZone: zone.value, timeStyle: 'short' })
  }

  /** An amount with the shop's sign: before it when it is a single sign, behind it when it is a name. */
  function sum(amount: number): string {
    const money = query.data.value?.money ?? ''
    const text = amount.toFixed(2)
    return say(money.length === 1 ? money + text : `${text} ${money}`.trim())
  }

  async function save(edit: Schemas['ShopEdit']) {
    const answer = await ask(http.PUT('/api/shop', { body: edit }))
    if (answer.kind === 'ready') {
      client.setQueryData(['shop'], answer.value)
      await client.invalidateQueries({ predicate: (q) => q.queryKey[0] !== 'shop' })
    }
    return answer
  }

  return { shop: query.data, error: query.error, say, when, clock, sum, save }
}
