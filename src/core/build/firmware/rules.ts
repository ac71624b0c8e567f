import type { CircuitAnalysis } from '../../analyse/analysis';
import { analyse } from '../../design';
import { detectorDefinition, detectorOf } from '../../detectors/registry';
import type { LdrCurve } from '../../ldr/curve';
import { loadDefinition } from '../../loads/registry';
import { partIn, partsOfKind } from '../../parts/find';
import type { Project } from '../../project/project';
import { chooseDetector } from '../../size/chooseDetector';

/** Everything that a program goes by: one set of figures for every language, and for the simulator. */
export interface ProgramRules {
  readonly name: string;
  readonly bits: number;
  /** `null` where full scale is the controller's own supply. */
  readonly refVolts: number | null;
  readonly onCode: number;
  readonly offCode: number;
  /** On while the code is high, or while it is low. */
  readonly onWhen: 'above' | 'below';
  readonly samples: number;
  readonly readingMilliseconds: number;
  readonly minOnMilliseconds: number;
  /** What the pin is at while the load is on. */
  readonly onLevel: 'high' | 'low';
  /** What the pin swings at while the load is on, in Hz, for a buzzer that needs a tone; `null` for a steady level. */
  readonly toneHertz: number | null;
  readonly inputPin: string;
  readonly outputPin: string;
  /** For telling the light: the LDR's curve, R1, and where the LDR stands. */
  readonly curve: LdrCurve;
  readonly fixedOhms: number;
  readonly ldrSide: 'top' | 'bottom';
  /** Of the divider against the full scale: 1 where both are the controller's supply. */
  readonly supplyShare: number;
  /** Only where the readings are in lux does a program tell lux. */
  readonly tellsLux: boolean;
}

/** The rules of a project whose controller switches; `null` for one that is switched otherwise. */
export function programRules(project: Project, analysis: CircuitAnalysis): ProgramRules | null {
  const settings = detectorOf(project.detector, 'controller');
  const sampling = detectorDefinition(project.detector).sampling(project.detector);
  const switching = analysis.assembly.switching;
  if (!settings || !sampling || !switching) return null;
  const onState = switching.states[Math.max(0, switching.isOn.indexOf(true))];
  const { bits, refVolts, onCode, offCode, onWhen } = settings;
  const { divider, build, name } = project;
  return {
    ...{ name, bits, refVolts, onCode, offCode, onWhen },
    samples: sampling.samples,
    readingMilliseconds: Math.round(sampling.readingSeconds * 1000),
    minOnMilliseconds: Math.round(sampling.minOnSeconds * 1000),
    onLevel: Object.values(onState ?? {})[0] === 'low' ? 'low' : 'high',
    toneHertz: toneHertzOf(analysis),
    inputPin: build.pins.input,
    outputPin: build.pins.output,
    curve: analysis.ldr.curve,
    fixedOhms: divider.fixedOhms,
    ldrSide: divider.ldrSide,
    supplyShare: refVolts === null ? 1 : divider.supplyVolts / refVolts,
    tellsLux:
      analysis.resolved.scale === 'lux' && divider.ldrParallelOhms === null && divider.ldrSeriesOhms === null,
  };
}

/** What a buzzer without a timer IC of its own must be given by the pin. */
function toneHertzOf({ assembly: { parts, loads } }: CircuitAnalysis): number | null {
  const sounder = partsOfKind(parts, 'sounder').find(
    ({ index }) => !partIn(parts, 'oscillator', 'tone-timer', index),
  );
  const load = sounder && loads[sounder.index]?.load;
  return load ? loadDefinition(load).heardHertz(load) : null;
}

/**
 * The rules for a controller in the place of what switches a project now.
 * @returns `null` where one could not take it: more than one light to tell apart, outputs of its own, a pulse or toggle that an IC
 * makes, or a supply or load that is not for a controller
 */
export function rulesWithController(project: Project): ProgramRules | null {
  const { detector, outputStage } = project;
  const definition = detectorDefinition(detector);
  if (definition.goal.lights !== 'one' || definition.loadOutputs(detector) !== null) return null;
  if (outputStage.kind !== 'direct') return null;
  const made = chooseDetector('controller')(project);
  const analysis = analyse(made);
  if (!analysis.ok || analysis.design.advice.some(({ state }) => state === 'cannot')) return null;
  return programRules(made, analysis.design);
}

/** A name as a line of plain text: whatever could end a comment or is no plain letter is left out or told by its number. */
export function plainName(name: string): string {
  return [...name.normalize('NFKD')]
    .filter((letter) => !/\p{M}/u.test(letter))
    .map((letter) => {
      if (letter === '\\') return '/';
      if (/[\x20-\x7e]/.test(letter)) return letter;
      return /[\p{L}\p{N}]/u.test(letter)
        ? `U+${(letter.codePointAt(0) ?? 0).toString(16).toUpperCase()} `
        : ' ';
    })
    .join('')
    .replace(/\s+/g, ' ')
    .replace(/\?\?/g, '?')
    .trim()
    .slice(0, 120);
}

/** A name as a file's: letters, digits and dashes. */
export const fileNameOf = (name: string): string =>
  plainName(name)
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'light-switch';
