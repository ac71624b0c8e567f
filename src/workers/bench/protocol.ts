import type { BenchEvent } from '@/devices/benchHub';
import type { BenchControls, HiddenLdr } from '@/core/practice/bench';

/** What a page asks of the bench in a worker. */
export type BenchQuestion =
  | { readonly kind: 'join'; readonly id: string; readonly since: number | null }
  | { readonly kind: 'leave' }
  | { readonly kind: 'control'; readonly id: string; readonly question: number; readonly change: unknown }
  | { readonly kind: 'hidden'; readonly id: string; readonly question: number };

export type BenchAnswer =
  | { readonly kind: 'event'; readonly event: BenchEvent }
  | { readonly kind: 'controls'; readonly question: number; readonly controls: BenchControls | null }
  | { readonly kind: 'hidden'; readonly question: number; readonly hidden: HiddenLdr | null };
