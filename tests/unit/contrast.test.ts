import type { MantineTheme } from '@mantine/core';
import { cssVariablesResolver } from '@/shell/theme/colours';

type Variables = Readonly<Record<string, string>>;
const resolved = cssVariablesResolver({} as MantineTheme);
const SCHEMES: readonly (readonly [name: string, variables: Variables])[] = [
  ['by day', { ...resolved.variables, ...resolved.light }],
  ['in the dark', { ...resolved.variables, ...resolved.dark }],
];

/** A colour as its variable has it, through as many names as it goes by. */
function hexOf(variables: Variables, name: string): string {
  const value = variables[name] ?? '';
  const other = /^var\((--[\w-]+)\)$/.exec(value)?.[1];
  return other ? hexOf(variables, other) : value;
}

/** Relative luminance of sRGB, 0 to 1, by WCAG 2.2. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5]
    .map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(one: string, other: string): number {
  const [light = 0, dark = 0] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (light + 0.05) / (dark + 0.05);
}

/** Words on their ground: 4.5 to 1 at least. */
const READ: readonly (readonly [ink: string, ground: string])[] = [
  ['--ink', '--paper'],
  ['--ink', '--paper-top'],
  ['--ink', '--wash'],
  ['--ink-soft', '--paper'],
  ['--ink-soft', '--paper-top'],
  ['--ink-soft', '--wash'],
  ['--green', '--paper'],
  ['--green', '--paper-top'],
  ['--green-ink', '--green'],
  ['--rust', '--paper'],
  ['--rust', '--paper-top'],
  ['--blue', '--paper'],
  ['--blue', '--paper-top'],
  ['--ink', '--water'],
  ['--mantine-color-text', '--mantine-color-body'],
  ['--mantine-color-dimmed', '--mantine-color-body'],
  ['--mantine-color-error', '--mantine-color-default'],
  ['--mantine-color-placeholder', '--mantine-color-default'],
  ['--mantine-primary-color-contrast', '--mantine-primary-color-filled'],
];

/** What tells a control from its ground, or a drawn thing from paper: 3 to 1 at least. */
const SEEN: readonly (readonly [mark: string, ground: string])[] = [
  ['--mantine-color-default-border', '--paper'],
  ['--green', '--wash'],
  ['--rust', '--wash'],
  ['--leaf', '--paper-top'],
  ['--seed', '--paper-top'],
  ['--wood', '--paper'],
];

test('a known contrast is reckoned as it is: black on white 21 to 1, grey 777 on white 4.48', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});

describe.each(SCHEMES)('%s', (_name, variables) => {
  test.each(READ)('%s is read on %s', (ink, ground) => {
    expect(contrast(hexOf(variables, ink), hexOf(variables, ground))).toBeGreaterThanOrEqual(4.5);
  });
  test.each(SEEN)('%s is seen on %s', (mark, ground) => {
    expect(contrast(hexOf(variables, mark), hexOf(variables, ground))).toBeGreaterThanOrEqual(3);
  });
  test('every colour is told, and none of them twice over as something else', () => {
    for (const name of Object.keys(variables)) {
      const hex = hexOf(variables, name);
      expect([name, hex === 'transparent' || /^#[0-9a-f]{6}$/.test(hex)]).toEqual([name, true]);
    }
    // Green for done, rust for late, blue for cold: three that nobody takes for one another.
    const told = ['--green', '--rust', '--blue'].map((name) => hexOf(variables, name));
    expect(new Set(told).size).toBe(3);
  });
});
