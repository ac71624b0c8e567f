import isEqual from 'fast-deep-equal/es6/index.js';
import { stageOn } from '../detectors/outputStage/outputStage';
import { defaultDetectors, detectorDefinition } from '../detectors/registry';
import { sizeSeriesResistor } from '../analyse/led/seriesResistor';
import { circuitInput } from '../analyse/circuitInput';
import {
  driverDefinition,
  shippedTransistors,
  transistorFor,
  type TransistorModel,
} from '../drivers/registry';
import { loadDefinition, loadOf } from '../loads/registry';
import { IDEAL_SOURCE, SUPPLY_LIMITS, defaultSource, batteryKinds, type Source } from '../loads/supply';
import { fullDrive } from '../operate/fullDrive';
import { isRatedForSupply, shippedComparators, type ComparatorModel } from '../parts/kinds/comparator';
import { changeOutput, takeDetector } from '../project/detectorEdits';
import {
  changeBaseResistor,
  changeDivider,
  changeDriver,
  changeLoad,
  changeLoadSupply,
  swapLdrSide,
  takeSource,
  takeTransistor,
  together,
  type Edit,
} from '../project/edits';
import type { Project } from '../project/project';
import { carriedLoads, commonVolts, DROP_SHARE, wantedVoltsOf } from './wantedVolts';
import { atOrAbove, nearestOhms } from '../series/stock';
import { chooseDetector, middlingFixed } from '../size/chooseDetector';
import { driveThrough } from '../size/driveThrough';
import { resized } from '../size/resize';
import { withAction } from '../size/withAction';

/** Supplies that are easily had, in V. */
const RAILS = [1.5, 2.4, 3, 3.3, 4.5, 5, 6, 7.5, 9, 12, 24] as const;
/** What a sensor side of its own runs on, in V. */
const SENSOR_VOLTS = 5;
/** So many supplies are tried. */
const RAILS_TRIED = 2;

/** Where there is next to no room for a supply's voltage, so far up it is taken. */
const TIGHT_SHARE = 0.8;

/** Supplies on which every load works, the likeliest first. */
export function railsFor(project: Project): readonly number[] {
  const { divider, loadSupply } = project;
  const wants = wantedVoltsOf(carriedLoads(project));
  const present = loadSupply?.volts ?? divider.supplyVolts;
  const ideal = Math.max(...wants.map(({ volts }) => volts.rated), 0) || present;
  const apart = (volts: number) => Math.abs(Math.log(volts / ideal));
  const { least, most } = commonVolts(wants);
  const suited = RAILS.filter((volts) => volts >= least && volts <= most).sort(
    (one, other) => apart(one) - apart(other),
  );
  // What none of them suits may still be served by one that can be turned to any voltage.
  if (suited.length === 0 && least > 0) {
    if (least <= most) return [Number(Math.sqrt(least * most).toPrecision(3))];
    // With a switch that takes next to nothing there may be a little room yet.
    const bare = least / (1 + DROP_SHARE);
    if (bare < most) return [Number((bare + TIGHT_SHARE * (most - bare)).toPrecision(3))];
  }
  // The next above has something in hand where cells run flat.
  const above = suited.find((volts) => volts > ideal * (1 + DROP_SHARE));
  const first = suited.slice(0, RAILS_TRIED);
  return above === undefined || first.includes(above) ? first : [...first, above];
}

/** What USB gives, in V; for any other voltage it takes an adapter. */
const USB_VOLTS = 5;
/** What inner resistance may take of a supply's voltage, as a share. */
const SAG_SHARE = 0.1;

/**
 * The same sort of source for another voltage and current: more or fewer cells, an adapter that gives enough; any supply where
 * that cannot be.
 */
function sourceFor(
  source: Source,
  volts: number,
  amps: number,
): { readonly source: Source; readonly volts: number } {
  if (source.kind === 'battery') {
    const made = batteryKinds.find(({ id }) => id === source.battery);
    const cells = made ? volts / made.cellVolts : 0;
    const isWhole =
      cells >= 1 && cells <= SUPPLY_LIMITS.cells.max && Math.abs(cells - Math.round(cells)) < 0.01;
    const cellPack = isWhole ? defaultSource('battery', volts, source.battery, Math.round(cells)) : null;
    const isStiff = cellPack !== null && cellPack.source.ohms * amps <= SAG_SHARE * volts;
    return isStiff ? cellPack : { source: IDEAL_SOURCE, volts };
  }
  if (source.kind === 'ideal') return { source: IDEAL_SOURCE, volts };
  const isEnough = source.limitAmps === null || source.limitAmps >= amps;
  if (isEnough && (source.kind === 'adapter' || volts === USB_VOLTS)) return { source, volts };
  return { source: { ...source, kind: 'adapter', limitAmps: soldLimits(amps)[0] ?? null }, volts };
}

/** Currents that supplies are sold for, in A. */
const LIMITS_SOLD = [0.5, 1, 2, 3, 5, 10, 20] as const;
const soldLimits = (aboveAmps: number) => LIMITS_SOLD.filter((amps) => amps > aboveAmps);

/** The same supply for more current. */
function strongerSources({ source, loadSupply, divider, loads, detector }: Project): readonly Edit[] {
  const feeding = loadSupply?.source ?? source;
  const limit = feeding.limitAmps;
  if (limit === null) return [];
  const wanted = inrushOf({ loads, divider, loadSupply, detector });
  return soldLimits(limit)
    .filter((_amps, index, all) => index < 3 || (all[index - 1] ?? 0) < wanted)
    .map((limitAmps) => {
      const stronger = {
        ...feeding,
        kind: feeding.kind === 'usb' ? ('adapter' as const) : feeding.kind,
        limitAmps,
      };
      return loadSupply
        ? changeLoadSupply({ ...loadSupply, source: stronger })
        : takeSource(stronger, divider.supplyVolts);
    });
}

/** Other supplies: one for both sides, one for the load, or one for each. */
export function supplyPlans(project: Project): readonly Edit[] {
  const { source, divider, loadSupply } = project;
  const loadAmps = ampsOf(project) * switchCount(project);
  const whole = railsFor(project).flatMap((volts): Edit[] => {
    const shared = sourceFor(source, volts, loadAmps);
    const own = sourceFor(loadSupply?.source ?? source, volts, loadAmps);
    const ownSupply = changeLoadSupply({ ...own, commonGround: true });
    return [
      together(takeSource(shared.source, shared.volts), changeLoadSupply(null)),
      ownSupply,
      together(takeSource(IDEAL_SOURCE, SENSOR_VOLTS), ownSupply),
    ];
  });
  const joined: Edit[] = loadSupply
    ? [changeLoadSupply({ ...loadSupply, commonGround: true }), changeLoadSupply(null)]
    : [];
  const lower = RAILS.filter((volts) => volts < divider.supplyVolts)
    .slice(-2)
    .map((volts) => {
      const { source: lowerSource, volts: lowerVolts } = sourceFor(source, volts, loadAmps);
      return takeSource(lowerSource, lowerVolts);
    });
  return [...joined, ...strongerSources(project), ...whole, ...lower];
}

/** So many times its usual current is what a load takes at the worst moment, of what a part is chosen by. */
function ampsOf(project: Project): number {
  return carriedLoads(project).reduce((total, load) => total + loadDefinition(load).nominalAmps(load), 0);
}

/** What the loads of all switches take at the first moment, in A. */
function inrushOf({
  loads,
  divider,
  loadSupply,
  detector,
}: Pick<Project, 'loads' | 'divider' | 'loadSupply' | 'detector'>): number {
  const volts = loadSupply?.volts ?? divider.supplyVolts;
  const each = loads.map((load) => {
    const definition = loadDefinition(load);
    return definition.inrushAmps(load, volts) ?? definition.nominalAmps(load);
  });
  return switchCount({ detector }) * each.reduce((total, amps) => total + amps, 0);
}

/** How many switches a supply feeds, each with the same loads. */
const switchCount = ({ detector }: Pick<Project, 'detector'>) =>
  detectorDefinition(detector).loadOutputs(detector)?.each.length ?? 1;

/** Whether transistors carry the loads, or could: not where each step of a detector drives its own direct. */
function mayHaveDriver({ detector }: Project): boolean {
  const definition = detectorDefinition(detector);
  return definition.loadOutputs(detector) === null || definition.output(detector)?.to === 'transistor';
}

/** Other transistors, and the load at their collector or drain: of each kind those that carry it, the smallest two. */
export function driverPlans(project: Project): readonly Edit[] {
  if (!mayHaveDriver(project)) return [];
  const amps = ampsOf(project);
  const { part, kind, place } = project.driver;
  const byKind = new Map<string, TransistorModel[]>();
  for (const other of shippedTransistors)
    if (other.maxAmps >= amps && other.id !== part.id)
      byKind.set(other.kind, [...(byKind.get(other.kind) ?? []), other]);
  const { polarity } = driverDefinition(kind);
  const rank = (other: TransistorModel) => {
    const definition = driverDefinition(other.kind);
    if (other.kind === kind) return 0;
    return (definition.polarity === polarity ? 0 : 2) + (definition.control === 'gate' ? 1 : 1.5);
  };
  const others = [...byKind.values()].flat().sort((one, other) => rank(one) - rank(other));
  const moved = changeDriver({ place: place === 'collector' ? 'emitter' : 'collector' });
  return [
    ...others.map((other) => together(takeTransistor(other), changeDriver({ place: 'collector' }))),
    moved,
  ];
}

const partIdOf = (detector: Project['detector']) => ('part' in detector ? detector.part.id : null);

/** Another comparator in a detector that is made of such; as it is where it is not. */
const withComparator =
  (part: ComparatorModel): Edit =>
  (project) => {
    const { detector } = project;
    const other = detectorDefinition(detector).withComparator(detector, part);
    return other ? takeDetector(other)(project) : project;
  };

/** A MOSFET between outputs and loads, which asks least of an output and of the load's supply. */
const throughMosfet: Edit = (project) => {
  const part = transistorFor('nmos', ampsOf(project));
  const driven = driveThrough('transistor')(project);
  return part ? together(takeTransistor(part), changeDriver({ place: 'collector' }))(driven) : driven;
};

/** A reference in the middle of the supply, where there is one. */
function referencePlan(detector: Project['detector']): readonly Edit[] {
  if (!('reference' in detector)) return [];
  const { reference } = defaultDetectors[detector.kind];
  return [takeDetector({ ...detector, reference })];
}

/** Whether a comparator does the same and more: of a transistor alone, and of a timer whose band nothing can change. */
function mayBeComparator(detector: Project['detector']): boolean {
  const { output, shortcomings, pulse } = detectorDefinition(detector);
  return output(detector) === null || (shortcomings.includes('fixed-band') && pulse(detector) === null);
}

/** Another part of the same sort, a comparator where the transistor decides alone, or its output wired otherwise. */
export function detectorPlans(project: Project): readonly Edit[] {
  const { detector, divider } = project;
  const definition = detectorDefinition(detector);
  const output = definition.output(detector);
  const choices = definition.outputChoices(detector);
  // What hangs between two outputs each, with an output of its own; a transistor carries what that cannot.
  const apart = definition.withLoadsApart(detector);
  const volts = divider.supplyVolts - definition.lowVolts(detector);
  const parts = shippedComparators.filter(
    (part) => isRatedForSupply(part, volts) && part.id !== partIdOf(detector),
  );
  return [
    ...referencePlan(detector),
    (project) => takeDetector(definition.fitted(project.detector, project.divider.supplyVolts))(project),
    ...(output?.to === 'load'
      ? [
          ...(choices.transistor ? [driveThrough('transistor'), throughMosfet] : []),
          ...(choices.rail
            ? [changeOutput({ loadRail: output.loadRail === 'ground' ? 'supply' : 'ground' })]
            : []),
        ]
      : []),
    // A resistor that turns the transistor off may leave it too little to turn on.
    ...((output?.releaseOhms ?? null) !== null ? [changeOutput({ releaseOhms: null })] : []),
    ...(apart ? [together(takeDetector(apart), throughMosfet)] : []),
    ...parts.map((part) => withComparator(part)),
    ...(mayBeComparator(detector) ? [chooseDetector('comparator')] : []),
  ];
}

/** A fixed resistor so many times that in the middle puts the midpoint nearer to one rail. */
const ASIDE = 4;

/**
 * For a detector with values of its own: the LDR on either side, the midpoint in the middle or nearer to a rail. For any: the LDR by
 * itself, where a resistor in series with it hides what it does.
 */
export function dividerPlans(project: Project): readonly Edit[] {
  const { ldrSeriesOhms } = project.divider;
  const alone = changeDivider({ ldrSeriesOhms: null });
  const bare = ldrSeriesOhms === null ? [] : [alone, together(alone, swapLdrSide)];
  if (detectorDefinition(project.detector).sizes === 'fixed') return bare;
  const aside =
    (times: number): Edit =>
    (design) => {
      const { divider, resistors } = middlingFixed(design);
      return changeDivider({ fixedOhms: nearestOhms(resistors, divider.fixedOhms * times) })(design);
    };
  const sides: Edit[] = [middlingFixed, aside(ASIDE), aside(1 / ASIDE)];
  return [...sides, ...sides.map((side) => together(swapLdrSide, side)), ...bare];
}

/** So much more base current than the least gain asks for. */
const BASE_TIMES = 2.5;
const HALF_ON_VOLTS = 0.75;
/** A base may take this share of its rating, an output give this share of its own. */
const RATING_SHARE = 0.7;
const OUTPUT_AMPS = 0.01;
/** Through more than that a base gets hardly more than leaks. */
const MAX_BASE_OHMS = 100_000;

/** With the resistor before a base that an output drives; none before a gate, or where the midpoint itself drives. */
export function baseFitted(project: Project): Project {
  const { driver, detector, divider, resistors } = project;
  const definition = driverDefinition(driver.kind);
  const minBeta = definition.beta(driver.part, 'min');
  const output = detectorDefinition(detector).output(detector);
  if (output?.to !== 'transistor' || minBeta === null || driver.place === 'emitter') return project;
  const maxBase = 'maxBaseAmps' in driver.part ? driver.part.maxBaseAmps : OUTPUT_AMPS;
  const wanted = (BASE_TIMES * ampsOf(project)) / minBeta;
  const amps = Math.min(wanted, RATING_SHARE * maxBase, RATING_SHARE * OUTPUT_AMPS);
  const volts = Math.max(0.3, divider.supplyVolts - HALF_ON_VOLTS);
  return changeBaseResistor(nearestOhms(resistors, Math.min(MAX_BASE_OHMS, volts / amps)))(project);
}

/** The more current flows the more the switch takes: so many times its resistor is found anew. */
const SERIES_PASSES = 3;

/** With the series resistors that LEDs want on this supply. */
export function seriesFitted(project: Project): Project {
  if (!project.loads.some((load) => loadOf(load, 'led'))) return project;
  let fitted = project;
  for (let pass = 0; pass < SERIES_PASSES; pass++) {
    const full = fullDrive(circuitInput(fitted));
    if (!full) return fitted;
    const next = fitted.loads.reduce((design, load, index) => {
      const sized = sizeSeriesResistor(design, load, full, index);
      if (!sized?.ok) return design;
      const real =
        atOrAbove(project.resistors, sized.exactOhms)?.ohms ?? Number(sized.exactOhms.toPrecision(3));
      return changeLoad({ seriesOhms: real }, index)(design);
    }, fitted);
    if (isEqual(next.loads, fitted.loads)) break;
    fitted = next;
  }
  return fitted;
}

/** With a one-shot's timer IC that works on this supply. */
const stageFitted = (project: Project): Project => ({
  ...project,
  outputStage: stageOn(project.outputStage, project.divider.supplyVolts),
});

/** A plan brought to its end: LEDs and base get their resistors, the action is the wanted one, and it is put on its goal. */
export function finished(project: Project): Project {
  return resized(withAction(seriesFitted(stageFitted(project))));
}
