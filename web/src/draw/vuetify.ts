import { createVuetify } from 'vuetify';
import { VBtn } from 'vuetify/components/VBtn';
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

const FIELD = { variant: 'underlined', density: 'compact', hideDetails: 'auto' } as const;
const SMALL = { density: 'compact', hideDetails: true } as const;

/**
 * The component library in our own dress: square corners, hairlines, no shadows. Every size of a control is set here,
 * and what is left for style in controls.css; pages set none.
 */
export const makeVuetify = (): ReturnType<typeof createVuetify> =>
  createVuetify({
    icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
    aliases: { PlainButton: VBtn, BoxedButton: VBtn },
    theme: {
      cspNonce: nonce,
      defaultTheme: 'day',
      themes: { day: { dark: false, colors: colours(DAY) }, night: { dark: true, colors: colours(NIGHT) } },
    },
    defaults: {
      global: { ripple: false },
      VBtn: { variant: 'outlined', rounded: 0, elevation: 0, size: 'small' },
      PlainButton: { variant: 'text', rounded: 0, class: 'plain' },
      BoxedButton: { variant: 'outlined', rounded: 0, class: 'boxed' },
      VTextField: FIELD,
      VTextarea: FIELD,
      VSelect: { ...FIELD, menuProps: { transition: false } },
      VCheckbox: SMALL,
      VRadioGroup: { ...SMALL, inline: true },
      VSlider: { ...SMALL, color: 'primary', trackSize: 2, thumbSize: 14 },
      VDialog: { transition: false },
      VCard: { rounded: 0, elevation: 0 },
    },
  });

declare module 'vue' {
  interface GlobalComponents {
    PlainButton: typeof VBtn;
    BoxedButton: typeof VBtn;
  }
}
