/** A page of each kind: the same whatever project is shown on it. */
export const SHELLS = ['/', '/storage', '/share', '/project/kept/measure'] as const;

/** The page that stands for an address; `null` where none does. */
export function pageFor(path: string): (typeof SHELLS)[number] | null {
  if (path.startsWith('/project/')) return '/project/kept/measure';
  return SHELLS.find((shell) => shell === path) ?? null;
}
