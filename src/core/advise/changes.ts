import isEqual from 'fast-deep-equal/es6/index.js';
import { detectorDefinition } from '../detectors/registry';
import type { DetectorKind } from '../detectors/kinds';
import type { ModuleInput } from '../loads/finding';
import { loadOf, type Load } from '../loads/registry';
import type { Source } from '../loads/supply';
import type { TransistorKind } from '../drivers/kinds';
import { countedSeconds } from '../parts/kinds/counter';
import { pulseSeconds } from '../parts/kinds/timer';
import { isSameLight, isWrongOff } from '../project/goalLights';
import type { Project } from '../project/project';
import { trimmerPosition } from '../size/trimmer';

/** One thing that differs between two states of a circuit, as people would say it. */
export type Change =
  | {
      readonly code: 'supply';
      readonly feeds: 'both' | 'sensor' | 'load';
      readonly volts: number;
      readonly source: Source;
    }
  | { readonly code: 'supply-limit'; readonly amps: number }
  | {
      readonly code:
        | 'one-supply'
        | 'join-grounds'
        | 'swap-divider'
        | 'swap-inputs'
        | 'no-trimmer'
        | 'no-negative'
        | 'use-divider';
    }
  | { readonly code: 'detector'; readonly kind: DetectorKind }
  | { readonly code: 'ic' | 'transistor'; readonly id: string }
  /** The detector's own values: codes of a program, a string, a reference. */
  | { readonly code: 'values'; readonly by: 'codes' | 'string' | 'reference' | 'feedback' }
  | { readonly code: 'samples'; readonly count: number }
  | { readonly code: 'gain'; readonly times: number }
  /** Of what hears changes: what its comparator holds them against. */
  | { readonly code: 'trigger'; readonly volts: number }
  /** At each edge, as a ratio of lights. */
  | { readonly code: 'edge-band'; readonly ratio: number | null }
  | { readonly code: 'more-in'; readonly side: 'light' | 'dark' }
  /** A ladder shows all steps up to the present one, not that one alone. */
  | { readonly code: 'loads-apart' }
  /** Between the detector's output and what it drives. */
  | { readonly code: 'inverter'; readonly isIn: boolean }
  /** How long its output is on by itself, in s, by a timer IC's pulse or by a counter. */
  | {
      readonly code: 'pulse';
      readonly by: 'one-shot' | 'counted';
      readonly isNew: boolean;
      readonly seconds: number;
    }
  | { readonly code: 'tone-by-timer' }
  | { readonly code: 'tone-resistor'; readonly ohms: number }
  | { readonly code: 'output'; readonly to: 'transistor' | 'load'; readonly loadRail: 'ground' | 'supply' }
  /** Before the control of that kind of transistor, or from it to the end that it is measured against. */
  | { readonly code: 'release' | 'base'; readonly ohms: number | null; readonly driver: TransistorKind }
  | { readonly code: 'place'; readonly place: 'collector' | 'emitter' }
  | { readonly code: 'fixed'; readonly ohms: number }
  /** A trimmer in R1's place stays there: where on its travel it stands then, from 0 to 1. */
  | { readonly code: 'turn-trimmer'; readonly position: number }
  /** In series with the LDR; `null` leaves it out. */
  | { readonly code: 'ldr-series'; readonly ohms: number | null }
  /** `nth` of several LED loads, from 0; `null` where there is one. */
  | { readonly code: 'series'; readonly nth: number | null; readonly ohms: number }
  | { readonly code: 'contacts'; readonly amps: number }
  /** `nth` of several modules, as of LEDs. */
  | { readonly code: 'module-input'; readonly nth: number | null; readonly input: ModuleInput }
  | { readonly code: 'second-relay'; readonly amps: number; readonly coilVolts: number }
  | { readonly code: 'led-current'; readonly amps: number }
  | { readonly code: 'goal'; readonly lux: number }
  /** A light to turn off at, or a window's other edge, where there was none that could be. */
  | { readonly code: 'off-light'; readonly lux: number; readonly isEdge: boolean }
  /** It turns off at another light than the user had said. */
  | { readonly code: 'move-off'; readonly lux: number; readonly fromLux: number };

/** How much work each is. */
const COSTS: Readonly<Record<Change['code'], number>> = {
  fixed: 1,
  'ldr-series': 1,
  series: 1,
  base: 1,
  release: 1,
  // Another module, where its input has no jumper: the last thing to do.
  'module-input': 6,
  'join-grounds': 1,
  'swap-inputs': 1,
  'swap-divider': 1.5,
  values: 1.5,
  samples: 1,
  gain: 1,
  trigger: 1.5,
  'edge-band': 2,
  'more-in': 1,
  'loads-apart': 2,
  inverter: 2.5,
  pulse: 2,
  'no-trimmer': 1.5,
  'turn-trimmer': 1,
  'no-negative': 1,
  'use-divider': 1.5,
  place: 2,
  output: 2,
  transistor: 2,
  ic: 2,
  contacts: 2,
  'second-relay': 3,
  'tone-by-timer': 2,
  'tone-resistor': 1,
  'one-supply': 2,
  'supply-limit': 2,
  supply: 3,
  detector: 4,
  'led-current': 4,
  goal: 6,
  // It comes with a band, which is what is sought.
  'off-light': 0,
  'move-off': 6,
};

export const costOf = (changes: readonly Change[]): number =>
  changes.reduce((total, { code }) => total + COSTS[code], 0);

/** What differs between two circuits, the largest first. */
export function changesBetween(before: Project, after: Project): readonly Change[] {
  return [
    ...supplyChanges(before, after),
    ...detectorChanges(before, after),
    ...driverChanges(before, after),
    ...dividerChanges(before, after),
    ...loadChanges(before, after),
    ...goalChanges(before, after),
  ];
}

function goalChanges({ goal: was }: Project, { goal: is, detector }: Project): readonly Change[] {
  const changes: Change[] = was.lux === is.lux ? [] : [{ code: 'goal', lux: is.lux }];
  const { asksOff, lights } = detectorDefinition(detector).goal;
  if (is.offLux === null || isSameLight(was.offLux, is.offLux)) return changes;
  if (lights === 'window') changes.push({ code: 'off-light', lux: is.offLux, isEdge: true });
  else if (asksOff)
    changes.push(
      was.offLux === null || isWrongOff(was)
        ? { code: 'off-light', lux: is.offLux, isEdge: false }
        : { code: 'move-off', lux: is.offLux, fromLux: was.offLux },
    );
  return changes;
}

/** Of the same voltage, but cells in place of an adapter, or one without a limit in place of one with it. */
const isOfOtherSort = (was: Source, is: Source) => !isEqual(was, is) && is.limitAmps === null;

function supplyChanges(before: Project, after: Project): readonly Change[] {
  const changes: Change[] = [];
  const [was, is] = [before.loadSupply, after.loadSupply];
  const volts = after.divider.supplyVolts;
  const source = after.source;
  const isOther = before.divider.supplyVolts !== volts;
  if (isOther || isOfOtherSort(before.source, source))
    changes.push({ code: 'supply', feeds: is ? 'sensor' : 'both', volts, source });
  else if (!isEqual(before.source, source) && source.limitAmps !== null)
    changes.push({ code: 'supply-limit', amps: source.limitAmps });
  if (was && !is) changes.push({ code: 'one-supply' });
  if (is && (is.volts !== was?.volts || isOfOtherSort(was.source, is.source)))
    changes.push({ code: 'supply', feeds: 'load', volts: is.volts, source: is.source });
  else if (is && was && !isEqual(was.source, is.source) && is.source.limitAmps !== null)
    changes.push({ code: 'supply-limit', amps: is.source.limitAmps });
  if (is && was && is.commonGround && !was.commonGround) changes.push({ code: 'join-grounds' });
  return changes;
}

const moreInOf = (detector: Project['detector']) => ('moreIn' in detector ? detector.moreIn : null);

/** A detector without what is said of it by itself. */
const bare = (detector: Project['detector']) => ({
  ...detector,
  ...{
    part: null,
    sensorInput: null,
    output: null,
    moreIn: null,
    samples: null,
    gain: null,
    triggerVolts: null,
    shows: null,
    negativeVolts: null,
  },
});

const partOf = (detector: Project['detector']) => ('part' in detector ? detector.part : null);

function detectorChanges(before: Project, after: Project): readonly Change[] {
  const [was, is] = [before.detector, after.detector];
  const definition = detectorDefinition(is);
  const outputOf = (of: Project['detector']) => detectorDefinition(of).output(of);
  const [wasOutput, isOutput] = [outputOf(was), outputOf(is)];
  const changes: Change[] = [];
  if (was.kind !== is.kind) changes.push({ code: 'detector', kind: is.kind });
  else {
    const [wasPart, part] = [partOf(was), partOf(is)];
    if (part && wasPart && part.id !== wasPart.id) changes.push({ code: 'ic', id: part.id });
    const swapped = definition.swapped(was);
    const sensorOf = (of: Project['detector']) => ('sensorInput' in of ? of.sensorInput : null);
    if (swapped && sensorOf(was) !== sensorOf(is)) changes.push({ code: 'swap-inputs' });
    const [wasSide, side] = [moreInOf(was), moreInOf(is)];
    if (side && wasSide && side !== wasSide) changes.push({ code: 'more-in', side });
    if (definition.withLoadsApart(was) && !definition.withLoadsApart(is))
      changes.push({ code: 'loads-apart' });
    if ('negativeVolts' in was && 'negativeVolts' in is && was.negativeVolts > 0 && is.negativeVolts === 0)
      changes.push({ code: 'no-negative' });
    if ('samples' in was && 'samples' in is && was.samples !== is.samples)
      changes.push({ code: 'samples', count: is.samples });
    if ('gain' in was && 'gain' in is && was.gain !== is.gain) changes.push({ code: 'gain', times: is.gain });
    if ('triggerVolts' in was && 'triggerVolts' in is && was.triggerVolts !== is.triggerVolts)
      changes.push({ code: 'trigger', volts: is.triggerVolts });
    const [wasBand, band] = [definition.edgeBand(was), definition.edgeBand(is)];
    if (wasBand !== band) changes.push({ code: 'edge-band', ratio: band });
    const feedback = wasBand === band ? {} : { hysteresis: null };
    if (!isEqual({ ...bare(was), ...feedback }, { ...bare(is), ...feedback }))
      changes.push({
        code: 'values',
        by: definition.sizes === 'own' ? definition.sizedBy : aroundBy(was, is),
      });
  }
  const [wasInverted, isInverted] = [before, after].map(({ outputStage }) => outputStage.kind === 'inverted');
  if (wasInverted !== isInverted) changes.push({ code: 'inverter', isIn: isInverted === true });
  changes.push(...pulseChanges(before, after));
  if (isOutput && wasOutput && (isOutput.to !== wasOutput.to || isOutput.loadRail !== wasOutput.loadRail))
    changes.push({ code: 'output', to: isOutput.to, loadRail: isOutput.loadRail });
  const release = isOutput?.releaseOhms ?? null;
  if (wasOutput && release !== (wasOutput.releaseOhms ?? null))
    changes.push({ code: 'release', ohms: release, driver: after.driver.kind });
  return changes;
}

/** What differs around a comparator: its reference alone, or what gives it a band as well. */
const aroundBy = (was: Project['detector'], is: Project['detector']) =>
  'feedbackOhms' in was &&
  'feedbackOhms' in is &&
  was.feedbackOhms === is.feedbackOhms &&
  was.sensorOhms === is.sensorOhms
    ? 'reference'
    : 'feedback';

function pulseChanges(
  { outputStage: was }: Pick<Project, 'outputStage'>,
  { outputStage: is }: Pick<Project, 'outputStage'>,
): readonly Change[] {
  if ((is.kind !== 'one-shot' && is.kind !== 'counted') || isEqual(was, is)) return [];
  if (is.kind === 'one-shot' && was.kind === 'one-shot' && is.part.id !== was.part.id)
    return [
      { code: 'ic', id: is.part.id },
      ...pulseChanges({ outputStage: { ...was, part: is.part } }, { outputStage: is }),
    ];
  const secondsOf = { 'one-shot': pulseSeconds, counted: countedSeconds };
  const seconds = secondsOf[is.kind](is.ohms, is.farads);
  return [{ code: 'pulse', by: is.kind, isNew: was.kind !== is.kind, seconds }];
}

function driverChanges(before: Project, after: Project): readonly Change[] {
  const [was, is] = [before.driver, after.driver];
  const changes: Change[] = [];
  if (was.part.id !== is.part.id) changes.push({ code: 'transistor', id: is.part.id });
  if (was.place !== is.place) changes.push({ code: 'place', place: is.place });
  if (was.baseOhms !== is.baseOhms) changes.push({ code: 'base', ohms: is.baseOhms, driver: is.kind });
  return changes;
}

function dividerChanges(before: Project, after: Project): readonly Change[] {
  const [was, is] = [before.divider, after.divider];
  const changes: Change[] = [];
  if (was.isDirect && !is.isDirect) changes.push({ code: 'use-divider' });
  if (was.ldrSide !== is.ldrSide) changes.push({ code: 'swap-divider' });
  if (was.trimmer && !is.trimmer) changes.push({ code: 'no-trimmer' });
  if (was.ldrSeriesOhms !== is.ldrSeriesOhms) changes.push({ code: 'ldr-series', ohms: is.ldrSeriesOhms });
  if (was.fixedOhms !== is.fixedOhms)
    changes.push(
      is.trimmer
        ? { code: 'turn-trimmer', position: trimmerPosition(is.trimmer, is.fixedOhms) }
        : { code: 'fixed', ohms: is.fixedOhms },
    );
  return changes;
}

function loadChanges(before: Project, after: Project): readonly Change[] {
  /** Which of several of a kind it is; `null` of one alone. */
  const nthOf = (load: Load) => {
    const alike = after.loads.filter(({ kind }) => kind === load.kind);
    return alike.length > 1 ? alike.indexOf(load) : null;
  };
  return after.loads.flatMap((load, index): Change[] => {
    const was = before.loads[index];
    const [led, wasLed] = [loadOf(load, 'led'), loadOf(was, 'led')];
    const [relay, wasRelay] = [loadOf(load, 'relay'), loadOf(was, 'relay')];
    const changes: Change[] = [];
    if (led && wasLed && led.wantedAmps !== wasLed.wantedAmps)
      changes.push({ code: 'led-current', amps: led.wantedAmps });
    if (led && wasLed && led.seriesOhms !== wasLed.seriesOhms)
      changes.push({ code: 'series', nth: nthOf(load), ohms: led.seriesOhms });
    const [tone, wasTone] = [loadOf(load, 'tone'), loadOf(was, 'tone')];
    if (tone && wasTone && tone.source !== wasTone.source) changes.push({ code: 'tone-by-timer' });
    if (tone && wasTone && tone.lowerOhms !== wasTone.lowerOhms)
      changes.push({ code: 'tone-resistor', ohms: tone.lowerOhms });
    const [module, wasModule] = [loadOf(load, 'module'), loadOf(was, 'module')];
    if (module && wasModule && module.input !== wasModule.input)
      changes.push({ code: 'module-input', nth: nthOf(load), input: module.input });
    if (relay && wasRelay && relay.contactAmps !== wasRelay.contactAmps)
      changes.push({ code: 'contacts', amps: relay.contactAmps });
    if (relay?.second && wasRelay && !isEqual(relay.second, wasRelay.second))
      changes.push({
        ...{ code: 'second-relay', amps: relay.second.contactAmps },
        coilVolts: relay.second.coilVolts,
      });
    return changes;
  });
}
