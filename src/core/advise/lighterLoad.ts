import { loadOf } from '../loads/registry';
import type { CircuitAnalysis } from '../analyse/analysis';
import type { DriverFix } from '../drivers/finding';
import { driverDefinition } from '../drivers/registry';
import { ldrOhmsAt } from '../ldr/curve';
import type { Project } from '../project/project';

/** What a load needs to spare to be saturated after the divider has been sized for it anew. */
const LIGHTER_MARGIN = 1.3;
/** A base that is half way to full load, in V. */
const HALF_ON_VOLTS = 0.65;
/** Under this an LED is hardly seen. */
const MIN_LED_AMPS = 0.0005;

/**
 * A load that the least gain could saturate, the divider sized for it. With the LDR below, all that R1 carries at the goal
 * (the LDR's current and the base's, for half the load) goes to the base in the dark: `I = βmin·(I_LDR + I/2β)`.
 */
export function lighterLoad(
  project: Project,
  { ldr, drive, action, thresholds }: Pick<CircuitAnalysis, 'ldr' | 'drive' | 'action' | 'thresholds'>,
): DriverFix | null {
  const { part } = project.driver;
  const led = loadOf(project.loads[0], 'led');
  const { polarity, control } = driverDefinition(part.kind);
  if (thresholds || polarity !== 'n' || control !== 'base' || !('minBeta' in part)) return null;
  if (project.loads.length !== 1 || !led) return null;
  const { minBeta, typicalBeta } = part;
  const ldrAmps = HALF_ON_VOLTS / ldrOhmsAt(ldr.curve, project.goal.lux);
  const saturated =
    action === 'on-in-dark' && !project.divider.isDirect
      ? (minBeta * ldrAmps) / (1 - minBeta / (2 * typicalBeta))
      : drive.guaranteedAmps;
  const each = saturated / led.strings / LIGHTER_MARGIN;
  const decade = 10 ** Math.floor(Math.log10(each));
  const amps = Number((Math.floor(each / decade) * decade).toPrecision(1));
  return amps >= MIN_LED_AMPS && amps < led.wantedAmps ? { kind: 'lighten-load', amps } : null;
}
