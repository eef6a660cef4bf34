<script setup lang="ts">
import { RouterView } from 'vue-router'
import OutboxRibbon from './outbox/OutboxRibbon.vue'
import { useLive } from './live/useLive'

useLive()
</script>

<template>
  <RouterView />
  <OutboxRibbon />
</template>
