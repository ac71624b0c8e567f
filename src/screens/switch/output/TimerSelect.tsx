'use client';

import { shippedTimers, type TimerModel } from '@/core/parts/kinds/timer';
import { isTimer } from '@/core/parts/ownIc';
import { timerName } from '@/ui/words/names';
import { timerFigures } from '../CustomIcModal';
import { PartSelect } from '../PartSelect';

interface TimerSelectProps {
  readonly part: TimerModel;
  readonly onTake: (part: TimerModel) => void;
}

/** A timer IC out of the two families, own ones, or one by its datasheet. */
export function TimerSelect({ part, onTake }: TimerSelectProps) {
  return (
    <PartSelect
      part={part}
      offered={shippedTimers}
      nameOf={timerName}
      figures={timerFigures}
      asOffered={(ic) => (isTimer(ic) ? ic : null)}
      onTake={onTake}
    />
  );
}
