<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import AppDialog from '../ui/AppDialog.vue'
import SignInForm from './SignInForm.vue'
import { session } from './session'

/** The session ended while a page was open: the page stays under this, with what was typed into it. */
const client = useQueryClient()
const was = session.current.value?.accountId
function back() {
  // Somebody else must not find the page of the one before.
  if (session.current.value?.accountId !== was) location.assign('/')
  else void client.invalidateQueries()
}
</script>

<template>
  <AppDialog open title="You are signed out" @close="() => {}">
    <p class="mb-4 text-soft">What you typed is still here. Sign in, then go on.</p>
    <SignInForm :name="session.current.value?.name" @entered="back" />
  </AppDialog>
</template>
