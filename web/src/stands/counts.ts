import type { StageView } from './useStands'

/** How a stage's claims stand, in words: nothing that is none is said. */
export function counts(stage: Pick<StageView, 'proven' | 'doubtful' | 'failed' | 'open'>): string {
  return [
    stage.proven > 0 && `${stage.proven} proven`,
    stage.doubtful > 0 && `${stage.doubtful} in doubt`,
    stage.failed > 0 && `${stage.failed} failed`,
    stage.open > 0 && `${stage.open} open`,
  ]
    .filter(Boolean)
    .join(' · ')
}

/** What is said when no act is left: that is not the same as everything being proven. */
export function rest(stages: readonly Pick<StageView, 'doubtful' | 'failed' | 'open'>[]): string {
  const unproven = stages.reduce((sum, stage) => sum + stage.doubtful + stage.failed + stage.open, 0)
  return unproven === 0
    ? 'Everything asked for here is proven'
    : `Nothing more can be done here now; ${unproven} ${unproven === 1 ? 'stays' : 'stay'} unproven`
}

/** Shares of a bar, each part of it wide enough to be seen. */
export function shares(stage: Pick<StageView, 'proven' | 'doubtful' | 'failed' | 'open'>) {
  const parts = [
    { kind: 'proven', count: stage.proven },
    { kind: 'doubtful', count: stage.doubtful },
    { kind: 'failed', count: stage.failed },
    { kind: 'open', count: stage.open },
  ] as const
  const total = parts.reduce((sum, part) => sum + part.count, 0)
  const least = 0.02
  const raw = parts.map((part) => (part.count === 0 ? 0 : Math.max(least, part.count / Math.max(1, total))))
  const sum = raw.reduce((a, b) => a + b, 0) || 1
  return parts.map((part, i) => ({ ...part, share: (raw[i] ?? 0) / sum }))
}
