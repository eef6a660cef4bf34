import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/vue-query'
import type { Ref } from 'vue'
import { ask, http, orThrow, upload, type Answer, type Schemas } from '../api/client'

export type CatalogueRow = Schemas['CatalogueRow']
export type Cells = Record<string, string>

/** What the shop buys and what it pays, found by words of the name. */
export function useCatalogue(query: Ref<string>) {
  const client = useQueryClient()
  const list = useQuery({
    queryKey: ['catalogue', query],
    queryFn: () => orThrow(ask(http.GET('/api/catalogue', { params: { query: { query: query.value } } }))),
    placeholderData: keepPreviousData,
  })
  async function changed<T>(answer: Answer<T>) {
    if (answer.kind === 'ready')
      await client.invalidateQueries({ predicate: (q) => !['shop', 'session'].includes(String(q.queryKey[0])) })
    return answer
  }
  return {
    list: list.data,
    error: list.error,
    keep: async (cells: Cells) => changed(await ask(http.PUT('/api/catalogue/items', { body: { cells } }))),
    offer: async (name: string, offered: boolean) =>
      changed(await ask(http.PUT('/api/catalogue/offered', { body: { name, offered } }))),
    remove: async (name: string) =>
      changed(await ask(http.DELETE('/api/catalogue/items', { params: { query: { name } } }))),
    price: async (item: string, price: string) =>
      changed(await ask(http.PUT('/api/catalogue/prices', { body: { item, price } }))),
    take: async (file: File) => changed(await upload('/api/catalogue/imports', file)),
    takePrices: async (file: File) => changed(await upload('/api/catalogue/price-imports', file)),
  }
}
