<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { session } from '../account/session'
import type { Problem } from '../api/client'
import AppButton from '../ui/AppButton.vue'
import CautionNote from '../ui/CautionNote.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import VerdictMark from '../ui/VerdictMark.vue'
import { useShop } from '../ui/useShop'
import { usePower, type CheckView } from './usePower'

/** Checks while the set has limited power; what its figures say is said as they are typed. */
const props = defineProps<{ setId: string }>()
const { say } = useShop()
const { power, check, preview } = usePower(() => props.setId)
const drafts = reactive<Record<string, Record<string, string>>>({})
const said = reactive<Record<string, { verdict: CheckView['verdict']; says: string }>>({})
const problems = reactive<Record<string, Problem | null>>({})
const kept = ref('')
const checks = computed(() => power.value?.checks ?? [])
function cells(one: CheckView) {
  return (drafts[one.id] ??= Object.fromEntries(one.cells.map((cell) => [cell.key, cell.value])))
}
async function changed(one: CheckView) {
  kept.value = ''
  const answer = await preview(one.id, cells(one))
  problems[one.id] = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') said[one.id] = answer.value
}
async function keep(one: CheckView) {
  const answer = await check(one.id, cells(one), '')
  problems[one.id] = answer.kind === 'failed' ? answer.problem : null
  if (answer.kind === 'ready') {
    delete said[one.id]
    delete drafts[one.id]
    kept.value = one.id
  }
}
const verdict = (one: CheckView) => said[one.id]?.verdict ?? one.verdict
const says = (one: CheckView) => said[one.id]?.says ?? one.says
</script>

<template>
  <div class="h-full overflow-auto">
    <CautionNote>
      <p>
        Hand and heart at risk: clip on with the plug out, hands away before it goes in, and pull it before any clip is
        moved. Off is not dead: cord, switch and fuse carry the line while it is plugged in.
      </p>
    </CautionNote>
    <article
      v-for="one in checks"
      :key="one.id"
      class="border-b border-line bg-sheet px-5 py-4"
      :aria-label="say(one.title)"
    >
      <h2 class="flex items-center gap-3 text-lg font-semibold">
        <VerdictMark :verdict="verdict(one)" />
        {{ say(one.title) }}
      </h2>
      <p class="max-w-4xl py-1">{{ say(one.how) }}</p>
      <form class="flex flex-wrap items-end gap-3 pt-1" @submit.prevent="keep(one)">
        <template v-for="cell in one.cells" :key="cell.key">
          <fieldset v-if="cell.choices.length > 0">
            <legend class="mb-1 text-sm text-soft">{{ say(cell.label) }}</legend>
            <div class="flex">
              <label
                v-for="choice in cell.choices"
                :key="choice"
                class="flex min-h-11 cursor-pointer items-center border border-line px-3 first:rounded-l last:rounded-r has-checked:bg-accent has-checked:text-on-accent"
              >
                <input
                  v-model="cells(one)[cell.key]"
                  type="radio"
                  class="sr-only"
                  :name="`${one.id}-${cell.key}`"
                  :value="choice"
                  :disabled="!session.mayWrite.value"
                  @change="changed(one)"
                />
                {{ say(choice) }}
              </label>
            </div>
          </fieldset>
          <label v-else class="block">
            <span class="mb-1 block text-sm text-soft">{{ say(cell.label) }}</span>
            <span class="flex items-baseline gap-1">
              <input
                v-model="cells(one)[cell.key]"
                autocomplete="off"
                class="min-h-11 w-28 rounded border border-line bg-raised px-2 font-figures"
                :placeholder="say(cell.expected)"
                :readonly="!session.mayWrite.value"
                @change="changed(one)"
              />
              <span class="text-soft">{{ cell.unit }}</span>
            </span>
          </label>
        </template>
        <AppButton v-if="session.mayWrite.value" look="main" type="submit">Keep</AppButton>
        <span v-if="kept === one.id" role="status" class="pb-2 text-good">Kept.</span>
      </form>
      <p v-if="says(one)" class="max-w-4xl pt-2 font-semibold" role="status">{{ say(says(one)) }}</p>
      <ProblemNote :problem="problems[one.id] ?? null" class="mt-2" />
    </article>
  </div>
</template>
