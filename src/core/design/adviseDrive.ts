import { ldrOhmsAt } from '../ldr/curve';
import {
  contactRatingAmps,
  CONTACT_SHARES,
  DROP_OUT_SHARE,
  NORMALLY_CLOSED_SHARE,
  type Load,
} from '../loads/load';
import type { Project } from '../project/project';
import { atOrAbove, nearestOhms } from '../series/drawer';
import { partFor, type TransistorPart } from '../stages/transistors';
import type { Advice, Finding, Fix } from './advice';
import type { Design } from './analysis';
import { sayLight } from './adviseLight';
import { sayDetector } from './adviseDecision';
import { budgetOf } from './budget';
import type { Thresholds } from './decision';
import { loadSupplyOf, type LoadFacts } from './loadFacts';
import { ratingsOf } from './ratings';

type Found = Omit<Design, 'advice' | 'states'>;
export type Say = (state: Advice['state'], finding: Finding, fix?: Fix | null) => void;

/** LED current this much over or under the wanted one is said. */
const LED_OVER = 1.15;
const LED_UNDER = 0.7;
/** A high-side switch on more than this over its divider's supply is never off. */
const LIFTED_VOLTS = 0.4;
/** A load in the emitter that loses no more than this is not worth a word. */
const EMITTER_VOLTS = 0.4;

const sayInto =
  (list: Advice[], step: 'switch' | 'drive'): Say =>
  (state, finding, fix) =>
    list.push({ step, state, ...finding, ...(fix ? { fix } : {}) });

export function switchAdvice(project: Project, design: Found): readonly Advice[] {
  const found: Advice[] = [];
  const say = sayInto(found, 'switch');
  if (design.thresholds) sayDetector(project, design, design.thresholds, say);
  sayLight(project, design, say);
  if (!design.assembly.transistor) return found;
  sayWiring(project, design, say);
  sayDrive(project, design, say);
  sayRatings(project, design, say);
  return found;
}

/** What is wired so that it cannot work, whatever its figures. */
function sayWiring(project: Project, { drive }: Found, say: Say) {
  const { driver, divider, loadSupply } = project;
  if (loadSupply && !loadSupply.commonGround)
    say('cannot', { code: 'floating-ground' }, { kind: 'join-grounds' });
  const { supplyVolts: sensorVolts } = divider;
  const isHighSide = driver.kind === 'pnp' && driver.place === 'collector';
  if (isHighSide && loadSupply && loadSupply.volts > sensorVolts + LIFTED_VOLTS) {
    const finding = { code: 'lifted-reference', sensorVolts, loadVolts: loadSupply.volts } as const;
    say('cannot', finding, { kind: 'switch-side', to: 'npn' });
  }
  if (driver.place === 'emitter' && drive.fullSwitchVolts > EMITTER_VOLTS) {
    say('look', { code: 'emitter-loses', volts: drive.fullSwitchVolts }, { kind: 'load-at-collector' });
  }
}

/** Whether base or gate get what the load asks of them. */
function sayDrive(project: Project, design: Found, say: Say) {
  const { drive, loads, sweep } = design;
  const { part } = project.driver;
  // A load that the supply cannot light is the drive's own matter: no base current would help it.
  const canLight =
    loads.every(({ series }) => series?.ok !== false) && project.loadSupply?.commonGround !== false;
  const { fullAmps, guaranteedAmps } = drive;
  if (part.kind === 'nmos') {
    const { maxThresholdVolts } = part;
    const gateVolts = drive.gateVolts ?? 0;
    if (!drive.saturates && canLight) {
      say('cannot', { code: 'gate-too-low', gateVolts, maxThresholdVolts, guaranteedAmps, fullAmps });
    }
    return;
  }
  const { minBeta } = part;
  const forcedBeta = drive.forcedBeta ?? 0;
  if (!drive.saturates && canLight) {
    const { baseAmps } = drive;
    say(
      'cannot',
      { code: 'load-not-saturated', baseAmps, forcedBeta, minBeta, guaranteedAmps, fullAmps },
      design.thresholds ? strongerBase(project, design, design.thresholds) : lighterLoad(project, design),
    );
  } else if (canLight && project.driver.place === 'collector' && forcedBeta > minBeta / 2) {
    say('look', { code: 'little-drive-margin', forcedBeta, minBeta });
  }
  if (sweep.worst.baseAmps > part.maxBaseAmps) {
    const { baseAmps: amps, baseAmpsLux: lux } = sweep.worst;
    // Half the limit at the most, even with the LDR as good as a wire.
    const min = project.divider.supplyVolts / (part.maxBaseAmps / 2);
    const ohms = atOrAbove(project.resistors, min)?.ohms ?? Number(min.toPrecision(2));
    const fix: Fix | null = project.divider.isDirect ? null : { kind: 'take-base', ohms };
    say('look', { code: 'base-over-current', amps, maxAmps: part.maxBaseAmps, lux }, fix);
  }
}

/** So much more base current than the least gain asks for. */
const BASE_TIMES = 2;

/** The resistor before a base that an output drives, for a load that is not held: none where the output itself is too weak. */
function strongerBase(
  { driver, divider, resistors }: Project,
  { drive }: Found,
  { onVolts, maxOutputAmps }: Thresholds,
): Fix | null {
  const { part } = driver;
  if (part.kind === 'nmos' || driver.baseOhms === null) return null;
  const amps = (BASE_TIMES * drive.fullAmps) / part.minBeta;
  const across = (driver.kind === 'pnp' ? divider.supplyVolts - onVolts : onVolts) - DEFAULT_BASE_VOLTS;
  if (across <= 0 || amps > maxOutputAmps) return null;
  const ohms = nearestOhms(resistors, across / amps);
  return ohms < driver.baseOhms ? { kind: 'take-base', ohms } : null;
}

/** What the transistor bears. */
function sayRatings(project: Project, { drive, sweep }: Found, say: Say) {
  const { part } = project.driver;
  const { worst } = sweep;
  const amps = drive.fullAmps;
  if (amps > part.maxAmps) {
    say('cannot', { code: 'load-above-transistor', amps, maxAmps: part.maxAmps }, larger(part, amps));
  }
  // Too much base current is said by itself: what it heats goes with it.
  const isBaseHeat = part.kind !== 'nmos' && worst.baseAmps > part.maxBaseAmps;
  if (worst.transistorWatts > part.maxWatts && !isBaseHeat) {
    const { transistorWatts: watts, transistorWattsLux: lux } = worst;
    const bigger = larger(part, part.maxAmps * 1.01);
    say('cannot', { code: 'transistor-warm', watts, maxWatts: part.maxWatts, lux }, bigger);
  }
  if (worst.switchVolts > part.maxVolts) {
    say('cannot', { code: 'transistor-over-volts', volts: worst.switchVolts, maxVolts: part.maxVolts });
  }
  if (part.kind === 'nmos' && worst.controlVolts > part.maxGateVolts) {
    say('cannot', { code: 'gate-over-volts', volts: worst.controlVolts, maxVolts: part.maxGateVolts });
  }
}

function larger(part: TransistorPart, amps: number): Fix | null {
  const next = partFor(part.kind, amps) ?? (amps <= 10 ? partFor('nmos', amps) : null);
  return next && next.id !== part.id ? { kind: 'take-part', id: next.id } : null;
}

/** What a load needs in hand to be held after the divider has been sized for it anew. */
const LIGHTER_MARGIN = 1.3;
/** A base that is half way to full load, in V. */
const DEFAULT_BASE_VOLTS = 0.65;
/** Under this an LED is hardly seen. */
const MIN_LED_AMPS = 0.0005;

/**
 * A load that the least gain could hold, the divider sized for it. With the LDR below, all that R1 carries at the goal
 * (the LDR's current and the base's, for half the load) goes to the base in the dark: `I = βmin·(I_LDR + I/2β)`.
 */
export function lighterLoad(
  project: Project,
  { ldr, drive, action }: Pick<Found, 'ldr' | 'drive' | 'action'>,
): Fix | null {
  const { part } = project.driver;
  const [load] = project.loads;
  if (part.kind !== 'npn' || project.loads.length !== 1 || load?.kind !== 'led') return null;
  const ldrAmps = DEFAULT_BASE_VOLTS / ldrOhmsAt(ldr.curve, project.goal.lux);
  const held =
    action === 'on-in-dark' && !project.divider.isDirect
      ? (part.minBeta * ldrAmps) / (1 - part.minBeta / (2 * part.typicalBeta))
      : drive.guaranteedAmps;
  const each = held / load.strings / LIGHTER_MARGIN;
  const decade = 10 ** Math.floor(Math.log10(each));
  const amps = Number((Math.floor(each / decade) * decade).toPrecision(1));
  return amps >= MIN_LED_AMPS && amps < load.wantedAmps ? { kind: 'lighten-load', amps } : null;
}

export function driveAdvice(project: Project, design: Found): readonly Advice[] {
  const found: Advice[] = [];
  const say = sayInto(found, 'drive');
  design.loads.forEach((facts, index) => {
    const load = project.loads[index];
    if (load) sayLoad(project, design, load, facts, index, say);
  });
  saySupply(project, design, say);
  for (const { designator, watts, isToBuy, ok } of ratingsOf(project, design)) {
    if (isToBuy && !ok) say('cannot', { code: 'resistor-hot', designator, watts });
  }
  return found;
}

function sayLoad(project: Project, design: Found, load: Load, facts: LoadFacts, index: number, say: Say) {
  if (load.kind === 'led') return sayLed(project, load, facts, index, say);
  const { volts } = facts;
  const [rated, min, max] = [facts.ratedVolts ?? 0, facts.minVolts ?? 0, facts.maxVolts ?? Infinity];
  const figures = { load: load.kind, volts, ratedVolts: rated, minVolts: min } as const;
  if (volts > max) say('cannot', { code: 'load-over-voltage', load: load.kind, volts, maxVolts: max });
  else if (volts < min) say('cannot', { code: 'load-starved', ...figures });
  else if (load.kind === 'buzzer' && (facts.loudness ?? 0) < -4)
    say('look', { code: 'buzzer-quiet', decibels: facts.loudness ?? 0 });
  else if (volts < 0.85 * rated && load.kind !== 'buzzer') say('look', { code: 'load-low', ...figures });
  if (load.kind === 'module') sayModule(design, load.input, say);
  if (load.kind !== 'relay') return;
  if (volts >= min && facts.relay?.pullsIn === false) say('cannot', { code: 'relay-not-pulled' });
  if (facts.relay?.letsGo === false) {
    say('cannot', { code: 'relay-never-drops-out', dropOutShare: DROP_OUT_SHARE });
  }
  const ratedAmps = contactRatingAmps(load);
  if (load.use !== 'nothing' && load.useAmps > ratedAmps) {
    const amps = largerContacts(load);
    const fix: Fix | null = amps === null ? null : { kind: 'step-up-relay', amps, index };
    say('cannot', { code: 'contact-over-rating', use: load.use, amps: load.useAmps, ratedAmps }, fix);
  }
}

/** Contacts that relays and contactors are sold with, in A. */
const CONTACTS = [5, 10, 16, 30, 40];

function largerContacts({ use, useAmps, contact }: Extract<Load, { kind: 'relay' }>): number | null {
  const share = CONTACT_SHARES[use] * (contact === 'nc' ? NORMALLY_CLOSED_SHARE : 1);
  return CONTACTS.find((amps) => amps * share >= useAmps) ?? null;
}

function sayLed(
  project: Project,
  load: Extract<Load, { kind: 'led' }>,
  { series, amps: all }: LoadFacts,
  index: number,
  say: Say,
) {
  if (!series) return;
  if (!series.ok) {
    const { volts: supplyVolts } = loadSupplyOf(project);
    return say('cannot', { code: 'supply-below-led', supplyVolts, neededVolts: series.neededVolts });
  }
  const amps = all / load.strings;
  const better = atOrAbove(project.resistors, series.exactOhms)?.ohms;
  const isBetter = better !== undefined && better !== load.seriesOhms;
  const fix: Fix | null = isBetter ? { kind: 'take-series', ohms: better, index } : null;
  const { wantedAmps } = load;
  if (amps > wantedAmps * LED_OVER) say('cannot', { code: 'led-over-current', amps, wantedAmps }, fix);
  else if (amps < wantedAmps * LED_UNDER) say('look', { code: 'led-under-current', amps, wantedAmps }, fix);
}

/** An active-high input wants current from a high-side switch, an active-low one is pulled down. */
function sayModule({ assembly }: Found, input: 'active-high' | 'active-low', say: Say) {
  const isHigh = assembly.switchNodes.plus === assembly.loadRail;
  if (isHigh === (input === 'active-high')) return;
  const fix: Fix = assembly.transistor
    ? { kind: 'switch-side', to: isHigh ? 'npn' : 'pnp' }
    : { kind: 'output-rail', to: isHigh ? 'supply' : 'ground' };
  say('cannot', { code: 'module-wrong-side', input }, fix);
}

/** A supply that loses more than this share of its voltage under the load is said. */
const SAG_SHARE = 0.12;

function saySupply(project: Project, design: Found, say: Say) {
  for (const { source, openVolts, maxAmps, inrushAmps } of budgetOf(project, design)) {
    const { limitAmps, ohms } = source;
    if (limitAmps !== null && maxAmps > limitAmps)
      say('cannot', { code: 'supply-over-limit', amps: maxAmps, limitAmps });
    else if (limitAmps !== null && inrushAmps > limitAmps)
      say('look', { code: 'inrush-over-limit', amps: inrushAmps, limitAmps });
    if (maxAmps * ohms > SAG_SHARE * openVolts) {
      say('look', { code: 'supply-sags', volts: maxAmps * ohms, amps: maxAmps, ohms });
    }
  }
}
