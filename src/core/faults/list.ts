import type { Assembly } from '../operate/assembly';
import type { Net } from '../parts/base';
import type { Part } from '../parts/part';
import { capacitorKindOf } from '../parts/kinds/capacitor';
import { deviceFacts } from '../parts/kinds/device';
import { outputsOf, pinsOf } from '../parts/registry';
import { timingOf } from './circuit/timed';
import {
  causes,
  DEFAULT_PRIORS,
  HEALTHY_PRIOR,
  keyOf,
  UNLISTED_PRIOR,
  type Cause,
  type Fault,
  type ListedFault,
  type Priors,
} from './fault';
import { ordered, pairKey, type Neighbours } from './neighbours';

/** How often a cause comes to a fault, against its others: a resistor is taken for its neighbour in the drawer more often than for one twice removed. */
interface Way {
  readonly cause: Cause;
  readonly fault: Fault;
  readonly weight: number;
}

/** Decades that a resistor is taken for another by, with how often each. */
const DECADES: readonly (readonly [times: number, weight: number])[] = [
  [10, 3],
  [0.1, 3],
  [100, 1],
  [0.01, 1],
];

/**
 * Every single fault of a circuit that is thought of, with how likely each is before anything is known.
 * @param neighbours what stands beside what on its board; `null` where that is not known
 */
export function faultsOf(
  { parts, rails }: Pick<Assembly, 'parts' | 'rails'>,
  neighbours: Neighbours | null,
  priors: Priors = DEFAULT_PRIORS,
): readonly ListedFault[] {
  // On a board there are joints between LEDs in a row, and in rows beside the one that is looked at: the circuit has none of them.
  const nets = new Set(parts.flatMap((part) => pinsOf(part).map(({ net }) => net)));
  const isKnown = (net: Net) => nets.has(net);
  const ways: readonly Way[] = [
    ...parts.flatMap(waysOfPart),
    ...exchanges(parts),
    ...bridges(
      parts,
      (neighbours?.besideNet ?? []).filter(([one, other]) => isKnown(one) && isKnown(other)),
    ),
    ...(neighbours?.besideLead ?? []).flatMap(({ designator, net, to }): readonly Way[] =>
      isKnown(net) && isKnown(to)
        ? [{ cause: 'one-hole-off', fault: { kind: 'moved', designator, net, to }, weight: 1 }]
        : [],
    ),
    ...supplies(rails),
    ...light,
  ].filter(({ fault }) => shows(fault, parts, timingOf(parts)?.capacitor.designator));
  return shared(ways, priors);
}

/**
 * Some faults show nowhere: those of a capacitor that couples nothing and times nothing, but for one that leaks the wrong way round.
 * @param timing the capacitor by which the loads stay on
 */
function shows(fault: Fault, parts: readonly Part[], timing: string | undefined): boolean {
  if (!('designator' in fault)) return true;
  const part = parts.find(({ designator }) => designator === fault.designator);
  if (part?.kind !== 'capacitor' || part.designator === timing) return true;
  return fault.kind === 'reversed' || (part.role === 'coupling' && fault.kind !== 'value');
}

function waysOfPart(part: Part): readonly Way[] {
  const { designator } = part;
  const way = (cause: Cause, fault: Fault, weight = 1): Way => ({ cause, fault, weight });
  return [
    ...opens(part),
    ...values(part),
    ...turned(part).map((fault) => way('reversed', fault)),
    ...('units' in part
      ? part.units.map((_, unit) => way('exchanged', { kind: 'inputs', designator, unit }))
      : []),
    ...(part.kind === 'trimmer'
      ? (['upper', 'lower'] as const).map((end) => way('wrong-value', { kind: 'unset', designator, end }, 2))
      : []),
    ...[...new Set(outputsOf(part).map(({ key }) => key))].flatMap((key) =>
      (['high', 'low'] as const).map((level) =>
        way(part.kind === 'controller' ? 'firmware' : 'dead-part', {
          kind: 'stuck',
          designator,
          key,
          level,
        }),
      ),
    ),
    ...(part.kind === 'controller' ? [way('firmware', { kind: 'codes', designator }, 2)] : []),
    ...('top' in part && part.kind !== 'module'
      ? [
          way('left-out', { kind: 'unpowered', designator }),
          way('missing-ground', { kind: 'unpowered', designator }),
          way('reversed', { kind: 'unpowered', designator }),
          way('loose-joint', { kind: 'unpowered', designator }, 2),
        ]
      : []),
  ];
}

/** A lead in the air, by whatever has brought it there. */
function opens(part: Part): readonly Way[] {
  if (part.kind === 'supply') return [];
  const { designator } = part;
  const rails: readonly (Net | null)[] = 'top' in part ? [part.top, part.bottom] : [];
  const nets = [
    ...new Set(pinsOf(part).flatMap(({ net }) => (net === null || rails.includes(net) ? [] : [net]))),
  ];
  const isTwoPin = nets.length === 2 && !('top' in part);
  return (isTwoPin ? [null] : nets).flatMap((net): readonly Way[] => {
    const fault: Fault = { kind: 'open', designator, net };
    const pins = isTwoPin ? 2 : 1;
    return [
      { cause: 'one-hole-off', fault, weight: 2 * pins },
      { cause: 'loose-joint', fault, weight: pins },
      { cause: 'dead-part', fault, weight: 1 },
      { cause: 'left-out', fault, weight: leftOut(part) },
    ];
  });
}

/** Parts that beginners think they can do without. */
const leftOut = ({ role }: Part): number =>
  role === 'pull-up' || role === 'base' || role === 'release' ? 6 : 1;

function values(part: Part): readonly Way[] {
  const { designator, kind } = part;
  if (kind === 'ldr')
    return [0.1, 10].map((times) => ({
      cause: 'wrong-value',
      fault: { kind: 'value', designator, times },
      weight: 0.5,
    }));
  if (kind !== 'resistor' && kind !== 'trimmer' && kind !== 'capacitor') return [];
  return DECADES.map(([times, weight]) => ({
    cause: 'wrong-value',
    fault: { kind: 'value', designator, times },
    weight,
  }));
}

function turned(part: Part): readonly Fault[] {
  const { designator, kind } = part;
  switch (kind) {
    case 'led':
    case 'diode':
    case 'strip':
      return [{ kind: 'reversed', designator }];
    case 'bipolar':
    case 'mosfet':
      return [
        { kind: 'reversed', designator },
        { kind: 'other-polarity', designator },
      ];
    case 'capacitor':
      return capacitorKindOf(part.farads) === 'electrolytic' ? [{ kind: 'reversed', designator }] : [];
    case 'device':
      return deviceFacts(part).hasPlus ? [{ kind: 'reversed', designator }] : [];
    default:
      return [];
  }
}

/** Two resistors in each other's place, and the divider upside down. */
function exchanges(parts: readonly Part[]): readonly Way[] {
  const ldr = parts.find(({ kind }) => kind === 'ldr');
  const fixed = parts.find(({ role }) => role === 'fixed');
  const upsideDown: readonly Way[] =
    ldr && fixed
      ? [
          {
            cause: 'exchanged',
            fault: { kind: 'exchanged', designators: [ldr.designator, fixed.designator] },
            weight: 3,
          },
        ]
      : [];
  const resistors = parts.flatMap((part) => (part.kind === 'resistor' ? [part] : []));
  const pairs = resistors.flatMap((one, index) =>
    resistors
      .slice(index + 1)
      .filter(({ ohms }) => Math.abs(Math.log(ohms / one.ohms)) > 0.5)
      .map((other): Way => ({
        cause: 'wrong-value',
        fault: { kind: 'exchanged', designators: [one.designator, other.designator] },
        weight: 2 / Math.max(1, resistors.length - 1),
      })),
  );
  return [...upsideDown, ...pairs];
}

/** Nets that touch: those side by side on the board, or else those of neighbouring pins. */
function bridges(parts: readonly Part[], beside: Neighbours['besideNet']): readonly Way[] {
  const pairs = new Map<string, readonly [Net, Net]>();
  const add = (one: Net, other: Net) => {
    if (one !== other) pairs.set(pairKey(one, other), ordered(one, other));
  };
  for (const part of parts) {
    if (part.kind === 'supply') continue;
    const nets = pinsOf(part).map(({ net }) => net);
    nets.forEach((net, index) => {
      const next = nets[index + 1];
      if (net !== null && next) add(net, next);
    });
  }
  for (const [one, other] of beside) add(one, other);
  const isShorted = (part: Part, [one, other]: readonly [Net, Net]) => {
    const nets = pinsOf(part).flatMap(({ net }) => (net === null ? [] : [net]));
    return nets.length < 4 && nets.includes(one) && nets.includes(other);
  };
  return [...pairs.values()].flatMap((nets): readonly Way[] => {
    const fault: Fault = { kind: 'bridge', nets };
    const dead = parts.filter((part) => part.kind !== 'supply' && isShorted(part, nets)).length;
    return [
      { cause: 'bridge', fault, weight: 1 },
      ...(dead > 0 ? [{ cause: 'dead-part' as const, fault, weight: 0.5 * dead }] : []),
    ];
  });
}

function supplies(rails: Assembly['rails']): readonly Way[] {
  return rails.flatMap((part): readonly Way[] => {
    const { designator } = part;
    const states = [
      ['none', 2],
      ['flat', 2],
      ['reversed', 1],
    ] as const;
    return [
      ...(part.commonGround
        ? states.map(([state, weight]): Way => ({
            cause: 'supply',
            fault: { kind: 'supply', designator, state },
            weight,
          }))
        : []),
      // An unbridged rail leaves all behind it without its plus.
      { cause: 'missing-ground', fault: { kind: 'supply', designator, state: 'none' }, weight: 1 },
      ...(part.role === 'load-supply'
        ? [
            {
              cause: 'missing-ground' as const,
              fault: { kind: 'no-common-ground' as const, designator },
              weight: 3,
            },
          ]
        : []),
    ];
  });
}

const light: readonly Way[] = [
  { cause: 'light', fault: { kind: 'ldr', state: 'shaded' }, weight: 1 },
  { cause: 'light', fault: { kind: 'ldr', state: 'stray-light' }, weight: 2 },
  { cause: 'light', fault: { kind: 'ldr', state: 'wet' }, weight: 0.5 },
];

/** Each cause's share over its ways, added up by fault, beside that nothing is wrong and that it is none of these. */
function shared(ways: readonly Way[], priors: Priors): readonly ListedFault[] {
  const totals = new Map<Cause, number>();
  for (const { cause, weight } of ways) totals.set(cause, (totals.get(cause) ?? 0) + weight);
  const all = causes.reduce((sum, cause) => sum + (totals.has(cause) ? priors[cause] : 0), 0);
  const found = new Map<string, { fault: Fault; byCause: Partial<Record<Cause, number>> }>();
  const left = 1 - HEALTHY_PRIOR - UNLISTED_PRIOR;
  for (const { cause, fault, weight } of ways) {
    const share = all > 0 ? (left * (priors[cause] / all) * weight) / (totals.get(cause) ?? weight) : 0;
    const key = keyOf(fault);
    const entry = found.get(key) ?? { fault, byCause: {} };
    entry.byCause[cause] = (entry.byCause[cause] ?? 0) + share;
    found.set(key, entry);
  }
  return [
    { fault: { kind: 'healthy' }, prior: HEALTHY_PRIOR, byCause: {} },
    { fault: { kind: 'unlisted' }, prior: UNLISTED_PRIOR, byCause: {} },
    ...[...found.values()].map(({ fault, byCause }) => ({
      fault,
      byCause,
      prior: Object.values(byCause).reduce((sum, share) => sum + share, 0),
    })),
  ];
}
