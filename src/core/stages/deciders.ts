import { followed } from './after';
import { decideByChange } from './change';
import { decideByComparator } from './comparator';
import { decideByController } from './controller';
import type { Decided, DeciderSettings } from './decider';
import { decideByLadder } from './ladder';
import type { StageInput } from './stage';
import { decideByTimer } from './timer';
import { decideByWindow } from './window';

/** What decides between divider and switch, with what follows it; `null` where the transistor itself does. */
export function decide(input: StageInput): Decided | null {
  const decided = alone(input);
  return decided && input.decider.kind !== 'ladder' ? followed(decided, input.after) : decided;
}

/** Every way of deciding: one line each. */
function alone(input: StageInput): Decided | null {
  const settings: DeciderSettings = input.decider;
  switch (settings.kind) {
    case 'transistor':
      return null;
    case 'comparator':
      return decideByComparator(settings, input);
    case 'window':
      return decideByWindow(settings, input);
    case 'ladder':
      return decideByLadder(settings, input);
    case 'timer':
      return decideByTimer(settings, input);
    case 'controller':
      return decideByController(settings, input);
    case 'change':
      return decideByChange(settings, input);
  }
}
