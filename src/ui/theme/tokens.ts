/** How the screen looks: by day, or dark at the bench so that its own light does not spoil a dark reading. */
export const looks = ['day', 'dark-bench'] as const;
export type Look = (typeof looks)[number];

/** The cookie that keeps the look, so that the server sends the page dark from its first byte. */
export const LOOK_COOKIE = 'yemko-look';

/** What may be chosen: a look, or the one that the system asks for. */
export const lookChoices = [...looks, 'system'] as const;
export type LookChoice = (typeof lookChoices)[number];

/** What a cookie names; by day where it names nothing. */
export function lookChoiceOf(value: string | undefined): LookChoice {
  return lookChoices.find((look) => look === value) ?? 'day';
}

/** The look that a choice comes to. @param systemIsDark what the system asks for; a server does not know it */
export function lookOf(choice: LookChoice, systemIsDark: boolean): Look {
  if (choice !== 'system') return choice;
  return systemIsDark ? 'dark-bench' : 'day';
}

const day = {
  ink: '#1D2130',
  inkSoft: '#565C73',
  hint: '#6B7188',
  paper: '#F3F4F8',
  card: '#FFFFFF',
  field: '#B9BED0',
  line: '#D8DBE6',
  lineSoft: '#E9EBF2',
  tick: '#9AA0B6',
  aside: '#8D93AB',
  night: '#15182B',
  nightSoft: '#262A45',
  nightLine: '#7D83A0',
  onNight: '#EDEEF6',
  onNightSoft: '#B4B9D2',
  onNightBrick: '#FFC9C1',
  onAccent: '#FFFFFF',
  accent: '#3F3D8F',
  accentSoft: '#E9E8F6',
  focusOnNight: '#B9B7F2',
  amber: '#E39A12',
  amberSoft: '#FBE7BF',
  amberPale: '#FFF7E6',
  amberLine: '#EFD49A',
  amberInk: '#7A4E00',
  teal: '#0B7F78',
  tealInk: '#08665F',
  brick: '#B3382C',
  brickSoft: '#FBEBE8',
  brickLine: '#E3B1A9',
  offBar: '#C9CDDB',
};

/** Every colour of a look, by what it is for. */
export type Palette = Readonly<Record<keyof typeof day, string>>;

/** Nothing but dim red on black: what an eye used to the dark can read and an LDR hardly sees. */
const darkBench: Palette = {
  ink: '#E0452E',
  inkSoft: '#DC5640',
  hint: '#DC5640',
  paper: '#060202',
  card: '#0B0405',
  field: '#5C1E14',
  line: '#3A140E',
  lineSoft: '#220C08',
  tick: '#8A2C1E',
  aside: '#8A2C1E',
  night: '#000000',
  nightSoft: '#220C08',
  nightLine: '#8A2C1E',
  onNight: '#E0452E',
  onNightSoft: '#DC5640',
  onNightBrick: '#FF7A60',
  onAccent: '#120403',
  accent: '#E0452E',
  accentSoft: '#1C0805',
  focusOnNight: '#E0452E',
  amber: '#C4432E',
  amberSoft: '#3A140E',
  amberPale: '#1A0806',
  amberLine: '#5C1E14',
  amberInk: '#E0452E',
  teal: '#D8523C',
  tealInk: '#E0452E',
  brick: '#F0553C',
  brickSoft: '#240A07',
  brickLine: '#7A2417',
  offBar: '#3A140E',
};

/** Ink, paper and accents: defined here once, for Ant Design, for style sheets and for canvases alike. */
export const palettes: Readonly<Record<Look, Palette>> = { day, 'dark-bench': darkBench };

export const fonts = {
  text: "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', system-ui, sans-serif",
  figures: "'Atkinson Hyperlegible Mono Variable', 'Atkinson Hyperlegible Mono', ui-monospace, monospace",
} as const;

/** A look's tokens as CSS custom properties: `--ink-soft` and so on. */
export function cssVariables(look: Look): Readonly<Record<`--${string}`, string>> {
  return Object.fromEntries<string>([
    ...Object.entries(palettes[look]).map(([name, value]): [string, string] => [`--${kebab(name)}`, value]),
    ['--font-text', fonts.text],
    ['--font-figures', fonts.figures],
  ]);
}

function kebab(name: string): string {
  return name.replaceAll(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
}

/**
 * Rules for a page whose look hangs on the system, until it lives: a server does not know what the system asks for. Stronger than what
 * the page's own element says, as long as it is marked.
 */
export const SYSTEM_RULES = `@media (prefers-color-scheme: dark) { html[data-look-open] { ${Object.entries(
  cssVariables('dark-bench'),
)
  .map(([name, value]) => `${name}: ${value} !important;`)
  .join(' ')} color-scheme: dark; } }`;
