import { GROUND } from '../circuit/netlist';
import { resistor } from '../detectors/drafts';
import { detectorDefinition } from '../detectors/registry';
import type { DetectorCircuit } from '../detectors/switching';
import { referenceNet, type DriverNets } from '../drivers/definition';
import { driverDefinition, isHighSide } from '../drivers/registry';
import type { LoadPlace } from '../loads/definition';
import { loadDefinition, type Load } from '../loads/registry';
import type { Net } from '../parts/base';
import type { Draft } from '../parts/part';
import { assert } from '../result';
import type { Assembly } from './assembly';
import type { CircuitInput } from './input';

/** What the loads hang on: a transistor, or a detector's outputs. */
export interface LoadSide {
  readonly drafts: readonly Draft[];
  readonly loads: readonly { readonly load: Load; readonly place: LoadPlace }[];
  readonly rail: Net;
  readonly isHighSide: boolean;
  readonly hasOwnOutputs: boolean;
  readonly isOneAtATime: boolean;
  readonly nets: DriverNets | null;
  readonly switchNets: Assembly['switchNets'];
}

type Placed = LoadSide['loads'];

/** Loads that bring a supply of the same use and voltage share one. */
function onOwnRails(loads: Placed): Placed {
  const own = loads.map(({ load, place }) => {
    const rail = loadDefinition(load).ownRail(load, place);
    return rail && `${rail.role} ${rail.volts}`;
  });
  return loads.map(({ load, place }, index) => {
    const same = own[index] ?? null;
    return { load, place: same === null ? place : { ...place, ownIndex: own.indexOf(same) } };
  });
}

/** The loads where a detector's outputs drive them direct; `null` where a transistor does. */
export function loadsOnOutput(input: CircuitInput, circuit: DetectorCircuit | null): LoadSide | null {
  const { detector, loadSupply, loads } = input;
  const definition = detectorDefinition(detector);
  const output = definition.output(detector);
  if (!circuit || output?.to !== 'load') return null;
  const isSink = output.loadRail === 'supply';
  // An output can only give what its own supply has.
  const rail = isSink && loadSupply ? 'load-supply' : 'supply';
  const out = circuit.switching.out;
  const outputs = definition.loadOutputs(detector);
  const place = (hot: Net, cold: Net, index: number): LoadPlace => ({
    hot,
    cold,
    rail,
    isHighSide: !isSink,
    index,
    ownIndex: index,
  });
  const [first] = loads;
  assert(first !== undefined, 'a circuit without a load');
  return {
    drafts: [],
    loads: onOwnRails(
      outputs
        ? outputs.each.map(({ hot, out: cold }, index) => ({
            load: first,
            place: place(hot ?? rail, cold, index),
          }))
        : loads.map((load, index) => ({
            load,
            place: isSink ? place(rail, out, index) : place(out, GROUND, index),
          })),
    ),
    rail,
    isHighSide: !isSink,
    hasOwnOutputs: outputs !== null,
    isOneAtATime: outputs?.isOneAtATime ?? false,
    nets: null,
    switchNets: isSink
      ? { plus: out, minus: GROUND, control: out, reference: out }
      : { plus: rail, minus: out, control: out, reference: out },
  };
}

/**
 * The loads on a transistor, with what leads to its base or gate; behind a detector with several outputs each has one of its own,
 * with the first load of the project.
 */
export function loadsOnDrivers(
  input: CircuitInput,
  drive: Net,
  isDirect: boolean,
  isDriven: boolean,
): LoadSide {
  const { transistor, place, loadSupply, loads, detector } = input;
  const rail = loadSupply ? 'load-supply' : 'supply';
  const isHigh = isHighSide(transistor.kind, place);
  const at = (out: Net, index: number): LoadPlace =>
    isHigh
      ? { hot: out, cold: GROUND, rail, isHighSide: true, index, ownIndex: index }
      : { hot: rail, cold: out, rail, isHighSide: false, index, ownIndex: index };
  const outputs = detectorDefinition(detector).loadOutputs(detector);
  const wiring = { rail, isDirect, isDriven };
  const stages = (outputs?.each ?? [{ out: drive }]).map(({ out }, index) =>
    driverStage(input, out, wiring, index),
  );
  const [first] = stages;
  const [load] = loads;
  assert(first !== undefined && load !== undefined, 'a circuit without a load');
  const { control, out, far } = first.nets;
  return {
    drafts: stages.flatMap(({ drafts }) => drafts),
    loads: onOwnRails(
      outputs
        ? stages.map(({ nets }, index) => ({ load, place: at(nets.out, index) }))
        : loads.map((each, index) => ({ load: each, place: at(out, index) })),
    ),
    rail,
    isHighSide: isHigh,
    hasOwnOutputs: outputs !== null,
    isOneAtATime: false,
    nets: first.nets,
    switchNets: {
      plus: isHigh ? far : out,
      minus: isHigh ? out : far,
      control,
      reference: referenceNet(place, first.nets),
    },
  };
}

interface StageWiring {
  readonly rail: Net;
  readonly isDirect: boolean;
  /** By a detector's output. */
  readonly isDriven: boolean;
}

/** A transistor with the resistors at its base or gate. @param index which one of several, from 0 */
function driverStage(
  { transistor, place, baseOhms, detector }: CircuitInput,
  drive: Net,
  { rail, isDirect, isDriven }: StageWiring,
  index: number,
): { readonly drafts: readonly Draft[]; readonly nets: DriverNets } {
  const definition = driverDefinition(transistor.kind);
  const own = (net: Net): Net => (index === 0 ? net : `${net}.${index + 1}`);
  const hasBase = baseOhms !== null && !isDirect;
  const control = hasBase || isDirect ? own('base') : drive;
  const far = isHighSide(transistor.kind, place) ? rail : GROUND;
  const nets = { control, out: own(definition.ends[place]), far };
  const release = isDriven ? (detectorDefinition(detector).output(detector)?.releaseOhms ?? null) : null;
  return {
    drafts: [
      ...(hasBase ? [resistor('base', drive, control, baseOhms, index)] : []),
      ...(release === null ? [] : [resistor('release', control, referenceNet(place, nets), release, index)]),
      { ...definition.part(transistor, place, nets), index },
    ],
    nets,
  };
}
