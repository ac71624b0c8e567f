// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { isFit } from '@/core/advise/remedies';
import { piecesOf } from '@/core/build/pieces';
import { proposedBoard } from '@/core/build/place';
import { buildSteps, wireNets } from '@/core/build/steps';
import { analyse } from '@/core/design';
import { NOT_BUILT } from '@/core/project/built/buildSettings';
import { changeLegs, changeSiting } from '@/core/project/built/buildEdits';
import { changeLoadSupply, changeResistors, takeTransistor, together } from '@/core/project/edits';
import { checkProject, type Project } from '@/core/project/project';
import { unusualProject } from '@/core/testUnusual';
import { defaultLoads } from '@/core/loads/registry';
import type { FindingCode } from '@/core/advise/advice';
import { someProject } from '@/core/advise/testProjects';
import { promised, runs } from '@/core/testRuns';
import { defaultSource, IDEAL_SOURCE } from '@/core/loads/supply';
import { defaultTransistor } from '@/core/drivers/registry';
import { partLineText, type PartLineText } from '@/ui/words/building';
import { sampleProjects } from '@/core/project/samples';
import { sampleNamed } from '@/core/project/testSamples';
import { BoardDrawing } from '@/ui/build/BoardDrawing';
import { boardSize } from '@/ui/build/boardPlaces';
import { stubBrowser } from '../testPanels';
import { partsCsv } from './parts/partsCsv';
import { candidatesOf } from './parts/useStandIns';
import { boardPoints, isKnownText, sheetDocument } from './sheet/pdf';
import { sheetData } from './sheet/sheetData';
import { partLinesOf } from './useBuild';

beforeAll(stubBrowser);
afterEach(cleanup);

function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}

function boardOfSample(name: string) {
  const project = sampleNamed(name);
  const pieces = piecesOf(designOf(project).assembly.parts);
  const { placing } = proposedBoard(pieces, 8);
  if (!placing.ok) throw new Error(placing.reason);
  return { project, pieces, layout: placing.layout };
}

describe('a parts list', () => {
  const rowsOf = (project: Project) => {
    const lines = partLinesOf(project, designOf(project));
    return new Map(lines.map((line) => [line.designators[0], partLineText(line)]));
  };

  it('says what to ask for: a coil, contacts, a transistor’s ratings, cells, and what a supply must give', () => {
    const relay = { ...defaultLoads.relay, coilVolts: 5, coilOhms: 70, contactAmps: 6 };
    const { source, volts } = defaultSource('battery', 6, 'alkaline-aa', 4);
    const shelf = sampleNamed('Seedling shelf');
    const rows = rowsOf({
      ...takeTransistor(defaultTransistor('npn'))(shelf),
      loads: [relay],
      source,
      divider: { ...shelf.divider, supplyVolts: volts },
    });
    expect(plain(rows.get('K1'))).toMatchObject({ what: 'relay, 5 V coil, 70 Ω', rated: 'contacts 6 A' });
    expect(plain(rows.get('Q1'))).toMatchObject({ what: 'NPN transistor', rated: '200 mA, 40 V, β 100' });
    expect(plain(rows.get('BT1'))).toMatchObject({ what: 'supply, 6 V, 4 × AA alkaline' });
    expect(plain(rows.get('BT1'))?.rated).toMatch(/^[678]\d(\.\d)? mA$/);
    expect(plain(rows.get('LDR1'))?.what).toMatch(/^LDR, about .* kΩ at 10 lx$/);
  });

  it('names the supply of a device that reads the switch as that device’s own', () => {
    const rows = rowsOf({
      ...sampleNamed('Seedling shelf'),
      loads: [{ ...defaultLoads.logic, supplyVolts: 3.3 }],
    });
    expect([...rows.values()].map(({ what }) => plainText(what))).toContain(
      'the other device’s own supply, 3.3 V',
    );
  });

  it('puts a larger rectifier across what takes more than 1 A', () => {
    const motor = { ...defaultLoads.motor, ratedAmps: 1.5, stallAmps: 4 };
    const rows = rowsOf({ ...sampleNamed('Seedling shelf'), loads: [motor] });
    expect(plain(rows.get('D1'))?.what).toBe('rectifier diode, 3 A');
  });

  it('names a module by what its input is made for, also where it is wired the other way', () => {
    const module = { ...defaultLoads.module, input: 'active-high' as const };
    // Its transistor is at the minus side, where such an input gets nothing.
    const project = {
      ...takeTransistor(defaultTransistor('npn'))(sampleNamed('Seedling shelf')),
      loads: [module],
    };
    expect(designOf(project).advice.map(({ code }) => code)).toContain('module-wrong-side');
    expect(plain(rowsOf(project).get('U1'))?.what).toBe('relay module, 5 V, on while its input is high');
  });

  it('names a supply of which nothing more is said of its current', () => {
    const said: FindingCode[] = ['supply-over-limit', 'inrush-over-limit'];
    let lists = 0;
    for (let seed = 1; seed <= runs(1500, 60); seed++) {
      const project = { ...someProject(seed), loadSupply: null, source: IDEAL_SOURCE };
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const [supply] = partLinesOf(project, analysis.design).flatMap((line) => line.supply ?? []);
      if (!supply || supply.minAmps < 0.002 || supply.minAmps > 29) continue;
      lists += 1;
      // As it is told, with three digits.
      const limitAmps = Number((supply.minAmps * 1.005).toPrecision(4));
      const { advice } = designOf({ ...project, source: { ...IDEAL_SOURCE, kind: 'adapter', limitAmps } });
      expect([seed, advice.map(({ code }) => code).filter((code) => said.includes(code))]).toEqual([
        seed,
        [],
      ]);
    }
    expect(lists).toBeGreaterThan(5);
    promised('supplies of parts lists that give enough', lists, 'all');
  });

  it('has a value, a rating or a description that says all, for whatever is bought', () => {
    const said = new Set<string>();
    for (let seed = 1; seed <= 20; seed++)
      for (const { what, value, rated } of rowsOf(unusualProject(seed)).values())
        if (value === '' && rated === '' && !/, .*\d/.test(plainText(what))) said.add(plainText(what));
    // ICs are named by what they are; a tone buzzer needs no more.
    const named = /comparator|op-amp|timer|CMOS|controller|rectifier|tone buzzer|another device/;
    expect([...said].filter((what) => !named.test(what))).toEqual([]);
    expect(said.size).toBeGreaterThan(4);
  });
});

const plainText = (text: string) => text.replaceAll('\u00a0', ' ');
const plain = (row: PartLineText | undefined): PartLineText | undefined =>
  row && {
    ...row,
    what: plainText(row.what),
    value: plainText(row.value),
    rated: plainText(row.rated),
  };

describe('the drawing of a board', () => {
  it('draws every piece of every sample, and each is told by name, value and holes', () => {
    for (const { name } of sampleProjects) {
      const { pieces, layout } = boardOfSample(name);
      const { container } = render(
        <BoardDrawing
          layout={layout}
          pieces={pieces}
          netOf={wireNets(layout, pieces)}
          wires={NOT_BUILT.wires}
          label={name}
          onMove={vi.fn()}
        />,
      );
      const drawn = [...container.querySelectorAll('[data-piece]')].map((each) =>
        each.getAttribute('data-piece'),
      );
      const onBoard = pieces.filter(({ body }) => body.kind !== 'beside').map(({ id }) => id);
      expect(drawn.sort()).toEqual(onBoard.sort());
      for (const { id, body } of pieces)
        if (body.kind === 'beside') expect(container.textContent).toContain(id);
      cleanup();
    }
  });

  it('moves a piece by keys and turns it, and leaves other keys alone', () => {
    const { pieces, layout } = boardOfSample('Seedling shelf');
    const [onMove, onTurn, outside] = [vi.fn(), vi.fn(), vi.fn()];
    window.addEventListener('keydown', outside);
    render(
      <BoardDrawing
        layout={layout}
        pieces={pieces}
        netOf={wireNets(layout, pieces)}
        wires={NOT_BUILT.wires}
        label="board"
        onMove={onMove}
        onTurn={onTurn}
      />,
    );
    const r1 = screen.getByRole('button', { name: /^R1, / });
    fireEvent.keyDown(r1, { key: 'ArrowRight' });
    expect(onMove).toHaveBeenLastCalledWith('R1', { columns: 1, rows: 0 }, null);
    fireEvent.keyDown(r1, { key: 'r' });
    expect(onTurn).toHaveBeenCalledWith('R1');
    expect(outside).not.toHaveBeenCalled();
    fireEvent.keyDown(r1, { key: '3' });
    expect(outside).toHaveBeenCalledTimes(1);
    window.removeEventListener('keydown', outside);
  });

  it('is drawn at its own size on paper, and says where it is not', () => {
    const { points, share } = boardPoints(boardSize('400').width);
    expect(share).toBe(1);
    // Ten holes are an inch.
    expect((points * 16) / boardSize('400').width).toBeCloseTo(7.2, 9);
    expect(boardPoints(boardSize('830x2').width).share).toBeLessThan(1);
  });
});

describe('a build sheet', () => {
  it('has every part and every step of every sample, in the PDF as on the page', () => {
    for (const project of sampleProjects) {
      const design = designOf(project);
      const { pieces, layout } = boardOfSample(project.name);
      const steps = buildSteps(layout, pieces, { railOhms: 1000, railVolts: { supply: 5 } });
      const data = sheetData(project, design, steps, project.goal.lux);
      const text = JSON.stringify(
        sheetDocument(data, { schematic: null, board: null, name: null }, 'A4').content,
      );
      for (const { designator } of design.assembly.parts) expect(text).toContain(designator);
      for (const step of data.steps) expect(text).toContain(JSON.stringify(step.text).slice(1, -1));
      expect(data.steps).toHaveLength(steps.length);
    }
  });

  it('says where it goes, and of which order the legs are', () => {
    const project = together(
      changeSiting({ leadMetres: 2, leads: 'shielded', clearShare: 0.4, box: 'closed' }),
      changeLegs('321'),
    )(sampleNamed('Seedling shelf'));
    const design = designOf(project);
    const { settings } = sheetData(project, design, [], 100);
    expect(settings.join(' ')).toMatch(/2.m of shielded leads: the shield to 0 V/);
    expect(settings.join(' ')).toMatch(/40.% of the light .* In a closed box/);
    expect(settings.join(' ')).toContain('Q1: collector · base · emitter');
    const usual = sampleNamed('Seedling shelf');
    expect(sheetData(usual, designOf(usual), [], 100).settings.join(' ')).toContain('Q1: emitter');
  });

  it('says at its top what it answers to: a light, two lights, or how large a change', () => {
    const summaryOf = (name: string) => {
      const project = sampleNamed(name);
      return sheetData(project, designOf(project), [], project.goal.lux).summary.replaceAll('\u00a0', ' ');
    };
    expect(summaryOf('Platform lamps')).toMatch(/^on in the dark, switches at [\d.]+ lx \(/);
    expect(summaryOf('Moss terrarium guide')).toMatch(
      /^on between two lights, switches at 393 lx \(.*off at 1630 lx\)/,
    );
    expect(summaryOf('Marble gate')).toMatch(/^on at a change of [\d.]+ % \((dims|brightens) within /);
    expect(summaryOf('Platform lamps')).toMatch(/\); [\d.]+ V supply$/);
    const apart = changeLoadSupply({ source: IDEAL_SOURCE, volts: 12, commonGround: true })(
      sampleNamed('Platform lamps'),
    );
    const { summary } = sheetData(apart, designOf(apart), [], 100);
    expect(summary.replaceAll('\u00a0', ' ')).toMatch(/\); [\d.]+ V supply, 12(\.0)? V for the load$/);
  });

  it('knows which names its type can write', () => {
    expect(isKnownText('Löschteich Ω Ночь −5')).toBe(true);
    expect(isKnownText('夜の灯')).toBe(false);
    expect(isKnownText('ليل')).toBe(false);
  });
});

describe('a parts list', () => {
  it('is a table for a spreadsheet, without formulas', () => {
    const project = sampleNamed('Drying rack meter');
    const lines = partLinesOf(project, designOf(project));
    const rows = partsCsv(lines, '\t').split('\r\n');
    expect(rows).toHaveLength(lines.length + 1);
    expect(new Set(rows.map((row) => row.split('\t').length))).toEqual(new Set([9]));
  });

  it('offers in place of what is not in stock only what is, in a project that is one', () => {
    let offered = 0;
    for (const sample of sampleProjects)
      for (const ownOhms of [
        [1000, 10_000, 100_000, 1_000_000],
        [470, 4700, 47_000, 470_000],
      ]) {
        const project = changeResistors({ series: 'own', ownOhms })(sample);
        const design = designOf(project);
        const lines = partLinesOf(project, design);
        for (const { ohms, project: made, designator } of candidatesOf(project, design, lines)) {
          expect(ownOhms).toContain(ohms);
          expect(checkProject(made).ok).toBe(true);
          if (!isFit(project, made)) continue;
          offered += 1;
          const after = partLinesOf(made, designOf(made)).find(({ designators }) =>
            designators.includes(designator),
          );
          expect(after?.inStock.kind).toBe('yes');
        }
      }
    expect(offered).toBeGreaterThan(5);
  });
});
