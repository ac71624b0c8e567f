import type { Palette } from '../theme/tokens';

const STYLE = [
  'text{font-family:sans-serif;font-size:13px}',
  '.name{font-weight:600}',
  '.value,.tag{font-family:monospace;font-size:12px}',
  '.hit{fill:none}',
].join('');

/** A drawing as a file that stands by itself: colours written out, no scripts, no fonts to fetch. */
export function svgText(drawing: SVGSVGElement, colors: Palette): string {
  const copy = document.importNode(drawing, true);
  const { width, height } = drawing.viewBox.baseVal;
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  copy.removeAttribute('class');
  copy.removeAttribute('style');
  for (const element of copy.querySelectorAll('[tabindex]')) {
    for (const name of ['tabindex', 'role', 'aria-label', 'class']) element.removeAttribute(name);
  }
  const style = document.createElementNS('http://www.w3.org/2000/svg', 'style');
  style.textContent = STYLE;
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  paper.setAttribute('width', '100%');
  paper.setAttribute('height', '100%');
  paper.setAttribute('fill', colors.card);
  copy.prepend(style, paper);
  const named = new XMLSerializer().serializeToString(copy);
  const spelled = Object.fromEntries(
    Object.entries(colors).map(([name, value]) => [
      name.replaceAll(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`),
      value,
    ]),
  );
  return named.replaceAll(/var\(--([a-z-]+)\)/g, (whole, name: string) => spelled[name] ?? whole);
}

/** Pixels of a picture for each unit of the drawing. */
const SCALE = 3;

/** A drawing as a PNG, three pixels a unit; `null` where the browser cannot paint it. */
export async function pngOf(drawing: SVGSVGElement, colors: Palette): Promise<Blob | null> {
  const { width, height } = drawing.viewBox.baseVal;
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgText(drawing, colors))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width * SCALE, height * SCALE];
  const context = canvas.getContext('2d');
  if (!context) return null;
  context.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
}
