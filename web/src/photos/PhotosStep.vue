<script setup lang="ts">
import { ArrowPathIcon, CameraIcon, PhotoIcon, XMarkIcon } from '@heroicons/vue/24/outline'
import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import AppButton from '../ui/AppButton.vue'
import CompareDialog from './CompareDialog.vue'
import PhotoDialog from './PhotoDialog.vue'
import { phases, photoUrl, usePhotos, type Photo, type Shows } from './usePhotos'

/** The pictures of a set: dropped, pasted, chosen or taken; this set's, a sister's and the sheet kept apart. */
const props = defineProps<{ setId: string }>()
const doors = usePhotos(() => props.setId)
const { photos, sending, error } = doors
const shows = ref<Shows>('SET')
const over = ref(false)
const open = ref<string | null>(null)
const comparing = ref<Photo | null>(null)
const kinds: readonly { id: Shows; name: string; hint: string }[] = [
  {
    id: 'SET',
    name: 'This set',
    hint: 'Back, top and underside before anything is touched; the power supply close up; then each step.',
  },
  {
    id: 'SISTER',
    name: 'An untouched sister',
    hint: 'Another set of the kind that nobody changed: to compare with, never evidence about this one.',
  },
  { id: 'SHEET', name: 'Schematic and sheet', hint: 'Scans and PDF pages; marks go on them in the map.' },
]
const of = (kind: Shows) => (photos.value ?? []).filter((photo) => photo.shows === kind)
const chosen = computed(() => photos.value?.find((photo) => photo.id === open.value) ?? null)
const phaseName = (id: string) => phases.find((phase) => phase.id === id)?.name ?? id
const before = (photo: Photo) => photos.value?.find((other) => other.id === photo.beforeId) ?? null

function take(files: FileList | null | undefined) {
  if (files && files.length > 0) void doors.add(files, shows.value)
}
function pick(event: Event) {
  const input = event.target as HTMLInputElement
  take(input.files)
  input.value = ''
}
function drop(event: DragEvent) {
  over.value = false
  take(event.dataTransfer?.files)
}
useEventListener(document, 'paste', (event: ClipboardEvent) => take(event.clipboardData?.files))
</script>

<template>
  <div
    class="flex min-h-full flex-col p-5"
    :class="over ? 'bg-mark' : ''"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
      <div class="flex gap-1" role="group" aria-label="What the pictures show">
        <button
          v-for="kind in kinds"
          :key="kind.id"
          class="min-h-11 border-b-2 px-3"
          :class="shows === kind.id ? 'border-accent font-semibold' : 'border-transparent text-soft'"
          :aria-pressed="shows === kind.id"
          @click="shows = kind.id"
        >
          {{ kind.name }} ({{ of(kind.id).length }})
        </button>
      </div>
      <div class="ml-auto flex gap-2">
        <label
          class="flex min-h-11 cursor-pointer items-center gap-2 rounded border border-accent bg-accent px-4 font-semibold text-on-accent focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-accent"
        >
          <CameraIcon class="size-5" aria-hidden="true" />
          Take one
          <input
            type="file"
            accept="image/*"
            capture="environment"
            class="sr-only"
            aria-label="Take a photo"
            @change="pick"
          />
        </label>
        <label
          class="flex min-h-11 cursor-pointer items-center gap-2 rounded border border-line bg-raised px-4 font-semibold focus-within:outline-3 focus-within:outline-offset-2 focus-within:outline-accent"
        >
          <PhotoIcon class="size-5" aria-hidden="true" />
          From files
          <input
            type="file"
            accept="image/jpeg,image/png,image/webp,application/pdf"
            multiple
            class="sr-only"
            aria-label="Pictures from files"
            @change="pick"
          />
        </label>
      </div>
    </div>
    <p class="mt-1 text-soft">{{ kinds.find((kind) => kind.id === shows)?.hint }}</p>
    <ul v-if="sending.length > 0" class="mt-3 space-y-1" aria-label="On their way">
      <li
        v-for="one in sending"
        :key="one.id"
        class="flex items-center gap-3 rounded border px-3 py-1"
        :class="one.fault ? 'border-bad' : 'border-line'"
      >
        <ArrowPathIcon v-if="!one.fault" class="size-5 animate-spin" aria-hidden="true" />
        <span class="font-semibold">{{ one.file.name }}</span>
        <span v-if="one.fault" role="alert" class="flex-1 text-bad">{{ one.fault }}</span>
        <span v-else class="flex-1 text-soft">{{ one.busy ? 'being taken in' : 'waits its turn' }}</span>
        <AppButton v-if="one.fault" look="quiet" @click="doors.again(one)">Try again</AppButton>
        <button
          v-if="one.fault"
          class="flex size-11 items-center justify-center"
          :aria-label="`Give ${one.file.name} up`"
          @click="doors.giveUp(one.id)"
        >
          <XMarkIcon class="size-5" aria-hidden="true" />
        </button>
      </li>
    </ul>
    <p v-if="error" role="alert" class="py-4 text-bad">{{ error.message }}</p>
    <p
      v-else-if="of(shows).length === 0"
      class="mt-6 rounded border-2 border-dashed border-line p-10 text-center text-soft"
    >
      Nothing here yet. Drop pictures anywhere on this page, paste one, or take one with the camera.
      <br />
      They are shrunk, turned upright, and stripped of where they were taken.
    </p>
    <ul v-else class="mt-4 grid grid-cols-[repeat(auto-fill,minmax(12.5rem,1fr))] gap-4">
      <li v-for="photo in of(shows)" :key="photo.id">
        <button
          class="block w-full overflow-hidden rounded border border-line bg-raised text-left hover:border-accent"
          @click="open = photo.id"
        >
          <img
            :src="photoUrl(setId, photo.id, 'thumb')"
            :alt="photo.caption || photo.fileName || 'picture without a caption'"
            loading="lazy"
            class="h-36 w-full object-cover"
          />
          <span class="block px-2 py-1.5 leading-tight">
            <span class="block truncate font-semibold">{{ photo.caption || photo.fileName || 'no caption' }}</span>
            <span class="text-sm text-soft">{{ phaseName(photo.phase) }}</span>
          </span>
        </button>
        <button
          v-if="before(photo)"
          class="min-h-11 text-sm font-semibold text-accent underline underline-offset-4"
          @click="comparing = photo"
        >
          Compare with before
        </button>
      </li>
    </ul>
    <PhotoDialog
      v-if="chosen"
      :set-id="setId"
      :photo="chosen"
      :others="photos ?? []"
      :doors="doors"
      @close="open = null"
    />
    <CompareDialog
      v-if="comparing && before(comparing)"
      :set-id="setId"
      :before="before(comparing)!"
      :after="comparing"
      @close="comparing = null"
    />
  </div>
</template>
