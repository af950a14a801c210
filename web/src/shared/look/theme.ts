import {
  mdiAlertOctagonOutline,
  mdiBookOpenVariantOutline,
  mdiCheck,
  mdiChevronRight,
  mdiClose,
  mdiKeyboardOutline,
  mdiMenuDown,
  mdiPlus,
  mdiUndoVariant,
  mdiSineWave,
  mdiWeatherNight,
  mdiWhiteBalanceSunny,
} from '@mdi/js'
import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'
import 'vuetify/styles'

const light = {
  dark: false,
  colors: {
    background: '#f6f2ea',
    surface: '#fffdf8',
    'on-background': '#1c2628',
    'on-surface': '#1c2628',
    primary: '#a14b1c',
    'on-primary': '#fffdf8',
    ink: '#1c2628',
    'on-ink': '#f6f2ea',
    dim: '#566260',
    rule: '#ddd5c6',
    flow: '#b5462f',
    return: '#22677c',
    proven: '#2b6a4b',
    live: '#7d5900',
    violet: '#665191',
    moss: '#5d6a1f',
    wash: '#f1dfd4',
    error: '#a3271c',
    success: '#2b6a4b',
  },
}

const dark = {
  dark: true,
  colors: {
    background: '#12191b',
    surface: '#1a2427',
    'on-background': '#e9e4da',
    'on-surface': '#e9e4da',
    primary: '#e08a55',
    'on-primary': '#1c1208',
    ink: '#e9e4da',
    'on-ink': '#12191b',
    dim: '#a3aeab',
    rule: '#334043',
    flow: '#e58a73',
    return: '#72b6cb',
    proven: '#7cc19b',
    live: '#dcb052',
    violet: '#b5a2dd',
    moss: '#b3c06b',
    wash: '#3a2a20',
    error: '#f2907f',
    success: '#7cc19b',
  },
}

/** The look of Dewpoint: copper and condensate, flat, hairline rules, large targets. Set once, here. */
export const vuetify = createVuetify({
  icons: {
    defaultSet: 'mdi',
    aliases: {
      ...aliases,
      stop: mdiAlertOctagonOutline,
      library: mdiBookOpenVariantOutline,
      bench: mdiSineWave,
      tick: mdiCheck,
      go: mdiChevronRight,
      away: mdiClose,
      keys: mdiKeyboardOutline,
      open: mdiMenuDown,
      add: mdiPlus,
      undo: mdiUndoVariant,
      night: mdiWeatherNight,
      day: mdiWhiteBalanceSunny,
    },
    sets: { mdi },
  },
  theme: { defaultTheme: 'system', themes: { light, dark } },
  defaults: {
    global: { ripple: false },
    VBtn: { elevation: 0, height: 48, rounded: 'lg', variant: 'outlined', class: 'text-none' },
    VTextField: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto', rounded: 'lg' },
    VTextarea: { variant: 'outlined', hideDetails: 'auto', rounded: 'lg', rows: 2, autoGrow: true },
    VAutocomplete: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto', rounded: 'lg' },
  },
})
