<script setup lang="ts">
import { SpeakerWaveIcon, SpeakerXMarkIcon } from '@heroicons/vue/24/outline'
import { computed, onMounted, toRef, useTemplateRef } from 'vue'
import StripFrame from '../entry/StripFrame.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { looks } from '../ui/verdicts'
import { useEntry } from './useEntry'
import { useSound } from './useSound'
import type { useVolts, VoltsView } from './useVolts'

const props = defineProps<{
  view: VoltsView
  current: string
  doors: Pick<ReturnType<typeof useVolts>, 'preview' | 'add' | 'withdraw'>
  say: (text: string) => string
}>()
const emit = defineEmits<{ move: [steps: number]; kept: [node: string] }>()

const sound = useSound()
const field = useTemplateRef('field')
const point = computed(() => props.view.points.find((p) => p.node === props.current))
const following = computed(() => props.view.points[props.view.points.findIndex((p) => p.node === props.current) + 1])
const entry = useEntry({
  setId: props.view.setId,
  current: toRef(props, 'current'),
  preview: props.doors.preview,
  add: props.doors.add,
  queued: (node) => emit('kept', node),
  kept: (view, node, partRead) => {
    sound.play(view.points.find((p) => p.node === node)?.verdict ?? 'UNREAD')
    if (!partRead) emit('kept', node)
  },
})
const { text, understood, fault, question, busy } = entry

function onKey(event: KeyboardEvent) {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    emit('move', event.key === 'ArrowDown' ? 1 : -1)
  } else if (event.key === 'z' && (event.ctrlKey || event.metaKey) && !text.value) {
    event.preventDefault()
    takeBack()
  }
}
/** What was refused stays, chosen whole. */
async function commit() {
  await entry.commit()
  if (text.value && !question.value) field.value?.select()
}
function takeBack() {
  if (props.view.last) void props.doors.withdraw(props.view.last.id)
}
onMounted(() => field.value?.focus())
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <StripFrame
    ref="field"
    v-model="text"
    :label="say(point?.name ?? 'Name a point, then its reading')"
    :placeholder="point ? say(point.expectedText) : ''"
    :fault="!!fault"
    :disabled="busy"
    @commit="commit"
    @key="onKey"
  >
    <p v-if="question" class="font-semibold text-bad">
      {{ say(question) }}
      <span class="font-normal">Enter keeps it, Escape clears it.</span>
    </p>
    <p v-else-if="fault" class="text-bad">{{ fault }}</p>
    <template v-else-if="understood && text">
      <p class="flex items-center gap-2">
        <VerdictMark :verdict="understood.verdict" />
        <span>
          {{ say(understood.name) }}:
          <strong class="font-figures">{{ say(understood.value) }}</strong>
          <span :class="looks[understood.verdict].text">{{ looks[understood.verdict].word }}</span>
        </span>
      </p>
      <p class="text-sm text-soft">{{ say(understood.question ?? understood.reason) }}</p>
    </template>
    <template v-else>
      <p class="max-sm:hidden">
        {{ following ? say(`Enter keeps it and moves on to ${following.name}.`) : 'Enter keeps it.' }}
        <span class="text-soft">Up and down choose the point.</span>
      </p>
      <p class="text-sm text-soft max-sm:hidden">
        {{
          say(
            'Another point: name it first, as in V3 plate 82.4 or V3.7 82.4. A part by ohms: R7 231k. With a part lifted: 0.1 C8 lifted.',
          )
        }}
      </p>
    </template>
    <template #actions>
      <button
        type="button"
        class="min-h-11 min-w-11 rounded border border-line px-2"
        :aria-pressed="sound.on.value"
        :aria-label="sound.on.value ? 'Sound is on' : 'Sound is off'"
        @click="sound.toggle"
      >
        <component :is="sound.on.value ? SpeakerWaveIcon : SpeakerXMarkIcon" class="size-6" aria-hidden="true" />
      </button>
      <button
        v-if="view.last"
        type="button"
        class="min-h-11 rounded border border-line px-3 text-left text-sm leading-tight"
        :title="`Ctrl Z takes back ${view.last.text} at ${view.lastName}`"
        @click="takeBack"
      >
        Take back
        <br />
        <span class="font-figures">{{ say(view.last.text) }}</span>
        <span class="text-soft">{{ ` ${say(view.lastName)}` }}</span>
      </button>
    </template>
  </StripFrame>
</template>
