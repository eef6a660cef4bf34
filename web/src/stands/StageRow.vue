<script setup lang="ts">
import { LockClosedIcon } from '@heroicons/vue/24/outline'
import { RouterLink } from 'vue-router'
import { useShop } from '../ui/useShop'
import { counts, shares } from './counts'
import type { StageView } from './useStands'

/** One stage of the way from door to hand-over. */
defineProps<{ setId: string; stage: StageView }>()
const { say } = useShop()
const fills = {
  proven: 'bg-good',
  doubtful: 'bg-doubt',
  failed: 'bg-bad',
  open: 'bg-ghost',
} as const
const words = { DONE: 'Done', HERE: 'You are here', OPEN: '', BARRED: 'Barred' } as const
</script>

<template>
  <RouterLink
    :to="`/sets/${setId}/${stage.id}`"
    class="grid grid-cols-[7.5rem_minmax(8rem,13rem)_minmax(0,1fr)] lg:grid-cols-[7.5rem_minmax(10rem,22rem)_minmax(0,1fr)] items-center gap-x-6 gap-y-1 border-b border-line px-6 py-4 hover:bg-mark/50 max-sm:grid-cols-1 max-sm:px-4"
    :class="stage.state === 'HERE' ? 'bg-mark' : 'bg-sheet'"
  >
    <span>
      <span class="block text-xl" :class="stage.state === 'DONE' ? 'text-soft' : 'font-semibold'">
        {{ stage.title }}
      </span>
      <span v-if="words[stage.state]" class="flex items-center gap-1 text-sm text-soft">
        <LockClosedIcon v-if="stage.state === 'BARRED'" class="size-4" aria-hidden="true" />
        {{ words[stage.state] }}
      </span>
    </span>
    <span>
      <span class="flex h-6 gap-0.5 overflow-hidden rounded-xs" aria-hidden="true">
        <span
          v-for="part in shares(stage).filter((p) => p.count > 0)"
          :key="part.kind"
          :class="fills[part.kind]"
          :style="{ width: `${100 * part.share}%` }"
        />
      </span>
      <span class="mt-1 block text-sm">{{ counts(stage) || 'nothing to settle yet' }}</span>
    </span>
    <span class="leading-snug">
      <span v-if="stage.barred" class="block">
        <strong>Barred:</strong>
        {{ say(stage.barred) }}
      </span>
      <span class="line-clamp-3">{{ say(stage.sentence) }}</span>
    </span>
  </RouterLink>
</template>
