/** What takes the focus by itself. */
const FOCUSABLE =
  'a[href], button, input, select, textarea, summary, [tabindex]:not([tabindex="-1"]), [role=button][tabindex]';
const DIALOG = '[role=dialog], .ant-popover, .ant-select-dropdown';
/** A page settles for so long before it is looked at, in ms. */
const SETTLES = 60;

/** Where the focus was: what could be gone to from there, in order, and on which page. */
interface Place {
  readonly element: HTMLElement;
  readonly all: readonly HTMLElement[];
  /** The panels that it stood in, the innermost first. */
  readonly panels: readonly Element[];
  readonly path: string;
}

const isShown = (element: Element): boolean => element.checkVisibility?.() ?? true;

const canTake = (element: HTMLElement): boolean =>
  element.isConnected && !element.matches(':disabled') && isShown(element);

/** Nothing has it, or something that can be used no more: the browser takes it from that a moment later, and says nothing. */
function isLost({ activeElement, body }: Document): boolean {
  return activeElement === null || activeElement === body || activeElement.matches(':disabled');
}

/** One that holds the focus itself. Those that were open once lie hidden on the page. */
const hasOpenDialog = (page: Document): boolean =>
  [...page.querySelectorAll('[role=dialog][aria-modal=true]')].some((dialog) => isShown(dialog));

function panelsAround(element: Element): readonly Element[] {
  const panel = element.parentElement?.closest('section, main') ?? null;
  return panel === null ? [] : [panel, ...panelsAround(panel)];
}

const focusablesIn = (root: ParentNode): readonly HTMLElement[] => [
  ...root.querySelectorAll<HTMLElement>(FOCUSABLE),
];

/**
 * Keeps the focus where the work goes on. What had it may go away or be disabled by what it did (a button that is used up, a step
 * that is left); the browser then lets it fall to the page's body, and a keyboard begins anew from the top.
 * @returns stops it
 */
export function keepFocus(page: Document): () => void {
  let last: Place | null = null;
  let wasLost = false;
  let isInDialog = false;
  let isByPointer = false;
  let waiting: ReturnType<typeof setTimeout> | null = null;

  const remember = ({ target }: FocusEvent) => {
    if (!(target instanceof HTMLElement) || target === page.body) return;
    // A dialog gives the focus back; where what it came from is gone, that place counts.
    isInDialog = target.closest(DIALOG) !== null;
    if (isInDialog) return;
    wasLost = false;
    last = {
      element: target,
      all: focusablesIn(page.body),
      panels: panelsAround(target),
      path: page.location.pathname,
    };
  };
  /** Someone presses on nothing: the focus is nowhere because it is wanted nowhere. What is taken away is gone a moment later. */
  const leave = ({ target, relatedTarget }: FocusEvent) => {
    if (relatedTarget !== null || !(target instanceof HTMLElement)) return;
    setTimeout(() => {
      const isWanted = last?.element === target && canTake(target) && page.activeElement === page.body;
      if (isWanted) last = null;
      else changed();
    });
  };
  const look = () => {
    waiting = null;
    if (last === null || !isLost(page)) return;
    if (hasOpenDialog(page)) return;
    const { element, path } = last;
    const isLeft = path !== page.location.pathname;
    if (!isLeft && canTake(element)) {
      // It was only disabled for a while, or what lay over it went away with the focus in it.
      if (wasLost || isInDialog) element.focus({ preventScroll: true });
      wasLost = false;
      return;
    }
    wasLost = true;
    const next = isLeft ? startOf(page) : nearest(last);
    if (next) take(next, isByPointer);
  };
  const changed = () => {
    if (!isLost(page)) return;
    waiting ??= setTimeout(look, SETTLES);
  };
  const byPointer = () => (isByPointer = true);
  const byKey = () => (isByPointer = false);
  const observer = new MutationObserver(changed);
  observer.observe(page.body, {
    childList: true,
    subtree: true,
    attributes: true,
    attributeFilter: ['disabled'],
  });
  page.addEventListener('focusin', remember);
  page.addEventListener('focusout', leave);
  page.addEventListener('pointerdown', byPointer, true);
  page.addEventListener('keydown', byKey, true);
  return () => {
    observer.disconnect();
    if (waiting !== null) clearTimeout(waiting);
    page.removeEventListener('focusin', remember);
    page.removeEventListener('focusout', leave);
    page.removeEventListener('pointerdown', byPointer, true);
    page.removeEventListener('keydown', byKey, true);
  };
}

/** What follows the lost one in its own panel, else what stood before it; else what comes before anywhere. */
function nearest({ element, all, panels }: Place): HTMLElement | null {
  const at = all.indexOf(element);
  const [after, before] = [all.slice(at + 1), all.slice(0, Math.max(0, at)).reverse()];
  const own = panels.find((panel) => panel.isConnected) ?? null;
  const isNear = (one: HTMLElement) => canTake(one) && (own === null || own.contains(one));
  return after.find(isNear) ?? before.find(isNear) ?? first(own) ?? before.find(canTake) ?? null;
}

const first = (root: Element | null): HTMLElement | null =>
  root === null ? null : (focusablesIn(root).find(canTake) ?? null);

/** Where the work begins on a page that was gone to: its own column, else all of it. */
function startOf(page: Document): HTMLElement | null {
  const work = page.querySelector('[data-tour=left]') ?? page.querySelector('main');
  return first(work);
}

/** By a pointer only the panel, so that no keyboard comes up on a phone. */
function take(element: HTMLElement, isByPointer: boolean): void {
  const panel = isByPointer ? element.closest<HTMLElement>('section, main') : null;
  if (!panel) {
    element.focus();
    return;
  }
  panel.tabIndex = -1;
  panel.focus({ preventScroll: true });
}
