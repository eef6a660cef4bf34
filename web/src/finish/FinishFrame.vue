<script setup lang="ts">
import { computed, watch } from 'vue'
import { RouterView, useRoute, useRouter } from 'vue-router'
import BenchHeader from '../bench/BenchHeader.vue'
import FaceTabs from '../bench/FaceTabs.vue'
import NextAct from '../guide/NextAct.vue'
import { useWorks } from '../mechanics/useWorks'
import { usePlayer } from '../player/usePlayer'
import { useShop } from '../ui/useShop'

/** The stage Finish: a player's speed, drive, suspects and checks; work on mechanics and looks; the dial's cord. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { player, error } = usePlayer(() => props.setId)
const open = computed(() => player.value?.questions.filter((one) => one.proves && !one.answer).length ?? 0)
const named = computed(() => player.value?.suspects.filter((one) => one.named).length ?? 0)
const { works } = useWorks(() => props.setId)
const left = computed(() => works.value?.works.filter((one) => one.state !== 'GOOD').length ?? 0)
const faces = computed(() => [
  ...(player.value?.mayBePlayer
    ? [
        { to: '', name: 'Speed', count: 0 },
        { to: '/drive', name: 'Drive', count: 0 },
        { to: '/suspects', name: 'Suspects', count: named.value },
        { to: '/checks', name: 'Checks', count: open.value },
        { to: '/strobe', name: 'Strobe', count: 0 },
      ]
    : []),
  { to: '/work', name: 'Work', count: left.value },
  { to: '/materials', name: 'Materials', count: 0 },
  ...(player.value?.receives
    ? [
        { to: '/cord', name: 'Cord', count: 0 },
        { to: '/dial', name: 'Dial', count: 0 },
        { to: '/alignment', name: 'Align', count: 0 },
        { to: '/radio', name: 'RF', count: 0 },
      ]
    : []),
  { to: '/gains', name: 'Gain', count: 0 },
  { to: '/listening', name: 'Listen', count: 0 },
])
const route = useRoute()
const router = useRouter()
/** Where nothing turns, the work is what Finish begins with. */
watch(
  () => [player.value?.mayBePlayer, route.path] as const,
  ([turns, path]) => {
    if (turns === false && path.endsWith('/finish')) void router.replace(`/sets/${props.setId}/finish/work`)
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="player" class="flex h-full min-h-0 flex-col">
    <BenchHeader
      :title="player.title"
      :danger="player.danger"
      :live-chassis="player.liveChassis"
      :place="`${player.drive?.label ?? player.constructionLabel} · finish`"
    >
      <FaceTabs :base="`/sets/${setId}/finish`" label="Faces of Finish" :faces="faces" />
    </BenchHeader>
    <div class="min-h-0 flex-1 overflow-auto">
      <RouterView />
    </div>
    <NextAct :set-id="setId" :next="player.guide ?? null" />
  </div>
  <p v-else-if="error" role="alert" class="p-8 text-bad">{{ say(error.message) }}</p>
  <p v-else class="p-8 text-soft">Looking at what is left…</p>
</template>
