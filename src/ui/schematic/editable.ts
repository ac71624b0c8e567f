import { changeComparator, changeDetector, changeOutput } from '@/core/project/deciderEdits';
import {
  changeBaseResistor,
  changeDivider,
  changeLoad,
  changeLoadSupply,
  takeTransistor,
  type Edit,
} from '@/core/project/edits';
import { LIMITS, type Project } from '@/core/project/project';
import type { Design } from '@/core/design/analysis';
import type { ComparatorSettings, DetectorSettings } from '@/core/stages/decider';
import { shippedParts } from '@/core/stages/transistors';
import type { Unit } from '@/core/quantity/unit';
import { partVolts } from '../words/figures';
import { partName } from '../words/parts';

/** A value of the drawing that can be changed where it stands. */
export interface EditableValue {
  readonly kind: 'value';
  readonly label: string;
  readonly unit: Unit;
  readonly value: number;
  readonly limits: { readonly min: number; readonly max: number };
  readonly edit: (value: number) => Edit;
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

/** A rail's voltage as the drawing shows it: also its name there. */
export const railName = (value: number) => `+${partVolts(value)}`;

/** Everything on a project's drawing that can be changed there, by the name it bears. */
export function editablesOf(project: Project, { loads: facts }: Design): ReadonlyMap<string, Editable> {
  const { divider, driver, loads, loadSupply, detector } = project;
  const found = new Map<string, Editable>();
  const ohms = (name: string, value: number, limits: EditableValue['limits'], edit: EditableValue['edit']) =>
    found.set(name, { kind: 'value', label: name, unit: 'Ω', value, limits, edit });
  ohms('R1', divider.fixedOhms, LIMITS.fixedOhms, (fixedOhms) => changeDivider({ fixedOhms }));
  if (divider.ldrSeriesOhms !== null)
    ohms('R4', divider.ldrSeriesOhms, LIMITS.fixedOhms, (value) => changeDivider({ ldrSeriesOhms: value }));
  if (divider.ldrParallelOhms !== null)
    ohms('R5', divider.ldrParallelOhms, LIMITS.fixedOhms, (value) =>
      changeDivider({ ldrParallelOhms: value }),
    );
  if (driver.baseOhms !== null && (!divider.isDirect || detector.kind !== 'transistor'))
    ohms('R3', driver.baseOhms, LIMITS.baseOhms, (value) => changeBaseResistor(value));
  if (detector.kind === 'comparator') comparatorValues(detector, ohms);
  else detectorValues(detector, ohms);
  if (detector.kind !== 'transistor' && detector.output.releaseOhms !== null)
    ohms('R6', detector.output.releaseOhms, LIMITS.detectorOhms, (releaseOhms) =>
      changeOutput({ releaseOhms }),
    );
  const parts = [
    ...shippedParts.filter(({ kind, id }) => kind === driver.kind && id !== driver.part.id),
    driver.part,
  ];
  found.set('Q1', {
    kind: 'choice',
    label: 'Q1',
    value: driver.part.id,
    options: parts.map((part) => ({ value: part.id, label: partName(part) })),
    edit: (id) => takeTransistor(parts.find((part) => part.id === id) ?? driver.part),
  });
  loads.forEach((load, index) => {
    const names = facts[index];
    if (!names) return;
    if (load.kind === 'led') {
      ohms(names.resistor ?? '', load.seriesOhms, LIMITS.load.seriesOhms, (value) => changeLoad({ seriesOhms: value }, index)); // prettier-ignore
      found.set(names.designator, { kind: 'value', label: `${names.designator}, current wanted`, unit: 'A', value: load.wantedAmps, limits: LIMITS.load.ledAmps, edit: (value) => changeLoad({ wantedAmps: value }, index) }); // prettier-ignore
    } else if (load.kind === 'relay') {
      ohms(names.designator, load.coilOhms, LIMITS.load.coilOhms, (value) => changeLoad({ coilOhms: value }, index)); // prettier-ignore
    } else {
      found.set(names.designator, { kind: 'value', label: names.designator, unit: 'V', value: load.ratedVolts, limits: LIMITS.load.volts, edit: (value) => changeLoad({ ratedVolts: value }, index) }); // prettier-ignore
    }
  });
  const supply = (value: number, label: string, edit: EditableValue['edit']) =>
    found.set(railName(value), { kind: 'value', label, unit: 'V', value, limits: LIMITS.supplyVolts, edit });
  if (loadSupply)
    supply(loadSupply.volts, 'Supply of the load', (value) =>
      changeLoadSupply({ ...loadSupply, volts: value }),
    );
  supply(divider.supplyVolts, 'Supply', (supplyVolts) => changeDivider({ supplyVolts }));
  return found;
}

type SetOhms = (
  name: string,
  value: number,
  limits: EditableValue['limits'],
  edit: EditableValue['edit'],
) => void;

/** The resistors about a comparator. */
function comparatorValues(settings: ComparatorSettings, ohms: SetOhms) {
  const { reference, feedbackOhms, sensorOhms, pullUpOhms, part } = settings;
  const { topOhms, bottomOhms, trimmer } = reference;
  const limits = LIMITS.detectorOhms;
  if (topOhms !== null)
    ohms('R21', topOhms, limits, (value) =>
      changeComparator({ reference: { ...reference, topOhms: value } }),
    );
  ohms('R22', bottomOhms, limits, (value) => changeComparator({ reference: { ...reference, bottomOhms: value } })); // prettier-ignore
  if (trimmer)
    ohms('RV1', trimmer.trackOhms, LIMITS.trackOhms, (trackOhms) =>
      changeComparator({ reference: { ...reference, trimmer: { ...trimmer, trackOhms } } }),
    );
  if (feedbackOhms !== null)
    ohms('R23', feedbackOhms, limits, (value) => changeComparator({ feedbackOhms: value }));
  if (sensorOhms !== null && settings.sensorInput === 'plus')
    ohms('R24', sensorOhms, limits, (value) => changeComparator({ sensorOhms: value }));
  if (part.kind === 'open-collector')
    ohms('R25', pullUpOhms, limits, (value) => changeComparator({ pullUpOhms: value }));
}

/** The resistors about any other decider. */
function detectorValues(settings: DetectorSettings, ohms: SetOhms) {
  const limits = LIMITS.detectorOhms;
  if (settings.kind === 'window') {
    const figures = { R21: 'topOhms', R22: 'middleOhms', R23: 'bottomOhms', R25: 'pullUpOhms' } as const;
    for (const [name, key] of Object.entries(figures))
      ohms(name, settings[key], limits, (value) => changeDetector('window', { [key]: value }));
  }
  if (settings.kind === 'ladder')
    settings.stringOhms.forEach((present, index) =>
      ohms(`R${31 + index}`, present, limits, (value) =>
        changeDetector('ladder', {
          stringOhms: settings.stringOhms.map((each, at) => (at === index ? value : each)),
        }),
      ),
    );
  if (settings.kind === 'timer' && settings.control) {
    const { control } = settings;
    ohms('R26', control.ohms, limits, (value) =>
      changeDetector('timer', { control: { ...control, ohms: value } }),
    );
  }
}
