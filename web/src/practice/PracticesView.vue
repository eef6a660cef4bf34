<script setup lang="ts">
import { ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import AppButton from '../ui/AppButton.vue'
import PageFrame from '../ui/PageFrame.vue'
import { useShop } from '../ui/useShop'
import { minutesText, usePractices } from './usePractice'

/** Practice sets: a level to begin, and what was done before. */
const { say, when } = useShop()
const { practices, error, begin } = usePractices()
const router = useRouter()
const number = ref('')
const refused = ref('')

async function start(level: Parameters<typeof begin>[0]) {
  const typed = number.value.trim()
  if (typed && !/^[1-9][0-9]{0,8}$/.test(typed)) {
    refused.value = `“${typed}” is no number of a set: whole numbers from 1 to 999999999, or nothing for any set.`
    return
  }
  refused.value = ''
  const begun = await begin(level, typed ? Number(typed) : null)
  if (begun.kind === 'ready') await router.push(`/practice/${begun.value.id}`)
  else refused.value = begun.problem.detail
}
</script>

<template>
  <PageFrame title="Practice" hint="Invented sets with something hidden in them; nothing here can shock or burn">
    <div class="max-w-6xl space-y-8 p-6 max-sm:p-4">
      <section aria-labelledby="begin">
        <h2 id="begin" class="text-lg font-semibold">Begin at a set</h2>
        <p class="max-w-3xl pt-1 text-soft">
          It is built with the tolerances, tubes and line that real sets have. Every reading and test costs bench
          minutes, a wrong part ten of them, and minutes in which something burns count twice.
        </p>
        <ul class="mt-4 grid gap-4 md:grid-cols-2 xl:grid-cols-4">
          <li
            v-for="level in practices?.levels ?? []"
            :key="level.id"
            class="flex flex-col border border-line bg-sheet p-4"
          >
            <h3 class="font-semibold">{{ level.label }}</h3>
            <p class="flex-1 pt-1 pb-4 text-sm text-soft">{{ level.says }}</p>
            <AppButton class="self-start" @click="start(level.id)">
              Begin
              <span class="sr-only">{{ level.label }}</span>
            </AppButton>
          </li>
        </ul>
        <label class="mt-4 flex flex-wrap items-center gap-3 text-sm text-soft">
          The set with the number
          <input
            v-model="number"
            inputmode="numeric"
            autocomplete="off"
            placeholder="any"
            class="min-h-11 w-40 border border-edge bg-raised px-3 font-figures text-base text-ink"
          />
          <span>the same number is the same set, on any machine</span>
        </label>
        <p v-if="refused" class="pt-2 text-bad" role="alert">{{ say(refused) }}</p>
      </section>
      <p v-if="error" class="text-bad">{{ say(error.message) }}</p>
      <section v-if="practices && practices.practices.length > 0" aria-labelledby="before">
        <h2 id="before" class="text-lg font-semibold">Before</h2>
        <ol class="mt-2">
          <li v-for="one in practices.practices" :key="one.id" class="border-t border-line">
            <RouterLink
              :to="`/practice/${one.id}`"
              class="grid min-h-12 grid-cols-[4.5rem_minmax(0,1fr)_auto] items-center gap-4 py-2 hover:bg-raised"
            >
              <span class="text-right font-figures text-xl font-semibold">
                {{ one.score !== null ? `${one.score} %` : one.over ? '–' : '' }}
                <span v-if="!one.over" class="font-sans text-sm font-normal text-soft">goes on</span>
              </span>
              <span>
                <strong>{{ say(one.title) }}</strong>
                <span class="ml-2 text-soft">{{ one.levelLabel }} · no. {{ one.number }}</span>
              </span>
              <span class="text-sm text-soft">
                {{
                  one.gaveUp
                    ? `given up after ${minutesText(one.minutes)}`
                    : one.over
                      ? `found in ${minutesText(one.minutes)}`
                      : `${minutesText(one.minutes)} so far`
                }}
                · {{ one.author }}, {{ when(one.begunAt) }}
              </span>
            </RouterLink>
          </li>
        </ol>
      </section>
    </div>
  </PageFrame>
</template>
