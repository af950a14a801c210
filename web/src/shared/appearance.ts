import { ref, watchEffect } from 'vue'
import { useTheme } from 'vuetify'

const key = 'dewpoint.appearance'
type Appearance = 'system' | 'light' | 'dark'

/** Light or dark: follows the system until switched by hand. */
export function useAppearance() {
  const theme = useTheme()
  const chosen = ref<Appearance>((localStorage.getItem(key) as Appearance | null) ?? 'system')
  watchEffect(() => {
    theme.change(chosen.value)
    localStorage.setItem(key, chosen.value)
  })
  return {
    isDark: () => theme.global.current.value.dark,
    toggle: () => {
      chosen.value = theme.global.current.value.dark ? 'light' : 'dark'
    },
  }
}
