<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import type { Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import KeyCap from '../ui/KeyCap.vue'
import TickField from '../ui/TickField.vue'
import { partLines, type useCircuit } from './useCircuit'

/** Parts as one writes them on paper, a line each; what was understood stands beside each line before it is kept. */
const props = defineProps<{
  parts: readonly Schemas['PartView'][]
  doors: ReturnType<typeof useCircuit>
  say: (text: string) => string
}>()
const text = ref('')
const change = ref(false)
const seen = ref<readonly Schemas['LineView'][]>([])
const outcome = ref('')
/** What was there when the first of these lines was begun. */
let begun: Record<string, string> = {}
watch(text, (now, before) => {
  if (!before.trim() && now.trim()) begun = partLines(props.parts)
})
const area = useTemplateRef<HTMLTextAreaElement>('area')
const good = computed(() => seen.value.filter((line) => !line.fault).length)
const rows = computed(() => Math.min(14, Math.max(3, text.value.split('\n').length + 1)))

const look = useDebounceFn(async () => {
  const asked = text.value
  const answer = asked.trim() ? await props.doors.readLines(asked.split('\n'), change.value) : null
  if (asked === text.value) seen.value = answer?.kind === 'ready' ? answer.value : []
}, 150)
async function keep() {
  const answer = await props.doors.keepLines(text.value.split('\n'), change.value, begun)
  if (answer.kind === 'failed') {
    outcome.value = answer.problem.detail
    return
  }
  await nextTick()
  begun = partLines(props.parts)
  const refused = answer.value.filter((line) => line.fault)
  outcome.value = `${answer.value.length - refused.length} kept${refused.length ? `; ${refused.length} stay here with their reason` : ''}.`
  text.value = refused.map((line) => line.line).join('\n')
  seen.value = refused
  area.value?.focus()
}
</script>

<template>
  <form class="py-3" @submit.prevent="keep">
    <label for="lines" class="block text-sm text-soft">
      Add parts, a line each: reference, value, rating, kind, its two ends
    </label>
    <div class="mt-1 grid grid-cols-1 gap-4 lg:grid-cols-2">
      <textarea
        id="lines"
        ref="area"
        v-model="text"
        :rows="rows"
        spellcheck="false"
        class="w-full rounded border border-line bg-raised px-3 py-2 font-figures leading-6"
        placeholder='V3 12AV6 date=4712 cathode=0&#10;C7 .01 400 paper V3.plate-V4.grid&#10;R7 470k 1/2W 20% B1-V3.plate "plate load"'
        @input="look"
        @keydown.ctrl.enter.prevent="keep"
      ></textarea>
      <ol v-if="seen.length > 0" class="leading-6" aria-live="polite">
        <li v-for="(line, i) in seen" :key="i" :class="line.fault ? 'text-bad' : ''">
          <template v-if="line.fault">{{ say(line.fault) }}</template>
          <template v-else>
            <span class="text-good" aria-hidden="true">✓</span>
            {{ say(line.understood) }}
            <span v-if="line.changes" class="text-doubt">(changes what is there)</span>
          </template>
        </li>
      </ol>
      <p v-else class="text-sm text-soft">
        Ends are an electrode or pin (V3.plate, V3.7), a name (B1), or 0 for the chassis or minus rail. The first end of
        an electrolytic is its plus. A section of a can:
        <code class="font-figures">C1A 40 150 electrolytic can=C1 mark=square B1-0</code>
        .
      </p>
    </div>
    <div class="mt-2 flex flex-wrap items-center gap-4">
      <AppButton look="main" type="submit" :disabled="good === 0">
        Keep {{ good || '' }}
        <KeyCap>Ctrl ↵</KeyCap>
      </AppButton>
      <TickField v-model="change" label="Lines may change parts that are there" @update:model-value="look" />
      <span role="status">{{ say(outcome) }}</span>
    </div>
  </form>
</template>
