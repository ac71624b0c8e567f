import { detectorDefinition } from './detectors/registry';
import { isSameLight } from './project/goalLights';
import type { Circuitry } from './project/project';
import type { Change } from './advise/changes';

type Codes = readonly Change['code'][];

/** Which changes tell of what differs at a place of the circuit; the first that fits holds. */
const TELLING: readonly (readonly [place: RegExp, codes: Codes])[] = [
  [/^goal\.lux/, ['goal']],
  [/^goal\.offLux/, ['off-light', 'move-off']],
  [/^divider\.(fixedOhms|trimmer)/, ['fixed', 'no-trimmer', 'turn-trimmer']],
  [/^divider\.isDirect/, ['use-divider']],
  [/^divider\.ldrSide/, ['swap-divider']],
  [/^divider\.ldrSeries/, ['ldr-series']],
  [/^(divider\.supplyVolts|source|loadSupply)/, ['supply', 'supply-limit', 'one-supply', 'join-grounds']],
  [/^driver\.(part|kind)/, ['transistor']],
  [/^driver\.baseOhms/, ['base']],
  [/^driver\.place/, ['place']],
  [/^detector\.output\.releaseOhms/, ['release', 'detector']],
  [/^detector\.output/, ['output', 'detector']],
  [/^detector\.samples/, ['samples', 'detector']],
  [/^detector\.gain/, ['gain', 'detector']],
  [/^detector\.trigger/, ['trigger', 'detector']],
  [/^detector\.(reference|feedback|sensorOhms)/, ['values', 'detector']],
  [
    /^detector/,
    [
      ...(['detector', 'ic', 'values', 'edge-band', 'more-in'] as const),
      ...(['loads-apart', 'no-negative', 'swap-inputs'] as const),
    ],
  ],
  [/^outputStage/, ['inverter', 'pulse', 'ic']],
  [
    /^loads/,
    [
      ...(['series', 'contacts', 'module-input', 'second-relay', 'led-current'] as const),
      ...(['tone-by-timer', 'tone-resistor'] as const),
    ],
  ],
];

/** Where two values differ, as paths of names. */
function differences(was: unknown, is: unknown, path = ''): readonly string[] {
  if (JSON.stringify(was) === JSON.stringify(is)) return [];
  if (isRecord(was) && isRecord(is))
    return [...new Set([...Object.keys(was), ...Object.keys(is)])].flatMap((key) =>
      differences(was[key], is[key], path === '' ? key : `${path}.${key}`),
    );
  return [path];
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** For tests: what differs between two circuits and no change tells of. */
export function untold(from: Circuitry, to: Circuitry, changes: readonly Change[]): readonly string[] {
  const codes = changes.map(({ code }) => code);
  const { asksOff, lights } = detectorDefinition(to.detector).goal;
  return differences(from, to).filter((place) => {
    // A light to turn off at that nothing looks at is none.
    if (place === 'goal.offLux' && !asksOff && lights !== 'window') return false;
    if (place === 'goal.offLux' && isSameLight(from.goal.offLux, to.goal.offLux)) return false;
    const told = TELLING.find(([at]) => at.test(place))?.[1] ?? [];
    return !told.some((code) => codes.includes(code));
  });
}
