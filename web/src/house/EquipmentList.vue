<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { ask, http, orThrow, type Problem, type Schemas } from '../api/client'
import ControlReading from '../cold/ControlReading.vue'
import AppButton from '../ui/AppButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useShop } from '../ui/useShop'

/** What this bench can measure with; the cold plan proposes only what these can make. */
const { say, when } = useShop()
const client = useQueryClient()
const kinds = useQuery({
  queryKey: ['equipment', 'kinds'],
  queryFn: () => orThrow(ask(http.GET('/api/equipment/kinds'))),
  staleTime: Infinity,
})
const items = useQuery({ queryKey: ['equipment'], queryFn: () => orThrow(ask(http.GET('/api/equipment'))) })
const problem = ref<Problem | null>(null)
/** Those that show a figure of a part. */
const provable: readonly string[] = [
  'OHMMETER',
  'DIODE_TEST',
  'AC_METER',
  'INSULATION_TESTER',
  'CAPACITANCE_METER',
  'ESR_METER',
]
const proving = ref('')
const rows = computed(() =>
  (kinds.data.value ?? []).map((kind) => ({
    kind,
    owned: (items.data.value ?? []).filter((item) => item.kind === kind.id && !item.retired),
    retired: (items.data.value ?? []).find((item) => item.kind === kind.id && item.retired),
  })),
)

async function settle(answer: ReturnType<typeof ask<Schemas['EquipmentView'][]>>) {
  const settled = await answer
  problem.value = settled.kind === 'failed' ? settled.problem : null
  if (settled.kind === 'ready') {
    client.setQueryData(['equipment'], settled.value)
    await client.invalidateQueries({ predicate: (q) => ['cold', 'cold-test', 'shelf'].includes(String(q.queryKey[0])) })
  }
}
function toggle(row: (typeof rows.value)[number]) {
  const had = row.owned[0] ?? row.retired
  return had
    ? settle(
        ask(
          http.PUT('/api/equipment', {
            body: { id: had.id, kind: had.kind, name: had.name, retired: !had.retired, version: had.version },
          }),
        ),
      )
    : settle(
        ask(
          http.POST('/api/equipment', {
            body: {
              id: crypto.randomUUID(),
              kind: row.kind.id,
              name: row.kind.label[0]!.toUpperCase() + row.kind.label.slice(1),
              retired: false,
              version: 0,
            },
          }),
        ),
      )
}
</script>

<template>
  <section aria-labelledby="equipment">
    <h2 id="equipment" class="text-lg font-semibold">What this bench has</h2>
    <p class="text-soft">
      The cold bench plans only tests these can make, and says what stays unproven without the rest.
    </p>
    <ul class="mt-2 divide-y divide-line border-y border-line">
      <li v-for="row in rows" :key="row.kind.id" class="py-1">
        <div class="flex items-center gap-3">
          <label class="flex min-h-11 flex-1 items-center gap-3">
            <input type="checkbox" class="size-5 accent-accent" :checked="row.owned.length > 0" @change="toggle(row)" />
            <span class="leading-tight">
              <span class="inline-block font-semibold first-letter:uppercase">
                {{ say(row.owned[0]?.name ?? row.kind.label) }}
              </span>
              <span class="block text-sm text-soft">{{ say(row.kind.what) }}</span>
            </span>
          </label>
          <AppButton
            v-if="row.owned[0] && provable.includes(row.kind.id)"
            look="quiet"
            @click="proving = proving === row.owned[0].id ? '' : row.owned[0].id"
          >
            Prove it
            <span class="sr-only">: {{ row.owned[0].name }}</span>
          </AppButton>
        </div>
        <p
          v-for="item in row.owned.filter((one) => one.lastCheck)"
          :key="item.id"
          class="pl-8 text-sm"
          :class="item.lastCheck!.word === 'GOOD' ? 'text-soft' : 'text-bad'"
        >
          {{ when(item.lastCheck!.at) }}:
          {{
            say(
              `${item.lastCheck!.part}, ${item.lastCheck!.known}, showed ${item.lastCheck!.shown}; ${item.lastCheck!.says}`,
            )
          }}.
        </p>
        <ControlReading
          v-if="row.owned[0] && proving === row.owned[0].id"
          :instrument="{ id: row.owned[0].id, name: row.owned[0].name, checkedLately: false }"
          :unit="
            row.kind.id === 'CAPACITANCE_METER'
              ? 'FARAD'
              : ['AC_METER', 'DC_SUPPLY', 'DIODE_TEST', 'GENERATOR'].includes(row.kind.id)
                ? 'VOLT'
                : 'OHM'
          "
          :say="say"
        />
      </li>
    </ul>
    <ProblemNote :problem="problem" />
  </section>
</template>
