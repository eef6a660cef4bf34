/** The scale of a leak: ten megohms weigh as much against a hundred as a hundred against a thousand. */
const least = 1e4
const most = 1e11

/** Where a leak resistance lies on the bar, 0 to 1; none seen lies at its end. */
export function leakAt(ohms: number | null): number {
  if (ohms === null || ohms >= most) return 1
  if (ohms <= least) return 0
  return Math.log(ohms / least) / Math.log(most / least)
}
