<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import { useShop } from '../ui/useShop'
import { phases, photoUrl, type Photo, type Shows, type usePhotos } from './usePhotos'

const props = defineProps<{
  setId: string
  photo: Photo
  others: readonly Photo[]
  doors: ReturnType<typeof usePhotos>
}>()
const emit = defineEmits<{ close: [] }>()
const { when } = useShop()
const caption = ref('')
const phase = ref('')
const shows = ref<Shows>('SET')
const before = ref('')
const showsOwner = ref(false)
const problem = ref<Problem | null>(null)
const earlier = computed(() => [
  { id: '', name: 'of nothing' },
  ...props.others
    .filter((other) => other.id !== props.photo.id && other.shows === 'SET')
    .map((other) => ({ id: other.id, name: other.caption || other.fileName || other.id.slice(0, 6) })),
])
watch(
  () => props.photo.id,
  () => {
    caption.value = props.photo.caption
    phase.value = props.photo.phase
    shows.value = props.photo.shows
    before.value = props.photo.beforeId ?? ''
    showsOwner.value = props.photo.showsOwner
  },
  { immediate: true },
)
async function keep() {
  const answer = await props.doors.label(props.photo, {
    caption: caption.value,
    phase: phase.value,
    shows: shows.value,
    beforeId: before.value || null,
    showsOwner: showsOwner.value,
  })
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') emit('close')
}
async function remove() {
  const answer = await props.doors.remove(props.photo)
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') emit('close')
}
</script>

<template>
  <AppDialog open wide title="Picture" @close="$emit('close')">
    <img
      :src="photoUrl(setId, photo.id, 'full')"
      :alt="photo.caption || photo.fileName || 'picture without a caption'"
      class="max-h-[45vh] w-full rounded bg-ground object-contain"
    />
    <form class="mt-3 space-y-3" @submit.prevent="keep">
      <TextField v-model="caption" label="Caption" wide />
      <div class="flex flex-wrap gap-4">
        <ChoiceField v-model="phase" class="w-40!" label="Phase" :options="phases" />
        <ChoiceField
          v-model="shows"
          class="w-52!"
          label="Shows"
          :options="[
            { id: 'SET', name: 'this set' },
            { id: 'SISTER', name: 'an untouched sister' },
            { id: 'SHEET', name: 'schematic or sheet' },
          ]"
        />
        <ChoiceField v-model="before" class="w-56!" label="The “after” of" :options="earlier" />
      </div>
      <p class="text-sm text-soft">
        {{
          [
            `${photo.width} × ${photo.height}`,
            photo.shotAt && `taken ${when(photo.shotAt)}`,
            `kept ${when(photo.receivedAt)} by ${photo.author}`,
          ]
            .filter(Boolean)
            .join(', ')
        }}
      </p>
      <TickField v-model="showsOwner" label="Shows who the owner is: erase it with the owner’s data" />
      <ProblemNote :problem="problem" />
      <div class="flex gap-3">
        <AppButton look="main" type="submit">Keep</AppButton>
        <AppButton look="quiet" @click="$emit('close')">Cancel</AppButton>
        <AppButton look="danger" class="ml-auto" @click="remove">Take it away</AppButton>
      </div>
    </form>
  </AppDialog>
</template>
