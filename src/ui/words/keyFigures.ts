import { isOnce, stageOf } from '@/core/detectors/stageOf';
import { fixed } from '@/core/quantity/notation';
import type { Design } from '@/core/design';
import type { Step } from '@/core/advise/advice';
import type { Project } from '@/core/project/project';
import { actionText } from './goal';
import { sideNames } from './names';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { fitErrors } from '@/core/ldr/model';
import { detectorText, insteadOfLight } from './detectors';
import { amps, beta, ohms, partOhms, ratio, volts } from './figures';
import { betweenReadings, lightText } from './light';
import { loadsText } from './loads';

interface KeyFigure {
  readonly figure: string;
  readonly note: string;
}

/** Why a transistor by itself has no transition band: it is not taken from just off to fully on within the axis. */
export function noBandText({ justOff, fullyOn }: Pick<Design, 'justOff' | 'fullyOn'>): string {
  if (!fullyOn.ok) return fullyOn.reason === 'stays-above' ? 'always fully on' : 'never fully on';
  return justOff.ok ? '' : 'never quite off';
}

/** What the signal chain shows for a step: its most telling figure and a line below it. */
export function keyFigure(step: Step, project: Project, design: Design | null): KeyFigure {
  if (!design) return { figure: '–', note: 'no solution' };
  switch (step) {
    case 'measure': {
      const { curve } = design.ldr;
      const { scale } = design.resolved;
      if (design.ldr.source === 'named') return namedFigure(project);
      const figure =
        scale === 'lux' ? `${ohms(curve.r10Ohms)} at 10 lx` : `${ohms(ldrOhmsAt(curve, 1))} at 1 m`;
      if (design.ldr.source === 'typical') return { figure, note: 'typical LDR, not yours yet' };
      if (design.ldr.source === 'bag') return { figure, note: `mean of a bag of ${design.ldr.bag.count}` };
      const { count } = design.ldr.fit;
      const { gamma } = fitErrors(design.ldr.fit);
      const digits = gamma < 0.02 ? 3 : 2;
      const error = ` ± ${fixed(gamma, digits)}`;
      return { figure, note: `γ ${fixed(curve.gamma, digits)}${error} · ${count} readings` };
    }
    case 'divide':
      return {
        figure: partOhms(project.divider.fixedOhms),
        note: `${sideNames[project.divider.ldrSide]} · ${actionText(project, design.action)}`,
      };
    case 'switch':
      {
        const instead = insteadOfLight(project.detector, project.divider.ldrSide);
        if (instead) return instead;
      }
      if (design.half.ok && design.ldr.source === 'named') {
        const there = ldrOhmsAt(design.ldr.curve, design.half.lux);
        return { figure: ohms(there), note: betweenReadings(there, project) };
      }
      if (!design.half.ok) {
        const always = design.half.reason === 'stays-above';
        return {
          figure: 'never',
          note: always
            ? 'on at every light'
            : design.thresholds
              ? 'off at every light'
              : 'under half on at every light',
        };
      }
      if (design.thresholds) {
        const light = lightText(design.resolved.scale);
        const { turnOn, turnOff, bandRatio, goalEnd } = design.thresholds;
        // The figure is the light that the goal is about; the other one stands in the note.
        const back = isOnce(stageOf(project).kind) ? 'ready' : 'off';
        const [other, name] = goalEnd === 'off' ? [turnOn, 'on'] : [turnOff, back];
        const off = !other.ok
          ? `never ${name} again`
          : (bandRatio ?? 1) < 1.0005
            ? 'no hysteresis'
            : `${name} at ${light(other.lux)}`;
        // What switches stands in the sentence above too: a long name leaves its room to the figure.
        const whole = `${detectorText(project.detector)} · ${off}`;
        return { figure: light(design.half.lux), note: whole.length > 28 ? off : whole };
      }
      return {
        figure: lightText(design.resolved.scale)(design.half.lux),
        note:
          design.softBandRatio === null
            ? noBandText(design)
            : `transition band ${ratio(design.softBandRatio)}`,
      };
    case 'drive':
      return {
        figure: amps(design.drive.fullAmps),
        note: `${loadsText(project.loads)} · ${driveText(design)}`,
      };
    case 'try':
      return { figure: 'In time', note: 'live, a day' };
    case 'build': {
      const { ticked } = project.build;
      const count = design.assembly.parts.filter(({ kind }) => kind !== 'supply').length;
      return {
        figure: `${count} parts`,
        note: ticked.length === 0 ? 'board, sheet' : 'under way',
      };
    }
    case 'check': {
      const { size } = new Set(project.check.answers.map(({ probe }) => probe));
      return { figure: size === 0 ? 'Bench' : `${size} found`, note: 'points, faults' };
    }
  }
}

function driveText({ drive, assembly }: Design): string {
  if (!assembly.driver) return 'from the output';
  if (drive.forcedBeta === null) return `gate ${volts(drive.gateVolts ?? 0)}`;
  return `forced β ${beta(drive.forcedBeta)}`;
}

/** Without any light figure: the resistances that were read. */
function namedFigure({ readings }: Project): KeyFigure {
  const read = readings.filter(({ above, setAside }) => !above && !setAside).map((reading) => reading.ohms);
  if (read.length === 0) return { figure: '–', note: 'no reading with a figure' };
  const [min, max] = [Math.min(...read), Math.max(...read)];
  const figure = read.length === 1 ? ohms(min) : `${partOhms(min)} – ${partOhms(max)}`;
  return { figure, note: `${read.length} by name · no light figures` };
}
