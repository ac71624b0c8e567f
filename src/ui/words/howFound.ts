import { fixed } from '@/core/quantity/notation';
import { detectorDefinition } from '@/core/detectors/registry';
import { loadOf } from '@/core/loads/registry';
import type { Design } from '@/core/design';
import type { Project } from '@/core/project/project';
import { atOrAbove } from '@/core/series/stock';
import { controlName, firmBetas } from './names';
import { amps, beta, ohms, partOhms, percent, volts } from './figures';
import { lightText } from './light';
import { curveNames } from './measure/measuring';

/** How a figure was found: the rule, then the rule with this project's numbers in it. */
export interface Explanation {
  readonly title: string;
  readonly lines: readonly string[];
}

export function explainCurve({ ldr }: Design): Explanation {
  const { r10Ohms, gamma, darkOhms, brightOhms } = ldr.curve;
  if (ldr.source === 'typical') {
    return {
      title: 'A typical LDR',
      lines: [
        'R = Rbright + 1 / (1/Rdark + (E/10 lx)^γ / R10)',
        `R10 = ${ohms(r10Ohms)}, γ = ${fixed(gamma, 2)}, Rdark = ${ohms(darkOhms ?? Infinity)}, Rbright = ${ohms(brightOhms)}`,
        'Band: what parts sold as the same differ by (R10 within a factor of 1.6, γ ± 0.1).',
      ],
    };
  }
  if (ldr.source === 'named') {
    return {
      title: 'No light figures',
      lines: [
        'Readings are ordered by resistance and told by name; every result is a resistance and the two names it falls between.',
        'Ratios of light are estimates: (Ra/Rb)^(1/γ) with γ taken as 0.7 ± 0.15.',
      ],
    };
  }
  if (ldr.source === 'bag') {
    const { count, lnR10Std, gammaStd } = ldr.bag;
    return {
      title: 'The middle of a bag',
      lines: [
        'ln R = ln R10 − γ · ln(E/10 lx), R10 and γ as means over the bag',
        `${count} LDRs: R10 within a factor of ${fixed(Math.exp(lnR10Std), 2)}, γ ± ${fixed(gammaStd, 3)} (one standard deviation).`,
      ],
    };
  }
  const { count, aboveCount, residualStd, kind, alternatives } = ldr.fit;
  const others = alternatives.filter((other) => other.kind !== kind).map((other) => curveNames[other.kind]);
  return {
    title: kind === 'power' ? 'A power law through your readings' : `A curve ${curveNames[kind]}`,
    lines: [
      kind === 'power'
        ? 'ln R = ln R10 − γ · ln(E/10 lx)'
        : 'R = Rbright + 1 / (1/Rdark + (E/10 lx)^γ / R10)',
      `From ${count} readings${aboveCount > 0 ? ` and ${aboveCount} over range, each as “above this”` : ''}, weighed by the meter’s and the light’s errors and 3 % for the hand; two in a hundred may simply be wrong.`,
      others.length === 0
        ? 'The readings leave no other kind of curve.'
        : `The figures are the mean over the kinds of curve by their belief; beside it: ${others.join(', ')}. Floors that the readings cannot exclude widen the band beyond them.`,
      residualStd === null
        ? 'Two readings show no scatter: 3 % is taken for the band.'
        : `Scatter of the readings about the curve: ${percent(residualStd, 1)}. The band is the curve’s 95 % confidence.`,
    ],
  };
}

export function explainFixed(project: Project, design: Design): Explanation {
  const goal = lightText(design.resolved.scale)(project.goal.lux);
  const { drive, exactFixed, thresholds } = design;
  const { divider, detector } = project;
  if (detectorDefinition(detector).sizes === 'none')
    return {
      title: 'R1 for a change',
      lines: [
        'What counts is how far A moves: most where R1 is as large as the LDR in the light that it starts from.',
      ],
    };
  const control = controlName(project.driver.kind);
  const level = drive.isPullIn ? 'the coil’s pull-in' : 'half of full';
  const lines = [
    thresholds
      ? 'A is on the detector’s threshold at the goal, solved on the whole circuit with its inputs and its output connected'
      : `Load current at the goal = ${level}, solved on the whole circuit with the ${control} connected`,
  ];
  if (exactFixed.ok) {
    lines.push(
      thresholds
        ? `at ${goal} that is so when R1 = ${ohms(exactFixed.ohms)}`
        : `at ${goal} the load has ${amps(drive.switchAmps)} of ${amps(drive.fullAmps)} when R1 = ${ohms(exactFixed.ohms)}`,
    );
  }
  if (!thresholds && !divider.isDirect) {
    const rule = divider.ldrSide === 'bottom' ? '·' : '/';
    const plain = `The plain rule R1 = R_LDR ${rule} (V/A − 1)`;
    lines.push(
      control === 'gate'
        ? `No current flows into a gate: ${plain.replace('The', 'the')} gives the same, with V as the load leaves it.`
        : `${plain} leaves out what flows into the base; this does not.`,
    );
  }
  return { title: `R1 that switches at ${goal}`, lines };
}

function explainThresholds({ thresholds }: Design): Explanation {
  const at = (value: number | null) => (value === null ? 'no light' : volts(value));
  return {
    title: 'Where it turns on, and where off',
    lines: [
      `On with A at ${at(thresholds?.turnOnVolts ?? null)}, off with A at ${at(thresholds?.turnOffVolts ?? null)}: where the detector goes over, solved in the state that it is in.`,
      'Each light is the one in which the LDR brings A there, with usual parts at 25 °C.',
      'The range behind it is the 95 % that the LDR’s curve leaves open.',
    ],
  };
}

export function explainPoints(design: Design): Explanation {
  const { drive, thresholds } = design;
  if (thresholds) return explainThresholds(design);
  return {
    title: 'Three points of one curve',
    lines: [
      `Full is ${amps(drive.fullAmps)}: the load current with the switch driven hard.`,
      `Just off 1 % = ${amps(drive.fullAmps * 0.01)}, ${drive.isPullIn ? 'pull-in' : 'half'} = ${amps(drive.switchAmps)}, fully on 90 % = ${amps(drive.fullAmps * 0.9)}`,
      'Each light is where the solved load current passes that figure, with a usual part of its kind at 25 °C.',
      'The range behind it is the 95 % that the LDR’s curve leaves open.',
    ],
  };
}

/** What a base should get for its load's current. */
function firmText({ place, kind }: Project['driver']): string {
  if (place === 'emitter')
    return 'As a follower it gives the load what its base has, less its base–emitter voltage: more base current changes little.';
  const firm = firmBetas[kind];
  return firm === null ? '' : `A forced β of ${firm} makes a cool, firm switch.`;
}

export function explainDrive({ driver }: Project, { drive }: Design): Explanation {
  if (drive.forcedBeta === null) {
    return {
      title: 'Gate drive',
      lines: [
        'Load current that is sure = the solved current with the highest threshold of the lot, at the end of the axis where the load is most on',
        `gate ${volts(drive.gateVolts ?? 0)} there: ${amps(drive.guaranteedAmps)} of ${amps(drive.fullAmps)}`,
        'No current flows into a gate: only its voltage counts.',
      ],
    };
  }
  return {
    title: 'Forced β',
    lines: [
      'forced β = full load current / base current at the end of the axis where the load is most on',
      `${amps(drive.fullAmps / drive.switches)} / ${amps(drive.baseAmps)} = ${beta(drive.forcedBeta)}`,
      `The kind guarantees ${drive.minBeta}. ${firmText(driver)}`,
    ],
  };
}

/** @param index which of the loads */
export function explainSeries(project: Project, { loads }: Design, index: number): Explanation {
  const [facts, led] = [loads[index], loadOf(project.loads[index], 'led')];
  const lines = ['R = (V − Vf − Vswitch) / I, with each of them solved at that current'];
  if (facts?.series?.ok && !facts.series.isHeldBack && led) {
    const { supplyVolts, ledVolts, switchVolts, exactOhms } = facts.series;
    const real = atOrAbove(project.resistors, exactOhms);
    lines.push(
      `(${volts(supplyVolts)} − ${volts(ledVolts)} − ${volts(switchVolts)}) / ${amps(led.wantedAmps)} = ${ohms(exactOhms)}`,
      real
        ? `Next in stock, so that the LED gets no more: ${partOhms(real.ohms)}.`
        : 'None in stock is as large.',
    );
  }
  return { title: 'Series resistor of the LED', lines };
}
