<script setup lang="ts">
import { nextTick, useTemplateRef, watch } from 'vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { looks } from '../ui/verdicts'
import type { PointView } from './useVolts'

const props = defineProps<{ points: readonly PointView[]; current: string; say: (text: string) => string }>()
defineEmits<{ choose: [node: string] }>()

const list = useTemplateRef('list')
watch(
  () => props.current,
  async () => {
    await nextTick()
    list.value?.querySelector('[aria-current="true"]')?.scrollIntoView?.({ block: 'nearest' })
  },
)
</script>

<template>
  <ol ref="list" class="min-h-0 flex-1 overflow-y-auto" tabindex="0" aria-label="Points in probing order">
    <li v-for="point in points" :key="point.node">
      <button
        class="grid min-h-12 w-full grid-cols-[1.5rem_1fr_auto_5.5rem] items-center gap-2 border-b border-l-4 border-b-line px-3 py-1 text-left"
        :class="point.node === current ? 'border-l-accent bg-mark' : 'border-l-transparent hover:bg-mark/40'"
        :aria-current="point.node === current"
        @click="$emit('choose', point.node)"
      >
        <VerdictMark :verdict="point.verdict" />
        <span class="min-w-0">
          <span class="block truncate leading-tight" :class="point.node === current ? 'font-semibold' : ''">
            {{ say(point.name) }}
          </span>
          <span
            class="block truncate text-[13px] leading-tight"
            :class="point.verdict === 'UNREAD' ? 'text-soft' : looks[point.verdict].text"
          >
            {{ point.verdict === 'UNREAD' ? say(point.hint) || looks.UNREAD.word : looks[point.verdict].word }}
          </span>
        </span>
        <span class="text-right font-figures text-[13px] leading-tight text-soft">
          <template v-if="point.expectedText">
            {{ say(`${point.expectedText.replace(' V', '')} ± ${point.bandText.replace(' V', '')}`)
            }}{{ point.kind === 'AC' ? ' AC' : '' }}
          </template>
          <template v-else>no figure</template>
        </span>
        <span
          class="text-right font-figures text-[22px] font-semibold"
          :class="point.reading ? looks[point.verdict].text : 'text-soft'"
        >
          {{ point.reading ? say(point.reading.text.replace(' V', '')) : '–' }}
        </span>
      </button>
    </li>
  </ol>
</template>
