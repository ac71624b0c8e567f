import { driverDefinition } from '../drivers/registry';
import type { LightRange } from '../light/range';
import { loadDefinition } from '../loads/registry';
import type { Assembly } from '../operate/assembly';
import type { FullDrive } from '../operate/fullDrive';
import { ROOM_CELSIUS, type Conditions } from '../operate/operation';
import type { Project } from '../project/project';
import { LEAST_ON_AMPS, SHARES, type Drive } from './analysis';
import { DesignCircuit } from './designCircuit';
import { allOnAmps } from '../operate/onAmps';

/** Where the load is looked at, and what it is held against. */
interface Where {
  readonly range: LightRange;
  readonly full: FullDrive;
  readonly conditions: Partial<Conditions>;
}

/**
 * What the weakest part of the lot guarantees at the end of the axis where the load is most on; `null` without a solution.
 * @param conditions those that everything is solved under; where they name a part of the lot, that one stands for the weakest
 */
export function driveOf(
  project: Project,
  typical: DesignCircuit,
  { range, full, conditions }: Where,
): Drive | null {
  const { ldr, assembly } = typical;
  const { driver } = assembly;
  const switches = Math.max(1, assembly.drivers.length);
  // Without a transistor there is none that could be weaker.
  const grade = conditions.grade ?? 'min';
  const weakest = driver ? DesignCircuit.of(project, ldr, { ...conditions, grade }, assembly) : typical;
  const least = weakest.solveOn(range);
  const usual = typical.solveOn(range);
  if (!least || !usual) return null;
  const { baseAmps } = least.driver();
  // Driven harder than the usual switch it may leave less at itself: that is full, and no more.
  const guaranteedAmps = Math.min(least.loadAmps(), full.amps);
  const { part } = project.driver;
  const definition = driverDefinition(part.kind);
  const minBeta = driver ? definition.beta(part, grade) : null;
  const fullAmps = full.amps;
  return {
    fullAmps,
    onAmps: allOnAmps(assembly, full),
    switches,
    ...switchAmpsOf(typical.assembly.loads, assembly.isHighSide, fullAmps),
    fullSwitchVolts: full.switchVolts,
    reachedShare: usual.loadAmps() / fullAmps,
    baseAmps,
    forcedBeta: minBeta === null ? null : fullAmps / switches / Math.max(baseAmps, 1e-12),
    minBeta,
    gateVolts:
      driver && definition.control === 'gate' ? gateVoltsOf(least.controlVolts(), definition.polarity) : null,
    maxThresholdVolts: driver
      ? definition.thresholdVolts(part, grade, conditions.celsius ?? ROOM_CELSIUS)
      : null,
    guaranteedAmps,
    saturates: guaranteedAmps >= SHARES.fullyOn * fullAmps,
    saturationVolts: least.switchVolts(),
  };
}

/** A coil that hangs alone is on from its pull-in on; of everything else half of its current is. */
export function switchAmpsOf(
  loads: Assembly['loads'],
  isHighSide: boolean,
  fullAmps: number,
): Pick<Drive, 'switchAmps' | 'isPullIn'> {
  const [only, ...others] = loads;
  const levels = only && others.length === 0 ? loadDefinition(only.load).levels(only.load, isHighSide) : null;
  const isPullIn = levels?.by === 'amps' && levels.on < fullAmps;
  return { switchAmps: isPullIn ? levels.on : Math.max(LEAST_ON_AMPS, SHARES.half * fullAmps), isPullIn };
}

/** Gate against source in the direction that turns it on. */
const gateVoltsOf = (volts: number, polarity: 'n' | 'p') => (polarity === 'n' ? volts : -volts);
