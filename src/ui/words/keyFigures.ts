import type { Design } from '@/core/design/analysis';
import type { Step } from '@/core/design/advice';
import type { Project } from '@/core/project/project';
import { actionNames, sideNames } from './advice';
import { amps, beta, lux, ohms, partOhms, ratio } from './figures';
import { ledNames } from './leds';

interface KeyFigure {
  readonly figure: string;
  readonly note: string;
}

/** What the signal chain shows for a step: its most telling figure and a line below it. */
export function keyFigure(step: Step, project: Project, design: Design | null): KeyFigure {
  if (!design) return { figure: '–', note: 'no solution' };
  switch (step) {
    case 'measure': {
      const { curve } = design.ldr;
      const figure = `${ohms(curve.r10Ohms)} at 10 lx`;
      if (design.ldr.source === 'typical') return { figure, note: 'typical LDR, not yours yet' };
      const { gammaStdError, count } = design.ldr.fit;
      const digits = gammaStdError !== null && gammaStdError < 0.01 ? 3 : 2;
      const error = gammaStdError === null ? '' : ` ± ${gammaStdError.toFixed(digits)}`;
      return { figure, note: `γ ${curve.gamma.toFixed(digits)}${error} · ${count} readings` };
    }
    case 'divide':
      return {
        figure: partOhms(project.divider.fixedOhms),
        note: `${sideNames[project.divider.ldrSide]} · ${actionNames[design.action]}`,
      };
    case 'switch':
      if (!design.half.ok) {
        const always = design.half.reason === 'stays-above';
        return { figure: 'never', note: always ? 'on at every light' : 'under half on at every light' };
      }
      return {
        figure: lux(design.half.lux),
        note: design.softBandRatio === null ? 'never fully on' : `soft band ${ratio(design.softBandRatio)}`,
      };
    case 'drive':
      return {
        figure: amps(design.drive.fullAmps),
        note: `${ledNames[project.load.led]} LED · forced β ${beta(design.drive.forcedBeta)}`,
      };
  }
}
