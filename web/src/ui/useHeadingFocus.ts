import { onMounted, useTemplateRef } from 'vue'

/** Moves the focus to a page's heading when the page opens, so that a screen reader and the keyboard start there. */
export function useHeadingFocus(name: string) {
  const heading = useTemplateRef<HTMLElement>(name)
  onMounted(() => heading.value?.focus({ preventScroll: true }))
  return heading
}
