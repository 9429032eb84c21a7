import { createVuetify } from 'vuetify'
import 'vuetify/styles/core'
import { aliases, ink } from './icons'

const nonce = document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content

/** Square, a line thin, tall enough for gloves; what is wrong stands below. */
const field = {
  variant: 'outlined',
  density: 'compact',
  rounded: 0,
  hideDetails: 'auto',
  color: 'primary',
} as const

/** Ink on workshop paper by day, chalk on slate in the evening; one strong colour, for "chosen". */
export const vuetify = createVuetify({
  theme: {
    cspNonce: nonce,
    defaultTheme: 'system',
    themes: {
      light: {
        dark: false,
        colors: {
          background: '#f3f1e7',
          surface: '#fbfaf4',
          'on-background': '#1d2320',
          'on-surface': '#1d2320',
          primary: '#2338b5',
          'on-primary': '#ffffff',
          error: '#a3231a',
          warning: '#7d4e00',
        },
      },
      dark: {
        dark: true,
        colors: {
          background: '#14181b',
          surface: '#1c2226',
          'on-background': '#e6e3d8',
          'on-surface': '#e6e3d8',
          primary: '#9dafff',
          'on-primary': '#10153a',
          error: '#ff9c8f',
          warning: '#f0bd62',
        },
      },
    },
  },
  icons: { defaultSet: 'ink', sets: { ink }, aliases },
  defaults: {
    VBtn: { variant: 'outlined', rounded: 0, ripple: false },
    VBtnToggle: { variant: 'outlined', rounded: 0, density: 'compact', divided: true },
    VCard: { rounded: 0, elevation: 0 },
    VAlert: { rounded: 0 },
    VProgressLinear: { rounded: false },
    VTooltip: { eager: false, transition: false },
    VDialog: { maxWidth: 560, transition: false },
    VSelect: field,
    VCombobox: field,
    VTextarea: field,
    VAutocomplete: field,
    VTextField: field,
    VRadioGroup: { hideDetails: true, density: 'compact', color: 'primary' },
    VRadio: { ripple: false },
    VList: { density: 'compact', rounded: 0 },
    VListItem: { rounded: 0, ripple: false },
    VMenu: { transition: false },
    VKbd: { rounded: 0, elevation: 0, border: false },
  },
})
