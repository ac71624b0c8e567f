/** What a live source may tell, in Ω; `overload` is what OL stands for where the source names no range. */
export const LIMITS_OHMS = { min: 1, max: 1e9, overload: 2e7 } as const;
