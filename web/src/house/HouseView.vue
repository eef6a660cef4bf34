<script setup lang="ts">
import PageFrame from '../ui/PageFrame.vue'
import InstrumentList from './InstrumentList.vue'
import NetworkedInstruments from './NetworkedInstruments.vue'
import PolicyForm from './PolicyForm.vue'
import StockList from './StockList.vue'
</script>

<template>
  <PageFrame title="House policy" hint="What this shop decides for itself, what it measures with, what it has in stock">
    <div class="grid max-w-7xl grid-cols-1 gap-x-10 gap-y-12 p-6 lg:grid-cols-2">
      <PolicyForm />
      <div class="min-w-0 space-y-12">
        <InstrumentList />
        <NetworkedInstruments />
        <StockList />
      </div>
    </div>
  </PageFrame>
</template>
