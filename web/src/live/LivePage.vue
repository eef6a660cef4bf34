<script setup lang="ts">
import { useLive } from './useLive'

/** Nothing to see: while it is here, the page follows what other screens change. */
useLive()
</script>

<template><span hidden /></template>
