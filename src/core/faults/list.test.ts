import { describe, expect, it } from 'vitest';
import { piecesOf } from '../build/pieces';
import { defaultLoads } from '../loads/registry';
import { pinsOf } from '../parts/registry';
import { takeLoad } from '../project/edits';
import { sampleNamed } from '../project/testSamples';
import { withFault } from './circuit/apply';
import { wiringOf } from './circuit/wiring';
import { proposedBoard } from '../build/place';
import { sampleProjects } from '../project/samples';
import { boardOf } from '../board/board';
import { causes, DEFAULT_PRIORS, HEALTHY_PRIOR, keyOf, UNLISTED_PRIOR } from './fault';
import { faultsOf } from './list';
import { neighboursOn } from './neighbours';
import { weighedBy } from './symptoms';
import { symptoms } from '../project/built/checkSettings';
import { benchOf, sampleBench } from './testBenches';

const total = (list: readonly { readonly prior: number }[]) =>
  list.reduce((sum, { prior }) => sum + prior, 0);

describe('the list of faults', () => {
  it('has each fault once, shares that add up to 1, and a name for each', () => {
    for (const project of sampleProjects) {
      const list = faultsOf(benchOf(project).bench.assembly, null);
      expect(new Set(list.map(({ fault }) => keyOf(fault))).size).toBe(list.length);
      expect(total(list)).toBeCloseTo(1, 10);
      for (const symptom of symptoms) expect(total(weighedBy(list, [symptom]))).toBeCloseTo(1, 10);
    }
  });

  it('keeps the shares of its causes, among those that this circuit can have', () => {
    const list = faultsOf(sampleBench('Seedling shelf').bench.assembly, null);
    const shares = causes.map((cause) => list.reduce((sum, { byCause }) => sum + (byCause[cause] ?? 0), 0));
    const present = causes.filter((_, index) => (shares[index] ?? 0) > 0);
    const all = present.reduce((sum, cause) => sum + DEFAULT_PRIORS[cause], 0);
    expect(present).not.toContain('firmware');
    causes.forEach((cause, index) => {
      if (!present.includes(cause)) return;
      const left = 1 - HEALTHY_PRIOR - UNLISTED_PRIOR;
      expect(shares[index]).toBeCloseTo((left * DEFAULT_PRIORS[cause]) / all, 10);
    });
  });

  it('follows the shares that someone gives, down to none', () => {
    const { assembly } = sampleBench('Platform lamps').bench;
    const only = Object.fromEntries(causes.map((cause) => [cause, cause === 'reversed' ? 1 : 0]));
    const list = faultsOf(assembly, null, { ...DEFAULT_PRIORS, ...only });
    const likely = list.filter(
      ({ fault, prior }) => prior > 0 && fault.kind !== 'healthy' && fault.kind !== 'unlisted',
    );
    expect(new Set(likely.map(({ fault }) => fault.kind))).toEqual(new Set(['reversed', 'other-polarity']));
    const none = Object.fromEntries(causes.map((cause) => [cause, 0]));
    for (const { prior } of faultsOf(assembly, null, { ...DEFAULT_PRIORS, ...none }))
      expect(prior).toBeGreaterThanOrEqual(0);
  });

  it('names only nets that the circuit has, and does something to it, whatever LEDs stand in rows on its board', () => {
    const grids = [1, 2, 3].flatMap((strings) => [1, 2, 3].map((inSeries) => ({ strings, inSeries })));
    for (const grid of grids)
      for (const name of ['Platform lamps', 'Larder telltale'] as const) {
        const lit = takeLoad({ ...defaultLoads.led, ...grid, seriesOhms: 330 })(sampleNamed(name));
        const { assembly } = benchOf(lit).bench;
        const pieces = piecesOf(assembly.parts);
        const { placing } = proposedBoard(pieces, 8);
        if (!placing.ok) continue;
        const nets = new Set(assembly.parts.flatMap((part) => pinsOf(part).map(({ net }) => net)));
        for (const { fault } of faultsOf(assembly, neighboursOn(placing.layout, pieces))) {
          const named =
            fault.kind === 'bridge' ? fault.nets : fault.kind === 'moved' ? [fault.net, fault.to] : [];
          for (const net of named)
            expect(nets, `${keyOf(fault)} of ${name} ${JSON.stringify(grid)}`).toContain(net);
          if (named.length === 0) continue;
          const wiring = wiringOf(assembly);
          expect(withFault(wiring, fault), keyOf(fault)).not.toEqual(wiring);
        }
      }
  });

  it('knows from a board which leg may stand on which other net, and only rows that lie side by side', () => {
    const { assembly } = sampleBench('Platform lamps').bench;
    const pieces = piecesOf(assembly.parts);
    const { placing } = proposedBoard(pieces, 8);
    if (!placing.ok) throw new Error(placing.reason);
    const neighbours = neighboursOn(placing.layout, pieces);
    expect(neighbours.besideLead.length).toBeGreaterThan(0);
    const board = boardOf(placing.layout.board);
    const holes = new Map(placing.layout.placed.map((one) => [one.piece, one.holes]));
    for (const { designator, net, to } of neighbours.besideLead) {
      expect(net).not.toBe(to);
      const piece = pieces.find(({ part }) => part.designator === designator);
      const hole = piece && holes.get(piece.id)?.[piece.leads.findIndex((lead) => lead.net === net)];
      const place = hole ? board.placeOf(hole) : null;
      expect(place).not.toBeNull();
    }
    const moved = faultsOf(assembly, neighbours).filter(({ fault }) => fault.kind === 'moved');
    expect(moved.length).toBeGreaterThan(0);
    expect(faultsOf(assembly, null).some(({ fault }) => fault.kind === 'moved')).toBe(false);
  });
});
