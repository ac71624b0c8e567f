import type { HysteresisSearch } from '@/core/size/hysteresis';
import { percent } from './figures';

/** Why a search for parts found none. */
export function searchRefusal(search: Extract<HysteresisSearch, { ok: false }>, isDark: boolean): string {
  switch (search.reason) {
    case 'no-comparator':
      return 'Hysteresis needs a comparator.';
    case 'no-band':
      return 'Enter the light at which it should turn off again.';
    case 'band-inverted':
      return `It should be on in the ${isDark ? 'dark' : 'light'}, so it must turn off ${isDark ? 'above' : 'below'} the light at which it turns on.`;
    case 'empty-stock':
      return 'No resistors are in stock: say under Size the divider which you have.';
    case 'not-converged':
      return 'This circuit has no operating point to start from.';
    case 'not-reachable':
      return search.nearest
        ? `No parts in stock come within 2 %: the nearest is off by ${percent(Math.expm1(search.nearest.error))}.`
        : 'No parts in stock switch there.';
  }
}
