import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/**
 * A pin of another device or board, with a resistor of its own to its own supply (pulled down by a switch on the minus side) or
 * to 0 V (pulled up by one on the plus side).
 */
export interface LogicInputPart extends PartBase {
  readonly kind: 'logic-input';
  readonly pin: Net;
  /** Where its own resistor leads: its supply, or 0 V. */
  readonly rest: Net;
  readonly bottom: Net;
  readonly pullOhms: number;
}

/** What a pin takes beside its pull-up, as a resistance to 0 V. */
const PIN_OHMS = 1e8;

export const logicPullName = (designator: string) => `${designator}.pull`;

export const logicInputKind: PartKindDefinition<LogicInputPart> = {
  letter: 'X',
  pins: ({ pin, rest, bottom }) => [
    ...(rest === bottom ? [] : [{ name: 'V+', net: rest, isRequired: true }]),
    { name: 'pin', net: pin, isRequired: true },
    { name: '0 V', net: bottom, isRequired: true },
  ],
  elements: ({ designator, pin, rest, bottom, pullOhms }) => [
    // Current through it goes as the load's does: from its supply to the pin, or from the pin to 0 V.
    rest === bottom
      ? { kind: 'resistor', name: logicPullName(designator), a: pin, b: rest, ohms: pullOhms }
      : { kind: 'resistor', name: logicPullName(designator), a: rest, b: pin, ohms: pullOhms },
    { kind: 'resistor', name: `${designator}.pin`, a: pin, b: bottom, ohms: PIN_OHMS },
  ],
  tolerance: () => ({ low: -0.5, high: 0.5 }),
  rating: () => NOT_RATED,
  outputs: () => [],
};
