<script setup lang="ts">
import { RouterLink } from 'vue-router'
import PageFrame from '../ui/PageFrame.vue'
</script>

<template>
  <PageFrame title="Nothing here">
    <p class="p-6">
      There is nothing at this address.
      <RouterLink to="/" class="text-accent underline">Back to the shelf</RouterLink>
    </p>
  </PageFrame>
</template>
