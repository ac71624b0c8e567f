import type { Design } from '@/core/design';
import { detectorDefinition } from '@/core/detectors/registry';
import { shippedTransistors } from '@/core/drivers/registry';
import type { Part } from '@/core/parts/part';
import { changeOutput } from '@/core/project/detectorEdits';
import {
  changeBaseResistor,
  changeDivider,
  changeLoad,
  changeLoadSupply,
  changeTrimmer,
  takeTransistor,
  type Edit,
} from '@/core/project/edits';
import { LIMITS, type Project } from '@/core/project/project';
import type { Unit } from '@/core/quantity/unit';
import { transistorName } from '../words/names';
import { detectorDrawing } from './detectors/registry';
import type { ValueOf } from './valueOf';
import { loadDrawing } from './loads/registry';

/** A value of the drawing that can be changed where it stands. */
export interface EditableValue extends ValueOf {
  readonly kind: 'value';
  readonly label: string;
  readonly unit: Unit;
}

/** A part of the drawing that is one of a list. */
export interface EditableChoice {
  readonly kind: 'choice';
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly value: string; readonly label: string }[];
  readonly edit: (value: string) => Edit;
}

export type Editable = EditableValue | EditableChoice;

/** Everything on a project's drawing that can be changed there, by the name it has. */
export function editablesOf(
  project: Project,
  { assembly }: Pick<Design, 'assembly'>,
): ReadonlyMap<string, Editable> {
  return new Map(
    assembly.parts.flatMap((part): [string, Editable][] => {
      const editable = editableOf(project, part);
      return editable ? [[part.designator, editable]] : [];
    }),
  );
}

function editableOf(project: Project, part: Part): Editable | null {
  const { divider, driver, loads, loadSupply, detector } = project;
  const label = part.designator;
  const value = (unit: Unit, of: ValueOf, more = ''): EditableValue => ({
    kind: 'value',
    label: `${label}${more}`,
    unit,
    ...of,
  });
  const ohms = (present: number | null, limits: ValueOf['limits'], edit: ValueOf['edit']) =>
    present === null ? null : value('Ω', { value: present, limits, edit });
  const load = loads[part.index] ?? loads[0];
  switch (part.role) {
    case 'supply':
      return value(
        'V',
        {
          value: divider.supplyVolts,
          limits: LIMITS.supplyVolts,
          edit: (supplyVolts) => changeDivider({ supplyVolts }),
        },
        ', the supply',
      );
    case 'load-supply':
      return (
        loadSupply &&
        value(
          'V',
          {
            value: loadSupply.volts,
            limits: LIMITS.supplyVolts,
            edit: (volts) => changeLoadSupply({ ...loadSupply, volts }),
          },
          ', the load’s supply',
        )
      );
    case 'fixed':
      return fixedValue(project, ohms);
    case 'fixed-trimmer': {
      const { trimmer } = divider;
      return (
        trimmer &&
        ohms(trimmer.trackOhms, LIMITS.trackOhms, (trackOhms) => changeTrimmer({ ...trimmer, trackOhms }))
      );
    }
    case 'ldr-series':
      return ohms(divider.ldrSeriesOhms, LIMITS.fixedOhms, (next) => changeDivider({ ldrSeriesOhms: next }));
    case 'ldr-parallel':
      return ohms(divider.ldrParallelOhms, LIMITS.fixedOhms, (next) =>
        changeDivider({ ldrParallelOhms: next }),
      );
    case 'base':
      return ohms(driver.baseOhms, LIMITS.baseOhms, (next) => changeBaseResistor(next));
    case 'release': {
      const output = detectorDefinition(detector).output(detector);
      return (
        output &&
        ohms(output.releaseOhms, LIMITS.detectorOhms, (releaseOhms) => changeOutput({ releaseOhms }))
      );
    }
    case 'driver':
      return driverChoice(project, label);
    case 'series':
      return load && 'seriesOhms' in load
        ? ohms(load.seriesOhms, LIMITS.load.seriesOhms, (seriesOhms) =>
            changeLoad({ seriesOhms }, part.index),
          )
        : null;
    case 'load': {
      if (!load) return null;
      const { unit, label: what, ...of } = loadDrawing(load).value(load, part.index);
      return value(unit, of, what ? `, ${what}` : '');
    }
    default: {
      const of = detectorDrawing(detector).ohms(detector, part);
      return of && value('Ω', of);
    }
  }
}

type Ohms = (
  present: number | null,
  limits: ValueOf['limits'],
  edit: ValueOf['edit'],
) => EditableValue | null;

/** R1, or the end resistor of the trimmer in its place. */
function fixedValue({ divider }: Project, ohms: Ohms): EditableValue | null {
  const { trimmer, fixedOhms } = divider;
  if (trimmer)
    return ohms(trimmer.endOhms, LIMITS.endOhms, (endOhms) => changeTrimmer({ ...trimmer, endOhms }));
  return ohms(fixedOhms, LIMITS.fixedOhms, (next) => changeDivider({ fixedOhms: next }));
}

function driverChoice({ driver }: Project, label: string): EditableChoice {
  const parts = [
    ...shippedTransistors.filter(({ kind, id }) => kind === driver.kind && id !== driver.part.id),
    driver.part,
  ];
  return {
    kind: 'choice',
    label,
    value: driver.part.id,
    options: parts.map((part) => ({ value: part.id, label: transistorName(part) })),
    edit: (id) => takeTransistor(parts.find((part) => part.id === id) ?? driver.part),
  };
}
