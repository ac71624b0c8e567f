import { entryFor } from '@/core/record';
import { gainOf, triggerOf } from '@/core/detectors/change/circuit';
import type { DetectorKind } from '@/core/detectors/kinds';
import type { DetectorOf, DetectorSettings } from '@/core/detectors/registry';
import type { EdgeBand } from '@/core/detectors/edgeBand';
import { changeDetector } from '@/core/project/detectorEdits';
import type { Edit } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import type { AnyDetectorDrawing, DetectorDrawing } from '../drawing';
import type { ValueOf } from '../valueOf';
import { ControllerSchematic, TimerSchematic } from './BlockSchematic';
import { ChangeSchematic } from './ChangeSchematic';
import { ComparatorSchematic } from './ComparatorSchematic';
import { LadderSchematic } from './LadderSchematic';
import { TransistorSchematic } from './TransistorSchematic';
import { WindowSchematic } from './WindowSchematic';

const { detectorOhms: limits, trackOhms } = LIMITS;
const ohms = (value: number | null, edit: (value: number) => Edit): ValueOf | null =>
  value === null ? null : { value, limits, edit };

const EDGE_ROLES = ['edge-input', 'edge-feedback'] as const;

/** The resistors of a band: one value before all inputs, and one of its own for each feedback. */
function edgeOhms(
  kind: 'window' | 'ladder',
  hysteresis: EdgeBand | null,
  role: (typeof EDGE_ROLES)[number],
  index: number,
): ValueOf | null {
  if (!hysteresis) return null;
  const change = (part: Partial<EdgeBand>) =>
    changeDetector(kind, { hysteresis: { ...hysteresis, ...part } });
  if (role === 'edge-input') return ohms(hysteresis.inputOhms, (inputOhms) => change({ inputOhms }));
  const { feedbackOhms } = hysteresis;
  return ohms(feedbackOhms[index] ?? null, (value) =>
    change({ feedbackOhms: feedbackOhms.map((each, at) => (at === index ? value : each)) }),
  );
}

/** One drawing for each way of switching, the parts that it places, and what can be changed on it. */
const drawings: { readonly [K in DetectorKind]: DetectorDrawing<DetectorOf<K>> } = {
  transistor: { Drawing: TransistorSchematic, places: [], ohms: () => null },
  comparator: {
    Drawing: ComparatorSchematic,
    places: [
      'detector',
      'reference-upper',
      'reference-lower',
      'reference-trimmer',
      'feedback',
      'sensor',
      'pull-up',
    ],
    ohms: ({ reference, feedbackOhms, sensorOhms, pullUpOhms }, { role }) => {
      const { trimmer } = reference;
      const change = changeDetector.bind(null, 'comparator');
      switch (role) {
        case 'reference-upper':
          return ohms(reference.topOhms, (topOhms) => change({ reference: { ...reference, topOhms } }));
        case 'reference-lower':
          return ohms(reference.bottomOhms, (bottomOhms) =>
            change({ reference: { ...reference, bottomOhms } }),
          );
        case 'reference-trimmer':
          return (
            trimmer && {
              value: trimmer.trackOhms,
              limits: trackOhms,
              edit: (value) =>
                change({ reference: { ...reference, trimmer: { ...trimmer, trackOhms: value } } }),
            }
          );
        case 'feedback':
          return ohms(feedbackOhms, (value) => change({ feedbackOhms: value }));
        case 'sensor':
          return ohms(sensorOhms, (value) => change({ sensorOhms: value }));
        case 'pull-up':
          return ohms(pullUpOhms, (value) => change({ pullUpOhms: value }));
        default:
          return null;
      }
    },
  },
  window: {
    Drawing: WindowSchematic,
    places: [
      ...(['detector', 'reference-upper', 'reference-middle', 'reference-lower', 'pull-up'] as const),
      ...EDGE_ROLES,
    ],
    ohms: ({ topOhms, middleOhms, bottomOhms, pullUpOhms, hysteresis }, { role, index }) => {
      switch (role) {
        case 'edge-input':
        case 'edge-feedback':
          return edgeOhms('window', hysteresis, role, index);
        case 'reference-upper':
          return ohms(topOhms, (value) => changeDetector('window', { topOhms: value }));
        case 'reference-middle':
          return ohms(middleOhms, (value) => changeDetector('window', { middleOhms: value }));
        case 'reference-lower':
          return ohms(bottomOhms, (value) => changeDetector('window', { bottomOhms: value }));
        case 'pull-up':
          return ohms(pullUpOhms, (value) => changeDetector('window', { pullUpOhms: value }));
        default:
          return null;
      }
    },
  },
  ladder: {
    Drawing: LadderSchematic,
    places: ['detector', 'string', 'pull-up', ...EDGE_ROLES],
    ohms: ({ stringOhms, hysteresis, pullUpOhms }, { role, index }) => {
      switch (role) {
        case 'string':
          return ohms(stringOhms[index] ?? null, (value) =>
            changeDetector('ladder', {
              stringOhms: stringOhms.map((each, at) => (at === index ? value : each)),
            }),
          );
        case 'edge-input':
        case 'edge-feedback':
          return edgeOhms('ladder', hysteresis, role, index);
        case 'pull-up':
          return ohms(pullUpOhms, (value) => changeDetector('ladder', { pullUpOhms: value }));
        default:
          return null;
      }
    },
  },
  timer: {
    Drawing: TimerSchematic,
    places: ['detector', 'control'],
    ohms: ({ control, pulse }, { role }) => {
      if (role === 'control')
        return (
          control &&
          ohms(control.ohms, (value) => changeDetector('timer', { control: { ...control, ohms: value } }))
        );
      if (role === 'timing')
        return (
          pulse && ohms(pulse.ohms, (value) => changeDetector('timer', { pulse: { ...pulse, ohms: value } }))
        );
      return null;
    },
  },
  controller: { Drawing: ControllerSchematic, places: ['detector'], ohms: () => null },
  change: {
    Drawing: ChangeSchematic,
    places: ['detector', 'amplifier', 'coupling', 'bias', 'pull-up'],
    ohms: ({ biasOhms, gain, triggerVolts }, part) => {
      const present = part.kind === 'resistor' ? part.ohms : null;
      switch (part.role) {
        case 'bias':
          return ohms(biasOhms, (value) => changeDetector('change', { biasOhms: value }));
        case 'gain-upper':
          return ohms(present, (value) => changeDetector('change', { gain: gainOf(value, gain) }));
        case 'reference-upper':
          return ohms(
            present,
            (value) => (project) =>
              changeDetector('change', {
                triggerVolts: triggerOf(value, triggerVolts, project.divider.supplyVolts),
              })(project),
          );
        default:
          return null;
      }
    },
  },
};

/** The drawing of a detector; the one place where settings and drawings are said to go together. */
export const detectorDrawing = ({ kind }: Pick<DetectorSettings, 'kind'>) =>
  entryFor<AnyDetectorDrawing>(drawings, kind);
