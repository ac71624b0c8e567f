import { withOutputStage } from './after';
import { switchingByChange } from './change';
import { switchingByComparator } from './comparator';
import { switchingByController } from './controller';
import type { Switching, DetectorSettings } from './decider';
import { switchingByLadder } from './ladder';
import type { CircuitInput } from './stage';
import { switchingByTimer } from './timer';
import { switchingByWindow } from './window';

/** What decides between divider and switch, with what follows it; `null` where the transistor itself does. */
export function switchingOf(input: CircuitInput): Switching | null {
  const switching = alone(input);
  return switching && input.detector.kind !== 'ladder'
    ? withOutputStage(switching, input.outputStage)
    : switching;
}

/** Every way of deciding: one line each. */
function alone(input: CircuitInput): Switching | null {
  const settings: DetectorSettings = input.detector;
  switch (settings.kind) {
    case 'transistor':
      return null;
    case 'comparator':
      return switchingByComparator(settings, input);
    case 'window':
      return switchingByWindow(settings, input);
    case 'ladder':
      return switchingByLadder(settings, input);
    case 'timer':
      return switchingByTimer(settings, input);
    case 'controller':
      return switchingByController(settings, input);
    case 'change':
      return switchingByChange(settings, input);
  }
}
