<script setup lang="ts" generic="K extends string">
import { faultAt, type Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import { useShop } from '../ui/useShop'
import type { Field } from './reckon'

/** Rows of figures that something is reckoned from; more may stand in the slot. */
defineProps<{ rows: readonly (readonly Field<K>[])[]; problem: Problem | null; action: string }>()
const figures = defineModel<Record<K, string>>({ required: true })
const emit = defineEmits<{ reckon: [] }>()
const { say } = useShop()
</script>

<template>
  <form class="space-y-3" @submit.prevent="emit('reckon')">
    <div v-for="(row, at) in rows" :key="at" class="flex flex-wrap items-start gap-4">
      <TextField
        v-for="field in row"
        :key="field.key"
        v-model="figures[field.key]"
        :class="field.wide ? 'w-64!' : field.unit ? 'w-40!' : ''"
        :label="say(field.label)"
        :unit="field.unit ?? ''"
        :hint="field.hint ?? ''"
        :fault="faultAt(problem, field.key)"
      />
    </div>
    <slot />
    <AppButton look="main" type="submit">{{ action }}</AppButton>
    <ProblemNote :problem="problem && problem.errors.length === 0 ? problem : null" />
  </form>
</template>
