const COLOURS = ['ground', 'sheet', 'raised', 'line', 'ink', 'quiet', 'thread', 'focus', 'select'] as const;

/** Colours of the theme, as a canvas wants them. */
export type BayTheme = Readonly<Record<(typeof COLOURS)[number], string>>;

/** The theme in force at an element, read from its custom properties. */
export function themeOf(element: Element): BayTheme {
  const style = getComputedStyle(element);
  return Object.fromEntries(
    COLOURS.map((name) => [name, style.getPropertyValue(`--ft-${name}`).trim()]),
  ) as unknown as BayTheme;
}
