import { ref } from 'vue'

export type Theme = 'light' | 'dark'
const KEY = 'umber.theme'

function stored(): Theme {
  const kept = localStorage.getItem(KEY)
  if (kept === 'light' || kept === 'dark') return kept
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export function applyStoredTheme(): void {
  document.documentElement.dataset['theme'] = stored()
}

/** The theme of this browser, kept between visits. */
export function useTheme() {
  const theme = ref<Theme>(stored())
  function toggle() {
    theme.value = theme.value === 'dark' ? 'light' : 'dark'
    localStorage.setItem(KEY, theme.value)
    applyStoredTheme()
  }
  return { theme, toggle }
}
