// @vitest-environment happy-dom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { detectorKinds } from '@/core/detectors/kinds';
import { detectorOf } from '@/core/detectors/registry';
import { transistorKinds } from '@/core/drivers/kinds';
import { defaultTransistor } from '@/core/drivers/registry';
import { loadKinds } from '@/core/loads/kinds';
import { defaultLoads } from '@/core/loads/registry';
import { analyse } from '@/core/design';
import { adviceSentence } from '@/ui/words/said/advice';
import { lightText } from '@/ui/words/light';
import { IDEAL_SOURCE } from '@/core/loads/supply';
import { shippedTimers } from '@/core/parts/kinds/timer';
import { addLoad, changeLoad, takeLoad, takeSource, takeTransistor, together } from '@/core/project/edits';
import { checkProject, type Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { defaultOutputStages, type OutputStage } from '@/core/detectors/outputStage/outputStage';
import { changeDetector, changeOutputStage } from '@/core/project/detectorEdits';
import { sampleNamed } from '@/core/project/testSamples';
import { changeSteps } from '@/core/size/changeSteps';
import { chooseDetector } from '@/core/size/chooseDetector';
import { changeEdgeBand } from '@/core/size/edgeBand';
import { CuredAdvice, renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { detectorWords } from '@/ui/words/detectors';
import { loadNames, transistorNames } from '@/ui/words/names';
import { DrivePanel } from './drive/DrivePanel';
import { DamagedRecords } from './projects/DamagedRecords';
import { SupplyPanel } from './drive/SupplyPanel';
import { SwitchPanel } from './switch/SwitchPanel';
import { alerts, enter, field, pick, press, settled, stubBrowser } from './testPanels';

const [platform] = sampleProjects;

beforeAll(stubBrowser);
afterEach(cleanup);

const switchPanel = (project: Project) =>
  renderInWorkbench(project, (design) => <SwitchPanel design={design} onGo={() => undefined} />);
const drivePanel = (project: Project) =>
  renderInWorkbench(project, (design) => <DrivePanel design={design} onGo={() => undefined} />);

describe('the switch panel', () => {
  it.each(detectorKinds)('shows a %s with its own fields, and no figure that is none', (kind) => {
    const { container } = switchPanel(chooseDetector(kind)(platform));
    expect(container.textContent).toContain(detectorWords[kind].name);
    expect(container.textContent).not.toMatch(/NaN|undefined|Infinity/);
  });

  it.each(transistorKinds)('names the ends of a %s as its kind does', (kind) => {
    const { container } = switchPanel(takeTransistor(defaultTransistor(kind))(platform));
    expect(container.textContent).toContain(transistorNames[kind]);
    expect(screen.getByText(kind.endsWith('mos') ? 'drain' : 'collector')).toBeTruthy();
  });

  it('takes a resistor typed with a prefix, and refuses what is none with what was typed kept', async () => {
    const { project } = switchPanel(chooseDetector('comparator')(platform));
    enter('Reference, lower R22', '47k');
    expect(detectorOf(project().detector, 'comparator')?.reference.bottomOhms).toBe(47_000);
    enter('Reference, lower R22', '4x7');
    expect(alerts().join()).toContain('is no prefix or unit here');
    expect(field('Reference, lower R22').value).toBe('4x7');
    expect(detectorOf(project().detector, 'comparator')?.reference.bottomOhms).toBe(47_000);
  });

  it('takes a comparator by its datasheet, and says what is missing of one', () => {
    const { project } = switchPanel(chooseDetector('comparator')(platform));
    press(/^Custom part/);
    const dialog = within(screen.getByRole('dialog'));
    fireEvent.click(dialog.getByText('Save it and use it'));
    expect(alerts().join()).toContain('Give the part a name');
    fireEvent.change(dialog.getByLabelText('Name'), { target: { value: 'Slow old one' } });
    pick('Kind of output', 'push–pull');
    enter('Supply, highest', '1');
    expect(alerts().join()).toContain('The lowest supply must be under the highest');
    enter('Supply, highest', '18');
    enter('Input offset, maximum', '0');
    enter('Current out of an input', '-40n');
    fireEvent.click(dialog.getByText('Save it and use it'));
    const part = detectorOf(project().detector, 'comparator')?.part;
    expect(part).toMatchObject({ name: 'Slow old one', kind: 'push-pull', maxSupplyVolts: 18 });
    expect(part).toMatchObject({ offsetVolts: 0, inputLowVolts: 0, biasAmps: -40e-9 });
    expect(checkProject(project()).ok).toBe(true);
  });

  it('puts a trimmer between the reference’s resistors, and tells what its screw does', async () => {
    const { project, container } = switchPanel(chooseDetector('comparator')(platform));
    fireEvent.click(screen.getByText('with a trimmer'));
    expect(detectorOf(project().detector, 'comparator')?.reference.trimmer).not.toBeNull();
    expect(container.textContent).toMatch(/From end to end it turns on at .* per degree/);
  });

  it('gives a ladder as many steps as asked for, and refuses a ninth', async () => {
    const { project } = switchPanel(chooseDetector('ladder')(platform));
    enter('Steps', '9');
    expect(alerts().join()).toContain('A whole number from 2 to 8.');
    enter('Steps', '3');
    expect(detectorOf(project().detector, 'ladder')?.stepLux).toHaveLength(3);
    expect(detectorOf(project().detector, 'ladder')?.stringOhms).toHaveLength(4);
  });

  it('gives each edge of a window a band, names the resistors that it has, and takes it away again', () => {
    const { project, container } = switchPanel(changeEdgeBand(null)(sampleNamed('Moss terrarium guide')));
    expect(field('Between the two R23').value).toMatch(/\d k/);
    expect(container.textContent).not.toContain('Upper edge');
    enter('Band at each edge', '1.3');
    const banded = detectorOf(project().detector, 'window');
    expect(banded?.hysteresis).toMatchObject({ ratio: 1.3, inputOhms: 10_000 });
    expect(container.textContent).toContain('R51–R52');
    expect(container.textContent).toMatch(/Upper edge×1\.[23]/);
    expect(container.textContent).toMatch(/lower edge R62/);
    enter('Band at each edge', '1');
    expect(alerts().join()).toContain('1.01');
    enter('Band at each edge', '');
    expect(detectorOf(project().detector, 'window')?.hysteresis).toBeNull();
    expect(checkProject(project()).ok).toBe(true);
  });

  it('tells where each step of a ladder comes and goes, numbered as they come', () => {
    const { container } = switchPanel(changeEdgeBand(1.4)(sampleNamed('Drying rack meter')));
    expect(container.textContent).toMatch(/Step 1.*wanted 2000\slx · goes at 1[345]\d0\slx/);
    cleanup();
    const dark = changeSteps([10, 30, 100])(
      changeDetector('ladder', { moreIn: 'dark' })(chooseDetector('ladder')(platform)),
    );
    const text = switchPanel(dark).container.textContent ?? '';
    expect(text.replaceAll(/\s/g, ' ')).toMatch(/Where the steps come ?Step 1.{0,20}wanted 100 lx/);
  });

  it('lets a timer be a one-shot whose parts come from its time', async () => {
    const { project } = switchPanel(chooseDetector('timer')(platform));
    fireEvent.click(screen.getByText('one-shot'));
    enter('Pulse', '3');
    const pulse = detectorOf(project().detector, 'timer')?.pulse;
    expect((pulse?.ohms ?? 0) * (pulse?.farads ?? 0) * Math.log(3)).toBeCloseTo(3, 0);
  });

  it('lets a one-shot follow, of a timer IC that works on the supply, and takes another', () => {
    const low = takeSource(IDEAL_SOURCE, 3.3)(chooseDetector('comparator')(platform));
    const { project } = switchPanel(low);
    pick('Output is', 'one-shot');
    expect(project().outputStage).toMatchObject({ kind: 'one-shot', part: { id: 'cmos-timer' } });
    // The detector has a part of its own.
    const [timer] = screen
      .getAllByLabelText('Part', { selector: 'input' })
      .filter((each) => each.closest('.ant-select')?.textContent === 'CMOS timer');
    fireEvent.mouseDown(timer!);
    fireEvent.click(document.querySelector('.ant-select-item-option[title="bipolar timer"]')!);
    enter('Pulse', '2');
    expect(project().outputStage).toMatchObject({ kind: 'one-shot', part: shippedTimers[0] });
    expect(checkProject(project()).ok).toBe(true);
  });

  it('leaves a sound project whichever detector is shown', () => {
    for (const kind of detectorKinds) {
      const { project, unmount } = switchPanel(chooseDetector(kind)(platform));
      expect(checkProject(project())).toMatchObject({ ok: true });
      unmount();
    }
  });
});

describe('the drive panel', () => {
  it('says when a relay or a pin goes off again as what is before it does', () => {
    const shown = (
      stage: OutputStage,
      load: 'relay' | 'logic',
      detector: 'comparator' | 'change' = 'comparator',
    ) => {
      const { container } = drivePanel(
        changeOutputStage(stage)(chooseDetector(detector)(takeLoad(defaultLoads[load])(platform))),
      );
      const text = container.textContent ?? '';
      cleanup();
      return text;
    };
    const { direct, toggle, counted } = defaultOutputStages;
    expect(shown(direct, 'relay')).toMatch(/Drop-out[\d.]+.lx/);
    expect(shown(toggle, 'relay')).toContain('Drop-outthe next time');
    expect(shown(counted, 'relay')).toContain('Drop-outat its end');
    expect(shown(toggle, 'logic')).toContain('Reads high atthe next time');
    expect(shown(direct, 'relay', 'change')).toMatch(/Pull-ina change.*Drop-outat its end/);
  });

  it.each(loadKinds)('shows a %s with its own fields', (kind) => {
    const { container } = drivePanel(takeLoad(defaultLoads[kind])(platform));
    expect(container.textContent).toContain(loadNames[kind]);
    // Between two levels a pin's reading is undefined, and says so.
    const text = container.textContent?.replace('the reading is undefined', '');
    expect(text).not.toMatch(/NaN|undefined|Infinity/);
  });

  it('says what a logic input reads with the switch on and off, pulled down or pulled up', () => {
    const low = drivePanel(
      together(takeTransistor(defaultTransistor('nmos')), takeLoad(defaultLoads.logic))(platform),
    );
    expect(low.container.textContent).toMatch(/Pin, switch on0\sVreads low/);
    expect(low.container.textContent).toMatch(/Pin, switch off3\.30\sVreads high/);
    low.unmount();
    const high = drivePanel(
      together(takeTransistor(defaultTransistor('pmos')), takeLoad(defaultLoads.logic))(platform),
    );
    expect(high.container.textContent).toContain('Pull-down to 0 V');
    expect(high.container.textContent).toMatch(/Pin, switch on\d\.\d+\sVreads high/);
  });
});

describe('several loads on one switch', () => {
  it('come on and off again, each with a panel of its own', () => {
    const { project, container } = drivePanel(addLoad(defaultLoads.buzzer)(platform));
    expect(container.textContent).toContain('Load BZ1');
    expect(container.textContent).toMatch(/Sounds\s*8\d\sdB/);
    press(/BZ1 off the switch$|Take .*buzzer off/);
    expect(project().loads).toHaveLength(1);
    expect(container.textContent).not.toContain('Load BZ1');
  });
});

describe('a figure past a limit', () => {
  it('stays as typed, with the nearest that is allowed a press away', () => {
    const { project } = renderInWorkbench(platform, (design) => <SupplyPanel design={design} />);
    enter('Voltage', '300');
    expect(alerts().join()).toMatch(/48\sV/);
    expect(project().divider.supplyVolts).toBe(6);
    press(/^Take 48\sV$/);
    expect(project().divider.supplyVolts).toBe(48);
    expect(alerts()).toEqual([]);
  });

  it('is not made a smaller one in silence: LEDs in a row', () => {
    const { project } = renderInWorkbench(platform, (design) => (
      <DrivePanel design={design} onGo={() => undefined} />
    ));
    enter('In a row', '30');
    expect(alerts().join()).toContain('A whole number from 1 to 12.');
    expect(project().loads[0]).toMatchObject({ inSeries: 1 });
    press('Take 12');
    expect(project().loads[0]).toMatchObject({ inSeries: 12 });
  });
});

describe('an own LED', () => {
  it('takes what it stands for long, may leave it unsaid again, and is told when it gets more', () => {
    const own = changeLoad({ led: 'own', forwardVolts: 2.9, atAmps: 0.01, seriesOhms: 330 })(platform);
    const { project } = renderInWorkbench(own, (design) => (
      <DrivePanel design={design} onGo={() => undefined} />
    ));
    enter('Takes for long at most', '5m');
    expect(project().loads[0]).toMatchObject({ maxAmps: 0.005 });
    const said = () => {
      const analysis = analyse(project());
      const finding = analysis.ok
        ? analysis.design.advice.find(({ code }) => code === 'led-over-maximum')
        : null;
      return finding ? adviceSentence(finding, lightText('lux')) : null;
    };
    expect(said()).toMatch(/^The LED gets 9\.\d+\smA; by its datasheet it takes 5\.00\smA for long/);
    enter('Takes for long at most', '');
    expect(project().loads[0]).toMatchObject({ maxAmps: null });
    expect(said()).toBeNull();
  });
});

describe('loads that no one supply suits', () => {
  it('are said to be, and that nothing that was tried cures it', () => {
    const buzzer = { ...defaultLoads.buzzer, ratedVolts: 3, minVolts: 2, maxVolts: 4, ratedAmps: 0.01 };
    const lamp = { ...defaultLoads.lamp, ratedVolts: 12 };
    const project = addLoad(lamp)(takeLoad(buzzer)(platform));
    const { container } = renderInWorkbench(project, (design) => <CuredAdvice design={design} />);
    fireEvent.click(screen.getByRole('button', { name: /more$/ }));
    expect(container.textContent).toMatch(/buzzer takes 4\.00\sV at most, the small lamp needs 6\.00\sV/);
    expect(container.textContent).toContain('No other part, value or supply that was tried cures it.');
  });
});

describe('a supply of the load’s own', () => {
  const withSupply = (project: Project) =>
    renderInWorkbench(project, (design) => (
      <>
        <SupplyPanel design={design} />
        <CuredAdvice design={design} />
      </>
    ));

  it('wants the grounds joined, which one button does', () => {
    const { project, container } = withSupply(platform);
    press('Give the load its own supply');
    expect(project().loadSupply).not.toBeNull();
    fireEvent.click(screen.getByLabelText('Grounds joined'));
    expect(container.textContent).toContain('share no ground');
    press(/^Join the grounds/);
    expect(project().loadSupply?.commonGround).toBe(true);
    expect(container.textContent).not.toContain('share no ground');
    press('One supply for both');
    expect(project().loadSupply).toBeNull();
  });
});

describe('damaged records', () => {
  it('are named, saved as they are and deleted, one by one', async () => {
    let forgotten = 0;
    const record = { id: 'torn', what: 'custom part', record: { id: 'torn' }, forget: async () => (forgotten++, 'saved' as const) }; // prettier-ignore
    render(<DamagedRecords storage={{ damaged: async () => [record] }} />);
    const list = await screen.findByRole('list');
    expect(within(list).getByText(/custom part torn/)).toBeTruthy();
    press('Delete custom part');
    await settled();
    expect(forgotten).toBe(1);
    expect(screen.queryByRole('list')).toBeNull();
  });
});
