/** Asks again, so often, while the server still works something out: for a query's `refetchInterval`. */
export function whileUnderway(milliseconds: number) {
  return ({ state }: { state: { data: { underway: boolean } | undefined } }) =>
    state.data?.underway ? milliseconds : (false as const)
}
