<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'

/** A tube's socket as it is seen from below, where the probe comes from: what each pin has, and the one that is meant. */
const props = defineProps<{
  socket: Schemas['RehearsedSocketView']
  pin: string
  say: (text: string) => string
}>()
const SIZE = 340
const RING = 88
/** Room for what a pin at the side has. */
const MARGIN = 30
const ring = computed(() =>
  props.socket.pins
    .filter((pin) => pin.x != null && pin.y != null)
    .map((pin) => {
      const x = SIZE / 2 + (pin.x ?? 0) * RING
      const y = SIZE / 2 + (pin.y ?? 0) * RING
      const side = Math.abs(pin.x ?? 0) < 0.2 ? 'middle' : (pin.x ?? 0) > 0 ? 'start' : 'end'
      return {
        ...pin,
        x,
        y,
        side,
        textX: SIZE / 2 + (pin.x ?? 0) * (RING + 24),
        textY: SIZE / 2 + (pin.y ?? 0) * (RING + (side === 'middle' ? 34 : 24)) + 5,
        meant: pin.name === props.pin,
      }
    }),
)
/** A top cap, or every pin of a socket whose arrangement nobody knows. */
const others = computed(() => props.socket.pins.filter((pin) => pin.x == null))
const words = computed(() =>
  props.socket.pins.map((pin) => `${pin.name === 'cap' ? 'cap' : `pin ${pin.name}`}: ${pin.says || 'nothing drawn'}`),
)
</script>

<template>
  <figure>
    <svg
      v-if="ring.length > 0"
      :viewBox="`${-MARGIN} 0 ${SIZE + 2 * MARGIN} ${SIZE}`"
      class="w-full max-w-110"
      role="img"
      :aria-label="say(`${socket.name} from below, ${words.join('; ')}`)"
    >
      <circle :cx="SIZE / 2" :cy="SIZE / 2" :r="RING + 16" class="fill-raised stroke-line" stroke-width="2" />
      <path
        :d="`M ${SIZE / 2 - 11} ${SIZE / 2 + 26} L ${SIZE / 2 + 11} ${SIZE / 2 + 26} L ${SIZE / 2} ${SIZE / 2 + 42} Z`"
        class="fill-soft"
      />
      <text :x="SIZE / 2" :y="SIZE / 2 - 4" text-anchor="middle" class="fill-ink text-[20px] font-semibold">
        {{ say(socket.name) }}
      </text>
      <text :x="SIZE / 2" :y="SIZE / 2 + 16" text-anchor="middle" class="fill-soft text-[14px]">
        {{ say(socket.type) }}
      </text>
      <g v-for="one in ring" :key="one.name">
        <circle
          :cx="one.x"
          :cy="one.y"
          :r="one.meant ? 17 : 13"
          :class="
            one.meant ? 'fill-accent stroke-accent' : one.bites ? 'fill-sheet stroke-bad' : 'fill-sheet stroke-ink'
          "
          :stroke-width="one.bites || one.meant ? 3 : 1.5"
          :stroke-dasharray="one.node ? undefined : '3 3'"
        />
        <text
          :x="one.x"
          :y="one.y + 5"
          text-anchor="middle"
          class="font-figures text-[14px] font-semibold"
          :class="one.meant ? 'fill-on-accent' : 'fill-ink'"
        >
          {{ one.name }}
        </text>
        <text
          :x="one.textX"
          :y="one.textY"
          :text-anchor="one.side"
          class="halo font-figures text-[13px]"
          :class="one.meant ? 'fill-ink font-semibold' : one.bites ? 'fill-bad' : 'fill-soft'"
        >
          {{ say(one.says) }}
        </text>
      </g>
    </svg>
    <figcaption class="text-sm text-soft">
      <template v-if="ring.length > 0">
        {{
          say(`From below, ${socket.shape}: counted clockwise from ${socket.mark}, the small triangle. Red rims bite.`)
        }}
      </template>
      <template v-else>
        {{
          say('How the pins of this base stand is not known here: count them on the socket before you trust a number.')
        }}
      </template>
      <ul v-if="others.length > 0" class="pt-2">
        <li v-for="one in others" :key="one.name" :class="one.name === pin ? 'font-semibold text-ink' : ''">
          {{ one.name === 'cap' ? 'Top cap' : `Pin ${one.name}` }}
          <span class="font-figures" :class="one.bites ? 'text-bad' : ''">{{ say(one.says) }}</span>
        </li>
      </ul>
    </figcaption>
  </figure>
</template>
