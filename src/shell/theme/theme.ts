import { createTheme } from '@mantine/core';
import { leaf, paper, rust, slate, water } from './colours';
import kit from './kit.module.css';

/** The kit in our look: what every control is unless a screen says otherwise. */
export const theme = createTheme({
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
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
    Alert: { classNames: { root: kit.alert, message: kit.alertMessage } },
    Button: {
      defaultProps: { variant: 'plain' },
      classNames: { root: kit.button, inner: kit.buttonInner, label: kit.buttonLabel },
    },
    Input: { classNames: { input: kit.input } },
    InputWrapper: { classNames: { label: kit.label, description: kit.description, error: kit.error } },
    Kbd: { classNames: { root: kit.kbd } },
    Modal: {
      defaultProps: { centered: true, withCloseButton: false, transitionProps: { duration: 0 } },
      classNames: {
        content: kit.dialog,
        header: kit.dialogHead,
        title: kit.dialogTitle,
        body: kit.dialogBody,
        overlay: kit.overlay,
      },
    },
    Menu: {
      defaultProps: { radius: 'lg', offset: 4, transitionProps: { duration: 0 } },
      classNames: { dropdown: kit.dropdown, item: kit.option },
    },
    Notification: {
      classNames: { root: kit.notification, description: kit.notificationWords, closeButton: kit.close },
    },
    Popover: {
      defaultProps: { radius: 'lg', transitionProps: { duration: 0 } },
      classNames: { dropdown: kit.dropdown },
    },
    DateInput: { defaultProps: { size: 'md', highlightToday: true }, classNames: { day: kit.day } },
    Combobox: { classNames: { dropdown: kit.dropdown, option: kit.option } },
    Checkbox: { defaultProps: { size: 'lg' }, classNames: { body: kit.check, label: kit.checkLabel } },
    Switch: { defaultProps: { size: 'lg' }, classNames: { body: kit.check, label: kit.checkLabel } },
    Dropzone: { classNames: { root: kit.dropzone, inner: kit.dropzoneInner } },
    NumberInput: { defaultProps: { hideControls: true } },
    RadioCard: { defaultProps: { withBorder: false }, classNames: { card: kit.choice } },
    Table: { defaultProps: { captionSide: 'top' }, classNames: { table: kit.table } },
  },
});
