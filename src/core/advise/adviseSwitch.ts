import { benchOf } from '../analyse/bench';
import { beamFacts } from '../analyse/tripBeam';
import { feedbackLightFacts } from '../analyse/feedbackLight';
import { detectorDefinition } from '../detectors/registry';
import { leaksAway, oneShotSeconds } from '../detectors/outputStage/oneShot';
import { MIN_BAND_RATIO } from '../detectors/sayings';
import { stageOf } from '../detectors/stageOf';
import type { Thresholds } from '../detectors/thresholds';
import type { DriverFacts, DriverSetting } from '../drivers/definition';
import { driverDefinition } from '../drivers/registry';
import { loadDefinition } from '../loads/registry';
import type { Net } from '../parts/base';
import type { Part } from '../parts/part';
import { pinsOf } from '../parts/registry';
import type { Project } from '../project/project';
import { atOrAbove } from '../series/stock';
import { sayInto, type Advice, type Fix, type Say } from './advice';
import type { Found } from './found';
import { lighterLoad } from './lighterLoad';

/** More than this share of the full load current when off is a load that glows or hums. */
const RELEASED_SHARE = 0.02;

/** What there is to say of what switches: detector, output, light of its own, transistor. */
export function switchAdvice(project: Project, design: Found): readonly Advice[] {
  const advice: Advice[] = [];
  const say = sayInto(advice, 'switch');
  const { thresholds } = design;
  sayAlone(project, design, say);
  if (thresholds) {
    sayOutput(project, thresholds, say);
    const { detector } = project;
    for (const { state, finding, fix } of detectorDefinition(detector).findings(
      detector,
      benchOf(project),
      thresholds,
    ))
      if (finding.code !== 'no-hysteresis' || !isBandedByOwnLight(project, design)) say(state, finding, fix);
    if (showsDotOfPins(design)) say('look', { code: 'dot-of-pins' });
    sayPulse(project, say);
  }
  sayLight(project, design, say);
  const { parts, driver } = design.assembly;
  if (parts.some((part) => part.kind === 'supply' && !part.commonGround && feeds(part.rail, parts)))
    say('cannot', { code: 'floating-ground' }, { kind: 'join-grounds' });
  if (!driver) return advice;
  const { part } = project.driver;
  for (const { state, finding, fix } of driverDefinition(part.kind).findings(
    part,
    driverFacts(design),
    driverSetting(project, design),
  ))
    say(state, finding, fix);
  return advice;
}

/** Whether current is to flow from a rail: a load that is fed from elsewhere needs no way back to its supply. */
const feeds = (rail: Net, parts: readonly Part[]) =>
  parts.some(
    (part) =>
      part.kind !== 'supply' && part.kind !== 'capacitor' && pinsOf(part).some(({ net }) => net === rail),
  );

/** A load that keeps more than this share of its current glows, hums or stays on. */
const GLOWS_SHARE = 0.02;
const STAYS_SHARE = 0.1;

/** A dot takes loads that hang between two outputs, which a pin does not. */
const showsDotOfPins = ({ assembly: { isOneAtATime, isHighSide, loads } }: Found) =>
  isOneAtATime && loads.some(({ load }) => loadDefinition(load).levels(load, isHighSide)?.by === 'volts');

/** What is on in the light and adds to it turns off in a darker room than it turns on in: that is a band, too. */
function isBandedByOwnLight(project: Project, { action, thresholds, drive }: Found): boolean {
  const { turnOn } = thresholds ?? {};
  if (action !== 'on-in-light' || !turnOn?.ok || stageOf(project).kind !== 'follows') return false;
  const own = project.feedbackLux * Math.min(1, drive.reachedShare);
  return own >= turnOn.lux * (1 - 1 / MIN_BAND_RATIO);
}

/** What there is to say of a transistor that switches by itself. */
function sayAlone({ divider, driver }: Project, { thresholds, half, sweep, drive }: Found, say: Say) {
  if (thresholds) return;
  const { directSide } = driverDefinition(driver.kind);
  if (divider.isDirect && divider.ldrSide !== directSide)
    say('cannot', { code: 'direct-dead' }, { kind: 'use-divider' });
  const leastAmps = Math.min(...sweep.loadAmps);
  const share = leastAmps / drive.fullAmps;
  if (half.ok && share > GLOWS_SHARE)
    say(share > STAYS_SHARE ? 'cannot' : 'look', { code: 'stays-lit', amps: leastAmps, share });
}

function driverFacts({ drive, sweep, loads, thresholds }: Found): DriverFacts {
  const { fullSwitchVolts, baseAmps, gateVolts, saturates, switches } = drive;
  const inrushAmps = loads.reduce(
    (total, { inrushAmps: first, amps }) => total + Math.max(first ?? 0, amps),
    0,
  );
  const each = {
    fullAmps: drive.fullAmps / switches,
    guaranteedAmps: drive.guaranteedAmps / switches,
    inrushAmps: inrushAmps / switches,
  };
  const isSoft = thresholds === null;
  return { ...each, isSoft, fullSwitchVolts, baseAmps, gateVolts, saturates, worst: sweep.worst };
}

function driverSetting(project: Project, design: Found): DriverSetting {
  const { driver, divider, loadSupply, resistors } = project;
  const { loads, thresholds } = design;
  return {
    place: driver.place,
    baseOhms: driver.baseOhms,
    isDirect: divider.isDirect,
    sensorVolts: divider.supplyVolts,
    loadVolts: loadSupply?.volts ?? null,
    stock: resistors,
    // A load that the supply cannot light is the drive's own matter: no base current would help it.
    canLight: loads.every(({ series }) => series?.ok !== false) && loadSupply?.commonGround !== false,
    output: thresholds && { onVolts: thresholds.onVolts, maxAmps: thresholds.maxOutputAmps },
    lighterLoad: lighterLoad(project, design),
  };
}

function sayOutput(project: Project, thresholds: Thresholds, say: Say) {
  const { offShare, offVolts, outputAmps, maxOutputAmps } = thresholds;
  if (offShare > RELEASED_SHARE)
    say('cannot', { code: 'never-releases', offVolts, share: offShare }, release(project, thresholds));
  if (outputAmps > maxOutputAmps)
    say('cannot', { code: 'output-over-current', amps: outputAmps, maxAmps: maxOutputAmps });
}

/** Base voltage at which a transistor is off, in V, and that at which it surely is on. */
const RELEASE_VOLTS = 0.35;
const ON_VOLTS = 0.75;
const DEFAULT_BASE_OHMS = 4700;

/**
 * The resistor from base to emitter that keeps the base under {@link RELEASE_VOLTS} while the output is off, with the base
 * resistor there is: `R = Rb·Vrelease/(Voff − Vrelease)`.
 */
function release(
  { detector, driver, divider, resistors }: Project,
  { offVolts, onVolts }: Thresholds,
): Fix | null {
  const output = detectorDefinition(detector).output(detector);
  const { control, polarity } = driverDefinition(driver.kind);
  if (output?.to !== 'transistor' || control !== 'base') return null;
  const rest = polarity === 'p' ? divider.supplyVolts : 0;
  const [off, on] = [Math.abs(rest - offVolts), Math.abs(rest - onVolts)];
  if (off < RELEASE_VOLTS) return null;
  const baseOhms = driver.baseOhms ?? DEFAULT_BASE_OHMS;
  const exact = (baseOhms * RELEASE_VOLTS) / (off - RELEASE_VOLTS);
  // The same divider must still turn it on.
  if ((on * exact) / (exact + baseOhms) < ON_VOLTS) return null;
  const above = atOrAbove(resistors, exact * 0.8)?.ohms ?? exact;
  return { kind: 'take-release', ohms: Number(Math.min(above, exact).toPrecision(2)), baseOhms };
}

/** A pulse whose capacitor leaks away what should charge it. */
function sayPulse({ detector, outputStage }: Project, say: Say) {
  const definition = detectorDefinition(detector);
  const follows = definition.takesOutputStage && outputStage.kind === 'one-shot' ? outputStage : null;
  const pulse = follows ?? definition.pulse(detector);
  if (pulse && leaksAway(pulse.ohms, pulse.farads))
    say('look', { code: 'pulse-leaks', seconds: oneShotSeconds(pulse.ohms, pulse.farads) });
}

/** A band so many times as wide as the load's own light holds it. */
const FEEDBACK_ROOM = 1.4;

/** A band that the load's own light does not bridge, where the detector can have one. */
function bandFor({ detector, goal }: Project, { thresholds }: Found, feedbackLux: number): Fix | null {
  const definition = detectorDefinition(detector);
  const ratioAt = (lux: number) => Number((1 + (FEEDBACK_ROOM * feedbackLux) / lux).toPrecision(3));
  if (definition.goal.asksOff) return { kind: 'add-hysteresis', ratio: ratioAt(goal.lux) };
  if (!definition.withEdgeBand(detector, null)) return null;
  // What is on inside its edges is carried out at the upper one; what is on outside them, in over the lower one.
  const edges = [goal.lux, goal.offLux ?? goal.lux];
  return {
    kind: 'edge-band',
    ratio: ratioAt(thresholds?.isOn[0] ? Math.min(...edges) : Math.max(...edges)),
  };
}

/** What the load's own light and a beam do to the design. */
function sayLight(project: Project, design: Found, say: Say) {
  const { feedbackLux, beam, detector } = project;
  const { lights } = detectorDefinition(detector).goal;
  // Neither steps nor a change have one light at which it turns on and off.
  if (lights === 'steps' || lights === 'start') return;
  if (feedbackLux > 0) {
    const { verdict = 'steady', maxLux } = feedbackLightFacts(project, design) ?? {};
    if (verdict !== 'steady')
      say(
        verdict === 'latches' || verdict === 'dims-itself' ? 'look' : 'cannot',
        { code: 'feedback-light', verdict, feedbackLux, maxLux: maxLux ?? 0 },
        // A band that its own light does not bridge.
        bandFor(project, design, feedbackLux),
      );
  }
  if (!beam) return;
  const facts = beamFacts(design, beam, project);
  const fix = { kind: 'goal-for-beam' } as const;
  const { ambientLux, beamLux } = beam;
  if ((facts.brokenMargin ?? 0) <= 1)
    say(
      'cannot',
      { code: 'beam-missed', isBroken: true, lux: ambientLux, thresholdLux: facts.brokenBelowLux },
      fix,
    );
  else if ((facts.wholeMargin ?? 0) <= 1)
    say(
      'cannot',
      { code: 'beam-missed', isBroken: false, lux: ambientLux + beamLux, thresholdLux: facts.wholeAboveLux },
      fix,
    );
}
