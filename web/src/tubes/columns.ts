/** The figures of a tube's points: the open table's columns in words, and which of them each section has. */
export interface Column {
  id: string
  name: string
  unit: string
  /** Over a column of figures, with its unit below. */
  short: string
}
const named: Record<string, Column> = Object.fromEntries(
  (
    [
      ['Va', 'Plate volts', 'V', 'Plate'],
      ['Vg2', 'Screen volts', 'V', 'Screen'],
      ['Vg1', 'Grid volts', 'V', 'Grid'],
      ['Vg3', 'Third grid volts', 'V', 'Grid 3'],
      ['Ia_mA', 'Plate current', 'mA', 'Plate'],
      ['Ig2_mA', 'Screen current', 'mA', 'Screen'],
      ['Ig1_mA', 'Grid current', 'mA', 'Grid'],
      ['gm_mA_V', 'Transconductance', 'mA/V', 'gm'],
      ['rp_kohm', 'Plate resistance', 'kΩ', 'rp'],
      ['mu', 'Amplification', '', 'mu'],
      ['Pa_max_W', 'Most plate watts', 'W', 'Most'],
      ['Va_max', 'Most plate volts', 'V', 'Most'],
      ['rect_drop_V', 'Drop', 'V', 'Drop'],
      ['rect_drop_at_mA', 'Drop at', 'mA', 'at'],
      ['rect_Idc_max_mA', 'Most direct current', 'mA', 'Most DC'],
      ['rect_Vac_rms_max', 'Most AC volts', 'V', 'Most AC'],
      ['rect_C_max_uF', 'Most first capacitor', 'µF', 'Most C'],
      ['rect_Rs_min_ohm', 'Least source ohms', 'Ω', 'Least R'],
    ] as const
  ).map(([id, name, unit, short]) => [id, { id, name, unit, short }]),
)
const pentode = ['Va', 'Vg2', 'Vg1', 'Ia_mA', 'Ig2_mA', 'gm_mA_V', 'rp_kohm', 'Pa_max_W', 'Va_max']
const heptode = ['Va', 'Vg2', 'Vg1', 'Vg3', 'Ia_mA', 'Ig2_mA', 'Ig1_mA', 'gm_mA_V']
const ofSection: Record<string, readonly string[]> = {
  triode: ['Va', 'Vg1', 'Ia_mA', 'gm_mA_V', 'rp_kohm', 'mu', 'Pa_max_W', 'Va_max'],
  triode_osc: ['Va', 'Vg1', 'Ia_mA', 'Ig1_mA'],
  pentode,
  beam: pentode,
  tetrode: pentode,
  heptode,
  hexode: heptode,
  rectifier: [
    'rect_drop_V',
    'rect_drop_at_mA',
    'rect_Idc_max_mA',
    'rect_Vac_rms_max',
    'rect_C_max_uF',
    'rect_Rs_min_ohm',
  ],
  heater: [],
}
export const sections = [
  { id: 'heater', name: 'no figures' },
  { id: 'triode', name: 'triode' },
  { id: 'pentode', name: 'pentode' },
  { id: 'beam', name: 'beam tetrode' },
  { id: 'tetrode', name: 'screen-grid tetrode' },
  { id: 'heptode', name: 'heptode, pentagrid' },
  { id: 'hexode', name: 'hexode' },
  { id: 'triode_osc', name: 'triode, oscillating' },
  { id: 'rectifier', name: 'rectifier' },
] as const

/** What a row of a section may say: its own columns, and any other that it says already. */
export function columnsOf(row: Record<string, string>): Column[] {
  const own = ofSection[row['section'] ?? 'heater'] ?? []
  const more = Object.keys(named).filter((id) => row[id] && !own.includes(id))
  return [...own, ...more].map((id) => named[id]!)
}
/** The columns that some row fills, in the table's order. */
export function filled(rows: readonly Record<string, string>[]): Column[] {
  return Object.values(named).filter((column) => rows.some((row) => row[column.id]))
}
export function sectionName(row: Record<string, string>): string {
  return sections.find((section) => section.id === row['section'])?.name ?? row['section']?.replaceAll('_', ' ') ?? ''
}
