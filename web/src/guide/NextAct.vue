<script setup lang="ts">
import { BoltIcon, BoltSlashIcon } from '@heroicons/vue/24/outline'
import { useEventListener } from '@vueuse/core'
import { RouterLink, useRouter } from 'vue-router'
import KeyCap from '../ui/KeyCap.vue'
import { useShop } from '../ui/useShop'
import { placeOf, type Act } from './place'

/** The one next act, the same on every screen of a set; Alt N goes where it is done. */
const props = defineProps<{ setId: string; next: Act | null }>()
const { say } = useShop()
const router = useRouter()
useEventListener(document, 'keydown', (event: KeyboardEvent) => {
  if (event.altKey && event.key.toLowerCase() === 'n' && props.next) {
    event.preventDefault()
    void router.push(placeOf(props.setId, props.next))
  }
})
const ended = (text: string) => (/[.!?]$/.test(text) ? text : `${text}.`)
</script>

<template>
  <section
    v-if="next"
    class="flex min-h-16 items-center gap-4 bg-accent px-5 py-2 text-on-accent max-sm:gap-2 max-sm:px-3"
    aria-label="Next"
    aria-live="polite"
  >
    <span class="flex w-16 shrink-0 flex-col items-center text-center text-[12px] leading-tight">
      <component :is="next.powered ? BoltIcon : BoltSlashIcon" class="size-6" aria-hidden="true" />
      {{ next.powered ? 'plug in' : 'plug out' }}
    </span>
    <p class="flex-1 leading-snug max-sm:line-clamp-4 max-sm:text-sm">
      <strong>{{ say(ended(next.title)) }}</strong>
      {{ say(next.why) }}
    </p>
    <RouterLink
      :to="placeOf(setId, next)"
      class="flex min-h-11 shrink-0 items-center gap-2 rounded border border-on-accent/60 px-4 font-semibold"
    >
      Do it
      <KeyCap class="max-sm:hidden">Alt N</KeyCap>
    </RouterLink>
  </section>
</template>
