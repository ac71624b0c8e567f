/** Ink, paper, accents and type: defined here once, for Ant Design, for style sheets and for canvases alike. */
export const colors = {
  ink: '#1D2130',
  inkSoft: '#565C73',
  paper: '#F3F4F8',
  card: '#FFFFFF',
  line: '#D8DBE6',
  lineSoft: '#E9EBF2',
  night: '#15182B',
  onNight: '#EDEEF6',
  onNightSoft: '#B4B9D2',
  accent: '#3F3D8F',
  accentSoft: '#E9E8F6',
  amber: '#E39A12',
  amberSoft: '#FBE7BF',
  amberInk: '#7A4E00',
  teal: '#0B7F78',
  tealInk: '#08665F',
  brick: '#B3382C',
  brickSoft: '#FBEBE8',
  offBar: '#C9CDDB',
} as const;

export const fonts = {
  text: "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', system-ui, sans-serif",
  figures: "'Atkinson Hyperlegible Mono Variable', 'Atkinson Hyperlegible Mono', ui-monospace, monospace",
} as const;

/** The tokens as CSS custom properties: `--ink-soft` and so on. */
export const cssVariables: Readonly<Record<`--${string}`, string>> = Object.fromEntries([
  ...Object.entries(colors).map(([name, value]) => [`--${kebab(name)}`, value]),
  ['--font-text', fonts.text],
  ['--font-figures', fonts.figures],
]);

function kebab(name: string): string {
  return name.replaceAll(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}
