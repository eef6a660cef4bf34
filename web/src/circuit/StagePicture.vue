<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import SchematicPicture from './SchematicPicture.vue'
import { useDrawing } from './useDrawing'

/** The stage around a node, of the same drawing as everywhere: a part at the node is lit. */
const props = defineProps<{ setId: string; node: string; say: (text: string) => string }>()
const { data: drawing, error } = useDrawing(() => props.setId)
const chosen = ref('')
/** A tube's electrode says more about where one is than a resistor's end. */
const at = computed(
  () =>
    drawing.value?.parts
      .filter((part) => part.nodes.includes(props.node))
      .sort((a, b) => b.nodes.length - a.nodes.length) ?? [],
)
watch(
  at,
  (parts) => {
    chosen.value = parts[0]?.reference ?? ''
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="error" class="py-2 text-bad">{{ error.message }}</p>
  <p v-else-if="drawing && drawing.parts.length === 0" class="py-2 text-soft">
    No circuit yet, so nothing is drawn. Type the set’s tubes under Circuit, Drawing.
  </p>
  <!-- Out of the flow: a picture of any width must not widen what it stands in. -->
  <div v-else-if="drawing" class="relative h-full min-h-48">
    <SchematicPicture
      class="absolute inset-0"
      :drawing="drawing"
      :chosen="chosen"
      :zoom="0.85"
      walking
      :say="say"
      @choose="chosen = $event"
      @open="$router.push(`/sets/${setId}/circuit?part=${$event}`)"
    />
  </div>
  <p v-else class="py-2 text-soft">Drawing the circuit…</p>
</template>
