import { describe, expect, it } from 'vitest';
import { analyse } from '@/core/design';
import { changeDivider } from '@/core/project/edits';
import { defaultLoads } from '@/core/loads/registry';
import type { LoadKind } from '@/core/loads/kinds';
import { netName } from '../nets';
import { partIn } from '@/core/parts/find';
import { changeOutputStage } from '@/core/project/detectorEdits';
import { defaultOutputStages } from '@/core/detectors/outputStage/outputStage';
import { faultsOf } from '@/core/faults/list';
import { probesOf } from '@/core/faults/predict';
import { benchOf } from '@/core/faults/testBenches';
import { keyOf } from '@/core/faults/fault';
import type { Probe } from '@/core/faults/probe';
import { chooseDetector } from '@/core/size/chooseDetector';
import { patternOf } from '@/core/faults/seen';
import { shippedMeters } from '@/core/meter/meter';
import { sampleProjects } from '@/core/project/samples';
import type { Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { apartText, faultLook, faultText, sureText } from './faults';
import {
  bandText,
  inTimeText,
  pointName,
  probeHint,
  probeText,
  turnText,
  valueText,
  type Bench,
} from './points';
import { againstText, logbookCsv, logbookMarkdown } from './logbook';
import { adoptionText } from './adopting';
import type { LogbookEntry } from '@/core/logbook/entry';

const meter = shippedMeters[0] ?? fail();
function fail(): never {
  throw new Error('no meter');
}
const plain = (text: string) => text.replaceAll('\u00a0', ' ');
const benchFor = (name: string): Bench => ({
  assembly: benchOf(sampleNamed(name), 2).bench.assembly,
  holesOf: () => ['a5'],
});

describe('words of the check', () => {
  it('tell every fault and every probe of every sample by a sentence of its own', () => {
    const stages = ['one-shot', 'counted', 'toggle'] as const;
    const behind = stages.map((stage) =>
      changeOutputStage(defaultOutputStages[stage])(sampleNamed('Seedling shelf')),
    );
    for (const project of [...sampleProjects, ...behind]) {
      const { bench } = benchOf(project, 2);
      const words: Bench = { assembly: bench.assembly, holesOf: () => [] };
      const faults = faultsOf(bench.assembly, null);
      const texts = faults.map(({ fault }) => faultText(words, fault));
      const same = texts.filter((text, index) => texts.indexOf(text) !== index);
      expect([project.name, same]).toEqual([project.name, []]);
      for (const [index, text] of texts.entries()) {
        expect(text, keyOf(faults[index]?.fault ?? { kind: 'healthy' })).toMatch(/^[A-Z0].*\.$/);
        expect(text).not.toMatch(/undefined|NaN|~|null/);
        expect(faultLook(words, faults[index]?.fault ?? { kind: 'healthy' })).toMatch(/[.?]$/);
      }
      const probes = probesOf(bench, faults).map((probe) => [
        probeText(words, probe, bench.lights),
        probeHint(words, probe, bench.lights),
      ]);
      expect(new Set(probes.map(([text]) => text)).size).toBe(probes.length);
      for (const [text] of probes) expect(text).not.toMatch(/undefined|NaN/);
    }
  });

  it('tell two faults at once by the sentences of both', () => {
    const bench = benchFor('Seedling shelf');
    const one = { kind: 'reversed', designator: 'D1' } as const;
    const other = { kind: 'ldr', state: 'wet' } as const;
    const pair = { kind: 'pair', faults: [one, other] } as const;
    expect(faultText(bench, pair)).toBe(`Two at once. ${faultText(bench, one)} ${faultText(bench, other)}`);
    expect(faultLook(bench, pair)).toContain(faultLook(bench, other));
    expect(keyOf(pair)).toBe(keyOf({ kind: 'pair', faults: [other, one] }));
  });

  it('name points by their letters, ICs by their pins, rails by what they are', () => {
    const bench = benchFor('Seedling shelf');
    expect(
      ['mid', 'ref', 'out', 'collector', 'supply', '0', 'in'].map((net) => pointName(bench, net)),
    ).toEqual(['A', 'R', 'D (out)', 'C (collector)', 'plus', '0 V', 'IC1 pin 1+']);
  });

  it('name a point that has no letter by the parts that meet there, and never by a word of the code', () => {
    const project = changeDivider({ ldrSeriesOhms: 220 })(sampleNamed('Seedling shelf'));
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    const { assembly } = analysis.design;
    expect(pointName({ assembly }, 'ldr')).toBe('joint LDR1–R4');
    expect([netName('0'), netName('logic-supply.2'), netName('in.step-3'), netName('anode2')]).toEqual([
      ...['0 V', 'its device’s plus 2', 'input 3', 'LED + 2'],
    ]);
  });

  it('speak of a part as it is: no bands on an LDR, no program in a comparator, its own pins', () => {
    const project = changeOutputStage(defaultOutputStages.counted)(sampleNamed('Seedling shelf'));
    const analysis = analyse(project);
    if (!analysis.ok) throw new Error(analysis.reason);
    const { assembly } = analysis.design;
    const bench: Bench = { assembly, holesOf: () => [] };
    const said = faultsOf(assembly, null).map(
      ({ fault }) => [faultText(bench, fault), faultLook(bench, fault)] as const,
    );
    const lookOf = (start: string) => said.filter(([text]) => text.startsWith(start)).map(([, look]) => look);
    for (const look of lookOf('LDR1')) expect(look).not.toMatch(/band|marking/);
    const looks = probesOf(benchOf(project, 2).bench, faultsOf(assembly, null))
      .filter((probe) => probe.kind === 'look' && probe.designator === 'LDR1')
      .map((probe) => probeText(bench, probe, []));
    expect(looks).toContain('Look at LDR1: is it the LDR that is meant, in its own place?');
    expect(looks.join()).not.toContain('marking');
    expect(lookOf('The output of IC1').join()).not.toContain('program');
    expect(said.map(([text]) => text)).toContain('IC3 (counter) is not connected at its pin reset.');
    const stop = partIn(assembly.parts, 'diode', 'counter-stop');
    const reversed = lookOf(`${stop?.designator} is the wrong way round`);
    expect(reversed).toHaveLength(1);
    expect(reversed.join()).not.toContain('coil');
    expect(lookOf('LDR1').length).toBeGreaterThan(2);
    for (const [text] of said) {
      expect(text).toMatch(/^[A-Z0]/);
      expect(text).not.toMatch(/^(\S+) .*not connected at \1/);
    }
  });

  it('say how one knows whether a load is on: by looking, listening, or what its device reads', () => {
    const bench = benchFor('Seedling shelf');
    const hintFor = (...kinds: LoadKind[]) => {
      const loads = kinds.map((kind) => ({ ...bench.assembly.loads[0]!, load: defaultLoads[kind] }));
      return probeHint({ ...bench, assembly: { ...bench.assembly, loads } }, { kind: 'load', light: 0 }, []);
    };
    expect(hintFor('led')).toBe('Supply on. Just look.');
    expect(hintFor('buzzer')).toBe('Supply on. Listen.');
    expect(hintFor('relay')).toBe('Supply on. Hear it click on the way there and back.');
    expect(hintFor('lamp', 'logic')).toBe('Supply on. Just look, and see what its device reads.');
  });

  it('say of a load with a time of its own how it is timed, what to wait for, and what never was wrong', () => {
    const hintsOf = (stage: 'one-shot' | 'counted' | 'toggle', seconds = { ohms: 1e6, farads: 1e-5 }) => {
      const its = { ...defaultOutputStages[stage], ...(stage === 'toggle' ? {} : seconds) };
      const { bench } = benchOf(
        changeOutputStage(its)(chooseDetector('comparator')(sampleNamed('Platform lamps'))),
        2,
      );
      const words: Bench = { assembly: bench.assembly, holesOf: () => [] };
      const probes = probesOf(bench, []);
      return (kind: Probe['kind'], net = '') =>
        probes.flatMap((probe) =>
          probe.kind === kind && (probe.kind !== 'volts' || probe.net === net)
            ? [plain(probeHint(words, probe, bench.lights))]
            : [],
        )[0];
    };
    const shot = hintsOf('one-shot');
    expect(shot('time')).toBe(
      'Supply on. Have it in the light first, then in the dark for a moment, and back: time the load from on to off.',
    );
    expect(shot('load')).toContain('Once on it stays on for 11 s at least: wait until that is over.');
    expect(shot('volts', 'driven')).toContain('stays on for 11 s at least');
    expect(shot('volts', 'mid')).not.toContain('stays');
    const counted = hintsOf('counted', { ohms: 1e5, farads: 1e-8 });
    expect(counted('time')).toContain('then in the dark for a moment, and back: time the load');
    expect(counted('amps')).toContain('It is on for 18.8 s at a time, whatever the light');
    const toggle = hintsOf('toggle');
    expect(toggle('time')).toBeUndefined();
    expect(toggle('load')).toContain('Only what never comes so is wrong.');
    expect(toggle('volts', 'ref')).not.toContain('changes over');
    const { bench } = benchOf(
      changeOutputStage(defaultOutputStages.toggle)(
        chooseDetector('comparator')(sampleNamed('Platform lamps')),
      ),
      2,
    );
    expect(inTimeText(bench, bench.setup.nets)).toMatch(
      /^It changes .* That goes for the load, D, B, C \(collector\), D1 pin anode\.$/,
    );
    expect(inTimeText(benchFor('Seedling shelf'), ['mid'])).toBeNull();
  });

  it('show figures as the meter does', () => {
    const time = { kind: 'time', light: 0, from: 1, seconds: 5 } as const;
    expect([0.3, 4.5, 200, 1e7].map((value) => plain(valueText(time, value, meter, 1)))).toEqual([
      ...['off at once', '4.5 s', '3 min 20 s', 'does not end'],
    ]);
    expect(plain(bandText(time, 4, 130, meter))).toBe('4 s … 2 min 10 s');
    const volts = { kind: 'volts', net: 'mid', light: 0 } as const;
    expect(plain(valueText(volts, 1.23456, meter, 1))).toBe('1.235 V');
    expect(plain(valueText(volts, -3.4, meter, 1))).toBe('−3.40 V');
    expect(plain(bandText(volts, 2.5, 3.25, meter))).toBe('2.50 … 3.25 V');
    const ohms = { kind: 'ohms', designator: 'R1', light: 0 } as const;
    expect(plain(valueText(ohms, 4712, meter, 1))).toBe('4.71 kΩ');
    expect(valueText(ohms, 1e12, meter, 1)).toBe('OL');
    expect(valueText({ kind: 'load', light: 0 }, patternOf(['on', 'off', 'dim']), meter, 3)).toBe(
      'on · off · dim',
    );
    expect(plain(sureText(0.9999))).toBe('99 %');
    expect(plain(sureText(0.0001))).toBe('<1 %');
  });

  it('say which way to turn, and what taking over does', () => {
    expect(plain(turnText({ degrees: -42.3, isThere: false, isRheostat: false, targetShare: 0.31 }))).toBe(
      'Turn 42° towards its lower end (pin 3), to 31 % of its travel.',
    );
    expect(plain(turnText({ degrees: 1800, isThere: false, isRheostat: true, targetShare: 0.5 }))).toBe(
      'Turn 5.0 turns towards its upper end (pin 1), to 50 % of its track in use.',
    );
    expect(turnText({ degrees: 0, isThere: true, isRheostat: true, targetShare: 0.5 })).toBe('It is there.');
    const adoption = {
      what: 'supply',
      designator: 'BT1',
      before: 12,
      after: 11.4,
      stdBefore: 0.05,
      stdAfter: 0.004,
      edit: (project: Project) => project,
    } as const;
    expect(plain(adoptionText(adoption, '9 lx', '10 lx'))).toBe(
      'The supply gives 11.40 V, not 12.00 V, ±0.80 %. It then switches at 10 lx, not at 9 lx.',
    );
  });
});

describe('what no measurement tells apart', () => {
  it('is told apart by what each of them is changed by', () => {
    const healthy = { kind: 'healthy' } as const;
    expect(apartText([healthy, { kind: 'ldr', state: 'wet' }])).toBe(
      'No measurement tells these apart. Clean the LDR and let it dry: what changes it was it.',
    );
    expect(
      apartText([
        { kind: 'open', designator: 'R1', net: null },
        { kind: 'unpowered', designator: 'IC1' },
        { kind: 'stuck', designator: 'IC1', key: 'out', level: 'low' },
      ]),
    ).toBe(
      'No measurement tells these apart. Press on the joint, heat it again, or bridge it with a wire; put another part in: what changes it was it.',
    );
  });

  it('has something to do for every fault of every sample', () => {
    for (const project of sampleProjects) {
      const { bench } = benchOf(project, 1);
      for (const { fault } of faultsOf(bench.assembly, null)) {
        if (fault.kind === 'healthy' || fault.kind === 'unlisted') continue;
        expect(apartText([fault]), keyOf(fault)).toMatch(
          /^No measurement tells these apart\. [A-Z].+: what changes it was it\.$/,
        );
      }
    }
  });
});

describe('a logbook in words', () => {
  const entry = (at: number, change: Partial<LogbookEntry>): LogbookEntry => ({
    ...{ id: `e${at}`, projectId: 'p', at, kind: 'check', text: '=cmd *and* | more', outcome: 'works' },
    ...{
      figures: [{ name: 'volts mid 0', measured: 2.5, predicted: 2.4 }],
      values: ['R1=10 kΩ'],
      photos: [],
    },
    ...change,
  });

  it('says what changed since the last run that worked', () => {
    const [worked, failed] = [
      entry(1, {}),
      entry(2, { outcome: 'fails', values: ['R1=22 kΩ', 'fault=open R1'] }),
    ];
    expect(againstText([worked, failed], failed)).toBe('R1: 10 kΩ → 22 kΩ');
    expect(againstText([worked], worked)).toBeNull();
    expect(againstText([worked, entry(3, {})], entry(3, {}))).toContain('No value');
  });

  it('goes out as Markdown and CSV in which nothing that was typed has a meaning', () => {
    const markdown = logbookMarkdown('A | B', [entry(0, {})]);
    expect(markdown).toContain('# A \\| B: logbook');
    expect(markdown).toContain('\\*and\\* \\| more');
    expect(markdown).toContain('| volts mid 0 | 2.5 | 2.400 |');
    const csv = logbookCsv([entry(0, {})]);
    expect(csv.split('\r\n')[1]).toMatch(/^\d{4}-\d\d-\d\d \d\d:\d\d,check,works,"'=cmd/);
  });
});
