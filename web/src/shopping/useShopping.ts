import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { ask, http, orThrow, type Answer, type Schemas } from '../api/client'

export type ShoppingList = Schemas['ShoppingList']

/** The shop's one shopping list: what is left to buy, what is on its way, what came. */
export function useShopping() {
  const client = useQueryClient()
  const query = useQuery({ queryKey: ['shopping'], queryFn: () => orThrow(ask(http.GET('/api/shopping'))) })
  async function shown(answer: Answer<ShoppingList>) {
    if (answer.kind === 'ready') {
      client.setQueryData(['shopping'], answer.value)
      await client.invalidateQueries({ predicate: (q) => ['plan', 'stock'].includes(String(q.queryKey[0])) })
    } else {
      await client.invalidateQueries({ queryKey: ['shopping'] })
    }
    return answer
  }
  return {
    list: query.data,
    error: query.error,
    spare: async (item: string, quantity: number) =>
      shown(await ask(http.PUT('/api/shopping/spares', { body: { item, quantity } }))),
    order: async (item: string, quantity: number, price: string) =>
      shown(await ask(http.POST('/api/shopping/orders', { body: { id: crypto.randomUUID(), item, quantity, price } }))),
    arrived: async (order: string, quantity: number) =>
      shown(
        await ask(
          http.POST('/api/shopping/orders/{order}/arrivals', {
            params: { path: { order } },
            body: { id: crypto.randomUUID(), quantity },
          }),
        ),
      ),
    callOff: async (order: string) =>
      shown(
        await ask(
          http.POST('/api/shopping/orders/{order}/call-offs', {
            params: { path: { order } },
            body: { id: crypto.randomUUID() },
          }),
        ),
      ),
  }
}
