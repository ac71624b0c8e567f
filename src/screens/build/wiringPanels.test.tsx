// @vitest-environment happy-dom
import { act, cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { piecesOf } from '@/core/build/pieces';
import { proposedBoard } from '@/core/build/place';
import { changeBuild, tickStep } from '@/core/project/built/buildEdits';
import { checkProject, type Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { designOf, renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { press, stubBrowser } from '../testPanels';
import { BoardColumns } from './board/BoardColumns';
import { ProgramColumns } from './program/ProgramColumns';
import { WiringColumns } from './wiring/WiringColumns';

beforeAll(() => {
  stubBrowser();
  vi.stubGlobal('IntersectionObserver', class {});
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

/** A sample whose board is there at once, as one that was moved by hand: no worker runs here. */
function onBoard(name: string): Project {
  const project = sampleNamed(name);
  const { placing } = proposedBoard(piecesOf(designOf(project).assembly.parts), 8);
  if (!placing.ok) throw new Error(placing.reason);
  return changeBuild({ layout: placing.layout })(project);
}

const key = (name: string, on: Element = document.body) => fireEvent.keyDown(on, { key: name });
const wiring = (project: Project) =>
  renderInWorkbench(project, (design) => <WiringColumns design={design} ways={null} />);
const big = () => document.querySelector('[aria-live="polite"]')?.textContent ?? '';

describe('wiring step by step', () => {
  it('goes on by Enter or space and back by Backspace, each with its own step', () => {
    const { project } = wiring(onBoard('Platform lamps'));
    const first = big();
    key('Enter');
    const second = big();
    expect(second).not.toBe(first);
    key(' ');
    expect(project().build.ticked).toHaveLength(2);
    key('Backspace');
    expect(big()).toBe(second);
    expect(project().build.ticked).toHaveLength(1);
  });

  it('leaves Enter and space to the control that has the focus', () => {
    const { project } = wiring(onBoard('Platform lamps'));
    key('Enter');
    const back = screen.getByRole('button', { name: /^Back/ });
    expect(fireEvent.keyDown(back, { key: 'Enter' })).toBe(true);
    expect(fireEvent.keyDown(back, { key: ' ' })).toBe(true);
    expect(project().build.ticked).toHaveLength(1);
    const [box] = screen.getAllByRole('checkbox');
    expect(fireEvent.keyDown(box!, { key: ' ' })).toBe(true);
    expect(project().build.ticked).toHaveLength(1);
  });

  it('goes on by a timer, but waits where someone must look or plug in a supply', () => {
    vi.useFakeTimers();
    const { project } = wiring(onBoard('Platform lamps'));
    fireEvent.click(screen.getByRole('switch', { name: 'Go on by itself' }));
    for (let second = 0; second < 200; second++) act(() => vi.advanceTimersByTime(1000));
    const { ticked } = project().build;
    expect(ticked.length).toBeGreaterThan(0);
    expect(ticked.every((each) => each.startsWith('w:'))).toBe(true);
    expect(big()).toContain('Ohmmeter');
    expect(screen.getByText('waits here for you')).toBeTruthy();
  });

  it('comes to an end, with every step ticked, and can begin again', () => {
    const { project } = wiring(onBoard('Hedgehog hut lamp'));
    for (let step = 0; step < 60; step++) key('Enter');
    expect(big()).toContain('All is in its place');
    const kinds = project().build.ticked.map((each) => each.charAt(0));
    expect(new Set(kinds)).toEqual(new Set(['w', 'c', 'p', 'l']));
    press('Take all ticks away');
    expect(project().build.ticked).toEqual([]);
  });

  it('takes a tick of the list, and forgets ticks of steps that are no more', () => {
    const stale = changeBuild({ ticked: Array.from({ length: 800 }, (_, index) => `p:old${index}@a1,b1`) })(
      onBoard('Platform lamps'),
    );
    const { project } = wiring(stale);
    const [box] = screen.getAllByRole('checkbox');
    fireEvent.click(box!);
    expect(project().build.ticked).toHaveLength(1);
    expect(checkProject(project()).ok).toBe(true);
    fireEvent.click(box!);
    expect(project().build.ticked).toEqual([]);
  });

  it('ticks without end never make a project that its schema refuses', () => {
    let project = sampleNamed('Platform lamps');
    for (let round = 0; round < 1000; round++)
      project = tickStep(
        `p:R${round}@a1,b1`,
        true,
        new Set([`p:R${round}@a1,b1`, `p:R${round - 1}@a1,b1`]),
      )(project);
    expect(project.build.ticked).toHaveLength(2);
    expect(checkProject(project).ok).toBe(true);
  });
});

describe('a board under the hand', () => {
  it('is checked at each move, says what is wrong, and is placed anew when asked', () => {
    const { project } = renderInWorkbench(onBoard('Seedling shelf'), (design) => (
      <BoardColumns design={design} ways={null} />
    ));
    const said = () => screen.getByRole('region', { name: 'Read back from the holes' }).textContent;
    expect(said()).toContain('The board is the circuit');
    const d1 = screen.getByRole('button', { name: /^D1, / });
    key('r', d1);
    expect(said()).toContain('Shorted');
    key('r', screen.getByRole('button', { name: /^D1, / }));
    expect(said()).toContain('The board is the circuit');
    for (let step = 0; step < 60 && !said()?.includes('move it onto the board'); step++)
      key('ArrowLeft', screen.getByRole('button', { name: /^R1, / }));
    expect(said()).toContain('move it onto the board');
    expect(checkProject(project()).ok).toBe(true);
    press('Place everything anew');
    expect(project().build.layout).toBeNull();
  });

  it('is seen from the solder side without being moved there', () => {
    renderInWorkbench(onBoard('Platform lamps'), (design) => <BoardColumns design={design} ways={null} />);
    expect(screen.getByRole('button', { name: /^R1, / })).toBeTruthy();
    fireEvent.click(screen.getByRole('switch', { name: 'From the solder side' }));
    expect(screen.queryByRole('button', { name: /^R1, / })).toBeNull();
  });
});

describe('the program of a controller', () => {
  it('takes pins by their names, keeps what is no name and says why', () => {
    const { project } = renderInWorkbench(sampleNamed('Birdhouse logger'), (design) => (
      <ProgramColumns design={design} ways={null} onGo={vi.fn()} />
    ));
    const pin = screen.getByLabelText<HTMLInputElement>('Output pin');
    fireEvent.change(pin, { target: { value: '3); evil(' } });
    fireEvent.blur(pin);
    expect(pin.value).toBe('3); evil(');
    expect(screen.getByText(/A pin is called by letters/)).toBeTruthy();
    expect(project().build.pins.output).toBe('2');
    fireEvent.change(pin, { target: { value: 'D7' } });
    fireEvent.blur(pin);
    expect(project().build.pins.output).toBe('D7');
    expect(document.querySelector('pre')?.textContent).toContain('DRIVE_PIN = D7;');
  });

  it('is not offered where a controller could not do the job, and leads to step 3', () => {
    const onGo = vi.fn();
    renderInWorkbench(sampleNamed('Seedling shelf'), (design) => (
      <ProgramColumns design={design} ways={null} onGo={onGo} />
    ));
    expect(screen.getByText(/one could not take the place/)).toBeTruthy();
    expect(document.querySelector('pre')).toBeNull();
    press('Choose a controller in step 3');
    expect(onGo).toHaveBeenCalledWith('switch');
  });
});
