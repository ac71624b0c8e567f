import { benchOf } from '../analyse/bench';
import { beamFacts } from '../analyse/tripBeam';
import { feedbackLightFacts, isLitWhenOff, litShare } from '../analyse/feedbackLight';
import { detectorDefinition } from '../detectors/registry';
import { MIN_BAND_RATIO } from '../detectors/sayings';
import { isOnce, stageOf } from '../detectors/stageOf';
import { windowEdges, type Thresholds } from '../detectors/thresholds';
import type { DriverFacts, DriverSetting } from '../drivers/definition';
import { driverDefinition } from '../drivers/registry';
import { loadDefinition } from '../loads/registry';
import { areStarved } from '../operate/onAmps';
import type { Net } from '../parts/base';
import type { Part } from '../parts/part';
import { pinsOf } from '../parts/registry';
import { isFiredOn } from '../operate/assembly';
import type { Project } from '../project/project';
import { atOrAbove } from '../series/stock';
import { sayInto, type Advice, type Fix, type Say, type Found } from './advice';
import { loadOfOutput, sayBehindOutput } from './adviseOutput';
import { lighterLoad } from './lighterLoad';

/** What there is to say of what switches: detector, output, light of its own, transistor. */
export function switchAdvice(project: Project, design: Found): readonly Advice[] {
  const advice: Advice[] = [];
  const say = sayInto(advice, 'switch');
  const { thresholds } = design;
  sayAlone(project, design, say);
  if (thresholds) {
    sayOutput(project, design, thresholds, say);
    const { detector } = project;
    const runsOnce = isOnce(stageOf(project).kind);
    for (const { state, finding, fix } of detectorDefinition(detector).findings(
      detector,
      benchOf(project),
      thresholds,
    ))
      if (finding.code === 'off-band')
        say(
          state,
          { ...finding, ownLux: ownLuxAtOff(project, design, finding.offLux), isOnce: runsOnce },
          fix,
        );
      else if (finding.code === 'latches') say(state, { ...finding, isOnce: runsOnce }, fix);
      else if (finding.code !== 'no-hysteresis' || !isBandedByOwnLight(project, design))
        say(state, finding, fix);
    if (showsDotOfPins(design)) say('look', { code: 'dot-of-pins' });
    sayBehindOutput(project, design, thresholds, say);
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
export const feeds = (rail: Net, parts: readonly Part[]) =>
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
function isBandedByOwnLight(project: Project, design: Found): boolean {
  const { turnOn } = design.thresholds ?? {};
  const isLitInLight = (design.action === 'on-in-light') !== isLitWhenOff(design);
  if (!isLitInLight || !turnOn?.ok || stageOf(project).kind !== 'follows') return false;
  const own = project.feedbackLux * litShare(design);
  return own >= turnOn.lux * (1 - 1 / MIN_BAND_RATIO);
}

/** How much of the light at which it turns off is its load's own: none where that alone is more, and it cannot turn off there. */
function ownLuxAtOff(project: Project, design: Found, offLux: number): number {
  if (isLitWhenOff(design) || stageOf(project).kind !== 'follows') return 0;
  const own = project.feedbackLux * litShare(design);
  return own < offLux ? own : 0;
}

/** What there is to say of a transistor that switches by itself. */
function sayAlone({ divider, driver }: Project, design: Found, say: Say) {
  const { thresholds, half } = design;
  if (thresholds) return;
  const { directSide } = driverDefinition(driver.kind);
  // From a load's supply on other volts current may come through the LDR all the same.
  const isDead = design.extremes.load.mostAmps < STAYS_SHARE * design.drive.fullAmps;
  if (divider.isDirect && divider.ldrSide !== directSide && isDead)
    say('cannot', { code: 'direct-dead' }, { kind: 'use-divider' });
  const left = half.ok ? leftInLoads(design) : null;
  if (left) say(left.state, { code: 'stays-lit', amps: left.share * design.drive.onAmps, share: left.share });
}

/** What the loads keep of their full current at the end where they are off. */
const leftShare = ({ thresholds, extremes, drive }: Found): number =>
  thresholds ? thresholds.offShare : extremes.load.leastAmps / drive.onAmps;

/** How grave it is that loads keep a share of their current; `null` where it is nothing to them: a coil or a pin has levels of its own. */
function whatIsLeft(
  design: Found,
): { readonly share: number; readonly isOff: boolean; readonly state: Advice['state'] } | null {
  const share = leftShare(design);
  if (share <= GLOWS_SHARE) return null;
  const isHeld = design.loads.some(({ lights }) =>
    lights ? lights.turnsOn && !lights.turnsOff : share > STAYS_SHARE,
  );
  if (!isHeld && design.loads.every(({ lights }) => lights !== null)) return null;
  return { share, isOff: !isHeld, state: isHeld ? 'cannot' : 'look' };
}

function driverFacts(design: Found): DriverFacts {
  const { drive, extremes, loads, thresholds } = design;
  const { fullSwitchVolts, baseAmps, minBeta, gateVolts, maxThresholdVolts, saturates, switches } = drive;
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
  const isHeld = whatIsLeft(design)?.state === 'cannot';
  const worst = isFiredOn(design.assembly)
    ? { ...extremes.worst, baseAmpsLux: null, transistorWattsLux: null, loadWattsLux: null }
    : extremes.worst;
  return {
    ...each,
    isSoft,
    isHeld,
    fullSwitchVolts,
    baseAmps,
    minBeta,
    gateVolts,
    maxThresholdVolts,
    saturates,
    worst,
  };
}

function driverSetting(project: Project, design: Found): DriverSetting {
  const { detector, driver, divider, loadSupply, resistors } = project;
  const { loads, thresholds } = design;
  return {
    place: driver.place,
    baseOhms: driver.baseOhms,
    isDirect: divider.isDirect && detectorDefinition(detector).output(detector) === null,
    sensorVolts: divider.supplyVolts,
    loadVolts: loadSupply?.volts ?? null,
    stock: resistors,
    // A load that the supply cannot light is the drive's own matter: no base current would help it.
    canLight:
      !loads.some(({ lacksVolts }) => lacksVolts) && loadSupply?.commonGround !== false && !areStarved(loads),
    output: thresholds && { onVolts: thresholds.onVolts, maxAmps: thresholds.maxOutputAmps },
    lighterLoad: lighterLoad(project, design),
  };
}

/** What loads other than pins keep: of a pin the finding is how it is read. */
const leftInLoads = (design: Found) =>
  design.loads.some(({ pin }) => pin === null) ? whatIsLeft(design) : null;

function sayOutput(project: Project, design: Found, thresholds: Thresholds, say: Say) {
  const { offVolts, outputAmps, maxOutputAmps } = thresholds;
  const left = leftInLoads(design);
  if (left)
    say(
      left.state,
      { code: 'never-releases', offVolts, share: left.share, isOff: left.isOff },
      release(project, thresholds),
    );
  if (outputAmps > maxOutputAmps)
    say('cannot', {
      ...{ code: 'output-over-current', amps: outputAmps, maxAmps: maxOutputAmps },
      into: loadOfOutput(project, design, outputAmps),
    });
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

/** A band so many times as wide as the load's own light holds it. */
const FEEDBACK_ROOM = 1.4;

/** A band that the load's own light does not bridge, where the detector can have one. */
function bandFor({ detector, goal }: Project, { thresholds }: Found, feedbackLux: number): Fix | null {
  const definition = detectorDefinition(detector);
  const ratioAt = (lux: number) => Number((1 + (FEEDBACK_ROOM * feedbackLux) / lux).toPrecision(3));
  if (definition.goal.asksOff) {
    const ratio = ratioAt(goal.lux);
    // The light wanted for turning off is kept where it lies far enough.
    const isWanted = goal.offLux !== null && Math.abs(Math.log(goal.offLux / goal.lux)) >= Math.log(ratio);
    return isWanted ? { kind: 'search-band' } : { kind: 'add-hysteresis', ratio };
  }
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
    if (verdict !== 'steady') {
      // A band that its own light does not bridge.
      const fix = bandFor(project, design, feedbackLux);
      say(
        verdict === 'latches' || verdict === 'dims-itself' ? 'look' : 'cannot',
        { code: 'feedback-light', verdict, feedbackLux, maxLux: maxLux ?? 0, widens: fix !== null },
        fix,
      );
    }
  }
  if (!beam) return;
  const facts = beamFacts(design, beam, project);
  const fix = { kind: 'goal-for-beam' } as const;
  const { ambientLux, beamLux } = beam;
  const edges = design.thresholds && windowEdges(design.thresholds);
  if (edges) {
    const { lower, upper } = edges;
    const [fromLux, toLux] = [lower.rising, upper.rising];
    if (!facts.works)
      say(
        'cannot',
        { code: 'beam-beside-window', brokenLux: ambientLux, wholeLux: ambientLux + beamLux, fromLux, toLux },
        fix,
      );
    return;
  }
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
