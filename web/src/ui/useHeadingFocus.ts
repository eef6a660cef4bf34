import { whenever } from '@vueuse/core'
import { onMounted, useTemplateRef } from 'vue'

/**
 * Moves the focus to a page's heading when the page opens, so that a screen reader and the keyboard start there; where
 * the heading waits for its data, as soon as it is there.
 */
export function useHeadingFocus(name: string) {
  const heading = useTemplateRef<HTMLElement>(name)
  const focus = (there: HTMLElement) => there.focus({ preventScroll: true })
  onMounted(() => {
    if (heading.value) focus(heading.value)
    else whenever(heading, focus, { once: true, flush: 'post' })
  })
  return heading
}
