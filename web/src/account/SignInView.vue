<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router'
import DoorFrame from './DoorFrame.vue'
import SignInForm from './SignInForm.vue'

const route = useRoute()
const router = useRouter()
function go() {
  const to = route.query['to']
  // Only a way of our own: another site's address must not come in by it.
  void router.replace(typeof to === 'string' && /^\/(?![/\\])/.test(to) ? to : '/')
}
</script>

<template>
  <DoorFrame title="Sign in" hint="Your readings carry your name."><SignInForm @entered="go" /></DoorFrame>
</template>
