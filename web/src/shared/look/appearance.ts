import { ref, watchEffect } from 'vue'
import { useTheme } from 'vuetify'
import { recall, remember } from '../../keeping/device/storage.ts'

const key = 'dewpoint.appearance'
type Appearance = 'system' | 'light' | 'dark'

/** Light or dark: follows the system until switched by hand. */
export function useAppearance() {
  const theme = useTheme()
  const chosen = ref<Appearance>((recall(key) as Appearance | null) ?? 'system')
  watchEffect(() => {
    theme.change(chosen.value)
    remember(key, chosen.value)
  })
  return {
    isDark: () => theme.global.current.value.dark,
    toggle: () => {
      chosen.value = theme.global.current.value.dark ? 'light' : 'dark'
    },
  }
}
