<script setup lang="ts">
import { computed, onMounted, useTemplateRef, watch } from 'vue'
import StripFrame from '../entry/StripFrame.vue'
import KeyCap from '../ui/KeyCap.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import type { Test } from './useTest'

/** The entry strip of a test: its cells one after another by figure and Enter, or any row by its name. */
const props = defineProps<{ test: Test; say: (text: string) => string }>()
const strip = useTemplateRef('strip')
const { text, cell, row, said, current, fault, judged, busy, read } = props.test

const label = computed(() => {
  if (!cell.value || !row.value) return 'Everything is written; name a row to write over it'
  return props.say([row.value.label, cell.value.label].filter(Boolean).join(', '))
})
const atEnd = computed(() => current.value === '' && !text.value.trim())
const choices = computed(() => cell.value?.choices ?? [])
const hint = computed(() =>
  cell.value?.kind === 'WORDS'
    ? 'Write it; Enter moves on.'
    : 'Enter moves on; empty, it leaves this one out. Up and down choose the row.',
)

async function commit() {
  if (atEnd.value) {
    if (read.value.length > 0) await props.test.keep()
    return
  }
  if (await props.test.commit()) strip.value?.select()
}
function pick(id: string) {
  props.test.type(current.value, id)
  text.value = ''
  props.test.onward(current.value)
  strip.value?.focus()
}
function onKey(event: KeyboardEvent) {
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    event.preventDefault()
    if (event.key === 'ArrowDown') props.test.onward(current.value)
    else props.test.back(current.value)
  } else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
    event.preventDefault()
    void props.test.keep()
  }
}
const keepWords = computed(() =>
  read.value.length === 0
    ? 'Keep these readings'
    : `Keep ${read.value.length === 1 ? 'this reading' : `these ${read.value.length} readings`}`,
)
onMounted(() => strip.value?.focus())
watch(current, () => strip.value?.focus())
defineExpose({ focus: () => strip.value?.focus() })
</script>

<template>
  <StripFrame
    ref="strip"
    v-model="text"
    :label="label"
    :placeholder="cell && cell.expected.length < 17 ? say(cell.expected) : ''"
    :fault="!!fault"
    :action="atEnd ? 'Keep all' : 'Write'"
    :disabled="busy || (atEnd && read.length === 0)"
    @commit="commit"
    @key="onKey"
  >
    <p v-if="fault" class="text-bad">{{ say(fault) }}</p>
    <template v-else-if="text.trim() && said">
      <p class="flex items-center gap-2">
        <VerdictMark :verdict="said.word" />
        <span>
          {{ say(said.label) }}:
          <strong class="font-figures">{{ say(said.value) }}</strong>
        </span>
      </p>
      <p class="text-sm text-soft">{{ say(said.note) }}</p>
    </template>
    <p v-else-if="text.trim() && judged?.entry">
      {{ judged.entry.to ? 'Enter goes to that row.' : say(judged.verdict.sentence) }}
    </p>
    <div v-else-if="choices.length > 0" class="flex flex-wrap gap-1.5" role="group" :aria-label="label">
      <button
        v-for="(choice, i) in choices"
        :key="choice.id"
        type="button"
        class="flex min-h-11 items-center gap-2 rounded border px-3"
        :class="
          test.typed.value[current] === choice.id ? 'border-accent bg-mark font-semibold' : 'border-line bg-raised'
        "
        :aria-pressed="test.typed.value[current] === choice.id"
        @click="pick(choice.id)"
      >
        <KeyCap>{{ i + 1 }}</KeyCap>
        {{ say(choice.label) }}
      </button>
    </div>
    <p v-else-if="test.keptAs.value" role="status" class="font-semibold text-good">{{ test.keptAs.value }}</p>
    <template v-else>
      <p class="max-sm:hidden">
        {{
          atEnd
            ? read.length > 0
              ? 'Enter keeps what was read.'
              : 'Nothing here is new: name a row and read it again.'
            : hint
        }}
      </p>
      <p class="text-sm text-soft max-sm:hidden">
        Any row: name it first, then the figure; open, where nothing connects.
      </p>
    </template>
    <template #actions>
      <button
        type="button"
        class="min-h-11 max-w-44 rounded border border-line px-3 text-left text-sm leading-tight font-semibold disabled:opacity-60"
        title="Ctrl Enter"
        :disabled="busy || read.length === 0"
        @click="test.keep()"
      >
        {{ keepWords }}
      </button>
    </template>
  </StripFrame>
</template>
