<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import CautionNote from '../ui/CautionNote.vue'
import { useShop } from '../ui/useShop'
import QuestionCard from './QuestionCard.vue'
import { usePlayer } from './usePlayer'

/** What is looked at on a player, one at hand at a time; 1, 2 and 3 answer it. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const route = useRoute()
const { player } = usePlayer(() => props.setId)
const chosen = ref<string | null>(null)
const cards = useTemplateRef<InstanceType<typeof QuestionCard>[]>('cards')
watch(
  () => route.query['question'],
  (now) => (chosen.value = typeof now === 'string' ? now : null),
  { immediate: true },
)
const groups = computed(() => {
  const all = player.value?.questions ?? []
  return [
    { title: 'Settles something', questions: all.filter((one) => one.proves) },
    { title: 'Signs, when something is wrong', questions: all.filter((one) => !one.proves) },
  ].filter((group) => group.questions.length)
})
const order = computed(() => groups.value.flatMap((group) => group.questions))
const at = computed(
  () => order.value.find((one) => one.id === chosen.value) ?? order.value.find((one) => !one.answer) ?? order.value[0],
)
async function show(id: string | undefined) {
  chosen.value = id ?? null
  await nextTick()
  const card = document.getElementById('at-hand')
  card?.scrollIntoView({ block: 'nearest' })
  ;(card?.querySelector('input') ?? card)?.focus()
}
function onward() {
  const index = order.value.findIndex((one) => one.id === at.value?.id)
  const next = order.value.slice(index + 1).find((one) => !one.answer)
  void show(next?.id ?? at.value?.id)
}
useEventListener(window, 'keydown', (event) => {
  if (event.target instanceof HTMLInputElement || event.ctrlKey || event.altKey || event.metaKey) return
  const value = { '1': 'yes', '2': 'no', '3': 'unsure' }[event.key]
  if (value && at.value && !at.value.unit) {
    event.preventDefault()
    void cards.value?.find((card) => card.$props.question.id === at.value?.id)?.give(value)
  }
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    const to =
      order.value[order.value.findIndex((one) => one.id === at.value?.id) + (event.key === 'ArrowDown' ? 1 : -1)]
    if (to) {
      event.preventDefault()
      void show(to.id)
    }
  }
})
</script>

<template>
  <div v-if="player">
    <CautionNote>
      <p>{{ say(player.cautions.join(' ')) }}</p>
    </CautionNote>
    <p v-if="order.length === 0" class="max-w-prose p-8">
      What is checked depends on how the player is driven: describe its drive first.
    </p>
    <section v-for="group in groups" :key="group.title" class="max-w-4xl px-5 py-3" :aria-label="group.title">
      <h2 class="text-sm text-soft">{{ group.title }}</h2>
      <ul class="divide-y divide-line border-y border-line">
        <li
          v-for="one in group.questions"
          :id="one.id === at?.id ? 'at-hand' : undefined"
          :key="one.id"
          tabindex="-1"
          class="border-l-4 px-3 outline-none"
          :class="one.id === at?.id ? 'border-l-accent bg-mark py-3' : 'border-l-transparent'"
        >
          <QuestionCard
            ref="cards"
            :set-id="setId"
            :question="one"
            :open="one.id === at?.id"
            @open="show(one.id)"
            @answered="onward"
          />
        </li>
      </ul>
    </section>
  </div>
</template>
