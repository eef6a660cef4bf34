<script setup lang="ts">
import { computed, ref } from 'vue'
import { ask, http, type Problem, type Schemas } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { filled, sectionName } from './columns'

/** All that is known of one type. */
const props = defineProps<{ tube: Schemas['TubeView']; asked: string; say: (text: string) => string }>()
const emit = defineEmits<{ change: []; removed: [] }>()
const columns = computed(() => filled(props.tube.rows))
const problem = ref<Problem | null>(null)
const sure = { HIGH: 'printed and compared', MEDIUM: 'from one list', LOW: 'low: helps to expect, accuses no part' }

async function remove() {
  const query = { name: props.tube.row.name, seen: props.tube.seen }
  const answer = await ask(http.DELETE('/api/tubes/type', { params: { query } }))
  problem.value = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') emit('removed')
}
</script>

<template>
  <article>
    <div class="flex flex-wrap items-baseline gap-x-4">
      <h2 id="tube-name" tabindex="-1" class="font-figures text-3xl font-semibold">{{ tube.row.name }}</h2>
      <p class="text-lg">{{ say(tube.row.use) }}</p>
      <p v-if="tube.row.own" class="font-semibold text-accent">
        {{ tube.replaces ? 'yours, in place of the table’s' : 'yours' }}
      </p>
      <p v-else-if="asked.toUpperCase() !== tube.row.name" class="text-soft">found as {{ asked }}</p>
    </div>
    <p v-if="tube.sisters.length > 0" class="mt-1 text-soft">
      also {{ tube.sisters.join(', ') }}; another base or heater is possible
    </p>
    <dl class="mt-4 grid grid-cols-[8rem_1fr] gap-x-4 gap-y-2">
      <dt class="text-soft">{{ say('Heater') }}</dt>
      <dd class="font-figures">{{ tube.row.heater ? say(tube.row.heater) : 'not known' }}</dd>
      <dt class="text-soft">Base</dt>
      <dd class="font-figures">{{ tube.row.base || 'not known' }}</dd>
      <dt class="text-soft">Pins</dt>
      <dd>
        <ol v-if="tube.pins.length > 0" class="flex flex-wrap gap-1.5">
          <li v-for="pin in tube.pins" :key="pin.pin" class="rounded border border-line bg-raised px-2 py-1">
            <strong class="font-figures">{{ pin.pin }}</strong>
            {{ pin.electrode }}
          </li>
        </ol>
        <span v-else>not known</span>
      </dd>
      <dt class="text-soft">Sure</dt>
      <dd>{{ sure[tube.confidence] }}</dd>
      <template v-if="tube.note">
        <dt class="text-soft">Note</dt>
        <dd>{{ say(tube.note) }}</dd>
      </template>
    </dl>
    <h3 class="mt-5 font-semibold">Published points</h3>
    <div v-if="tube.row.known" class="mt-1 overflow-x-auto">
      <table class="border-collapse text-left">
        <thead>
          <tr class="align-bottom text-sm leading-tight text-soft">
            <th scope="col" class="py-1 pr-5 font-normal">Section</th>
            <th v-for="column in columns" :key="column.id" scope="col" class="py-1 pr-5 text-right font-normal">
              <abbr class="no-underline" :title="say(column.name)">{{ say(column.short) }}</abbr>
              <span class="block">{{ column.unit || ' ' }}</span>
            </th>
            <th scope="col" class="py-1 font-normal">Sure</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, index) in tube.rows" :key="index" class="border-t border-line">
            <th scope="row" class="py-2 pr-5 font-normal whitespace-nowrap">{{ say(sectionName(row)) }}</th>
            <td v-for="column in columns" :key="column.id" class="py-2 pr-5 text-right font-figures">
              {{ say(row[column.id] ?? '') }}
            </td>
            <td class="py-2 text-sm" :class="row['confidence'] === 'low' ? 'text-doubt' : 'text-soft'">
              {{ row['confidence'] ?? 'medium' }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <ul v-if="tube.says.length > 0" class="mt-3 list-disc pl-5">
      <li v-for="sentence in tube.says" :key="sentence" class="text-doubt">{{ say(sentence) }}</li>
    </ul>
    <div class="mt-5 flex flex-wrap gap-3">
      <AppButton look="main" @click="$emit('change')">
        {{ tube.row.own ? 'Change' : 'Your own figures for it' }}
      </AppButton>
      <AppButton v-if="tube.row.own" look="danger" @click="remove">
        {{ tube.replaces ? 'Back to the table’s figures' : 'Remove' }}
      </AppButton>
    </div>
    <ProblemNote class="mt-3" :problem="problem" />
  </article>
</template>
