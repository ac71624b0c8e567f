import type { Goal } from './project';

/** Closer than this, as a share, two lights are one that was rounded. */
const ROUNDED = 0.01;

/** Whether two lights to turn off at are one that was rounded. */
export const isSameLight = (was: number | null, is: number | null): boolean =>
  was === is || (was !== null && is !== null && Math.abs(is / was - 1) < ROUNDED);

/** Whether the light to turn off at lies on the side where it is on. */
export const isWrongOff = ({ action, lux, offLux }: Goal): boolean =>
  offLux !== null && (action === 'on-in-dark' ? offLux <= lux : offLux >= lux);
