import { createTheme, type MantineColorsTuple } from '@mantine/core';

// Ten steps of our one green, so that Mantine's own states (hover, disabled) stay in the palette.
const leaf: MantineColorsTuple = [
  '#eef6f0',
  '#dcebe1',
  '#b8d7c3',
  '#90c1a2',
  '#6cae85',
  '#4f9c6d',
  '#3b8458',
  '#2c6b47',
  '#21543a',
  '#163a28',
];

export const theme = createTheme({
  fontFamily: "'Atkinson Hyperlegible Next Variable', sans-serif",
  headings: { fontFamily: "'Fraunces Variable', serif", fontWeight: '600' },
  colors: { leaf },
  primaryColor: 'leaf',
  primaryShade: { light: 7, dark: 5 },
  defaultRadius: 10,
  fontSizes: { xs: '15px', sm: '16px', md: '17px', lg: '19px', xl: '22px' },
  respectReducedMotion: true,
});
