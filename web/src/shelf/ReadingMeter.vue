<script setup lang="ts">
/** How far a set's points are read, one tick a point: wrong ones stand tall, unread ones are hollow. */
defineProps<{ points: number; read: number; wrong: number; doubtful: number }>()
</script>

<template>
  <svg v-if="points > 0" :viewBox="`0 0 ${points * 10} 20`" class="h-5 max-w-full" aria-hidden="true">
    <rect
      v-for="i in points"
      :key="i"
      :x="(i - 1) * 10 + 1"
      :y="i <= wrong ? 1 : i <= wrong + doubtful ? 5 : 8"
      width="7"
      :height="i <= wrong ? 18 : i <= wrong + doubtful ? 12 : 6"
      rx="1"
      :class="i <= wrong ? 'fill-bad' : i <= wrong + doubtful ? 'fill-doubt' : i <= read ? 'fill-good' : 'fill-ghost'"
    />
  </svg>
</template>
