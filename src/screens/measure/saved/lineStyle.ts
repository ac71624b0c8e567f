const colors = [
  { key: 'accent', variable: '--accent' },
  { key: 'teal', variable: '--teal' },
  { key: 'brick', variable: '--brick' },
  { key: 'amberInk', variable: '--amber-ink' },
  { key: 'inkSoft', variable: '--ink-soft' },
] as const;
const dashes: readonly (readonly number[])[] = [[], [7, 4], [2, 3], [9, 3, 2, 3]];

/** Colour and dash of the nth line: told apart without colour too. */
export function lineStyle(index: number) {
  const color = colors[index % colors.length] ?? colors[0];
  return { ...color, dash: dashes[index % dashes.length] ?? [] };
}
