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
import type { Advice, Finding, Mend } from './advice';
import type { Design } from './analysis';
import { sayLight } from './adviseLight';
import { sayDecision } from './adviseDecision';
import { budgetOf } from './budget';
import type { Decision } from './decision';
import { loadSupplyOf, type LoadFacts } from './loadFacts';
import { ratingsOf } from './ratings';

type Found = Omit<Design, 'advice' | 'states'>;
export type Say = (state: Advice['state'], finding: Finding, mend?: Mend | null) => void;

/** LED current this much over or under the wanted one is said. */
const LED_OVER = 1.15;
const LED_UNDER = 0.7;
/** A high-side switch on more than this over its divider's supply is never off. */
const LIFTED_VOLTS = 0.4;
/** A load in the emitter that loses no more than this is not worth a word. */
const EMITTER_VOLTS = 0.4;

const sayInto =
  (list: Advice[], step: 'switch' | 'drive'): Say =>
  (state, finding, mend) =>
    list.push({ step, state, ...finding, ...(mend ? { mend } : {}) });

export function switchAdvice(project: Project, design: Found): readonly Advice[] {
  const found: Advice[] = [];
  const say = sayInto(found, 'switch');
  if (design.decision) sayDecision(project, design, design.decision, say);
  sayLight(project, design, say);
  if (!design.description.transistor) return found;
  sayWiring(project, design, say);
  sayDrive(project, design, say);
  sayRatings(project, design, say);
  return found;
}

/** What is wired so that it cannot work, whatever its figures. */
function sayWiring(project: Project, { drive }: Found, say: Say) {
  const { stage, divider, loadSupply } = project;
  if (loadSupply && !loadSupply.joined) say('cannot', { code: 'grounds-apart' }, { kind: 'join-grounds' });
  const { supplyVolts: sensorVolts } = divider;
  const isHighSide = stage.kind === 'pnp' && stage.place === 'collector';
  if (isHighSide && loadSupply && loadSupply.volts > sensorVolts + LIFTED_VOLTS) {
    const finding = { code: 'lifted-reference', sensorVolts, loadVolts: loadSupply.volts } as const;
    say('cannot', finding, { kind: 'switch-side', to: 'npn' });
  }
  if (stage.place === 'emitter' && drive.fullSwitchVolts > EMITTER_VOLTS) {
    say('look', { code: 'emitter-loses', volts: drive.fullSwitchVolts }, { kind: 'load-at-collector' });
  }
}

/** Whether base or gate get what the load asks of them. */
function sayDrive(project: Project, design: Found, say: Say) {
  const { drive, loads, sweep } = design;
  const { part } = project.stage;
  // A load that the supply cannot light is the drive's own matter: no base current would help it.
  const canLight = loads.every(({ series }) => series?.ok !== false) && project.loadSupply?.joined !== false;
  const { fullAmps, guaranteedAmps } = drive;
  if (part.kind === 'nmos') {
    const { mostThresholdVolts } = part;
    const gateVolts = drive.gateVolts ?? 0;
    if (!drive.holdsFullyOn && canLight) {
      say('cannot', { code: 'gate-too-low', gateVolts, mostThresholdVolts, guaranteedAmps, fullAmps });
    }
    return;
  }
  const { leastBeta } = part;
  const forcedBeta = drive.forcedBeta ?? 0;
  if (!drive.holdsFullyOn && canLight) {
    const { baseAmps } = drive;
    say(
      'cannot',
      { code: 'load-not-held', baseAmps, forcedBeta, leastBeta, guaranteedAmps, fullAmps },
      design.decision ? strongerBase(project, design, design.decision) : lighterLoad(project, design),
    );
  } else if (canLight && project.stage.place === 'collector' && forcedBeta > leastBeta / 2) {
    say('look', { code: 'little-drive-in-hand', forcedBeta, leastBeta });
  }
  if (sweep.worst.baseAmps > part.mostBaseAmps) {
    const { baseAmps: amps, baseAmpsLux: lux } = sweep.worst;
    // Half the limit at the most, even with the LDR as good as a wire.
    const least = project.divider.supplyVolts / (part.mostBaseAmps / 2);
    const ohms = atOrAbove(project.resistors, least)?.ohms ?? Number(least.toPrecision(2));
    const mend: Mend | null = project.divider.isDirect ? null : { kind: 'take-base', ohms };
    say('look', { code: 'base-over-current', amps, mostAmps: part.mostBaseAmps, lux }, mend);
  }
}

/** So much more base current than the least gain asks for. */
const BASE_TIMES = 2;

/** The resistor before a base that an output drives, for a load that is not held: none where the output itself is too weak. */
function strongerBase(
  { stage, divider, resistors }: Project,
  { drive }: Found,
  { onVolts, mostOutputAmps }: Decision,
): Mend | null {
  const { part } = stage;
  if (part.kind === 'nmos' || stage.baseOhms === null) return null;
  const amps = (BASE_TIMES * drive.fullAmps) / part.leastBeta;
  const across = (stage.kind === 'pnp' ? divider.supplyVolts - onVolts : onVolts) - USUAL_BASE_VOLTS;
  if (across <= 0 || amps > mostOutputAmps) return null;
  const ohms = nearestOhms(resistors, across / amps);
  return ohms < stage.baseOhms ? { kind: 'take-base', ohms } : null;
}

/** What the transistor bears. */
function sayRatings(project: Project, { drive, sweep }: Found, say: Say) {
  const { part } = project.stage;
  const { worst } = sweep;
  const amps = drive.fullAmps;
  if (amps > part.mostAmps) {
    say('cannot', { code: 'load-above-transistor', amps, mostAmps: part.mostAmps }, larger(part, amps));
  }
  // Too much base current is said by itself: what it heats goes with it.
  const isBaseHeat = part.kind !== 'nmos' && worst.baseAmps > part.mostBaseAmps;
  if (worst.transistorWatts > part.mostWatts && !isBaseHeat) {
    const { transistorWatts: watts, transistorWattsLux: lux } = worst;
    const bigger = larger(part, part.mostAmps * 1.01);
    say('cannot', { code: 'transistor-warm', watts, mostWatts: part.mostWatts, lux }, bigger);
  }
  if (worst.switchVolts > part.mostVolts) {
    say('cannot', { code: 'transistor-over-volts', volts: worst.switchVolts, mostVolts: part.mostVolts });
  }
  if (part.kind === 'nmos' && worst.controlVolts > part.mostGateVolts) {
    say('cannot', { code: 'gate-over-volts', volts: worst.controlVolts, mostVolts: part.mostGateVolts });
  }
}

function larger(part: TransistorPart, amps: number): Mend | null {
  const next = partFor(part.kind, amps) ?? (amps <= 10 ? partFor('nmos', amps) : null);
  return next && next.id !== part.id ? { kind: 'take-part', id: next.id } : null;
}

/** What a load needs in hand to be held after the divider has been sized for it anew. */
const LIGHTER_MARGIN = 1.3;
/** A base that is half way to full load, in V. */
const USUAL_BASE_VOLTS = 0.65;
/** Under this an LED is hardly seen. */
const LEAST_LED_AMPS = 0.0005;

/**
 * A load that the least gain could hold, the divider sized for it. With the LDR below, all that R1 carries at the goal
 * (the LDR's current and the base's, for half the load) goes to the base in the dark: `I = βmin·(I_LDR + I/2β)`.
 */
export function lighterLoad(
  project: Project,
  { ldr, drive, action }: Pick<Found, 'ldr' | 'drive' | 'action'>,
): Mend | null {
  const { part } = project.stage;
  const [load] = project.loads;
  if (part.kind !== 'npn' || project.loads.length !== 1 || load?.kind !== 'led') return null;
  const ldrAmps = USUAL_BASE_VOLTS / ldrOhmsAt(ldr.curve, project.goal.lux);
  const held =
    action === 'on-in-dark' && !project.divider.isDirect
      ? (part.leastBeta * ldrAmps) / (1 - part.leastBeta / (2 * part.typicalBeta))
      : drive.guaranteedAmps;
  const each = held / load.strings / LIGHTER_MARGIN;
  const decade = 10 ** Math.floor(Math.log10(each));
  const amps = Number((Math.floor(each / decade) * decade).toPrecision(1));
  return amps >= LEAST_LED_AMPS && amps < load.wantedAmps ? { kind: 'lighten-load', amps } : null;
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
  const [rated, least, most] = [facts.ratedVolts ?? 0, facts.leastVolts ?? 0, facts.mostVolts ?? Infinity];
  const figures = { load: load.kind, volts, ratedVolts: rated, leastVolts: least } as const;
  if (volts > most) say('cannot', { code: 'load-over-voltage', load: load.kind, volts, mostVolts: most });
  else if (volts < least) say('cannot', { code: 'load-starved', ...figures });
  else if (load.kind === 'buzzer' && (facts.loudness ?? 0) < -4)
    say('look', { code: 'buzzer-quiet', decibels: facts.loudness ?? 0 });
  else if (volts < 0.85 * rated && load.kind !== 'buzzer') say('look', { code: 'load-low', ...figures });
  if (load.kind === 'module') sayModule(design, load.input, say);
  if (load.kind !== 'relay') return;
  if (volts >= least && facts.relay?.pullsIn === false) say('cannot', { code: 'relay-not-pulled' });
  if (facts.relay?.letsGo === false) {
    say('cannot', { code: 'relay-held', dropOutShare: DROP_OUT_SHARE });
  }
  const ratedAmps = contactRatingAmps(load);
  if (load.use !== 'nothing' && load.useAmps > ratedAmps) {
    const amps = largerContacts(load);
    const mend: Mend | null = amps === null ? null : { kind: 'step-up-relay', amps, index };
    say('cannot', { code: 'contact-over-rating', use: load.use, amps: load.useAmps, ratedAmps }, mend);
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
  const mend: Mend | null = isBetter ? { kind: 'take-series', ohms: better, index } : null;
  const { wantedAmps } = load;
  if (amps > wantedAmps * LED_OVER) say('cannot', { code: 'led-over-current', amps, wantedAmps }, mend);
  else if (amps < wantedAmps * LED_UNDER) say('look', { code: 'led-under-current', amps, wantedAmps }, mend);
}

/** An active-high input wants current from a high-side switch, an active-low one is pulled down. */
function sayModule({ description }: Found, input: 'active-high' | 'active-low', say: Say) {
  const isHigh = description.switchNodes.plus === description.loadRail;
  if (isHigh === (input === 'active-high')) return;
  const mend: Mend = description.transistor
    ? { kind: 'switch-side', to: isHigh ? 'npn' : 'pnp' }
    : { kind: 'output-rail', to: isHigh ? 'supply' : 'ground' };
  say('cannot', { code: 'module-wrong-side', input }, mend);
}

/** A supply that loses more than this share of its voltage under the load is said. */
const SAG_SHARE = 0.12;

function saySupply(project: Project, design: Found, say: Say) {
  for (const { source, openVolts, mostAmps, inrushAmps } of budgetOf(project, design)) {
    const { limitAmps, ohms } = source;
    if (limitAmps !== null && mostAmps > limitAmps)
      say('cannot', { code: 'supply-over-limit', amps: mostAmps, limitAmps });
    else if (limitAmps !== null && inrushAmps > limitAmps)
      say('look', { code: 'inrush-over-limit', amps: inrushAmps, limitAmps });
    if (mostAmps * ohms > SAG_SHARE * openVolts) {
      say('look', { code: 'supply-sags', volts: mostAmps * ohms, amps: mostAmps, ohms });
    }
  }
}
