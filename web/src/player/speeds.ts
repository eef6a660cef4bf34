/** Speeds records are made for. */
export const speeds = [
  { id: '16.67', name: '16⅔' },
  { id: '33.33', name: '33⅓' },
  { id: '45', name: '45' },
  { id: '78.26', name: '78' },
] as const

/** Speeds of tapes and wires [cm/s]. */
export const tapeSpeeds = [
  { id: '4.76', name: '4.76' },
  { id: '9.53', name: '9.53' },
  { id: '19.05', name: '19.05' },
  { id: '38.1', name: '38.1' },
  { id: '61', name: '61, wire' },
] as const

/** As people write it. */
export function speedName(rpm: number): string {
  return speeds.find((one) => Math.abs(Number(one.id) / rpm - 1) < 0.002)?.name ?? String(Number(rpm.toFixed(2)))
}

/** With its sign, and none for nought. */
export function signed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits)
  return Number(text) === 0 ? text : `${value > 0 ? '+' : '−'}${text}`
}
