import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';
import { DAY, NIGHT, type Tokens } from './tokens';

const colours = (t: Tokens): Record<string, string> => ({
  background: t.ground,
  surface: t.panel,
  'on-background': t.ink,
  'on-surface': t.ink,
  primary: t.ink,
  secondary: t.muted,
  error: t.stop,
  warning: t.warn,
  success: t.fine,
  accent: t.accent,
  hairline: t.hairline,
  muted: t.muted,
});

const nonce = document.querySelector('meta[name="csp-nonce"]')?.getAttribute('content') ?? '';

/** The component library in our own dress: square corners, hairlines, no shadows. */
export const makeVuetify = (): ReturnType<typeof createVuetify> =>
  createVuetify({
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    theme: {
      cspNonce: nonce,
      defaultTheme: 'day',
      themes: { day: { dark: false, colors: colours(DAY) }, night: { dark: true, colors: colours(NIGHT) } },
    },
    defaults: {
      global: { ripple: false },
      VBtn: { variant: 'outlined', rounded: 0, elevation: 0, size: 'small' },
      VTextField: { variant: 'underlined', density: 'compact', hideDetails: 'auto' },
      VTextarea: { variant: 'underlined', density: 'compact', hideDetails: 'auto' },
      VSelect: {
        variant: 'underlined',
        density: 'compact',
        hideDetails: 'auto',
        menuProps: { transition: false },
      },
      VCheckbox: { density: 'compact', hideDetails: true },
    },
  });
