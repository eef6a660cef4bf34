<script setup lang="ts">
import { computed } from 'vue'
import { RouterView, useRoute } from 'vue-router'
import SignInAgain from './account/SignInAgain.vue'
import { session } from './account/session'
import LivePage from './live/LivePage.vue'
import OutboxRibbon from './outbox/OutboxRibbon.vue'

const route = useRoute()
const inside = computed(() => session.current.value?.state === 'SIGNED_IN' && !route.meta['door'])
</script>

<template>
  <RouterView />
  <OutboxRibbon v-if="!route.meta['door']" />
  <template v-if="inside">
    <LivePage v-if="!session.ended.value" />
    <SignInAgain v-else />
  </template>
</template>
