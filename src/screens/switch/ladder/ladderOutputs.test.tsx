// @vitest-environment happy-dom
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { detectorOf } from '@/core/detectors/registry';
import { defaultLoads } from '@/core/loads/registry';
import { shippedComparators } from '@/core/parts/kinds/comparator';
import { changeDetector } from '@/core/project/detectorEdits';
import { addLoad, takeLoad } from '@/core/project/edits';
import { checkProject, type Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { chooseDetector } from '@/core/size/chooseDetector';
import { CuredAdvice, renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { DrivePanel } from '../../drive/DrivePanel';
import { enter, field, press, stubBrowser } from '../../testPanels';
import { SwitchPanel } from '../SwitchPanel';

const rack = sampleNamed('Drying rack meter');

beforeAll(stubBrowser);
afterEach(cleanup);

const switchPanel = (project: Project) =>
  renderInWorkbench(project, (design) => (
    <>
      <SwitchPanel design={design} onGo={() => undefined} />
      <CuredAdvice design={design} />
    </>
  ));
const drivePanel = (project: Project) =>
  renderInWorkbench(project, (design) => <DrivePanel design={design} onGo={() => undefined} />);

describe('what the steps of a ladder drive', () => {
  it('is a load each, or a transistor each with fields of its own, and back', () => {
    const { project, container } = switchPanel(rack);
    expect(screen.queryByLabelText('Base resistor of each')).toBeNull();
    fireEvent.click(screen.getByText('a transistor'));
    expect(container.textContent).toContain('One for each step');
    expect(project().driver.baseOhms).not.toBeNull();
    enter('Base to emitter of each', '10k');
    enter('Base resistor of each', '2k2');
    expect(detectorOf(project().detector, 'ladder')?.output.releaseOhms).toBe(10_000);
    expect(project().driver.baseOhms).toBe(2200);
    // Each is asked for its own load, not for all of them.
    expect(container.textContent).toMatch(/carries 4\.\d+\smA of the 4\.\d+\smA: its load is fully on/);
    expect(checkProject(project()).ok).toBe(true);
    fireEvent.click(screen.getByText('the load, direct'));
    expect(screen.queryByLabelText('Base resistor of each')).toBeNull();
  });

  it('wants a pull-up at each open collector', () => {
    const open = shippedComparators.find(({ id }) => id === 'open-drain');
    const { project } = switchPanel(changeDetector('ladder', open ? { part: open } : {})(rack));
    expect(screen.queryByLabelText('Pull-up of each step')).toBeNull();
    fireEvent.click(screen.getByText('a transistor'));
    expect(field('Pull-up of each step').value).toMatch(/10/);
    enter('Pull-up of each step', '4k7');
    expect(detectorOf(project().detector, 'ladder')?.pullUpOhms).toBe(4700);
  });

  it('leaves nothing to choose where only the present step shows: its loads hang between two outputs', () => {
    switchPanel(changeDetector('ladder', { shows: 'dot' })(rack));
    expect(screen.queryByText('the load, direct')).toBeNull();
  });

  it('is put on transistors by the button where a load is too much for an output', () => {
    const heavy = takeLoad({ ...defaultLoads.relay, coilVolts: 5, coilOhms: 70 })(rack);
    const { project, container } = switchPanel(heavy);
    expect(container.textContent).toMatch(/cannot work/);
    const before = project();
    for (let presses = 0; presses < 4 && /cannot work/.test(container.textContent ?? ''); presses++)
      press(/^Use |^Put |^Drive |^Let |^Give |^Lead /);
    expect(project()).not.toEqual(before);
    expect(detectorOf(project().detector, 'ladder')?.output.to).toBe('transistor');
    expect(container.textContent).not.toMatch(/cannot work/);
  });
});

describe('the load of a ladder', () => {
  it('is one kind for all steps: another one has no place there', () => {
    const { container } = drivePanel(rack);
    expect(container.textContent).toContain('Load of each step');
    expect(screen.queryByText('Another load on the same switch')).toBeNull();
  });

  it('that no step has is said to be such, and can be taken away', () => {
    const { project, container } = drivePanel(addLoad(defaultLoads.buzzer)(rack));
    expect(container.textContent).toContain('Load that no step has');
    const [, unused] = screen.getAllByRole('button', { name: /^Take .* off the switch$/ });
    if (unused) fireEvent.click(unused);
    expect(project().loads).toEqual(rack.loads);
  });

  it('stays the project’s own when a ladder is chosen, on transistors where its outputs cannot carry it', () => {
    const shelf = sampleNamed('Seedling shelf');
    const made = chooseDetector('ladder')(shelf);
    expect(made.loads).toEqual(shelf.loads.slice(0, 1));
    expect(detectorOf(made.detector, 'ladder')?.output.to).toBe('transistor');
  });
});
