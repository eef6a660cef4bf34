<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { Problem, Schemas } from '../api/client'
import StripFrame from '../entry/StripFrame.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useCold } from './useCold'

/** The entry strip while no test is open: a part and its figure go to the test that asks for them. */
const props = defineProps<{ setId: string; say: (text: string) => string }>()
const cold = useCold(() => props.setId)
const router = useRouter()
const strip = useTemplateRef('strip')
const text = ref('')
const found = ref<Schemas['FoundView'] | null>(null)
const problem = ref<Problem | null>(null)
const said = ref('')
let id = crypto.randomUUID()
let asked = 0

/** What a line would be; shown unless something typed later was asked about meanwhile. */
async function ask(): Promise<Schemas['FoundView'] | null> {
  const mine = ++asked
  if (!text.value.trim()) return null
  const answer = await cold.find(text.value)
  if (mine === asked) {
    found.value = answer.kind === 'ready' ? answer.value : null
    problem.value = answer.kind === 'failed' ? answer.problem : null
  }
  return answer.kind === 'ready' ? answer.value : null
}
const look = useDebounceFn(() => void ask(), 120)
watch(text, (now) => {
  id = crypto.randomUUID()
  found.value = null
  problem.value = null
  if (now) said.value = ''
  void look()
})
const fault = computed(() => problem.value?.detail ?? found.value?.fault ?? '')

async function commit() {
  const line = text.value
  const entry = await ask()
  if (!entry || entry.fault) {
    strip.value?.select()
    return
  }
  if (entry.to) {
    await router.push(`/sets/${props.setId}/cold/${entry.test}`)
    return
  }
  const answer = await cold.keep(
    entry.test,
    entry.title,
    id,
    entry.typed,
    entry.placed.map((placed) => placed.key),
    entry.instrument,
  )
  if (answer.kind === 'failed') {
    problem.value = answer.problem
    strip.value?.select()
    return
  }
  if (text.value === line) text.value = ''
  said.value = answer.kind === 'ready' ? `Kept: ${entry.row}, ${entry.title.toLowerCase()}.` : 'Waits in this browser.'
}
</script>

<template>
  <StripFrame
    ref="strip"
    v-model="text"
    label="A part and what it reads"
    placeholder="R7 231k"
    :fault="!!fault && text !== ''"
    @commit="commit"
  >
    <p v-if="text && fault" class="text-bad">{{ say(fault) }}</p>
    <template v-else-if="found && text">
      <p class="flex items-center gap-2">
        <VerdictMark v-if="found.result" :verdict="found.result.word" />
        <span>
          {{ say(found.row) }}:
          <strong class="font-figures">
            {{ say(found.result?.value ?? found.placed.map((placed) => placed.shown).join(', ')) }}
          </strong>
        </span>
      </p>
      <p class="text-sm text-soft">
        {{
          found.to
            ? `Enter opens ${say(found.title)}.`
            : [say(found.title), say(found.result?.note ?? '')].filter(Boolean).join(': ')
        }}
      </p>
    </template>
    <p v-else-if="said" role="status" class="font-semibold text-good">{{ say(said) }}</p>
    <p v-else class="max-sm:hidden">
      Enter keeps it with the test that asks for it.
      <span class="text-soft">Or open a test above and go through its rows.</span>
    </p>
  </StripFrame>
</template>
