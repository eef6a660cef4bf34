<script setup lang="ts">
import { MapPinIcon, XMarkIcon } from '@heroicons/vue/24/outline'
import { computed, ref } from 'vue'
import type { Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import { photoUrl, usePhotos } from './usePhotos'

/** Where something is: a tap on one of the set's pictures. */
const props = defineProps<{ setId: string }>()
const model = defineModel<Schemas['SpotEdit'] | null>({ required: true })
const doors = usePhotos(() => props.setId)
const { photos, sending } = doors
const open = ref(false)
const chosen = ref('')
const photo = computed(() => (photos.value ?? []).find((one) => one.id === chosen.value) ?? null)
const own = computed(() => (photos.value ?? []).filter((one) => one.shows !== 'SISTER'))

function tap(event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  place((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
}
function place(x: number, y: number) {
  model.value = { photo: chosen.value, x: Math.min(1, Math.max(0, x)), y: Math.min(1, Math.max(0, y)) }
  open.value = false
}
async function shoot(event: Event) {
  const input = event.target as HTMLInputElement
  const id = input.files ? await doors.add(input.files, 'SET') : null
  input.value = ''
  if (id) chosen.value = id
}
</script>

<template>
  <span class="inline-flex items-center">
    <button
      type="button"
      class="flex min-h-11 items-center gap-1.5 rounded border border-line bg-raised px-3"
      @click="open = true"
    >
      <MapPinIcon class="size-5" :class="model ? 'text-good' : 'text-soft'" aria-hidden="true" />
      {{ model ? 'Marked on a photo' : 'Mark on a photo' }}
    </button>
    <button
      v-if="model"
      type="button"
      class="flex size-11 items-center justify-center"
      aria-label="Take the mark off"
      @click="model = null"
    >
      <XMarkIcon class="size-5" aria-hidden="true" />
    </button>
    <AppDialog :open="open" size="full" :title="photo ? 'Tap where it is' : 'On which picture?'" @close="open = false">
      <div v-if="photo" class="text-center">
        <button
          type="button"
          class="inline-block cursor-crosshair"
          aria-label="The picture; Enter marks its middle"
          @click="$event.detail === 0 ? place(0.5, 0.5) : tap($event)"
        >
          <img
            :src="photoUrl(setId, photo.id, 'full')"
            :alt="photo.caption || photo.fileName"
            class="max-h-[68vh] max-w-full"
          />
        </button>
      </div>
      <ul v-else class="grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-3">
        <li v-for="one in own" :key="one.id">
          <button
            type="button"
            class="block w-full overflow-hidden rounded border border-line text-left hover:border-accent"
            @click="chosen = one.id"
          >
            <img
              :src="photoUrl(setId, one.id, 'thumb')"
              :alt="one.caption || one.fileName"
              class="h-28 w-full object-cover"
            />
            <span class="block truncate px-2 py-1 text-sm">{{ one.caption || one.fileName }}</span>
          </button>
        </li>
      </ul>
      <p v-if="!photo && own.length === 0" class="py-4 text-soft">There is no picture yet; take one now.</p>
      <p v-for="one in sending" :key="one.id" class="py-1" :class="one.fault ? 'text-bad' : 'text-soft'">
        {{ one.fault || `${one.file.name} is being taken in…` }}
      </p>
      <div class="mt-4 flex gap-3">
        <label
          class="flex min-h-11 cursor-pointer items-center rounded border border-line bg-raised px-4 font-semibold focus-within:outline-3 focus-within:outline-accent"
        >
          Take a new one
          <input type="file" accept="image/*" capture="environment" class="sr-only" @change="shoot" />
        </label>
        <AppButton v-if="photo" look="quiet" @click="chosen = ''">Another picture</AppButton>
        <AppButton look="quiet" @click="open = false">Cancel</AppButton>
      </div>
    </AppDialog>
  </span>
</template>
