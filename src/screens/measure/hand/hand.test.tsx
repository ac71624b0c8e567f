// @vitest-environment happy-dom
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { chooseMeter } from '@/core/project/readingEdits';
import { newProject } from '@/core/project/newProject';
import type { Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { designOf, renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { alerts, enter, field, press, settled, stubBrowser } from '../../testPanels';
import { MeterSettings } from './MeterSettings';
import { ReadingEntry } from './ReadingEntry';
import { ReadingTable } from './ReadingTable';

beforeAll(stubBrowser);
afterEach(cleanup);

const withAuto = chooseMeter('auto-6000')(newProject('new', 'New'));
const hand = (project: Project) =>
  renderInWorkbench(project, (design) => (
    <>
      <ReadingEntry />
      {design.judgement && <ReadingTable design={design} />}
    </>
  ));
const shown = () => screen.getByLabelText<HTMLInputElement>(/^(Resistance|Meter shows .*)$/);
function add(light: string, figure: string): void {
  enter('Light', light);
  fireEvent.change(shown(), { target: { value: figure } });
  fireEvent.keyDown(shown(), { key: 'Enter' });
}
const r10Of = (project: Project) => designOf(project).ldr.curve.r10Ohms;

describe('the entry line', () => {
  it('refuses a bad reading and keeps both figures', () => {
    const { project, container } = hand(chooseMeter(null)(withAuto));
    fireEvent.change(field('Light'), { target: { value: '12' } });
    fireEvent.change(shown(), { target: { value: 'OL' } });
    press('Add');
    expect(container.textContent).toContain('The meter is over its range');
    expect([field('Light').value, shown().value]).toEqual(['12', 'OL']);
    enter('Light', '0');
    expect(container.textContent).toContain('Complete dark has no place on a logarithmic axis');
    expect(project().readings).toEqual([]);
  });

  it('takes OL and >200k as “above this”, which moves the fit', async () => {
    const { project, container } = hand(withAuto);
    add('2', '150k');
    add('30', '22k');
    add('400', '3k6');
    const before = r10Of(project());
    add('0.01', 'OL');
    await settled();
    const cells = () => [...container.querySelectorAll('input')].map(({ value }) => value);
    expect(cells().map((text) => text.replaceAll(/\s/g, ''))).toContain('>60MΩ');
    expect(r10Of(project())).not.toBe(before);
    add('0.2', '>200k');
    await settled();
    expect(cells().map((text) => text.replaceAll(/\s/g, ''))).toContain('>200kΩ');
    expect(project().readings.filter(({ above }) => above)).toHaveLength(2);
  });

  it('shows which range it reads, and the arrows turn it', () => {
    const { project, container } = hand(chooseMeter('manual-2000')(withAuto));
    enter('Light', '10');
    fireEvent.change(shown(), { target: { value: '12.34' } });
    expect(container.textContent).toMatch(/= 12\.3\skΩ ± 119\sΩ/);
    fireEvent.keyDown(shown(), { key: 'ArrowDown' });
    fireEvent.keyDown(shown(), { key: 'Enter' });
    expect(alerts().join()).toMatch(/The 2\skΩ range cannot show 12\.3\skΩ; the 20\skΩ range can/);
    expect(project().readings).toEqual([]);
    press(/The knob is on 20\skΩ/);
    fireEvent.keyDown(shown(), { key: 'Enter' });
    expect(project().readings).toMatchObject([{ ohms: 12_340, rangeOhms: 20_000 }]);
  });

  it('offers what was meant where plain ohms were typed on a range in kΩ', () => {
    const { project } = hand(chooseMeter('manual-2000')(withAuto));
    add('10', '4700');
    press(/It is 4\.7\skΩ/);
    fireEvent.keyDown(shown(), { key: 'Enter' });
    expect(project().readings).toMatchObject([{ ohms: 4700, rangeOhms: 20_000 }]);
  });
});

describe('the table of readings', () => {
  it('takes OL, a limit and what the meter shows in its cells', async () => {
    const { project } = hand(chooseMeter('manual-2000')(withAuto));
    add('10', '12.34');
    await settled();
    const cell = () => field('Resistance at 10 lx');
    const retype = async (text: string) => {
      fireEvent.change(cell(), { target: { value: text } });
      fireEvent.keyDown(cell(), { key: 'Enter' });
      await settled();
      return project().readings[0];
    };
    const before = project();
    fireEvent.blur(cell());
    expect(project()).toBe(before);
    expect(await retype('OL')).toMatchObject({ ohms: 20_000, above: true });
    expect(await retype('>15')).toMatchObject({ ohms: 15_000, above: true });
    expect(await retype('9k8')).toMatchObject({ ohms: 9800, above: false });
  });

  it('sets one aside: it stays listed and leaves the fit as if it were not there', async () => {
    const platform = sampleNamed('Platform lamps');
    const { project } = hand(platform);
    const clean = r10Of(platform);
    add('20', '187');
    await settled();
    expect(r10Of(project())).not.toBe(clean);
    fireEvent.click(screen.getByLabelText('Set the reading at 20 lx aside'));
    await settled();
    expect(r10Of(project())).toBe(clean);
    expect(field('Resistance at 20 lx').value).toBe('187 Ω');
    fireEvent.click(screen.getByLabelText('Set the reading at 20 lx aside'));
    expect(r10Of(project())).not.toBe(clean);
  });

  it('keeps a bad figure as typed and changes nothing', () => {
    const larder = sampleNamed('Larder telltale');
    const { project } = hand(larder);
    for (const label of ['Light of the reading at 0.8 lx', 'Resistance at 0.8 lx']) {
      enter(label, '-7');
      expect(field(label).value).toBe('-7');
      expect(alerts().join()).toContain('Must be above zero');
      expect(project()).toBe(larder);
      fireEvent.keyDown(field(label), { key: 'Escape' });
    }
  });
});

describe('an own meter', () => {
  it('is typed from its leaflet, and refused where its ranges do not rise', async () => {
    const { project } = renderInWorkbench(withAuto, () => <MeterSettings open onClose={() => undefined} />);
    press(/Add a meter/);
    const put = (label: string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    put('Name', 'Yellow one');
    put('Resistance ranges, lowest first', '4k 400');
    press('Add this meter');
    expect(alerts().join()).toMatch(/from low to high/);
    put('Resistance ranges, lowest first', '400 4k 40k 400k 4M 40M:2:5');
    press('Add this meter');
    await settled();
    const { meter } = project();
    expect(meter).toMatchObject({ name: 'Yellow one' });
    expect(typeof meter === 'object' && meter?.ranges.map(({ fullOhms }) => fullOhms)).toEqual([
      400, 4000, 40_000, 400_000, 4e6, 4e7,
    ]);
  });
});
