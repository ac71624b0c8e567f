/** A control on the page, by the name that it has for everyone. */
export interface PageItem {
  readonly name: string;
  readonly element: HTMLElement;
}

const CONTROLS =
  'main button, main input, main select, main textarea, main [role=slider], main [role=spinbutton], header button, header input';

/** Every control that is on the page and can be seen, each name once. */
export function onPage(): readonly PageItem[] {
  const items = new Map<string, PageItem>();
  for (const element of document.querySelectorAll<HTMLElement>(CONTROLS)) {
    const name = nameOf(element);
    if (name !== '' && !items.has(name) && isSeen(element)) items.set(name, { name, element });
  }
  return [...items.values()];
}

const isSeen = (element: HTMLElement): boolean =>
  element.getClientRects().length > 0 && !element.hasAttribute('disabled');

/** A control's name: its own label, that of its field, or its text. */
export function nameOf(element: HTMLElement): string {
  const own = element.getAttribute('aria-label');
  if (own) return own.trim();
  if (element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement) {
    const [label] = element.labels ?? [];
    return (label?.textContent ?? '').trim();
  }
  return (element.textContent ?? '').replace(/\s+/g, ' ').trim().slice(0, 60);
}

/** A field takes the focus, a button is pressed. */
export function takeUp({ element }: PageItem): void {
  element.scrollIntoView({ block: 'center' });
  element.focus();
  const isPressed =
    element instanceof HTMLButtonElement ||
    (element instanceof HTMLInputElement && (element.type === 'radio' || element.type === 'checkbox'));
  if (isPressed) element.click();
  else if (element instanceof HTMLInputElement) element.select();
}

/** Does something in a moment, unless someone does something else meanwhile. */
export function inAMoment(run: () => void, ms = 60): void {
  const stop = () => {
    clearTimeout(timer);
    for (const event of OTHER_DEEDS) document.removeEventListener(event, stop, true);
  };
  const timer = setTimeout(() => {
    stop();
    run();
  }, ms);
  for (const event of OTHER_DEEDS) document.addEventListener(event, stop, true);
}

/** How long a step may take to come up, in ms, and how often it is looked for. What is still being worked out takes its own time. */
const PATIENCE = 4000;
const EVERY = 80;
const BUSY = 'main[aria-busy=true], main .ant-skeleton-active';

/**
 * Waits for a control of that name to be there, unless someone does something else meanwhile: what they have gone to keeps the
 * focus.
 * @param missing called where it does not come up
 */
export function whenThere(name: string, then: (item: PageItem) => void, missing: () => void): void {
  let since = Date.now();
  let next: ReturnType<typeof setTimeout> | undefined;
  const stop = () => {
    clearTimeout(next);
    for (const event of OTHER_DEEDS) document.removeEventListener(event, stop, true);
  };
  for (const event of OTHER_DEEDS) document.addEventListener(event, stop, true);
  const look = () => {
    const found = onPage().find((item) => item.name === name);
    if (document.querySelector(BUSY)) since = Date.now();
    if (!found && Date.now() - since < PATIENCE) {
      next = setTimeout(look, EVERY);
      return;
    }
    stop();
    if (found) then(found);
    else missing();
  };
  look();
}
const OTHER_DEEDS = ['keydown', 'pointerdown'] as const;
