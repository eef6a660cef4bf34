<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink, RouterView } from 'vue-router'
import BenchHeader from '../bench/BenchHeader.vue'
import NextAct from '../guide/NextAct.vue'
import { useShop } from '../ui/useShop'
import { usePlayer } from './usePlayer'

/** The stage Finish, as far as something in the set turns: speed, drive, what explains it, and what is checked. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { player, error } = usePlayer(() => props.setId)
const open = computed(() => player.value?.questions.filter((one) => one.proves && !one.answer).length ?? 0)
const named = computed(() => player.value?.suspects.filter((one) => one.named).length ?? 0)
const faces = computed(() => [
  { to: '', name: 'Speed', count: 0 },
  { to: '/drive', name: 'Drive', count: 0 },
  { to: '/suspects', name: 'Suspects', count: named.value },
  { to: '/checks', name: 'Checks', count: open.value },
  { to: '/strobe', name: 'Strobe disc', count: 0 },
])
</script>

<template>
  <div v-if="player" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="player.title"
      :danger="player.danger"
      :live-chassis="player.liveChassis"
      :place="`${player.drive?.label ?? player.constructionLabel} · finish`"
    >
      <nav v-if="player.mayBePlayer" class="flex flex-wrap gap-1" aria-label="Faces of Finish">
        <RouterLink
          v-for="face in faces"
          :key="face.to"
          :to="`/sets/${setId}/finish${face.to}`"
          class="flex min-h-11 items-center gap-2 border-b-4 border-transparent px-2.5 whitespace-nowrap text-soft hover:text-ink"
          exact-active-class="border-accent! font-semibold text-ink!"
        >
          {{ face.name }}
          <span v-if="face.count" class="rounded-full bg-doubt px-2 text-sm font-semibold text-sheet">
            {{ face.count }}
            <span class="sr-only">to look at</span>
          </span>
        </RouterLink>
      </nav>
    </BenchHeader>
    <div class="min-h-0 flex-1 overflow-auto">
      <RouterView v-if="player.mayBePlayer" />
      <p v-else class="max-w-prose p-8">
        Nothing in this set turns. If there is a record player or a recorder in it, say so at
        <RouterLink class="font-semibold text-accent underline underline-offset-4" :to="`/sets/${setId}/arrival/label`">
          Label and supply
        </RouterLink>
        ; its speed, drive and checks then come here.
      </p>
    </div>
    <NextAct :set-id="setId" :next="player.guide ?? null" />
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ say(error.message) }}</p>
  <p v-else class="p-8 text-soft">Looking at the player…</p>
</template>
