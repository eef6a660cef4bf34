<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { ask, faultAt, http, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import SecretField from './SecretField.vue'
import { loadSession, session } from './session'

/** A password of one's own; the one so far is asked for unless there is none or a link has just let its person in. */
const emit = defineEmits<{ kept: [] }>()
const form = reactive({ current: '', password: '' })
const problem = ref<Problem | null>(null)
const asked = computed(() => session.current.value?.hasPassword && !session.current.value.justLinked)

async function keep() {
  const answer = await ask(http.PUT('/api/account/password', { body: form }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind !== 'ready') return
  Object.assign(form, { current: '', password: '' })
  await loadSession(true)
  emit('kept')
}
</script>

<template>
  <form class="space-y-3" @submit.prevent="keep">
    <input
      type="text"
      class="hidden"
      autocomplete="username"
      :value="session.current.value?.name"
      readonly
      tabindex="-1"
      aria-hidden="true"
    />
    <SecretField
      v-if="asked"
      v-model="form.current"
      label="Password so far"
      autocomplete="current-password"
      :fault="faultAt(problem, 'current')"
    />
    <SecretField
      v-model="form.password"
      label="New password"
      autocomplete="new-password"
      hint="At least 10 characters; four unrelated words are good"
      :fault="faultAt(problem, 'password')"
    />
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
    <AppButton type="submit">Save the password</AppButton>
  </form>
</template>
