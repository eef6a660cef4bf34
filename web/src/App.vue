<script setup lang="ts">
import { computed } from 'vue'
import { RouterView, useRoute } from 'vue-router'
import SignInAgain from './account/SignInAgain.vue'
import { session } from './account/session'
import FormingReminder from './live/FormingReminder.vue'
import LivePage from './live/LivePage.vue'
import RunBanner from './power/RunBanner.vue'
import OutboxRibbon from './outbox/OutboxRibbon.vue'
import StandingBanner from './standing/StandingBanner.vue'

const route = useRoute()
const inside = computed(() => session.current.value?.state === 'SIGNED_IN' && !route.meta['door'])
</script>

<template>
  <div class="flex h-dvh flex-col">
    <StandingBanner class="shrink-0" :inside="inside" />
    <RunBanner v-if="inside && !session.ended.value" class="shrink-0" />
    <FormingReminder v-if="inside && !session.ended.value" class="shrink-0" />
    <div class="min-h-0 flex-1 overflow-auto"><RouterView /></div>
  </div>
  <OutboxRibbon v-if="!route.meta['door']" />
  <template v-if="inside">
    <LivePage v-if="!session.ended.value" />
    <SignInAgain v-else />
  </template>
</template>
