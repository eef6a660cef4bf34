<script setup lang="ts">
import { ref, watch } from 'vue'
import { session } from '../account/session'
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { usePlayer, type QuestionView } from './usePlayer'

/** One question about the player: how it is looked at, what answers it, and what the answer said. */
const props = defineProps<{ setId: string; question: QuestionView; open: boolean }>()
const emit = defineEmits<{ answered: []; open: [] }>()
const { say } = useShop()
const { answer } = usePlayer(() => props.setId)
const typed = ref('')
const problem = ref<Problem | null>(null)
watch(
  () => props.question.answer,
  (now) => (typed.value = props.question.unit ? now.replace(/\.0$/, '') : ''),
  { immediate: true },
)
async function give(value: string) {
  const got = await answer(props.question.id, value)
  problem.value = got.kind === 'failed' ? got.problem : null
  if (got.kind === 'ready') emit('answered')
}
const choices = [
  { id: 'yes', name: 'Yes' },
  { id: 'no', name: 'No' },
  { id: 'unsure', name: 'Cannot tell' },
] as const
defineExpose({ give })
</script>

<template>
  <div>
    <button v-if="!open" class="flex min-h-11 w-full items-center gap-3 text-left" @click="emit('open')">
      <span class="w-8 shrink-0">
        <VerdictMark v-if="question.sign !== null" :verdict="question.sign ? 'BAD' : 'GOOD'" />
      </span>
      <span class="min-w-0 flex-1" :class="question.answer ? '' : 'text-soft'">{{ say(question.ask) }}</span>
      <span class="shrink-0 font-figures text-sm text-soft">
        {{
          question.answer ? say(`${question.answer.replace(/\.0$/, '')} ${question.unit}`) : `${question.minutes} min`
        }}
      </span>
    </button>
    <template v-else>
      <h3 class="text-lg font-semibold">{{ say(question.ask) }}</h3>
      <p v-if="question.caution" class="mt-1 text-sm text-bad">{{ say(question.caution) }}</p>
      <ol class="my-2 list-decimal space-y-0.5 pl-6">
        <li v-for="(one, i) in question.how" :key="i">{{ say(one) }}</li>
      </ol>
      <p class="mb-2 text-sm text-soft">
        {{ question.plugIn ? 'Plug in' : 'Plug out' }} · {{ question.minutes }} min
        <template v-if="question.limit">· right is {{ say(question.limit) }}</template>
        <template v-if="question.proves">· settles {{ say(question.proves) }}</template>
      </p>
      <form v-if="question.unit" class="flex flex-wrap items-end gap-3" @submit.prevent="give(typed)">
        <TextField
          v-model="typed"
          class="w-32!"
          label="Read"
          :unit="question.unit"
          :fault="faultAt(problem, 'answer')"
        />
        <AppButton type="submit" look="main" :disabled="!typed.trim() || !session.mayWrite.value">Keep</AppButton>
        <AppButton :disabled="!session.mayWrite.value" @click="give('unsure')">Cannot tell</AppButton>
      </form>
      <div v-else class="flex flex-wrap gap-3">
        <AppButton
          v-for="(one, i) in choices"
          :key="one.id"
          :look="question.answer === one.id ? 'main' : 'plain'"
          :disabled="!session.mayWrite.value"
          @click="give(one.id)"
        >
          <span class="font-figures text-sm opacity-70">{{ i + 1 }}</span>
          {{ one.name }}
        </AppButton>
        <AppButton v-if="question.answer" look="quiet" @click="give('')">Take back</AppButton>
      </div>
      <p v-if="problem && !faultAt(problem, 'answer')" role="alert" class="mt-2 text-bad">{{ problem.detail }}</p>
    </template>
  </div>
</template>
