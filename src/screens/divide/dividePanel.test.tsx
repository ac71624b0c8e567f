// @vitest-environment happy-dom
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import type { Project } from '@/core/project/project';
import { changeOutputStage } from '@/core/project/detectorEdits';
import { changeTrimmer, together, type Edit } from '@/core/project/edits';
import { chooseDetector } from '@/core/size/chooseDetector';
import { sampleNamed } from '@/core/project/testSamples';
import { keptStock } from '@/ui/library/keptStock';
import { AdviceList } from '@/ui/common/AdviceList';
import { Schematic } from '@/ui/schematic/Schematic';
import { CuredAdvice, designOf, renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { alerts, enter, field, pick, press, settled, stubBrowser } from '../testPanels';
import { DividePanel } from './DividePanel';
import { SizingPanel } from './SizingMethodsPanel';

const platform = sampleNamed('Platform lamps');
beforeAll(stubBrowser);
afterEach(() => {
  cleanup();
  window.localStorage.clear();
});

const dividePanel = (project: Project, isCured = false) =>
  renderInWorkbench(project, (design) => (
    <>
      <DividePanel design={design} onGo={() => undefined} />
      <SizingPanel design={design} />
      {isCured ? <CuredAdvice design={design} /> : <AdviceList advice={design.advice} cures={[]} />}
    </>
  ));
const switchesAt = (project: Project) => {
  const { half } = designOf(project);
  return half.ok ? half.lux : NaN;
};

const wrong: readonly (readonly [typed: string, says: RegExp])[] = [
  ['abc', /Not a number/],
  ['0', /Must be above zero/],
  ['-5', /Must be above zero/],
  ['1e999', /Too large to be a real value/],
  ['4x7', /“x7” is no prefix or unit here/],
  ['5 lx', /This field is in Ω/],
  ['1,000', /The comma could mean thousands or decimals/],
  ['', /Type a value/],
  ['900M', /Too large: takes 1\sΩ to 100\sMΩ/],
];

describe('what the divider makes of the load', () => {
  it('is told with how long it lasts, where what follows ends by itself or changes over', () => {
    const counted = changeOutputStage({ kind: 'counted', ohms: 1e6, farads: 1e-7 });
    const after = (edit: Edit) =>
      dividePanel(together(chooseDetector('comparator'), edit)(platform)).container.textContent;
    expect(after(counted)).toMatch(/the load is on in the dark, for \d/);
    cleanup();
    expect(after(changeOutputStage({ kind: 'toggle' }))).toContain('on in the dark, and off the next time.');
    cleanup();
    expect(after(changeOutputStage({ kind: 'direct' }))).toContain('the load is on in the dark.');
  });
});

describe('a divider before what hears changes', () => {
  const changing = chooseDetector('change')(platform);

  it('is not said to switch at no light, nor sized or trimmed for one', () => {
    const { container } = dividePanel(changing);
    expect(designOf(changing).advice.filter(({ state }) => state === 'cannot')).toEqual([]);
    expect(container.textContent).toContain('switches at a change');
    expect(container.textContent).toContain('Geometric mean');
    expect(container.textContent).not.toMatch(/never|no value|No trimmer/);
  });

  it('may have a trimmer all the same, of which no light is told', () => {
    const trimmed = changeTrimmer({ trackOhms: 10_000, endOhms: 1000, degrees: 270 }, 4700)(changing);
    const { container } = dividePanel(trimmed);
    expect(field('Track').value).toBe('10 k');
    expect(container.textContent).not.toMatch(/never|does not exist|cannot reach/);
  });
});

describe('a field for a value', () => {
  it('keeps a bad one, says what is wrong beside it and changes nothing', () => {
    const { project } = dividePanel(platform);
    for (const [typed, says] of wrong) {
      enter('R1 in use', typed);
      expect(field('R1 in use').value).toBe(typed);
      expect(field('R1 in use').getAttribute('aria-invalid')).toBe('true');
      expect(alerts().some((text) => says.test(text))).toBe(true);
      expect(project()).toBe(platform);
    }
    fireEvent.keyDown(field('R1 in use'), { key: 'Escape' });
    expect(field('R1 in use').value).toBe('6.8 k');
    expect(field('R1 in use').getAttribute('aria-invalid')).toBe('false');
  });

  it('does so wherever it stands in the step', () => {
    const { project } = dividePanel(platform);
    for (const label of ['Supply', 'bright', 'In series, R4']) {
      enter(label, '-7');
      expect(field(label).value).toBe('-7');
      expect(alerts().some((text) => text.includes('Must be above zero'))).toBe(true);
      expect(project()).toBe(platform);
      fireEvent.keyDown(field(label), { key: 'Escape' });
    }
  });
});

describe('a trimmer in R1’s place', () => {
  const away = changeTrimmer({ trackOhms: 10_000, endOhms: 680, degrees: 270 }, 1800)(platform);

  it('is turned to the goal by a button that says where on its track that is', async () => {
    const { project } = dividePanel(away, true);
    await settled();
    press(/^Turn the trimmer to \d+\s% of its track$/);
    await settled();
    expect(project().divider.trimmer).toEqual(away.divider.trimmer);
    expect(switchesAt(project()) / 60).toBeCloseTo(1, 2);
    expect(screen.queryByText(/none in stock comes nearer/)).toBeNull();
  });

  it('has no end resistor where its field is empty', () => {
    const { project } = dividePanel(away);
    enter('End', '');
    expect(project().divider.trimmer?.endOhms).toBe(0);
    expect(field('End').value).toBe('');
    enter('End', '470');
    expect(project().divider.trimmer?.endOhms).toBe(470);
  });
});

describe('the sizing methods for R1', () => {
  it('take their resistor; only the switch’s own threshold and a trimmer hit the goal', async () => {
    const { project } = dividePanel(platform);
    enter('bright', '900');
    await settled();
    const use = (name: string) => press(`Use: ${name}`);
    const off = () => Math.abs(Math.log(switchesAt(project()) / 60));
    use('Geometric mean');
    await settled();
    expect(off()).toBeGreaterThan(0.2);
    use('Equal at the goal');
    await settled();
    expect(off()).toBeGreaterThan(0.2);
    use('Trimmer');
    await settled();
    expect(off()).toBeLessThan(0.02);
    use('The switch’s own threshold');
    await settled();
    expect(off()).toBeLessThan(0.05);
    expect(project().divider).toMatchObject({ fixedOhms: 6800, trimmer: null });
    enter('bright', '5');
    await settled();
    expect(alerts().length).toBeGreaterThan(0);
    expect(field('bright').value).toBe('5');
  });
});

describe('the decade box', () => {
  it('steps through the stock by the arrows, finer with Shift, by tens with the page keys', () => {
    const { project } = dividePanel(platform);
    const box = screen.getByLabelText('Decade box for R1');
    const key = (name: string, shiftKey = false) => {
      fireEvent.keyDown(box, { key: name, shiftKey });
      return project().divider.fixedOhms;
    };
    expect(key('ArrowUp')).toBe(8200);
    expect(key('ArrowDown')).toBe(6800);
    expect(key('ArrowUp', true)).toBe(6810);
    expect(key('PageUp')).toBe(68_100);
    expect(box.getAttribute('aria-valuetext')).toMatch(/68\.1\skΩ, switches at|68\.1\skΩ/);
    expect(key('PageDown')).toBe(6810);
  });
});

describe('what is in stock', () => {
  it('limits what is proposed: own values, pairs, and nothing when it is empty', async () => {
    const { project, container } = dividePanel(platform);
    pick('Values', 'own list');
    await settled();
    expect(container.textContent).toContain('No resistors are in stock');
    enter('Own values', '1k x');
    await settled();
    expect(container.textContent).toContain('“x” is no resistance. Write them like 1k 2k2 4k7.');
    enter('Own values', '4k7 2k 10k');
    await settled();
    expect(field('Own values').value).toBe('2k 4.7k 10k');
    fireEvent.click(screen.getByLabelText(/Two may stand for one/));
    await settled();
    press(/Use 4\.7\skΩ \+ 2\skΩ/);
    await settled();
    expect(project().divider.fixedOhms).toBe(6700);
    enter('Trimmers', '');
    await settled();
    expect(container.textContent).toContain('No trimmer is in stock: add one below.');
  });

  it('is kept for other projects: told there, taken over, or replaced by theirs', async () => {
    const first = dividePanel(platform);
    pick('Values', 'E24, 5 %');
    await settled();
    expect(first.project().resistors.series).toBe('E24');
    expect(first.container.textContent).not.toContain('Kept for new projects');
    cleanup();
    const other = dividePanel(platform);
    expect(other.container.textContent).toContain('Kept for new projects: E24, 5 %, 9 trimmers.');
    press('Use them here');
    await settled();
    expect(other.project().resistors).toEqual(first.project().resistors);
    expect(other.container.textContent).not.toContain('Kept for new projects');
    cleanup();
    const third = dividePanel(platform);
    press('Keep these instead');
    await settled();
    expect(keptStock()).toEqual(third.project().resistors);
  });
});

describe('a trimmer', () => {
  it('tells its travel in light, says when it cannot reach the goal, and is set to it', async () => {
    const { project, container } = dividePanel(platform);
    press('Use this trimmer');
    await settled();
    expect(container.textContent).toContain('Travel');
    enter('Track', '500');
    await settled();
    expect(container.textContent).toContain('This trimmer cannot reach the goal');
    enter('Track', '10k');
    await settled();
    press('Set it to the goal');
    await settled();
    expect(switchesAt(project()) / 60).toBeCloseTo(1, 2);
    press('Back to a resistor');
    await settled();
    expect(project().divider.trimmer).toBeNull();
  });
});

describe('resistors beside the LDR', () => {
  it('stand in the schematic and move the light at which it switches, there and back', async () => {
    const { project } = renderInWorkbench(platform, (design) => (
      <>
        <DividePanel design={design} onGo={() => undefined} />
        <Schematic design={design} />
      </>
    ));
    const before = switchesAt(project());
    enter('In series, R4', '220');
    await settled();
    enter('Across it, R5', '100k');
    await settled();
    const schematic = within(screen.getByLabelText(/^Schematic/));
    expect(schematic.getByText('R4')).toBeTruthy();
    expect(schematic.getByText('R5')).toBeTruthy();
    expect(switchesAt(project())).not.toBeCloseTo(before, 3);
    enter('In series, R4', '');
    await settled();
    enter('Across it, R5', '');
    await settled();
    expect(switchesAt(project())).toBeCloseTo(before, 9);
  });
});

describe('the wrong action', () => {
  it('is said and put right with one button', () => {
    const { project, container } = dividePanel(platform, true);
    fireEvent.click(screen.getByLabelText('light'));
    expect(project().goal.action).toBe('on-in-light');
    expect(container.textContent).toContain(
      'This wiring is the wrong way round: it should be on in the light',
    );
    press(/^Swap LDR and R1/);
    expect(container.textContent).toContain('rises in the light');
    expect(container.textContent).not.toContain('wrong way round');
  });
});
