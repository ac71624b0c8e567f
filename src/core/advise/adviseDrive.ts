import { detectorDefinition } from '../detectors/registry';
import { countedSeconds } from '../parts/kinds/counter';
import { pulseSeconds } from '../parts/kinds/timer';
import { batteryKinds, type Source } from '../loads/supply';
import { carriedLoads, disagreementOf, wantedVoltsOf } from './wantedVolts';
import { benchOf } from '../analyse/bench';
import { budgetOf } from '../analyse/budget';
import { ratingsOf } from '../analyse/ratings';
import { farApart } from '../light/farApart';
import { loadSupplyOf } from '../analyse/led/seriesResistor';
import { partIn } from '../parts/find';
import { areTonesApart } from '../loads/tone';
import { loadDefinition, loadOf, type Load } from '../loads/registry';
import type { Project } from '../project/project';
import { feeds } from './adviseSwitch';
import { sayInto, type Advice, type Say, type Found } from './advice';

/** What there is to say of the loads and of what feeds them. */
export function driveAdvice(project: Project, design: Found): readonly Advice[] {
  const advice: Advice[] = [];
  const say = sayInto(advice, 'drive');
  const { isHighSide, driver } = design.assembly;
  const onSeconds = onSecondsOf(project);
  carriedLoads(project).forEach((load, index, loads) => {
    const facts = design.loads[index];
    if (!facts) return;
    const isOneOfSome = loads.filter(({ kind }) => kind === load.kind).length > 1;
    const sayOfIt = sayInto(advice, 'drive', isOneOfSome ? { index, designator: facts.designator } : null);
    sayBrief(load, project, onSeconds, sayOfIt);
    const setting = {
      index,
      isHighSide,
      isOnOutput: driver === null,
      isShared: loads.length > 1,
      supplyVolts: loadSupplyOf(project).volts,
      onSeconds,
      makesTone: detectorDefinition(project.detector).makesTone,
      stock: project.resistors,
    };
    for (const { state, finding, fix } of loadDefinition(load).findings(load, facts, setting))
      sayOfIt(state, finding, fix);
  });
  sayTogether(project, say);
  sayCoils(design, say);
  saySupply(project, design, say);
  for (const { designator, watts, isToBuy, ok } of ratingsOf(design))
    if (isToBuy && !ok) say('cannot', { code: 'resistor-hot', designator, watts });
  return advice;
}

/**
 * How long the loads are on at a time where a change of light starts them; `null` where they are on as long as the light says: a
 * pulse that a level starts is held by it.
 */
function onSecondsOf(project: Project): number | null {
  const { detector, outputStage } = project;
  const { takesOutputStage, onSeconds } = detectorDefinition(detector);
  // A counter ends its time whatever the light.
  if (takesOutputStage && outputStage.kind === 'counted')
    return countedSeconds(outputStage.ohms, outputStage.farads);
  if (outputStage.kind === 'toggle') return null;
  const own = onSeconds(detector, benchOf(project));
  if (own === null || outputStage.kind !== 'one-shot') return own;
  return Math.max(own, pulseSeconds(outputStage.ohms, outputStage.farads));
}

/** A load that has not got so far when it is turned off again does its job no more, or only half of it. */
const [HALF_WAY, ALMOST] = [0.5, 0.8];

/** A pulse that is put right lasts so many times what is wanted, and so long at least where nothing forbids it, in s. */
const [TIMES_WANTED, WELL_NOTICED] = [2, 0.25];

/** A load that is on for so short a time that it does not get going, or that nobody notices it. */
function sayBrief(load: Load, { loads }: Project, onSeconds: number | null, say: Say) {
  const { contact, followSeconds, noticedSeconds } = loadDefinition(load).inTime;
  if (onSeconds === null || onSeconds === 0) return;
  const least = contact?.operateSeconds ?? (followSeconds > 0 ? -followSeconds * Math.log(1 - HALF_WAY) : 0);
  const wanted = Math.max(least, -followSeconds * Math.log(1 - ALMOST), noticedSeconds);
  if (onSeconds >= wanted) return;
  const longest = Math.min(...loads.map((each) => loadOf(each, 'solenoid')?.maxOnSeconds ?? Infinity));
  say(
    onSeconds < least ? 'cannot' : 'look',
    { code: 'on-briefly', load: load.kind, onSeconds, wantedSeconds: wanted },
    { kind: 'longer-pulse', seconds: Math.min(longest, Math.max(TIMES_WANTED * wanted, WELL_NOTICED)) },
  );
}

/** A pin that makes a buzzer's tone switches whatever shares it as often. */
function sayTone(project: Project, loads: readonly Load[], say: Say) {
  if (!detectorDefinition(project.detector).makesTone) return;
  const index = loads.findIndex((load) => loadOf(load, 'tone')?.source === 'pin');
  const tone = loadOf(loads[index], 'tone');
  if (!tone) return;
  const fix = { kind: 'tone-by-timer' } as const;
  const stage = project.outputStage.kind;
  if (stage === 'one-shot' || stage === 'counted' || stage === 'toggle')
    say('cannot', { code: 'tone-into-stage', stage }, fix);
  loads.forEach((load, at) => {
    if (at === index) return;
    const other = loadOf(load, 'tone');
    if (other?.source !== 'pin') {
      const isDimmed = loadDefinition(load).dims;
      say(isDimmed ? 'look' : 'cannot', { code: 'tone-shared', load: load.kind, isDimmed }, fix);
      return;
    }
    const [hertz, otherHertz] = [tone.resonantHertz, other.resonantHertz];
    if (areTonesApart(hertz, otherHertz)) say('look', { code: 'tones-disagree', hertz, otherHertz }, fix);
  });
}

/** Loads on one switch share its supply and its side: some do not go together. */
function sayTogether(project: Project, say: Say) {
  const loads = carriedLoads(project);
  sayTone(project, loads, say);
  const inputs = new Set(loads.flatMap((load) => loadOf(load, 'module')?.input ?? []));
  if (inputs.size > 1)
    say('cannot', { code: 'sides-disagree' }, { kind: 'module-input', input: 'active-low' });
  const apart = disagreementOf(wantedVoltsOf(loads));
  if (!apart) return;
  const { most, least } = apart;
  say('cannot', {
    code: 'loads-disagree',
    ...{ mostLoad: most.kind, mostVolts: most.volts.max },
    ...{ leastLoad: least.kind, leastVolts: least.volts.min },
  });
}

/** Coils beside other loads on a transistor alone, which pull in at lights of their own. */
function sayCoils({ assembly, half, loads, thresholds }: Found, say: Say) {
  if (thresholds || loads.length < 2 || !half.ok) return;
  assembly.loads.forEach(({ load }, index) => {
    const { on, off } = loads[index]?.lights ?? {};
    const hasContact = loadDefinition(load).inTime.contact !== null;
    if (hasContact && on?.ok && farApart(on.lux, half.lux))
      say('look', {
        ...{ code: 'coil-apart', inLux: on.lux, halfLux: half.lux },
        outLux: off?.ok ? off.lux : null,
      });
  });
}

/** A supply that loses more than this share of its voltage under the load is said. */
const SAG_SHARE = 0.12;

/** What flows into a supply and is worth a word, in A. */
const FED_BACK_AMPS = 0.001;
/** Cells whose voltage lies further off than this, as a share, are not those that were said. */
const CELLS_SHARE = 0.2;

/** A battery whose voltage is not that of its cells. */
function sayCells({ kind, battery, cells }: Source, volts: number, isLoadSide: boolean, say: Say) {
  const made = kind === 'battery' ? batteryKinds.find(({ id }) => id === battery) : undefined;
  if (!made) return;
  const { cellVolts } = made;
  const right = Number((cells * cellVolts).toPrecision(3));
  if (Math.abs(volts / right - 1) > CELLS_SHARE)
    say(
      'cannot',
      { code: 'cells-disagree', volts, cells, cellVolts },
      { kind: 'match-cells', isLoadSide, volts: right },
    );
}

function saySupply(project: Project, design: Found, say: Say) {
  const { parts } = design.assembly;
  const own = partIn(parts, 'supply', 'load-supply');
  if (own && !feeds(own.rail, parts))
    say('look', { code: 'supply-unused', volts: own.volts }, { kind: 'one-supply' });
  for (const supply of budgetOf(project, design)) {
    const { feeds: side, source, openVolts, maxAmps, minAmps, inrushAmps, foldedVolts } = supply;
    const { limitAmps, ohms } = source;
    if (-minAmps > FED_BACK_AMPS) say('cannot', { code: 'supply-fed-back', feeds: side, amps: -minAmps });
    sayCells(source, openVolts, side === 'load', say);
    if (limitAmps !== null && maxAmps > limitAmps)
      say('cannot', { code: 'supply-over-limit', amps: maxAmps, limitAmps, foldedVolts });
    else if (limitAmps !== null && inrushAmps > limitAmps)
      say('look', { code: 'inrush-over-limit', amps: inrushAmps, limitAmps });
    if (maxAmps * ohms > SAG_SHARE * openVolts)
      say('look', {
        ...{ code: 'supply-sags', volts: maxAmps * ohms, amps: maxAmps, ohms },
        movesLight: side === 'both' && design.thresholds === null,
      });
  }
}
