// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { analyse } from '@/core/design';
import { DEFAULT_PRIORS } from '@/core/faults/fault';
import { NEVER_SECONDS, SHORTEST_SECONDS } from '@/core/faults/circuit/timed';
import { patternOf, type ToSee } from '@/core/faults/seen';
import { OVER_OHMS, type Probe } from '@/core/faults/probe';
import { shippedMeters } from '@/core/meter/meter';
import { luxOfMidpoint } from '@/core/analyse/midpoints';
import { testLightsOf } from '@/core/faults/testLights';
import type { Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { noteAnswer, noteSymptom } from '@/core/project/built/checkEdits';
import { renderInWorkbench } from '@/ui/workbench/testWorkbench';
import type { Bench } from '@/ui/words/check/points';
import {
  computeFind,
  computePoints,
  computePractice,
  type Found,
  type Points,
} from '@/workers/check/compute';
import { alerts, enter, press, stubBrowser } from '../testPanels';
import { AnswerField } from './AnswerField';
import { FoundPanel } from './find/FoundPanel';
import { PriorsPanel } from './find/PriorsPanel';
import { projectReport } from './logbook/report';
import { PointsTable } from './points/PointsTable';
import { LightsPanel } from './points/LightsPanel';
import { TruthPanel } from './points/TruthPanel';

beforeAll(stubBrowser);
afterEach(cleanup);

const project = sampleNamed('Seedling shelf');
const meter = shippedMeters[0] ?? fail();
function fail(): never {
  throw new Error('not there');
}
const analysis = analyse(project);
const design = analysis.ok ? analysis.design : fail();
const bench: Bench = { assembly: design.assembly, holesOf: () => [] };
const nothing = () => undefined;
const pointsOf = async (): Promise<Points> =>
  (await computePoints({ project, meter, trimVolts: {} }, nothing)) ?? fail();
const foundOf = async (changed = project): Promise<Found> =>
  (await computeFind({ project: changed, meter, neighbours: null, priors: DEFAULT_PRIORS }, nothing)) ??
  fail();

describe('the lights to test in', () => {
  const show = (shown: Project) => {
    const lights = testLightsOf(shown, design, shown.check);
    return renderInWorkbench(shown, (of) => <LightsPanel lights={lights} design={of} bench={bench} />);
  };

  it('are told by the midpoint that they make, and refused where none does', () => {
    const { project: now } = show(project);
    enter('In the dark, by its midpoint', '6');
    const lux = now().check.darkLux ?? NaN;
    const found = luxOfMidpoint(project, 6);
    expect(found.ok && found.lux / lux).toBeCloseTo(1, 2);
    enter('In the light, by its midpoint', '40');
    expect(alerts().join()).toContain('No light gives this midpoint');
    // So near to the supply a voltmeter tells no light.
    enter('In the light, by its midpoint', '11.9');
    expect(alerts().join()).toContain('hardly goes with the light');
    expect(now().check.brightLux).toBeNull();
  });

  it('are told as a light that has a name', () => {
    const { project: now } = show({ ...project, levels: [{ id: 'sill', name: 'sill at noon', lux: 9000 }] });
    fireEvent.mouseDown(screen.getByLabelText('In the light, as one of yours', { selector: 'input' }));
    fireEvent.click(screen.getAllByText('sill at noon').at(-1)!);
    expect(now().check.brightLux).toBe(9000);
  });
});

describe('the field of what was found', () => {
  const field = (
    probe: Probe,
    value: number | null,
    onAnswer: (value: number | null) => void,
    loads: readonly ToSee[] = [{ designator: 'D1', isByDegrees: true, hasRows: false }],
  ) =>
    render(
      <AnswerField probe={probe} label="it" meter={meter} value={value} loads={loads} onAnswer={onAnswer} />,
    );

  it('takes a voltage, an emptied field, and keeps what is none with the reason', () => {
    const onAnswer = vi.fn();
    field({ kind: 'volts', net: 'mid', light: 0 }, 2.5, onAnswer);
    enter('it', '1,2');
    enter('it', '');
    expect(onAnswer.mock.calls).toEqual([[1.2], [null]]);
    enter('it', 'much');
    expect(alerts()).toHaveLength(1);
    expect(onAnswer).toHaveBeenCalledTimes(2);
  });

  it('takes OL for a resistance, and a current with its prefix', () => {
    const [ohms, amps] = [vi.fn(), vi.fn()];
    field({ kind: 'ohms', designator: 'R1', light: 0 }, null, ohms);
    enter('it', 'OL');
    expect(ohms).toHaveBeenCalledWith(OVER_OHMS);
    cleanup();
    field({ kind: 'amps', light: 0 }, null, amps);
    enter('it', '12m');
    expect(amps).toHaveBeenCalledWith(0.012);
  });

  it('takes a time, that it is off at once, and that it does not end', () => {
    const onAnswer = vi.fn();
    const probe: Probe = { kind: 'time', light: 0, from: 1, seconds: 12 };
    field(probe, null, onAnswer);
    enter('it', '31 min');
    expect(onAnswer).toHaveBeenLastCalledWith(1860);
    onAnswer.mockClear();
    enter('it', '12.5');
    press('Off at once');
    press('Does not end');
    expect(onAnswer.mock.calls).toEqual([[12.5], [SHORTEST_SECONDS], [NEVER_SECONDS]]);
    enter('it', 'long');
    expect(alerts()).toHaveLength(1);
    cleanup();
    // What was said by a button is taken back by it; a field that was left empty takes nothing back.
    onAnswer.mockClear();
    field(probe, NEVER_SECONDS, onAnswer);
    expect(screen.getByRole('button', { name: 'Does not end', pressed: true })).toBeTruthy();
    enter('it', '');
    expect(onAnswer).not.toHaveBeenCalled();
    press('Does not end');
    expect(onAnswer.mock.calls).toEqual([[null]]);
  });

  it('takes how each of several loads is, and a look by one button', () => {
    const [loads, look] = [vi.fn(), vi.fn()];
    const three = ['D1', 'D2', 'D3'].map((designator) => ({ designator, isByDegrees: true, hasRows: false }));
    const state = (load: string, name: string) =>
      within(screen.getByRole('radiogroup', { name: `it: ${load}` })).getByLabelText(name);
    field({ kind: 'load', light: 0 }, patternOf(['off', 'off', 'off']), loads, three);
    fireEvent.click(state('D2', 'on'));
    expect(loads).toHaveBeenCalledWith(patternOf(['off', 'on', 'off']));
    cleanup();
    loads.mockClear();
    // Of what nobody has looked at nothing is said.
    field({ kind: 'load', light: 0 }, null, loads, three);
    fireEvent.click(state('D3', 'dim'));
    fireEvent.click(state('D1', 'on'));
    expect(loads).not.toHaveBeenCalled();
    fireEvent.click(state('D2', 'off'));
    expect(loads).toHaveBeenCalledWith(patternOf(['on', 'off', 'dim']));
    press('all on');
    expect(loads).toHaveBeenLastCalledWith(patternOf(['on', 'on', 'on']));
    cleanup();
    // A relay is never dim; of rows of LEDs one may be dark.
    const mixed = [
      three[0]!,
      { designator: 'K1', isByDegrees: false, hasRows: false },
      { designator: 'D2', isByDegrees: true, hasRows: true },
    ];
    field({ kind: 'load', light: 0 }, null, loads, mixed);
    const names = ['D1', 'K1', 'D2'].map((load) =>
      within(screen.getByRole('radiogroup', { name: `it: ${load}` }))
        .getAllByRole('radio')
        .map((each) => each.closest('label')?.textContent),
    );
    expect(names).toEqual([
      ['on', 'dim', 'off'],
      ['on', 'off'],
      ['on', 'dim or in part', 'off'],
    ]);
    cleanup();
    field({ kind: 'look', look: 'way-round', designator: 'D1' }, null, look);
    press('Wrong');
    expect(look).toHaveBeenCalledWith(0);
  });
});

describe('faults before any is solved', () => {
  const asked = (changed: Project) => ({ project: changed, meter, neighbours: null, priors: DEFAULT_PRIORS });

  it('are ranked by how often they happen at once, and as they are found to be afterwards', async () => {
    const before: Found[] = [];
    const found = (await computeFind(asked(project), nothing, (sofar) => before.push(sofar))) ?? fail();
    expect([before.length, before[0]?.isWhole, found.isWhole]).toEqual([1, false, true]);
    const [first = fail()] = before;
    expect([first.next, first.isSure]).toEqual([[], false]);
    const shares = first.groups.map(({ share }) => share);
    expect([...shares.slice(0, -1)].sort((a, b) => b - a)).toEqual(shares.slice(0, -1));
    expect(first.groups.every(({ members }) => members.length === 1)).toBe(true);
    // What no measurement tells apart is put together once it is solved, and never less likely than its parts.
    expect(found.groups[0]?.share).toBeGreaterThanOrEqual(shares[0] ?? 1);
    render(<FoundPanel found={first} bench={bench} onWrite={null} isWritten={false} />);
    expect(screen.getByRole('status').textContent).toContain('how often each happens');
  });

  it('are not ranked before they are solved where something was seen or measured', async () => {
    const onSofar = vi.fn();
    await computeFind(asked(noteSymptom('never-on', true)(project)), nothing, onSofar);
    await computeFind(asked(noteAnswer('volts mid 0', 3)(project)), nothing, onSofar);
    expect(onSofar).not.toHaveBeenCalled();
  });
});

describe('test points', () => {
  it('stand in the order of measuring, with their bands, and say at once where a figure stands', async () => {
    const points = await pointsOf();
    const onAnswer = vi.fn();
    const answers = new Map([
      ['volts mid 0', 6.7],
      ['volts out 0', 0.1],
    ]);
    render(
      <PointsTable
        points={points}
        bench={bench}
        meter={meter}
        answers={answers}
        onAnswer={onAnswer}
        onLook={nothing}
      />,
    );
    const groups = screen
      .getAllByRole('columnheader')
      .slice(5)
      .map(({ textContent }) => textContent);
    expect(groups).toEqual([
      'Supply off, nothing plugged in',
      'Supply on',
      'Then along the signal',
      'Load last',
    ]);
    expect(screen.getAllByText('in')).toHaveLength(1);
    expect(screen.getAllByText('out')).toHaveLength(1);
    enter('Voltage at R, in the dark', '1.8');
    expect(onAnswer).toHaveBeenCalledWith('volts ref 0', 1.8);
  });

  it('are drawn up as a table of inputs, output and load, measured below predicted', async () => {
    const points = await pointsOf();
    const { container } = render(
      <TruthPanel
        points={points}
        bench={bench}
        meter={meter}
        answers={new Map([['load 0', patternOf(['off'])]])}
      />,
    );
    const rows = [...container.querySelectorAll('tbody tr')].map(({ textContent }) => textContent ?? '');
    expect(rows[0]).toMatch(/^dark.*onoff$/);
    expect(rows[1]).toMatch(/^light.*off$/);
  });
});

describe('the fault finder', () => {
  it('ranks again with each answer, by symptoms too, and never proposes what was asked', async () => {
    const plain = await foundOf();
    expect(plain.isSure).toBe(false);
    const never = await foundOf(noteSymptom('never-on', true)(project));
    expect(never.answers.map(({ probe }) => probe.kind)).toEqual(['load', 'load']);
    expect(never.groups[0]?.members[0]?.fault.fault.kind).not.toBe('healthy');
    const answered = await foundOf(noteAnswer('volts supply 0', 0)(noteAnswer('volts supply 1', 0)(project)));
    expect(answered.groups[0]?.members[0]?.fault.fault).toMatchObject({ kind: 'supply', state: 'none' });
    expect(answered.next.map(({ probe }) => JSON.stringify(probe))).not.toContain(
      JSON.stringify({ kind: 'volts', net: 'supply', light: 0 }),
    );
  });

  it('asks for what does not fit once more, and counts it twice where it stays', async () => {
    const points = await pointsOf();
    const isVolts = ({ probe }: { readonly probe: { readonly kind: string } }) =>
      probe.kind === 'volts' || probe.kind === 'load';
    const sound = points.points
      .filter(isVolts)
      .reduce((before, { key, expected }) => noteAnswer(key, expected)(before), project);
    const slipped = noteAnswer('volts collector 0', 2.6)(sound);
    const found = await foundOf(slipped);
    expect(found.next[0]).toMatchObject({ isAgain: true, probe: { net: 'collector', light: 0 } });
    const same = noteAnswer('volts collector 0', 2.61, true)(slipped);
    const twice = await foundOf(same);
    expect(twice.answers.find(({ isTwice }) => isTwice)).toMatchObject({ value: 2.61 });
    expect(twice.next.filter(({ isAgain }) => isAgain)).toEqual([]);
    // Taken away, both are gone.
    expect(noteAnswer('volts collector 0', null)(same).check.answers).toHaveLength(
      sound.check.answers.length - 1,
    );
  });

  it('tells the likeliest first, what it looks like, and lets it be written down once it is sure', async () => {
    const found = await foundOf(noteAnswer('volts supply 0', 0)(noteAnswer('volts supply 1', 0)(project)));
    const onWrite = vi.fn();
    render(<FoundPanel found={found} bench={bench} onWrite={onWrite} isWritten={false} />);
    expect(screen.getAllByRole('listitem')[0]?.textContent).toContain('No supply from BT1');
    press('That was it: write it down');
    expect(onWrite).toHaveBeenCalled();
  });

  it('has shares that anyone may change, and take back', () => {
    const onChange = vi.fn();
    render(<PriorsPanel priors={DEFAULT_PRIORS} onChange={onChange} />);
    enter('a dead part, %', '10');
    expect(onChange).toHaveBeenCalledWith({ 'dead-part': 0.1 });
    press('As shipped');
    expect(onChange).toHaveBeenCalledWith(DEFAULT_PRIORS);
  });
});

describe('practice', () => {
  it('hides the same fault for the same seed, answers alike, and shows the program’s own way', async () => {
    const question = {
      project,
      meter,
      neighbours: null,
      priors: DEFAULT_PRIORS,
      seed: 12,
      level: 1,
      had: [],
    } as const;
    const begun = (await computePractice({ ...question, asked: [], isOver: false }, nothing)) ?? fail();
    expect(begun.solution).toBeNull();
    const asked = begun.probes.slice(0, 3);
    const one = await computePractice({ ...question, asked, isOver: false }, nothing);
    const over = await computePractice({ ...question, asked, isOver: true }, nothing);
    expect(one?.answers).toEqual(over?.answers);
    expect(over?.solution?.foundIt).toBe(true);
    expect(begun.choices.map(({ key }) => key)).toContain(over?.solution?.key);
  });
});

describe('a report', () => {
  it('tells the whole project in Markdown, with a table for each of its lists', () => {
    const text = projectReport(project, design, []);
    for (const heading of [
      '# Seedling shelf',
      '## Readings of the LDR',
      '## Parts',
      '## Test points',
      '## Advice',
    ])
      expect(text).toContain(heading);
    expect(text).not.toMatch(/undefined|NaN|\u00a0/);
    expect(text).toContain('No drawbacks found.');
  });

  it('finds no lack of drawbacks in what fails at the ends of its supply', () => {
    const sagging = { ...project, source: { ...project.source, lowShare: 0.55 } };
    const solved = analyse(sagging);
    const text = projectReport(sagging, solved.ok ? solved.design : fail(), []);
    expect(text).not.toContain('No drawbacks found.');
    expect(text).toContain('it stops working');
  });
});
