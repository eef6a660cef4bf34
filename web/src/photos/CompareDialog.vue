<script setup lang="ts">
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import { photoUrl, type Photo } from './usePhotos'

defineProps<{ setId: string; before: Photo; after: Photo }>()
defineEmits<{ close: [] }>()
</script>

<template>
  <AppDialog open size="full" title="Before and after" @close="$emit('close')">
    <div class="grid grid-cols-2 gap-4">
      <figure v-for="(photo, i) in [before, after]" :key="photo.id">
        <img
          :src="photoUrl(setId, photo.id, 'full')"
          :alt="photo.caption || photo.fileName"
          class="h-[62vh] w-full rounded bg-ground object-contain"
        />
        <figcaption class="mt-1">
          <strong>{{ i === 0 ? 'Before' : 'After' }}</strong>
          {{ photo.caption || photo.fileName }}
        </figcaption>
      </figure>
    </div>
    <AppButton look="main" class="mt-4" @click="$emit('close')">Done</AppButton>
  </AppDialog>
</template>
