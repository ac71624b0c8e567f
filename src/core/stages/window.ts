import { GROUND } from '../circuit/netlist';
import { offsetOf } from './comparators';
import type { Switching, WindowSettings } from './decider';
import type { Part } from './description';
import type { CircuitInput } from './stage';

/** Two comparators whose open collectors pull one node down outside a window of the midpoint: high only inside it. */
export function switchingByWindow(settings: WindowSettings, input: CircuitInput): Switching {
  const { part, topOhms, middleOhms, bottomOhms, pullUpOhms } = settings;
  const string = (designator: string, a: string, b: string, ohms: number): Part => ({
    kind: 'resistor',
    designator,
    role: 'reference',
    a,
    b,
    ohms,
  });
  const comparator = (designator: string, plus: string, minus: string): Part => ({
    kind: 'comparator',
    designator,
    part,
    plus,
    minus,
    out: 'out',
    top: 'supply',
    bottom: GROUND,
  });
  const parts: Part[] = [
    string('R21', 'supply', 'ref.high', topOhms),
    string('R22', 'ref.high', 'ref', middleOhms),
    string('R23', 'ref', GROUND, bottomOhms),
    comparator('IC1', 'ref.high', 'mid'),
    comparator('IC2', 'mid', 'ref'),
    { kind: 'resistor', designator: 'R25', role: 'pull-up', a: 'supply', b: 'out', ohms: pullUpOhms },
  ];
  const offsetVolts = offsetOf(part, input.grade);
  const upper = { plus: 'mid', minus: 'ref.high', share: 1, offsetVolts };
  const lower = { plus: 'mid', minus: 'ref', share: 1, offsetVolts };
  const [below, inside, above] = [
    { IC1: 'high', IC2: 'low' },
    { IC1: 'high', IC2: 'high' },
    { IC1: 'low', IC2: 'high' },
  ] as const;
  const risesWithLight = input.ldrSide === 'top';
  return {
    parts,
    out: 'out',
    states: risesWithLight ? [below, inside, above] : [above, inside, below],
    levels: ['low', 'high', 'low'],
    boundaries: risesWithLight
      ? [
          { sense: 1, rising: lower, falling: lower },
          { sense: 1, rising: upper, falling: upper },
        ]
      : [
          { sense: -1, rising: upper, falling: upper },
          { sense: -1, rising: lower, falling: lower },
        ],
  };
}
