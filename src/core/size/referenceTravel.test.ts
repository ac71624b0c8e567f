import { describe, expect, it } from 'vitest';
import { analyse } from '../design';
import { changeDetector } from '../project/detectorEdits';
import type { Project } from '../project/project';
import { sampleNamed } from '../project/testSamples';
import { chooseDetector } from './chooseDetector';
import { referenceTravel } from './referenceTravel';

const base = chooseDetector('comparator')(sampleNamed('Platform lamps'));
/** A track between two resistors, and where its slider stands. */
const withTrimmer = (degrees: number, position: number) =>
  changeDetector('comparator', {
    reference: {
      ...{ topOhms: 10_000, bottomOhms: 10_000 },
      trimmer: { trackOhms: 10_000, degrees, position },
    },
  })(base);

function designOf(project: Project) {
  const analysis = analyse(project);
  if (!analysis.ok) throw new Error(analysis.reason);
  return analysis.design;
}
const travelOf = (degrees: number, position: number) => {
  const project = withTrimmer(degrees, position);
  return referenceTravel(project, designOf(project))!;
};
const luxAt = (degrees: number, position: number) => {
  const { half } = designOf(withTrimmer(degrees, position));
  return half.ok ? half.lux : NaN;
};

describe('a trimmer in a reference', () => {
  it('sets the lights of a design with its slider at either end', () => {
    const { atLower, atUpper } = travelOf(270, 0.4);
    expect(atLower.ok && atLower.lux / luxAt(270, 0)).toBeCloseTo(1, 5);
    expect(atUpper.ok && atUpper.lux / luxAt(270, 1)).toBeCloseTo(1, 5);
    // The LDR is below: more voltage is less light.
    expect(atLower.ok && atUpper.ok && atLower.lux > atUpper.lux).toBe(true);
  });

  it('is as fine as a degree of its screw moves light and reference, inwards from either end', () => {
    for (const [position, way] of [
      [0, 1],
      [0.3, 1],
      [0.7, -1],
      [1, -1],
    ] as const) {
      const { lightPerDegree, voltsPerDegree, lightPerTurn } = travelOf(270, position);
      const moved = Math.abs(luxAt(270, position + way / 270) - luxAt(270, position));
      expect(lightPerDegree! / moved).toBeCloseTo(1, 3);
      // 2 V across the track of 6 V over three tens of kΩ.
      expect(voltsPerDegree * 270).toBeCloseTo(2, 1);
      expect(lightPerTurn).toBeNull();
    }
  });

  it('has turns where its screw goes round more than once', () => {
    for (const degrees of [720, 3600]) {
      const { lightPerTurn } = travelOf(degrees, 0.2);
      const moved = Math.abs(luxAt(degrees, 0.2 + 360 / degrees) - luxAt(degrees, 0.2));
      expect(lightPerTurn! / moved).toBeCloseTo(1, 3);
    }
    expect(travelOf(719, 0.2).lightPerTurn).toBeNull();
  });

  it('is nothing where there is none', () => {
    for (const project of [base, sampleNamed('Platform lamps')])
      expect(referenceTravel(project, designOf(project))).toBeNull();
  });
});
