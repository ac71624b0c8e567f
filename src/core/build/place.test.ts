import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boardOf } from '../board/board';
import type { Layout } from '../board/layout';
import type { Part } from '../parts/part';
import { someProject } from '../advise/testProjects';
import { analyse } from '../design';
import { detectorKinds } from '../detectors/kinds';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import { loadKinds } from '../loads/kinds';
import { defaultLoads } from '../loads/registry';
import { assemble } from '../operate/assemble';
import type { CircuitInput } from '../operate/input';
import { anyDetectorInput, anyInput, simpleInput } from '../operate/testCircuits';
import { legOrders } from '../project/built/buildSettings';
import { sampleProjects } from '../project/samples';
import { sampleNamed } from '../project/testSamples';
import { promised, runs } from '../testRuns';
import { isLayoutOf, withMoved, withTurned } from './move';
import { piecesOf, type Piece } from './pieces';
import { placeOn, proposedBoard } from './place';
import { boardFaults } from './readBack';
import { buildSteps, builtSoFar } from './steps';

const FEW_ATTEMPTS = 8;
const FIGURES = { railOhms: 1000, railVolts: { supply: 5 } };

function placed(input: CircuitInput): { readonly pieces: readonly Piece[]; readonly layout: Layout } {
  const pieces = piecesOf(assemble(input).parts);
  // Fewer attempts than the app makes: a board that they find it finds too.
  const { placing } = proposedBoard(pieces, FEW_ATTEMPTS);
  if (!placing.ok) throw new Error(placing.reason);
  return { pieces, layout: placing.layout };
}

function sampleBoard(name: string) {
  const analysis = analyse(sampleNamed(name));
  if (!analysis.ok) throw new Error(analysis.reason);
  const pieces = piecesOf(analysis.design.assembly.parts);
  const { placing } = proposedBoard(pieces);
  if (!placing.ok) throw new Error(placing.reason);
  return { pieces, layout: placing.layout };
}

/** Everything that a board promises of a circuit. */
function expectBuilt(input: CircuitInput): void {
  const { pieces, layout } = placed(input);
  expect(layout.placed).toHaveLength(pieces.length);
  expect(boardFaults(layout, pieces)).toEqual([]);
  const steps = buildSteps(layout, pieces, FIGURES);
  expect(new Set(steps.map(({ key }) => key)).size).toBe(steps.length);
  expect(boardFaults(builtSoFar(layout, steps), pieces)).toEqual([]);
  const firstSupply = steps.findIndex(({ group, kind }) => group === 'supply' && kind === 'lead');
  const rest = steps.slice(firstSupply).filter(({ kind }) => kind !== 'check');
  expect(rest.every(({ group }) => group === 'supply')).toBe(true);
}

describe('a circuit on a breadboard', () => {
  it('is the circuit, and so is what its steps build; supplies come when all else is there: random circuits', () => {
    fc.assert(fc.property(anyInput, expectBuilt), { numRuns: runs(1000), seed: 161 });
    promised(
      'random circuits on a breadboard without a fault, rebuilt from their steps',
      runs(1000),
      '1 000',
    );
  });

  it('is so for every detector × driver × load × supply', () => {
    let count = 0;
    const share = runs(770) === 770 ? 1 : 11;
    for (const detector of detectorKinds)
      for (const driver of transistorKinds)
        for (const load of loadKinds)
          for (const isOwn of [false, true]) {
            count += 1;
            if (count % share !== 0) continue;
            const [sample] = fc.sample(anyDetectorInput(detector, fc.constant(driver)), {
              numRuns: 1,
              seed: count,
            });
            if (!sample) continue;
            expectBuilt({
              ...sample,
              loads: [defaultLoads[load]],
              loadSupply: isOwn ? { volts: 12, ohms: 0.1, commonGround: true } : null,
              transistor: defaultTransistor(driver),
            });
          }
    promised(
      'detector × driver × load × supply on a breadboard without a fault',
      Math.floor(count / share),
      'all of 770',
    );
    expect(count).toBe(770);
  });

  it('has every part of the list on it once, LEDs and their resistors each by themselves', () => {
    const input = { ...simpleInput, loads: [{ ...defaultLoads.led, inSeries: 2, strings: 3 }] };
    const pieces = piecesOf(assemble(input).parts);
    const leds = pieces.filter(({ part }) => part.kind === 'led');
    const resistors = pieces.filter(({ part }) => part.role === 'series');
    expect([leds.length, resistors.length]).toEqual([6, 3]);
    expect(new Set(pieces.map(({ id }) => id)).size).toBe(pieces.length);
    const many = piecesOf(
      assemble({ ...input, loads: [{ ...defaultLoads.led, inSeries: 4, strings: 5 }] }).parts,
    );
    const [array] = many.filter(({ part }) => part.kind === 'led');
    expect(array?.body.kind).toBe('beside');
    expect(array?.together?.map(({ role }) => role)).toEqual(['series']);
  });

  it('comes out the same each time', () => {
    expect(sampleBoard('Seedling shelf')).toEqual(sampleBoard('Seedling shelf'));
  });

  it('needs few jumpers and little wire: samples and random designs', () => {
    const designs = [
      ...sampleProjects,
      ...Array.from({ length: runs(200, 120, 2) }, (_, seed) => someProject(seed + 1)),
    ].flatMap((project) => {
      const analysis = analyse(project);
      if (!analysis.ok) return [];
      const { parts } = analysis.design.assembly;
      const isEach = ({ role, index }: Part) => role === 'edge-feedback' || (role === 'driver' && index > 0);
      return [{ pieces: piecesOf(parts), hasSeveral: parts.some(isEach) }];
    });
    let [wires, bound, worst, sum, count] = [0, 0, 0, 0, 0];
    // Two resistors or a transistor at each comparator of one IC do not all find room beside it, which the bound knows nothing of.
    const several = { wires: 0, bound: 0 };
    for (const { pieces, hasSeveral } of designs) {
      const { id, placing } = proposedBoard(pieces);
      if (!placing.ok) continue;
      if (hasSeveral) {
        several.wires += placing.layout.wires.length;
        several.bound += fewestJumpers(pieces);
      } else {
        wires += placing.layout.wires.length;
        bound += fewestJumpers(pieces);
      }
      const restarts = placeOn(id, pieces, runs(2000, 400, 10), 99, 1);
      if (!restarts.ok) continue;
      const own = wireLength(placing.layout);
      const ratio = own / Math.max(4, Math.min(own, wireLength(restarts.layout)));
      [worst, sum, count] = [Math.max(worst, ratio), sum + ratio, count + 1];
    }
    const of = `${count} designs`;
    promised(
      `jumpers against what IC pins, rails and one leg more ask, ${of}`,
      (wires / bound).toFixed(2),
      '1.3',
    );
    promised(
      'the same where each edge has a band, or each step a transistor',
      (several.wires / several.bound).toFixed(2),
      'none set',
    );
    promised(`wire against the best of 2 000 random restarts, worst of ${of}`, worst.toFixed(2), '1.5');
    expect(count).toBeGreaterThan(10);
    expect(wires / bound).toBeLessThan(1.3);
    expect(several.wires / several.bound).toBeLessThan(5.5);
    expect(worst).toBeLessThan(1.5);
    expect(sum / count).toBeLessThan(1.1);
  });

  it('keeps what gets warm, and lamps, away from the LDR; an LDR on leads is beside the board', () => {
    const analysis = analyse(sampleNamed('Seedling shelf'));
    if (!analysis.ok) throw new Error(analysis.reason);
    const { parts } = analysis.design.assembly;
    const columnsOn = (pieces: readonly Piece[]) => {
      const placing = placeOn('400', pieces, 60);
      if (!placing.ok) throw new Error(placing.reason);
      return (piece: string) =>
        boardOf('400').placeOf(placing.layout.placed.find((each) => each.piece === piece)?.holes[0] ?? '')!.x;
    };
    const ldr = parts.find(({ kind }) => kind === 'ldr')!.designator;
    // R1 is joined to the LDR: as it is, it stands right beside it.
    const apart = (warm: readonly string[]) => {
      const columnOf = columnsOn(piecesOf(parts, { warm }));
      return Math.abs(columnOf('R1') - columnOf(ldr));
    };
    expect(apart([])).toBeLessThan(4);
    expect(apart(['R1'])).toBeGreaterThan(5);
    const onLeads = piecesOf(parts, { isLdrBeside: true });
    expect(onLeads.find(({ part }) => part.kind === 'ldr')?.body.kind).toBe('beside');
    const { placing } = proposedBoard(onLeads);
    expect(placing.ok && boardFaults(placing.layout, onLeads)).toEqual([]);
  });

  it('goes by the order of the legs in hand: each is a sound board, and is wrong with another', () => {
    const { parts } = assemble(simpleInput);
    const nets = (pieces: readonly Piece[]) =>
      pieces.find(({ part }) => part.kind === 'bipolar')!.leads.map(({ name }) => name);
    const usual = piecesOf(parts);
    for (const legs of legOrders) {
      const pieces = piecesOf(parts, { legs });
      expect(nets(pieces)).toEqual([...legs].map((place) => nets(usual)[Number(place) - 1]));
      const placing = placeOn('400', pieces, FEW_ATTEMPTS);
      if (!placing.ok) throw new Error(placing.reason);
      expect(boardFaults(placing.layout, pieces)).toEqual([]);
      if (legs !== '123') expect(boardFaults(placing.layout, usual).length).toBeGreaterThan(0);
    }
  });

  it('goes over two boards where one is too small, and says so where none is large enough', () => {
    const loads = Array.from({ length: 6 }, () => ({ ...defaultLoads.led, inSeries: 2, strings: 3 }));
    const pieces = piecesOf(assemble({ ...simpleInput, loads }).parts);
    expect(placeOn('170', pieces).ok).toBe(false);
    const wide = placeOn('830x2', pieces);
    expect(wide.ok && boardFaults(wide.layout, pieces)).toEqual([]);
    const few = piecesOf(assemble(simpleInput).parts);
    const small = placeOn('170', few);
    expect(small.ok && boardFaults(small.layout, few)).toEqual([]);
  });
});

const wireLength = ({ board, wires }: Layout) =>
  wires.reduce((sum, { from, to }) => sum + boardOf(board).distance(from, to), 0);

/** Each IC pin has a row of its own: those of one net must be joined, with one another or with a rail. */
function fewestJumpers(pieces: readonly Piece[]): number {
  const pins = new Map<string, number>();
  for (const { body, leads } of pieces)
    if (body.kind === 'dip')
      for (const { net } of leads) if (net !== null) pins.set(net, (pins.get(net) ?? 0) + 1);
  let count = 1;
  for (const [net, number] of pins) count += net === 'supply' || net === '0' ? number : number - 1;
  return count;
}

describe('a board that is read back', () => {
  const { pieces, layout } = sampleBoard('Seedling shelf');
  const codesOf = (changed: Layout) => boardFaults(changed, pieces).map(({ code }) => code);

  it('tells a part moved by one hole as open, shorted or on another’s hole, and nothing once it is back', () => {
    let told = 0;
    for (const { piece, holes } of layout.placed) {
      const step = { columns: 1, rows: 0 };
      const moved = withMoved(layout, piece, step);
      if (holes.every((hole) => hole === null || /^[tb]/.test(hole))) continue;
      expect(codesOf(moved).length).toBeGreaterThan(0);
      expect(codesOf(withMoved(moved, piece, { columns: -1, rows: 0 }))).toEqual([]);
      told += 1;
    }
    expect(told).toBeGreaterThan(8);
  });

  it('tells a wire left out as open, with a part on either side', () => {
    for (const wire of layout.wires) {
      const without = { ...layout, wires: layout.wires.filter((each) => each !== wire) };
      const faults = boardFaults(without, pieces);
      expect(faults.map(({ code }) => code)).toEqual(['open']);
    }
  });

  it('tells a wire too many between two nets as a short', () => {
    const r1 = layout.placed.find(({ piece }) => piece === 'R1')!;
    const board = boardOf(layout.board);
    const used = new Set([
      ...layout.placed.flatMap(({ holes }) => holes),
      ...layout.wires.flatMap((wire) => [wire.from, wire.to]),
    ]);
    const [from, to] = r1.holes.map((hole) =>
      board.holesOf(board.stripOf(hole!)!).find((each) => !used.has(each)),
    );
    expect(codesOf({ ...layout, wires: [...layout.wires, { from: from!, to: to! }] })).toContain('shorted');
  });

  it('tells a part off the board, a leg out of reach, a part in one row with itself, and one not plugged in', () => {
    const { holes } = layout.placed.find(({ piece }) => piece === 'R1')!;
    const first = Math.min(...holes.map((hole) => Number(hole!.replace(/^\D+/, ''))));
    expect(codesOf(withMoved(layout, 'R1', { columns: -first, rows: 0 }))).toContain('off-board');
    // Further away it could not be seen any more: it stays.
    expect(withMoved(layout, 'R1', { columns: -40, rows: 0 })).toBe(layout);
    expect(codesOf(withMoved(layout, 'R1', { columns: first > 15 ? -14 : 14, rows: 0 }, 0))).toContain(
      'does-not-fit',
    );
    const inRow = (holes: readonly string[]) => ({
      ...layout,
      placed: layout.placed.map((one) => (one.piece === 'R1' ? { ...one, holes: [...holes] } : one)),
    });
    expect(codesOf(inRow(['a25', 'e25']))).toContain('own-row');
    const without = { ...layout, placed: layout.placed.filter(({ piece }) => piece !== 'R1') };
    expect(codesOf(without)).toContain('not-placed');
    expect(isLayoutOf(without, pieces)).toBe(false);
    expect(isLayoutOf(layout, pieces)).toBe(true);
  });

  it('tells a diode turned round, but not a resistor', () => {
    expect(codesOf(withTurned(layout, 'R1'))).toEqual([]);
    expect(codesOf(withTurned(layout, 'D1'))).toContain('shorted');
  });
});
