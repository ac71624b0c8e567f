import { describe, expect, it } from 'vitest';
import type { Finding } from '@/core/advise/advice';
import { analyse, type Design } from '@/core/design';
import type { Project } from '@/core/project/project';
import { promised, runs } from '@/core/testRuns';
import { unusualProject } from '@/core/testUnusual';
import { lightText } from '../light';
import { adviceSentence, findingSentence } from './advice';
import { entryFor } from '@/core/record';

type Of<C extends Finding['code']> = Extract<Finding, { code: C }>;
type Claims = {
  readonly [C in Finding['code']]?: (
    finding: Of<C>,
    project: Project,
    design: Design,
    sentence: string,
  ) => boolean;
};

/** What each sentence says of its own figures: over or under what they are held against, and by what they are so. */
const claims: Claims = {
  'comparator-supply': ({ volts, minVolts, maxVolts }) => volts < minVolts || volts > maxVolts,
  'input-out-of-range': ({ end, volts, limitVolts }) =>
    end === 'low' ? volts < limitVolts : volts > limitVolts,
  'bias-too-large': ({ amps, biasAmps }) => amps < 20 * biasAmps,
  'controller-supply': ({ volts, maxVolts }) => volts > maxVolts,
  'codes-close': ({ samples, wantedSamples }) => wantedSamples > samples,
  'code-out-of-range': ({ largest, maxCode }) => largest > maxCode,
  'source-resistance': ({ ohms, maxOhms }) => ohms > maxOhms,
  'change-misses': ({ peakVolts, triggerVolts, neededGain, supplyVolts }) =>
    peakVolts < triggerVolts && (neededGain === null || triggerVolts <= supplyVolts),
  'rest-fires': ({ restVolts, triggerVolts }) => restVolts >= triggerVolts,
  'ripple-fires': ({ rippleVolts, triggerVolts }) => rippleVolts >= triggerVolts,
  'output-over-current': ({ amps, maxAmps }) => amps > maxAmps,
  'goal-out-of-reach': ({ goalLux, reach }) => !reach || goalLux < reach.minLux || goalLux > reach.maxLux,
  'beam-missed': ({ isBroken, lux, thresholdLux }) =>
    thresholdLux === null || (isBroken ? lux >= thresholdLux : lux <= thresholdLux),
  // A band at an edge leaves a light near it on either side.
  'beam-beside-window': ({ brokenLux, wholeLux, fromLux, toLux }) => {
    const isIn = (lux: number) => lux > fromLux && lux < toLux;
    const isNear = (lux: number) =>
      [fromLux, toLux].some((edge) => Math.abs(Math.log(lux / edge)) < Math.log(2));
    return isIn(brokenLux) === isIn(wholeLux) || isNear(brokenLux) || isNear(wholeLux);
  },
  'off-band': ({ ownLux, offLux }) => ownLux < offLux,
  'never-releases': ({ share, isOff }) => share > 0.02 && (!isOff || share < 1),
  'coil-apart': ({ inLux, outLux, halfLux }) => inLux !== halfLux && outLux !== inLux,
  'dot-smears': ({ share }) => share > 0.02 && share <= 1,
  'reference-beyond': ({ referenceVolts, minVolts, maxVolts }) =>
    referenceVolts <= minVolts || referenceVolts >= maxVolts,
  'ldr-over-voltage': ({ volts, maxVolts }) => volts > maxVolts,
  'ldr-warm': ({ watts, maxWatts }) => watts > maxWatts,
  // A base that is said to be too weak could carry no more than about that.
  'load-not-saturated': ({ guaranteedAmps, fullAmps, minBeta, baseAmps }, _, __, sentence) =>
    guaranteedAmps < fullAmps && (sentence.includes('not the base') || minBeta * baseAmps < 1.6 * fullAmps),
  'gate-too-low': ({ guaranteedAmps, fullAmps }) => guaranteedAmps < fullAmps,
  'little-drive-margin': ({ forcedBeta, minBeta }) => forcedBeta > minBeta / 2,
  'base-over-current': ({ amps, maxAmps }, { driver }, _, sentence) =>
    amps > maxAmps && (driver.baseOhms !== null) === sentence.includes('larger'),
  'gate-over-volts': ({ volts, maxVolts }) => volts > maxVolts,
  'transistor-over-volts': ({ volts, maxVolts }) => volts > maxVolts,
  'inrush-above-transistor': ({ amps, maxAmps }) => amps > maxAmps,
  'load-above-transistor': ({ amps, maxAmps }) => amps > maxAmps,
  'transistor-warm': ({ watts, maxWatts }, _, { thresholds }, sentence) =>
    watts > maxWatts && (thresholds === null) === sentence.includes('transition band'),
  'supply-below-led': ({ neededVolts, supplyVolts }) => neededVolts > supplyVolts,
  'led-over-maximum': ({ amps, maxAmps }) => amps > maxAmps,
  'led-over-current': ({ amps, wantedAmps }) => amps > wantedAmps,
  'led-under-current': ({ amps, wantedAmps }) => amps < wantedAmps,
  'load-starved': ({ volts, minVolts }) => volts < minVolts,
  'load-low': ({ volts, ratedVolts }) => volts < ratedVolts,
  'load-over-voltage': ({ volts, maxVolts }) => volts > maxVolts,
  'on-briefly': ({ onSeconds, wantedSeconds }) => onSeconds > 0 && onSeconds < wantedSeconds,
  'contact-over-rating': ({ amps, ratedAmps }) => amps > ratedAmps,
  'supply-over-limit': ({ amps, limitAmps }) => amps > limitAmps,
  'inrush-over-limit': ({ amps, limitAmps }) => amps > limitAmps,
  'supply-fed-back': ({ amps }) => amps > 0,
  'loads-disagree': ({ mostVolts, leastVolts }) => mostVolts <= leastVolts,
  'pin-over-voltage': ({ volts, supplyVolts }) => volts > supplyVolts || volts < 0,
  'output-over-volts': ({ volts, maxVolts }) => volts > maxVolts,
  'stage-supply': ({ volts, minVolts, maxVolts }) => volts < minVolts || volts > maxVolts,
  'stage-below-ground': ({ volts }) => volts < 0,
  'load-reversed': ({ volts, maxVolts }) => volts > maxVolts,
  'pin-undefined': ({ volts, lowVolts, highVolts }, _, __, sentence) =>
    (volts > lowVolts && volts < highVolts) === sentence.includes('undefined') &&
    sentence.includes('reads low') === volts <= lowVolts &&
    sentence.includes('reads high') === volts >= highVolts,
};

type Claim = (finding: Finding, project: Project, design: Design, sentence: string) => boolean;
/** Whether a finding's figures bear its sentence out; `null` where it makes no such claim. */
function bearsOut(finding: Finding, project: Project, design: Design): boolean | null {
  const claim = entryFor<Claim | undefined>(claims, finding.code);
  return claim
    ? claim(finding, project, design, findingSentence(finding, lightText(design.resolved.scale)))
    : null;
}

describe('what is said of any design', () => {
  it('is borne out by its own figures', () => {
    const wrong: string[] = [];
    let said = 0;
    for (let seed = 0; seed < runs(6000, 60); seed++) {
      const project = unusualProject(seed);
      const analysis = analyse(project);
      if (!analysis.ok) continue;
      const { design } = analysis;
      for (const advice of design.advice) {
        const findings: readonly Finding[] = advice.code === 'at-corner' ? [advice, advice.inner] : [advice];
        const sentence = adviceSentence(advice, lightText(design.resolved.scale));
        if (/NaN|Infinity|\[object/.test(sentence)) wrong.push(`${seed} ${sentence}`);
        for (const finding of findings) {
          const holds = bearsOut(finding, project, design);
          if (holds === null) continue;
          said += 1;
          if (!holds) wrong.push(`${seed} ${sentence}`);
        }
      }
    }
    promised('sentences borne out by their own figures', `${said - wrong.length} of ${said}`, 'all');
    expect(said).toBeGreaterThan(200);
    expect(wrong).toEqual([]);
  });
});
