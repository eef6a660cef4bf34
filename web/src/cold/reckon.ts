import { reactive, ref, type Ref } from 'vue'
import type { ask, Problem } from '../api/client'

/** A figure that is asked for. */
export type Field<K extends string> = { key: K; label: string; unit?: string; hint?: string; wide?: boolean }

/** Figures as typed, what came of them, and what was wrong with them. */
export function useReckoning<K extends string, T>(
  start: Record<K, string>,
  reckon: (figures: Record<K, string>) => ReturnType<typeof ask<T>>,
) {
  const figures = reactive({ ...start }) as Record<K, string>
  const result = ref(null) as Ref<T | null>
  const problem = ref<Problem | null>(null)
  async function run() {
    const answer = await reckon(figures)
    problem.value = answer.kind === 'failed' ? answer.problem : null
    result.value = answer.kind === 'ready' ? answer.value : null
  }
  return { figures, result, problem, run }
}
