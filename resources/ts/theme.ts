import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** Labels and hints at full strength: paler ones fail the contrast that small type needs. */
const readable = { 'high-emphasis-opacity': 1, 'medium-emphasis-opacity': 0.9 }

/** A signal box at night: blue-green ground, bone ink, colour only for what is alive or wrong. */
const night = {
  dark: true,
  variables: readable,
  colors: {
    background: '#0b1d20',
    surface: '#11292d',
    'surface-bright': '#1a393e',
    'surface-light': '#1a393e',
    'surface-variant': '#23474d',
    primary: '#ece4d0',
    secondary: '#a9bab4',
    error: '#ff9a86',
    warning: '#f2b65a',
    success: '#7fd3ab',
    info: '#ece4d0',
    'on-primary': '#0b1d20',
    'on-background': '#ece4d0',
    'on-surface': '#ece4d0',
    'on-surface-variant': '#ece4d0',
  },
}

const day = {
  dark: false,
  variables: readable,
  colors: {
    background: '#f0ebdf',
    surface: '#faf7ef',
    'surface-bright': '#ffffff',
    'surface-light': '#e6dfcf',
    'surface-variant': '#dcd4c2',
    primary: '#12343a',
    secondary: '#4a605b',
    error: '#a42a13',
    warning: '#7d5200',
    success: '#12633f',
    info: '#12343a',
    'on-primary': '#faf7ef',
    'on-background': '#12282b',
    'on-surface': '#12282b',
    'on-surface-variant': '#12282b',
  },
}

export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: { defaultTheme: localStorage.getItem('theme') === 'day' ? 'day' : 'night', themes: { night, day } },
  defaults: {
    VBtn: { variant: 'outlined', rounded: '2', height: 36, elevation: 0, ripple: false },
    VTextField: { variant: 'outlined', density: 'compact', rounded: '2', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'compact', rounded: '2', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'compact', rounded: '2', hideDetails: 'auto' },
    VCombobox: { variant: 'outlined', density: 'compact', rounded: '2', hideDetails: 'auto' },
    VTextarea: { variant: 'outlined', rounded: '2', hideDetails: 'auto' },
    VSwitch: { density: 'compact', hideDetails: true, inset: false, color: 'success' },
    VDialog: { maxWidth: 560, transition: false },
    VAlert: { variant: 'outlined', rounded: '2', density: 'compact' },
  },
})
