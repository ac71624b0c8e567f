import type { FindingCode } from './advise/advice';

/** For tests: where one of these is said the load is never fully on, or never quite off: it goes over at no light that is told. */
export const HALF_DRIVEN: readonly FindingCode[] = [
  ...(['load-starved', 'load-not-saturated', 'gate-too-low', 'band-inverted'] as const),
  ...(['never-releases', 'stays-lit'] as const),
];
