import { mapReadings } from '@/core/project/testReadings';
import { describe, expect, it } from 'vitest';
import { someProject } from '@/core/advise/testProjects';
import { DesignCircuit } from '@/core/analyse/designCircuit';
import { analyse } from '@/core/design';
import { branchOhms } from '@/core/detectors/bareDivider';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { partIn } from '@/core/parts/find';
import { runs } from '@/core/testRuns';
import {
  changeBaseResistor,
  changeDivider,
  changeGoal,
  changeLoad,
  changeLoadSupply,
  changeDriver,
  takeLoad,
  takeSource,
  takeTransistor,
  together,
  type Edit,
} from '@/core/project/edits';
import { defaultLoads } from '@/core/loads/registry';
import type { Load } from '@/core/loads/registry';
import { defaultSource } from '@/core/loads/supply';
import {
  shippedTransistors as shippedParts,
  defaultTransistor as defaultPart,
} from '@/core/drivers/registry';
import { newProject } from '@/core/project/newProject';
import type { Project } from '@/core/project/project';
import { sampleProjects } from '@/core/project/samples';
import { parseQuantity } from '@/core/quantity/parse';
import { adviceSentence } from './said/advice';
import { amps, beta, volts } from './figures';
import { explainCurve, explainDrive, explainFixed, explainPoints, explainSeries } from './howFound';
import { keyFigure } from './keyFigures';
import { loadsText, loadText } from './loads';
import { endNames, transistorName } from './names';
import { importRefusal, quantityRefusal } from './refusals';
import { hoursText } from './time';

const [platform, larder, stair, shed] = sampleProjects;
const plain = (text: string) => text.replaceAll('\u00a0', ' ');
const designOf = (project: Project) => {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
};
const adviceFor = (project: Project, ...edits: Edit[]) => designOf(together(...edits)(project)).advice;

const apart = { ...defaultSource('adapter', 12), commonGround: false };
const relay = (change: object): Load => ({ ...defaultLoads.relay, coilOhms: 120, ...change });
const troubledDrives: readonly { project: Project; edits: readonly Edit[] }[] = [
  { project: shed, edits: [changeLoadSupply(apart)] },
  {
    project: shed,
    edits: [takeTransistor(defaultPart('pnp')), changeLoadSupply({ ...apart, commonGround: true })],
  },
  { project: platform, edits: [changeDriver({ place: 'emitter' })] },
  {
    project: shed,
    edits: [changeDivider({ supplyVolts: 2 }), takeLoad(relay({ coilVolts: 2, coilOhms: 40 }))],
  },
  { project: shed, edits: [takeLoad(relay({ coilVolts: 12 }))] },
  { project: shed, edits: [takeLoad(relay({ coilVolts: 3, use: 'motor', useAmps: 3 }))] },
  { project: shed, edits: [takeLoad({ ...defaultLoads.lamp, ratedVolts: 9, ratedAmps: 0.6 })] },
  { project: shed, edits: [takeLoad({ ...defaultLoads.buzzer, ratedVolts: 12, maxVolts: 15 })] },
  { project: shed, edits: [takeLoad({ ...defaultLoads.module, input: 'active-high' })] },
  {
    project: shed,
    edits: [takeSource({ ...defaultSource('adapter', 6).source, limitAmps: 0.03, ohms: 30 }, 6)],
  },
  {
    project: shed,
    edits: [
      takeSource({ ...defaultSource('adapter', 6).source, limitAmps: 0.3 }, 6),
      takeLoad(defaultLoads.lamp),
    ],
  },
  { project: shed, edits: [takeTransistor(defaultPart('npn')), changeDivider({ fixedOhms: 470_000 })] },
  { project: platform, edits: [changeLoadSupply({ ...apart, volts: 45, commonGround: true })] },
];

/** Designs that between them bring out every kind of advice. */
const troubled = [
  adviceFor(newProject('n', 'New')),
  adviceFor({ ...platform, readings: platform.readings.slice(0, 1) }),
  adviceFor({ ...platform, readings: platform.readings.slice(0, 2) }),
  adviceFor(mapReadings(platform, (_, ohms, index) => ({ lux: ohms, ohms: index + 5 }))),
  adviceFor(mapReadings(platform, (lux) => ({ ohms: 5000 * lux ** -0.25 }))),
  adviceFor(platform, changeGoal({ lux: 1 })),
  adviceFor(platform, changeGoal({ action: 'on-in-light' })),
  adviceFor(platform, changeDivider({ fixedOhms: 12_000 })),
  adviceFor(platform, changeLoad({ seriesOhms: 100 })),
  adviceFor(platform, changeLoad({ seriesOhms: 3300 })),
  adviceFor(platform, changeDivider({ supplyVolts: 12 }), changeLoad({ seriesOhms: 10, wantedAmps: 0.5 })),
  adviceFor(platform, changeDivider({ supplyVolts: 2.5 })),
  adviceFor(larder, changeGoal({ lux: 0.02 })),
  adviceFor(larder, changeBaseResistor(null), changeGoal({ lux: 3000 })),
  adviceFor(larder, changeBaseResistor(null), changeDivider({ supplyVolts: 24 })),
  adviceFor(stair),
  adviceFor(stair, changeDivider({ fixedOhms: 75_000 }), changeLoad({ wantedAmps: 0.003, seriesOhms: 820 })),
  ...troubledDrives.map(({ project, edits }) => adviceFor(project, ...edits)),
].flat();

describe('advice in words', () => {
  it('has a sentence with real figures for every kind of advice', () => {
    const sentences = new Map(troubled.map((advice) => [advice.code, adviceSentence(advice)]));
    expect(sentences.size).toBeGreaterThan(25);
    for (const sentence of sentences.values()) {
      expect(sentence).not.toMatch(/undefined|NaN|Infinity|\[object/);
      expect(sentence).toMatch(/^[A-Z“γ].*\.$/);
    }
  });

  it('puts the worst first', () => {
    const states = adviceFor(stair, changeGoal({ action: 'on-in-light' })).map((advice) => advice.state);
    expect(states).toEqual([...states].sort((one) => (one === 'cannot' ? -1 : 1)));
  });
});

describe('explanations', () => {
  it('carry this project’s numbers', () => {
    const design = designOf(platform);
    const lines = [
      explainCurve(design),
      explainFixed(platform, design),
      explainPoints(design),
      explainDrive(platform, design),
      explainSeries(platform, design, 0),
    ].flatMap((explanation) => explanation.lines);
    expect(lines.join(' ')).not.toMatch(/undefined|NaN|Infinity/);
    expect(plain(lines.join(' '))).toContain('(6.00 V − 2.90 V − 0.035 V) / 10.0 mA = 306 Ω');
  });
});

describe('how R1 and the drive are told', () => {
  it('speaks of a gate where there is one, and of no base; its plain rule gives the R1 that is told', () => {
    let [gates, bases] = [0, 0];
    for (let seed = 1; seed <= runs(3000, 40); seed++) {
      const project = someProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      const { assembly, exactFixed, half, thresholds, ldr } = design;
      if (thresholds || project.divider.isDirect) continue;
      const text = [explainFixed(project, design), explainDrive(project, design)]
        .flatMap(({ lines }) => lines)
        .join(' ');
      const hasGate = partIn(assembly.parts, 'mosfet', 'driver') !== undefined;
      expect([seed, hasGate, /\bbase\b/.test(text)]).toEqual([seed, hasGate, !hasGate]);
      const { place } = project.driver;
      const isDarlington = partIn(assembly.parts, 'bipolar', 'driver')?.isDarlington ?? false;
      const firm = /A forced β of (\d+)/.exec(text)?.[1] ?? null;
      expect([seed, firm]).toEqual([
        seed,
        hasGate || place === 'emitter' ? null : isDarlington ? '250' : '10',
      ]);
      if (!hasGate) bases += 1;
      if (!hasGate || !exactFixed.ok) continue;
      // The midpoint at which it is half on, with the R1 that is told: the rule gives that R1.
      const taken = analyse(changeDivider({ fixedOhms: exactFixed.ohms, trimmer: null })(project));
      if (!taken.ok || !half.ok || !taken.design.half.ok) continue;
      const lux = project.goal.lux;
      const read = DesignCircuit.of(
        changeDivider({ fixedOhms: exactFixed.ohms, trimmer: null })(project),
        ldr,
      ).solveIn(0, lux)!;
      const [v, a] = [read.volts('supply'), read.volts('mid')];
      const branch = branchOhms(ldrOhmsAt(ldr.curve, lux), project.divider);
      const rule = project.divider.ldrSide === 'bottom' ? branch * (v / a - 1) : branch / (v / a - 1);
      expect([seed, Math.abs(Math.log(rule / exactFixed.ohms)) < 0.01]).toEqual([seed, true]);
      gates += 1;
    }
    expect(gates).toBeGreaterThan(5);
    expect(bases).toBeGreaterThan(5);
  });
});

describe('figures', () => {
  it('read as a meter would show them', () => {
    expect(plain(volts(0.6721))).toBe('0.672 V');
    expect(plain(volts(3.9812))).toBe('3.98 V');
    expect(plain(amps(1e-9))).toBe('0 µA');
    expect(
      [0.0001, 8.42, 131.4, 2640, 54_000].map(beta).map((text) => text.replaceAll('\u00a0', ' ')),
    ).toEqual([...['under 0.01', '8.4', '131', '2 600', 'over 10 000']]);
  });

  it('stand in the chain, also where something never happens', () => {
    expect(plain(keyFigure('switch', platform, designOf(platform)).figure)).toBe('58.7 lx');
    expect(keyFigure('switch', stair, designOf(stair)).figure).toBe('never');
    expect(keyFigure('measure', newProject('n', 'N'), designOf(newProject('n', 'N'))).note).toContain(
      'typical',
    );
  });
});

describe('refusals in words', () => {
  it('are one clear sentence each', () => {
    for (const text of ['', 'abc', '4x', '4 V', 'Infinity', '0', '-1', '1,000', 'OL', '0.1', '99']) {
      const parsed = parseQuantity(text, 'Ω', { min: 1, max: 10 });
      if (parsed.ok) throw new Error(`${text} was taken`);
      expect(quantityRefusal(parsed, 'Ω')).toMatch(/\.$/);
      expect(quantityRefusal(parsed, 'Ω')).not.toMatch(/undefined/);
    }
    expect(importRefusal({ ok: false, reason: 'newer', version: 7 })).toContain('version 7');
    expect(importRefusal({ ok: false, reason: 'damaged', path: 'goal.lux' })).toContain('goal.lux');
  });
});

describe('names of parts', () => {
  it('are kinds, one for each of the list, and an own one goes by its owner’s name', () => {
    const names = shippedParts.map(transistorName);
    expect(new Set(names).size).toBe(shippedParts.length);
    expect(names).not.toContain('custom part');
    expect(transistorName({ ...defaultPart('npn'), id: 'x', name: 'Tray NPN' })).toBe('Tray NPN');
    expect(transistorName({ ...defaultPart('npn'), id: 'x', name: '' })).toBe('custom part');
    expect(endNames('nmos')).toEqual({ collector: 'drain', emitter: 'source' });
  });

  it('stand for loads in a word or two', () => {
    expect(loadText({ ...defaultLoads.led, inSeries: 3, strings: 2 })).toBe('6 red LEDs');
    expect(loadsText([defaultLoads.relay, defaultLoads.lamp])).toBe('relay and 1 more');
  });

  it('tell how long a battery lasts as people would', () => {
    expect([5, 60, 24 * 100, 24 * 4000].map(hoursText)).toEqual([
      '5.0 hours',
      '3 days',
      '3 months',
      'over ten years',
    ]);
  });
});
