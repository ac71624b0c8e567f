import { oneShotSeconds } from '../detectors/outputStage/oneShot';
import { detectorDefinition } from '../detectors/registry';
import { countedSeconds } from '../parts/kinds/counter';
import { batteryKinds, type Source } from '../loads/supply';
import { carriedLoads, disagreementOf, wantedVoltsOf } from './wantedVolts';
import { budgetOf } from '../analyse/budget';
import { ratingsOf } from '../analyse/ratings';
import { farApart } from '../light/farApart';
import { loadSupplyOf } from '../analyse/loadFacts';
import { loadDefinition, loadOf } from '../loads/registry';
import type { Project } from '../project/project';
import { sayInto, type Advice, type Say } from './advice';
import type { Found } from './found';

/** What there is to say of the loads and of what feeds them. */
export function driveAdvice(project: Project, design: Found): readonly Advice[] {
  const advice: Advice[] = [];
  const say = sayInto(advice, 'drive');
  const { isHighSide, driver } = design.assembly;
  project.loads.forEach((load, index) => {
    const facts = design.loads[index];
    if (!facts) return;
    const setting = {
      index,
      isHighSide,
      isOnOutput: driver === null,
      supplyVolts: loadSupplyOf(project).volts,
      onSeconds: onSecondsOf(project),
      makesTone: detectorDefinition(project.detector).makesTone,
      stock: project.resistors,
    };
    for (const { state, finding, fix } of loadDefinition(load).findings(load, facts, setting))
      say(state, finding, fix);
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
function onSecondsOf({ detector, outputStage }: Project): number | null {
  const takesStage = detectorDefinition(detector).takesOutputStage;
  // A counter ends its time whatever the light.
  if (takesStage && outputStage.kind === 'counted')
    return countedSeconds(outputStage.ohms, outputStage.farads);
  if (detectorDefinition(detector).sizes !== 'none' || outputStage.kind === 'toggle') return null;
  return outputStage.kind === 'one-shot' ? oneShotSeconds(outputStage.ohms, outputStage.farads) : 0;
}

/** Loads on one switch share its supply and its side: some do not go together. */
function sayTogether(project: Project, say: Say) {
  const loads = carriedLoads(project);
  const inputs = new Set(loads.flatMap((load) => loadOf(load, 'module')?.input ?? []));
  if (inputs.size > 1) say('cannot', { code: 'sides-disagree' });
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
  for (const supply of budgetOf(project, design)) {
    const { feeds, source, openVolts, maxAmps, minAmps, inrushAmps, foldedVolts } = supply;
    const { limitAmps, ohms } = source;
    if (-minAmps > FED_BACK_AMPS) say('cannot', { code: 'supply-fed-back', feeds, amps: -minAmps });
    sayCells(source, openVolts, feeds === 'load', say);
    if (limitAmps !== null && maxAmps > limitAmps)
      say('cannot', { code: 'supply-over-limit', amps: maxAmps, limitAmps, foldedVolts });
    else if (limitAmps !== null && inrushAmps > limitAmps)
      say('look', { code: 'inrush-over-limit', amps: inrushAmps, limitAmps });
    if (maxAmps * ohms > SAG_SHARE * openVolts)
      say('look', { code: 'supply-sags', volts: maxAmps * ohms, amps: maxAmps, ohms });
  }
}
