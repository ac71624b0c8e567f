/** What of a drawing's look is written into it, so that it stands by itself. */
const COPIED = ['fill', 'stroke', 'stroke-width', 'stroke-dasharray', 'stroke-linecap', 'opacity'] as const;
const OF_TEXT = ['font-size', 'font-weight', 'text-anchor'] as const;
const NOTHING = new Set(['rgba(0, 0, 0, 0)', 'transparent']);

/** Arrows beside currents, which the PDF's type does not have. */
const ARROWS = /\s*[\u2190-\u21FF]\s*/g;

/** A drawing as SVG with every style as an attribute, and its width in its own units: for a PDF, which knows no style sheets. */
export function inlined(drawing: SVGSVGElement): { readonly svg: string; readonly width: number } {
  const copy = document.importNode(drawing, true);
  const originals = [...drawing.querySelectorAll('*')];
  [...copy.querySelectorAll('*')].forEach((element, index) => {
    const original = originals[index];
    if (original) writeStyle(element, getComputedStyle(original));
  });
  const { width, height } = drawing.viewBox.baseVal;
  for (const name of ['class', 'style', 'role', 'aria-label', 'tabindex']) copy.removeAttribute(name);
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  for (const title of copy.querySelectorAll('title')) title.remove();
  for (const text of copy.querySelectorAll('text, tspan'))
    for (const node of text.childNodes)
      if (node.nodeType === Node.TEXT_NODE) node.nodeValue = (node.nodeValue ?? '').replace(ARROWS, '');
  return { svg: new XMLSerializer().serializeToString(copy), width };
}

function writeStyle(element: Element, style: CSSStyleDeclaration): void {
  const isText = element.tagName === 'text' || element.tagName === 'tspan';
  for (const name of isText ? [...COPIED, ...OF_TEXT] : COPIED) {
    const value = style.getPropertyValue(name);
    if (value !== '') element.setAttribute(name, NOTHING.has(value) ? 'none' : value);
  }
  if (isText) {
    // A halo round letters would be painted over them.
    element.setAttribute('stroke', 'none');
    element.setAttribute('font-family', 'Roboto');
  }
  for (const name of ['class', 'style', 'role', 'tabindex', 'aria-label', 'aria-hidden'])
    element.removeAttribute(name);
}

/** Pixels of a name's picture. */
const NAME_PIXELS = 48;

/** A name as a picture, with the letters that this browser has; `null` where it cannot paint. */
export function nameImage(name: string): string | null {
  const canvas = document.createElement('canvas');
  const context = canvas.getContext('2d');
  if (!context) return null;
  const font = `700 ${NAME_PIXELS}px sans-serif`;
  context.font = font;
  [canvas.width, canvas.height] = [Math.ceil(context.measureText(name).width) + 8, NAME_PIXELS * 1.4];
  context.font = font;
  context.textBaseline = 'middle';
  context.fillText(name, 4, canvas.height / 2);
  return canvas.toDataURL('image/png');
}
