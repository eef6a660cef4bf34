<script setup lang="ts">
import { computed, ref } from 'vue'
import CautionNote from '../ui/CautionNote.vue'
import AgentTable from './AgentTable.vue'
import { useMaterials } from './useWorks'

/** Which agent may touch which material, found by a few letters. */
defineProps<{ setId: string }>()
const { data, error } = useMaterials()
const wanted = ref('')
const chosen = ref('')
const names = computed(() => [...new Set((data.value ?? []).map((one) => one.material))])
const listed = computed(() =>
  names.value.filter((one) => one.toLowerCase().includes(wanted.value.trim().toLowerCase())),
)
const at = computed(() => (listed.value.includes(chosen.value) ? chosen.value : (listed.value[0] ?? '')))
const agents = computed(() => (data.value ?? []).filter((one) => one.material === at.value))
</script>

<template>
  <div class="h-full">
    <CautionNote>
      <p>
        Plug out. Solvent vapour lights from an iron, a lamp or a motor: small amounts, window open, no heat until dry.
        Try every agent first where nobody looks.
      </p>
    </CautionNote>
    <p v-if="error" role="alert" class="p-6 text-bad">{{ error.message }}</p>
    <div v-else class="grid lg:grid-cols-[20rem_minmax(0,1fr)]">
      <nav class="border-line px-5 py-4 lg:border-r" aria-label="Materials">
        <label class="block text-sm text-soft">
          Find a material
          <input
            v-model="wanted"
            type="search"
            autocomplete="off"
            placeholder="shellac, dial, knob…"
            class="mt-1 min-h-11 w-full rounded border border-line bg-raised px-3 text-base text-ink"
          />
        </label>
        <ul class="mt-2 max-lg:max-h-56 max-lg:overflow-auto">
          <li v-for="name in listed" :key="name">
            <button
              class="min-h-11 w-full border-l-4 px-3 text-left lg:min-h-9"
              :class="name === at ? 'border-l-accent bg-mark font-semibold' : 'border-l-transparent hover:bg-mark/50'"
              :aria-current="name === at"
              @click="chosen = name"
            >
              {{ name }}
            </button>
          </li>
        </ul>
        <p v-if="listed.length === 0" class="mt-3 text-soft">
          Nothing is known of “{{ wanted }}” here: try the mildest agent where nobody looks.
        </p>
      </nav>
      <section class="max-w-4xl px-5 py-4" aria-live="polite">
        <h2 class="mb-2 text-lg font-semibold">{{ at.charAt(0).toUpperCase() + at.slice(1) }}</h2>
        <AgentTable :agents="agents" />
      </section>
    </div>
  </div>
</template>
