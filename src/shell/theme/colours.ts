import type { CSSVariablesResolver, MantineColorsTuple } from '@mantine/core';

/** Ten steps of our one green, so that the kit's own states (hover, chosen) stay in the palette. */
export const leaf: MantineColorsTuple = [
  '#eef6f0',
  '#dcebe1',
  '#b8d7c3',
  '#90c1a2',
  '#6cae85',
  '#4f9c6d',
  '#3b8458',
  '#2a6a47',
  '#21543a',
  '#163a28',
];

/** Paper, from the sheet to the wood of the bench: what the kit calls grey by day. */
export const paper: MantineColorsTuple = [
  '#f4efe6',
  '#efe9dd',
  '#e9e2d4',
  '#d3cabb',
  '#bdb3a3',
  '#9a9184',
  '#6f6e68',
  '#465760',
  '#2f3f48',
  '#1c2b33',
];

/** Wet slate, from what is written on it to its ground: what the kit calls dark. */
export const slate: MantineColorsTuple = [
  '#eee8db',
  '#d6d6cf',
  '#b6c0c4',
  '#8f9ca2',
  '#36454f',
  '#2a3842',
  '#1d2932',
  '#141d24',
  '#10181e',
  '#0b1116',
];

/** Rust, for what is late or ends: what the kit calls red. */
export const rust: MantineColorsTuple = [
  '#fbeee9',
  '#f5d8cd',
  '#eebbaa',
  '#f2a084',
  '#dd8164',
  '#c65f42',
  '#b04a30',
  '#9c3f27',
  '#7d3220',
  '#5e2518',
];

/** Cold water: what the kit calls blue. */
export const water: MantineColorsTuple = [
  '#e9f1f6',
  '#cfe0e8',
  '#b2cfdf',
  '#8bc4ea',
  '#5d9cc4',
  '#3c7ea9',
  '#2a6a95',
  '#1f5a80',
  '#194a69',
  '#123850',
];

// Paper and slate, one green for what is done or alive, one rust for what is late or ends, one blue
// for cold and water; the rest are what the drawings are made of.
const BY_DAY = {
  '--paper': '#f4efe6',
  '--paper-top': '#fffdf6',
  '--ink': '#1c2b33',
  '--ink-soft': '#465760',
  '--line': '#d3cabb',
  '--green': '#2a6a47',
  '--green-ink': '#fffdf6',
  '--rust': '#9c3f27',
  '--blue': '#1f5a80',
  '--water': '#cfe0e8',
  '--murk': '#cfc7a8',
  '--leaf': '#5f8f6a',
  '--seed': '#6b5338',
  '--wood': '#7a6450',
  '--wash': '#e9e2d4',
  '--dip': '#f4efe6',
};
const IN_THE_DARK: Readonly<Record<keyof typeof BY_DAY, string>> = {
  '--paper': '#141d24',
  '--paper-top': '#1d2932',
  '--ink': '#eee8db',
  '--ink-soft': '#b6c0c4',
  '--line': '#36454f',
  '--green': '#7cc795',
  '--green-ink': '#0e1a13',
  '--rust': '#f2a084',
  '--blue': '#8bc4ea',
  '--water': '#24475c',
  '--murk': '#4d4a34',
  '--leaf': '#5d9a70',
  '--seed': '#8a6d4b',
  '--wood': '#9a8368',
  '--wash': '#1b2730',
  '--dip': '#141d24',
};

/** What the kit calls its own colours by, said in ours. */
const KIT = {
  '--mantine-color-body': 'var(--paper)',
  '--mantine-color-text': 'var(--ink)',
  '--mantine-color-dimmed': 'var(--ink-soft)',
  '--mantine-color-placeholder': 'var(--ink-soft)',
  '--mantine-color-error': 'var(--rust)',
  '--mantine-color-default': 'var(--paper-top)',
  '--mantine-color-default-hover': 'var(--wash)',
  '--mantine-color-default-color': 'var(--ink)',
  '--mantine-color-default-border': 'var(--ink-soft)',
  '--mantine-color-disabled': 'transparent',
  '--mantine-color-disabled-color': 'var(--ink-soft)',
  '--mantine-color-disabled-border': 'var(--line)',
  '--mantine-primary-color-filled': 'var(--green)',
  '--mantine-primary-color-filled-hover': 'var(--green)',
  '--mantine-primary-color-contrast': 'var(--green-ink)',
};

export const cssVariablesResolver: CSSVariablesResolver = () => ({
  variables: BY_DAY,
  light: KIT,
  dark: { ...IN_THE_DARK, ...KIT },
});
