import { propertyOf } from '../record';
import { choose } from '../schema';
import { comparatorField, type ComparatorModel } from './kinds/comparator';
import { timerField, type TimerModel } from './kinds/timer';

/** An IC of one's own, by its datasheet: what has resistors inside that set its thresholds is a timer. */
export type OwnIc = ComparatorModel | TimerModel;

export const ownIcField = choose<OwnIc>((value) =>
  propertyOf(value, 'stringOhms') === undefined ? comparatorField : timerField,
);

export const isTimer = (ic: OwnIc): ic is TimerModel => 'stringOhms' in ic;
