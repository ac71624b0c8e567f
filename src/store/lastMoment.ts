import { carry } from '@/core/project/carry';
import { checkProject } from '@/core/project/project';
import type { Session } from './session';

/*
 * A page that is closed in the middle of a write may end before the database has taken it. So what was done in the last moment is
 * put where writing is done at once, and taken up when the project is opened again.
 */

const nameOf = (id: string) => `yemko-last-moment-${id}`;

/** Sets down what is not stored yet, before the page goes; taken away again when it has been stored after all. */
export function keepLastMoment(id: string, session: Session, milliseconds: number): void {
  const change = session.unwritten();
  if (!change) return;
  const kept = JSON.stringify({ ...change, milliseconds });
  try {
    localStorage.setItem(nameOf(id), kept);
  } catch {
    // No room, or no storing at all: the database may still be quick enough.
    return;
  }
  void session.settled().then(() => {
    // Another tab may have set down something of its own since.
    if (!session.unwritten() && textOf(id) === kept) forget(id);
  });
}

/**
 * Does again what was set down when the page went, as one step that can be undone.
 * @param changedAt when the stored project was last changed, in milliseconds since 1970: what is older is left alone
 */
export function takeUpLastMoment(id: string, session: Session, changedAt: number): void {
  const kept = read(id);
  forget(id);
  if (!kept || kept.milliseconds < changedAt) return;
  const [before, underway] = [checkProject(kept.before), checkProject(kept.underway)];
  const after = checkProject(kept.after);
  if (!before.ok || !underway.ok || !after.ok) return;
  // The write that was on its way then may have arrived or not: what differs from either is done again.
  session.apply((project) =>
    [before, underway].reduce((design, was) => carry(design, was.project, after.project), project),
  );
}

function textOf(id: string): string | null {
  try {
    return localStorage.getItem(nameOf(id));
  } catch {
    return null;
  }
}

function forget(id: string): void {
  try {
    localStorage.removeItem(nameOf(id));
  } catch {
    // Where nothing may be stored there is nothing to forget.
  }
}

/** What was set down, not yet checked. */
interface Kept {
  readonly before: unknown;
  readonly underway: unknown;
  readonly after: unknown;
  readonly milliseconds: number;
}

function read(id: string): Kept | null {
  try {
    const kept: unknown = JSON.parse(textOf(id) ?? 'null');
    if (typeof kept !== 'object' || kept === null) return null;
    if (!('before' in kept && 'after' in kept && 'milliseconds' in kept)) return null;
    const { before, after, milliseconds } = kept;
    const underway = 'underway' in kept ? kept.underway : before;
    return typeof milliseconds === 'number' ? { before, underway, after, milliseconds } : null;
  } catch {
    return null;
  }
}
