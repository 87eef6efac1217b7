import { createTheme } from '@mantine/core';
import { leaf, paper, rust, slate, water } from './colours';
import kit from './kit.module.css';

const INK_EDGE = '2px solid var(--ink)';
const words = { fontSize: '1.0625rem' };
const said = { fontSize: '1rem' };
const check = { alignItems: 'center', minHeight: '3rem' };
const dropdown = { border: INK_EDGE, background: 'var(--paper-top)', padding: '0.75rem' };
const option = { ...words, minHeight: '3rem', borderRadius: 'var(--mantine-radius-sm)' };

/** The kit in our look: what every control is unless a screen says otherwise. */
export const theme = createTheme({
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
  fontWeights: { regular: '400', medium: '650', bold: '700' },
  headings: { fontFamily: "'Fraunces Variable', serif", fontWeight: '600' },
  white: '#fffdf6',
  black: '#1c2b33',
  // Under the kit's own names, so that no part of it shows a colour that is not ours.
  colors: { leaf, gray: paper, dark: slate, red: rust, blue: water },
  primaryColor: 'leaf',
  primaryShade: { light: 7, dark: 5 },
  defaultRadius: 'md',
  radius: { xs: '0.25rem', sm: '0.5rem', md: '0.625rem', lg: '0.75rem', xl: '0.875rem' },
  spacing: { xs: '0.5rem', sm: '0.75rem', md: '1rem', lg: '1.5rem', xl: '2rem' },
  fontSizes: { xs: '0.9375rem', sm: '1rem', md: '1.0625rem', lg: '1.1875rem', xl: '1.375rem' },
  lineHeights: { xs: '1.3', sm: '1.4', md: '1.42', lg: '1.42', xl: '1.42' },
  shadows: { xs: 'none', sm: 'none', md: 'none', lg: 'none', xl: 'none' },
  respectReducedMotion: true,
  cursorType: 'pointer',
  // Told by name: the theme brings no part of the kit to a page that does not use it.
  components: {
    Alert: { classNames: { root: kit.alert }, styles: { message: { font: 'inherit', color: 'inherit' } } },
    Button: {
      defaultProps: { variant: 'plain' },
      classNames: { root: kit.button, inner: kit.buttonInner, label: kit.buttonLabel },
    },
    Input: { classNames: { input: kit.input } },
    InputWrapper: {
      styles: { label: { ...words, marginBottom: '0.25rem' }, description: said, error: said },
    },
    Kbd: {
      classNames: { root: kit.kbd },
      styles: {
        root: {
          border: '1.3px solid currentColor',
          background: 'none',
          color: 'inherit',
          font: 'inherit',
          fontSize: '0.9375rem',
        },
      },
    },
    Modal: {
      defaultProps: {
        centered: true,
        withCloseButton: false,
        radius: 'xl',
        transitionProps: { duration: 0 },
      },
      styles: {
        content: { border: INK_EDGE, background: 'var(--paper-top)' },
        header: { padding: '1.25rem 1.75rem 0', background: 'none' },
        title: { font: "600 1.5625rem / 1.12 'Fraunces Variable', serif" },
        body: { padding: '1rem 1.75rem 1.5rem' },
        overlay: { background: 'rgb(20 29 36 / 0.5)' },
      },
    },
    Menu: {
      defaultProps: { radius: 'lg', offset: 4, transitionProps: { duration: 0 } },
      styles: { dropdown, item: option },
    },
    Notification: {
      classNames: { root: kit.notification },
      styles: {
        root: {
          '--notification-color': 'transparent',
          minHeight: '3.5rem',
          borderTop: '2px solid var(--line)',
          borderRadius: 0,
          background: 'var(--paper-top)',
          padding: '0 1rem 0 1.75rem',
        },
        description: { ...said, color: 'var(--ink)', overflowWrap: 'anywhere' },
        closeButton: { width: '3rem', height: '3rem', color: 'var(--ink)' },
      },
    },
    Popover: { defaultProps: { radius: 'lg', transitionProps: { duration: 0 } }, styles: { dropdown } },
    DateInput: {
      defaultProps: { size: 'md', highlightToday: true },
      styles: { day: { width: '2.75rem', height: '2.75rem', fontSize: '1.0625rem' } },
    },
    Combobox: { styles: { dropdown, option } },
    Checkbox: { defaultProps: { size: 'lg' }, styles: { body: check, label: words } },
    Switch: { defaultProps: { size: 'lg' }, styles: { body: check, label: words } },
    NumberInput: { defaultProps: { hideControls: true } },
    RadioCard: { defaultProps: { withBorder: false }, classNames: { card: kit.choice } },
    Table: { defaultProps: { captionSide: 'top' }, classNames: { table: kit.table } },
  },
});
