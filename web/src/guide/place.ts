import type { Schemas } from '../api/client'

export type Act = Schemas['ActView']

const arrival: Record<string, string> = {
  photograph: 'arrival/photos',
  'supply-label': 'arrival/label',
  'ask-owner': 'arrival/complaints',
  inspect: 'arrival/inspection',
  'settle-stop': 'arrival/inspection',
  parts: 'circuit',
}

/** Where an act is done. */
export function placeOf(setId: string, act: Pick<Act, 'id' | 'area' | 'subject'>): string {
  const what = act.id.slice(act.area.length + 1)
  if (act.area === 'arrival') return `/sets/${setId}/${arrival[what] ?? 'arrival'}`
  if (act.area === 'cold') return `/sets/${setId}/cold/${act.subject}`
  if (act.area === 'parts' && what.startsWith('for-now:')) return `/sets/${setId}/parts/left`
  if (act.area === 'power')
    return `/sets/${setId}/power${what === 'run' ? '/run' : what.startsWith('check:') ? '/checks' : ''}`
  if (act.area === 'finish') return `/sets/${setId}/finish${player(what, act.subject)}`
  if (what === 'no-points') return `/sets/${setId}/circuit`
  return `/sets/${setId}/${act.area}${act.subject ? `?point=${encodeURIComponent(act.subject)}` : ''}`
}

/** Which face of the player an act is done on: a question of its checks unless it is one of these. */
function player(what: string, subject: string): string {
  if (what === 'drive') return '/drive'
  if (subject === 'work') return `/work?work=${encodeURIComponent(what.slice('work-'.length))}`
  if (['suspects', 'dial', 'alignment', 'listening'].includes(subject)) return `/${subject}`
  return subject === 'speed' || !subject ? '' : `/checks?question=${encodeURIComponent(subject)}`
}
