import { GROUND } from '../circuit/netlist';
import { detectorDefinition } from '../detectors/registry';
import { levelBefore, withOutputStage } from '../detectors/outputStage/outputStage';
import type { DetectorCircuit } from '../detectors/switching';
import { capacitor } from '../detectors/drafts';
import { actionAlone, driverDefinition } from '../drivers/registry';
import type { Action } from '../drivers/kinds';
import { loadDefinition, type Load } from '../loads/registry';
import type { LoadPlace } from '../loads/definition';
import type { Net, OutputLevel } from '../parts/base';
import { withDesignators } from '../parts/designators';
import { partIn, partsOfKind, partWith } from '../parts/find';
import { DECOUPLING_FARADS } from '../parts/kinds/capacitor';
import { leastPartOhms, upperTrackName } from '../parts/kinds/trimmer';
import type { Draft, Part } from '../parts/part';
import { elementsOf } from '../parts/registry';
import type { Assembly, LoadSwitching, PlacedLoad, TestPoint } from './assembly';
import { dividerDrafts, dividerRoles } from './divider';
import type { CircuitInput } from './input';
import { loadsOnDrivers, loadsOnOutput, type LoadSide } from './loadSide';

/** Puts a circuit together: every part that can be held in the hand, each pin on its net. */
export function assemble(input: CircuitInput): Assembly {
  const circuit = detectorCircuit(input);
  const drive = circuit?.switching.out ?? 'mid';
  const isDirect = input.isDirect && !circuit;
  const side = loadsOnOutput(input, circuit) ?? loadsOnDrivers(input, drive, isDirect, circuit !== null);
  const drafts: Draft[] = [
    ...supplyDrafts(input, side),
    ...dividerDrafts(input, isDirect, lowRail(input)),
    ...(circuit?.drafts ?? []),
    ...side.drafts,
    ...side.loads.flatMap(({ load, place }) => loadDefinition(load).parts(load, place)),
  ];
  const parts = withDesignators([...drafts, ...decouplingDrafts(drafts)], input.resistorTolerance);
  const drivers = [...partsOfKind(parts, 'bipolar'), ...partsOfKind(parts, 'mosfet')].filter(
    ({ role }) => role === 'driver',
  );
  return {
    parts,
    rails: partsOfKind(parts, 'supply').filter(({ role }) => role === 'supply' || role === 'load-supply'),
    loadRail: side.rail,
    ldr: partIn(parts, 'ldr', 'ldr')?.designator ?? '',
    fixed: fixedIn(parts),
    withAnyFixed: null,
    dividerTop: dividerTopOf(parts),
    loads: side.loads.map(({ load, place }, index) => placedLoad(parts, load, place, index)),
    switching: circuit && loadSwitching(input, circuit),
    driver: drivers[0] ?? null,
    drivers,
    driverKind: input.transistor.kind,
    switchNets: side.switchNets,
    isHighSide: side.isHighSide,
    hasOwnOutputs: side.hasOwnOutputs,
    isOneAtATime: side.isOneAtATime,
    testPoints: testPointsOf(parts, side, drive, circuit !== null),
  };
}

/** A detector's parts with what follows it; `null` where the transistor switches by itself. */
function detectorCircuit(input: CircuitInput): DetectorCircuit | null {
  const { detector, outputStage, ldrSide, supply } = input;
  const definition = detectorDefinition(detector);
  const onLevel = onLevelOf(input);
  const ownOnLevel = definition.takesOutputStage ? levelBefore(outputStage, onLevel) : onLevel;
  const context = { ldrSide, supplyVolts: supply.volts, onLevel, ownOnLevel };
  const circuit = definition.circuit(detector, context);
  return circuit && definition.takesOutputStage ? withOutputStage(circuit, outputStage, onLevel) : circuit;
}

/** The output level that turns the loads on. */
function onLevelOf({ detector, transistor }: CircuitInput): OutputLevel {
  const output = detectorDefinition(detector).output(detector);
  if (output?.to === 'load') return output.loadRail === 'ground' ? 'high' : 'low';
  return driverDefinition(transistor.kind).polarity === 'p' ? 'low' : 'high';
}

function loadSwitching(input: CircuitInput, { switching }: DetectorCircuit): LoadSwitching {
  const onLevel = onLevelOf(input);
  const goalEnd = detectorDefinition(input.detector).goalEnd(input.detector);
  return { ...switching, isOn: switching.levels.map((each) => each === onLevel), goalEnd, onLevel };
}

/** When the loads are on, as the whole circuit is wired. */
export function actionOf(input: CircuitInput): Action {
  const circuit = detectorCircuit(input);
  return actionIn(input, circuit && loadSwitching(input, circuit));
}

/** The same of a circuit that has been put together. */
export function actionIn(
  { transistor, ldrSide }: Pick<CircuitInput, 'transistor' | 'ldrSide'>,
  switching: LoadSwitching | null,
): Action {
  if (!switching) return actionAlone(transistor.kind, ldrSide);
  return switching.isOn[0] ? 'on-in-dark' : 'on-in-light';
}

function lowRail({ detector }: CircuitInput): Net {
  return detectorDefinition(detector).lowVolts(detector) < 0 ? 'negative' : GROUND;
}

function supplyDrafts(input: CircuitInput, { loads }: LoadSide): readonly Draft[] {
  const { supply, loadSupply, detector } = input;
  const lowVolts = detectorDefinition(detector).lowVolts(detector);
  return [
    { kind: 'supply', role: 'supply', rail: 'supply', ...supply, commonGround: true },
    ...(loadSupply
      ? [{ kind: 'supply', role: 'load-supply', rail: 'load-supply', ...loadSupply } as const]
      : []),
    ...(lowVolts < 0
      ? [
          {
            kind: 'supply',
            role: 'negative-supply',
            rail: 'negative',
            volts: lowVolts,
            ohms: supply.ohms,
            commonGround: true,
          } as const,
        ]
      : []),
    ...loads.flatMap(({ load, place }): Draft[] => {
      const own = loadDefinition(load).ownRail(load, place);
      if (!own || place.ownIndex !== place.index) return [];
      return [{ kind: 'supply', index: place.index, ...own, ohms: 0, commonGround: true }];
    }),
  ];
}

/** Each IC has a capacitor between its supply pins. */
function decouplingDrafts(drafts: readonly Draft[]): readonly Draft[] {
  return drafts.flatMap((draft, index) =>
    'top' in draft && 'bottom' in draft && draft.kind !== 'module' && draft.kind !== 'controller'
      ? [capacitor('decoupling', draft.top, draft.bottom, DECOUPLING_FARADS, index)]
      : [],
  );
}

/** No resistor that is turned is taken for less, in Ω. */
const LEAST_OHMS = 1e-3;

function fixedIn(parts: readonly Part[]): Assembly['fixed'] {
  const resistorPart = partIn(parts, 'resistor', 'fixed');
  const trimmer = partIn(parts, 'trimmer', 'fixed-trimmer');
  const besideOhms = resistorPart?.ohms ?? 0;
  if (trimmer)
    return { element: upperTrackName(trimmer.designator), besideOhms, leastOhms: leastPartOhms(trimmer) };
  return { element: resistorPart?.designator ?? '', besideOhms: 0, leastOhms: LEAST_OHMS };
}

const TYPICAL = { celsius: 25, grade: 'typical' } as const;

function dividerTopOf(parts: readonly Part[]): readonly string[] {
  return parts
    .filter(({ role }) => dividerRoles.includes(role))
    .flatMap((part) => elementsOf(part, TYPICAL))
    .flatMap((element) => (element.kind === 'resistor' && element.a === 'supply' ? [element.name] : []));
}

function placedLoad(parts: readonly Part[], load: Load, place: LoadPlace, index: number): PlacedLoad {
  const designator = partWith(parts, 'load', index)?.designator ?? '';
  const series = partWith(parts, 'series', index)?.designator ?? null;
  const maker = partWith(parts, 'tone-timer', index)?.designator ?? null;
  return {
    load,
    designator,
    resistor: series,
    flyback: partWith(parts, 'flyback', index)?.designator ?? null,
    sense: loadDefinition(load).sense(designator, series ?? maker),
    pin: place.isHighSide ? place.hot : place.cold,
    ends: { hot: place.hot, cold: place.cold },
  };
}

/** Where a probe goes: midpoint, references, the detector's output, the base or gate, and where the loads hang. */
function testPointsOf(
  parts: readonly Part[],
  { nets, switchNets, isHighSide: isHigh }: LoadSide,
  drive: Net,
  isDriven: boolean,
): readonly TestPoint[] {
  const nodes = new Set(
    parts.flatMap((part) => {
      if (part.kind === 'trimmer' && part.role === 'reference-trimmer') return [part.slider];
      const isReference = part.role.startsWith('reference') || part.role === 'string';
      return part.kind === 'resistor' && isReference ? [part.a, part.b] : [];
    }),
  );
  const points: TestPoint[] = [{ id: 'A', net: 'mid' }];
  if (nodes.has('ref')) points.push({ id: 'R', net: 'ref' });
  if (nodes.has('ref.high')) points.push({ id: 'H', net: 'ref.high' });
  if (!nets) return [...points, { id: 'C', net: drive }];
  if (isDriven) points.push({ id: 'D', net: drive });
  if (nets.control !== drive) points.push({ id: 'B', net: nets.control });
  return [...points, { id: 'C', net: isHigh ? switchNets.minus : switchNets.plus }];
}
