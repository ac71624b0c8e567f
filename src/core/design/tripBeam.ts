import { ldrLuxAt, ldrOhmsAt } from '../ldr/curve';
import type { Design } from './analysis';

/** What a beam onto the LDR has to be held against, on the project's scale of light. */
export interface Beam {
  /** Light at the LDR without the beam, and what the beam adds. */
  readonly ambientLux: number;
  readonly beamLux: number;
}

export interface BeamFacts {
  /** Light with the beam to light without. */
  readonly contrast: number;
  /** Where the LDR's resistance is the geometric mean of both: as far from either. */
  readonly bestLux: number;
  /** Where the goal has to be for the present band to lie about that evenly. */
  readonly goalLux: number;
  /** The brightest room in which the present design still tells the beam broken; `null` where it does not switch. */
  readonly mostAmbientLux: number | null;
  /** How far each light lies beyond its threshold, as a ratio above 1; under 1 it does not get there. */
  readonly brokenMargin: number | null;
  readonly wholeMargin: number | null;
  readonly works: boolean;
}

/** What a design makes of a beam that is broken and made whole again. */
export function beamFacts(
  {
    ldr,
    action,
    half: halfOn,
    justOff,
    decision,
  }: Pick<Design, 'ldr' | 'action' | 'half' | 'justOff' | 'decision'>,
  { ambientLux, beamLux }: Beam,
): BeamFacts {
  const whole = ambientLux + beamLux;
  const contrast = whole / ambientLux;
  const { curve } = ldr;
  const middle = Math.sqrt(ldrOhmsAt(curve, ambientLux) * ldrOhmsAt(curve, whole));
  const bestLux = ldrLuxAt(curve, middle) ?? Math.sqrt(ambientLux * whole);
  const [on, off] = decision ? [decision.turnOn, decision.turnOff] : [halfOn, justOff];
  // Without the beam it must be past the darker of the two lights, with it past the brighter.
  const [dark, bright] = action === 'on-in-dark' ? [on, off] : [off, on];
  const brokenMargin = dark.ok ? dark.lux / ambientLux : null;
  const wholeMargin = bright.ok ? whole / bright.lux : null;
  const half = Math.sqrt(decision?.bandRatio ?? 1);
  const goalLux = Number((action === 'on-in-dark' ? bestLux / half : bestLux * half).toPrecision(3));
  return {
    contrast,
    bestLux,
    goalLux,
    mostAmbientLux: dark.ok ? dark.lux : null,
    brokenMargin,
    wholeMargin,
    works: (brokenMargin ?? 0) > 1 && (wholeMargin ?? 0) > 1,
  };
}
