import { boardOf, type HoleId } from '../board/board';
import type { Layout, Placed, Wire } from '../board/layout';
import { GROUND } from '../circuit/netlist';
import type { Net } from '../parts/base';
import type { Lead } from '../parts/footprint';
import type { Piece } from './pieces';

/** Groups of steps, in the order in which two hands follow them: flat things first, ICs late, supplies last. */
export const stepGroups = [
  ...(['wires', 'resistors', 'diodes', 'capacitors', 'others', 'beside', 'ics', 'supply'] as const),
] as const;
export type StepGroup = (typeof stepGroups)[number];

/** What a meter is held to while building. */
export type BuildCheck =
  /** Supply off: nothing joins the rails yet. */
  | { readonly code: 'rails-apart' }
  /** Supply off, everything but the ICs in its place: between the rails stands at least so much. */
  | { readonly code: 'rail-to-rail'; readonly minOhms: number }
  /** Supply on: between an IC's supply pins. */
  | {
      readonly code: 'ic-supply';
      readonly piece: string;
      readonly plusPin: number;
      readonly minusPin: number;
      readonly volts: number;
    };

/** One thing to do. */
export type BuildStep = {
  /** Of what goes where: a step that changes has another. */
  readonly key: string;
  readonly group: StepGroup;
} & (
  | { readonly kind: 'wire'; readonly wire: Wire; readonly net: Net }
  | { readonly kind: 'piece'; readonly piece: Piece; readonly holes: readonly HoleId[] }
  | {
      readonly kind: 'lead';
      readonly piece: Piece;
      readonly lead: Lead;
      readonly hole: HoleId;
      /** Its minus comes to where another supply's is: both share the circuit's 0 V. */
      readonly joinsGrounds: boolean;
    }
  | { readonly kind: 'check'; readonly check: BuildCheck }
);

/** What the steps ask of a circuit besides its layout. */
export interface StepFigures {
  /** The least resistance between plus and 0 V without ICs, in Ω; `Infinity` for none. */
  readonly railOhms: number;
  /** Volts of each rail against 0 V, by its net. */
  readonly railVolts: Readonly<Record<Net, number>>;
}

/** Every connection of a layout as a step, in order, with checks between. */
export function buildSteps(
  layout: Layout,
  pieces: readonly Piece[],
  figures: StepFigures,
): readonly BuildStep[] {
  const placed = new Map(layout.placed.map((one) => [one.piece, one]));
  const all = [
    ...wireSteps(layout, pieces),
    ...pieces.flatMap((piece) => pieceSteps(piece, placed.get(piece.id), pieces)),
  ];
  const ofGroup = (group: StepGroup) => all.filter((step) => step.group === group);
  const dips = pieces.filter(({ body }) => body.kind === 'dip');
  return [
    ...ofGroup('wires'),
    checkStep('wires', { code: 'rails-apart' }),
    ...ofGroup('resistors'),
    ...ofGroup('diodes'),
    ...ofGroup('capacitors'),
    ...ofGroup('others'),
    ...ofGroup('beside'),
    checkStep('beside', { code: 'rail-to-rail', minOhms: figures.railOhms }),
    ...ofGroup('ics'),
    ...suppliesLast(ofGroup('supply')),
    ...dips.flatMap((dip) => icCheck(dip, figures)),
  ];
}

const checkStep = (group: StepGroup, check: BuildCheck): BuildStep => ({
  key: `c:${check.code}${check.code === 'ic-supply' ? `:${check.piece}` : ''}`,
  group,
  kind: 'check',
  check,
});

/** Plus comes last, and of several supplies the circuit's own. */
function suppliesLast(steps: readonly BuildStep[]): readonly BuildStep[] {
  const rank = (step: BuildStep) => {
    if (step.kind !== 'lead') return 0;
    const isGround = step.lead.net === GROUND;
    return (isGround ? 0 : 2) + (step.piece.part.role === 'supply' ? 1 : 0);
  };
  return [...steps].sort((one, other) => rank(one) - rank(other));
}

/** Jumpers between rails first, then the short ones before the long ones. */
function wireSteps(layout: Layout, pieces: readonly Piece[]): readonly BuildStep[] {
  const board = boardOf(layout.board);
  const netOf = wireNets(layout, pieces);
  return [...layout.wires]
    .sort((one, other) => board.distance(one.from, one.to) - board.distance(other.from, other.to))
    .map((wire) => ({
      key: `w:${wire.from}-${wire.to}`,
      group: 'wires',
      kind: 'wire',
      wire,
      net: netOf(wire),
    }));
}

/** The net that a wire is of: that of a lead in a row that it comes to, or that another wire leads on to. */
export function wireNets(layout: Layout, pieces: readonly Piece[]): (wire: Wire) => Net {
  const board = boardOf(layout.board);
  const known = new Map<string, Net>();
  const placed = new Map(layout.placed.map(({ piece, holes }) => [piece, holes]));
  for (const { id, leads } of pieces)
    leads.forEach(({ net }, index) => {
      const hole = placed.get(id)?.[index];
      const strip = hole ? board.stripOf(hole) : null;
      if (strip !== null && net !== null) known.set(strip, net);
    });
  const ends = ({ from, to }: Wire) => [board.stripOf(from) ?? from, board.stripOf(to) ?? to];
  for (let grown = true; grown;) {
    grown = false;
    for (const wire of layout.wires) {
      const [one = '', other = ''] = ends(wire);
      const net = known.get(one) ?? known.get(other);
      if (net === undefined || (known.has(one) && known.has(other))) continue;
      known.set(one, net);
      known.set(other, net);
      grown = true;
    }
  }
  return (wire) => known.get(ends(wire)[0] ?? '') ?? '';
}

function pieceSteps(
  piece: Piece,
  placed: Placed | undefined,
  pieces: readonly Piece[],
): readonly BuildStep[] {
  if (!placed) return [];
  const holes = placed.holes.flatMap((hole) => (hole === null ? [] : [hole]));
  if (piece.body.kind !== 'beside')
    return [
      {
        key: `p:${piece.id}@${holes[0] ?? ''},${holes[1] ?? ''}`,
        group: groupOf(piece),
        kind: 'piece',
        piece,
        holes,
      },
    ];
  const isSupply = piece.part.kind === 'supply';
  const supplies = pieces.filter(({ part }) => part.kind === 'supply');
  return piece.leads.flatMap((lead, index): readonly BuildStep[] => {
    const hole = placed.holes[index] ?? null;
    if (hole === null) return [];
    return [
      {
        key: `l:${piece.id}.${index}@${hole}`,
        group: isSupply ? 'supply' : isElectronic(piece) ? 'ics' : 'beside',
        kind: 'lead',
        ...{ piece, lead, hole },
        joinsGrounds: isSupply && supplies.length > 1 && lead.net === GROUND,
      },
    ];
  });
}

/** What has electronics of its own passes what an ohmmeter sends: it comes after the rails have been checked. */
const isElectronic = ({ part }: Piece) =>
  part.kind === 'controller' || part.kind === 'module' || part.kind === 'logic-input';

function groupOf({ part, body }: Piece): StepGroup {
  if (body.kind === 'dip') return 'ics';
  switch (part.kind) {
    case 'resistor':
      return 'resistors';
    case 'diode':
      return 'diodes';
    case 'capacitor':
      return 'capacitors';
    default:
      return 'others';
  }
}

function icCheck(dip: Piece, { railVolts }: StepFigures): readonly BuildStep[] {
  const pin = (wanted: (name: string) => boolean) => dip.leads.findIndex(({ name }) => wanted(name));
  const plus = pin((name) => name === 'V+');
  const minus = pin((name) => name === '0 V' || name === 'V−');
  const volts = (index: number) => {
    const net = dip.leads[index]?.net ?? GROUND;
    return net === GROUND ? 0 : (railVolts[net] ?? null);
  };
  const [high, low] = [volts(plus), volts(minus)];
  // Where a switch feeds it, what is there hangs on the light.
  if (plus < 0 || minus < 0 || high === null || low === null) return [];
  return [
    checkStep('supply', {
      code: 'ic-supply',
      piece: dip.id,
      plusPin: plus + 1,
      minusPin: minus + 1,
      volts: high - low,
    }),
  ];
}

/** What stands on the board once some steps are done. */
export function builtSoFar(layout: Layout, done: readonly BuildStep[]): Layout {
  const holes = new Map<string, (HoleId | null)[]>();
  const wires: Wire[] = [];
  for (const step of done) {
    if (step.kind === 'wire') wires.push(step.wire);
    if (step.kind === 'piece') holes.set(step.piece.id, [...step.holes]);
    if (step.kind === 'lead') {
      const { piece, lead, hole } = step;
      const plugged = holes.get(piece.id) ?? piece.leads.map(() => null);
      holes.set(
        piece.id,
        plugged.map((each, index) => (piece.leads[index] === lead ? hole : each)),
      );
    }
  }
  return { board: layout.board, wires, placed: [...holes].map(([piece, at]) => ({ piece, holes: at })) };
}
