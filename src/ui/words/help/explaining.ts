import type { Design } from '@/core/design';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { partIn } from '@/core/parts/find';
import type { Project } from '@/core/project/project';
import { loadsText } from '../loads';
import { detectorText } from '../detectors';
import { amps, ohms, partVolts, percent, volts } from '../figures';
import { lightText } from '../light';
import { transistorNames } from '../names';
import { adviceSentence } from '../said/advice';

/** The circuit in eight sentences with its own values, as one would tell it to a friend. */
export function explained(project: Project, design: Design): readonly string[] {
  const light = lightText(design.resolved.scale);
  const { goal, divider, loads, detector } = project;
  const { ldr, assembly, half, thresholds, drive, sweep } = design;
  const isDark = goal.action === 'on-in-dark';
  const fixed = partIn(assembly.parts, 'resistor', 'fixed')?.designator ?? 'R1';
  const tenfold = 10 ** ldr.curve.gamma;
  const known = {
    measured: 'as you measured it',
    bag: 'as its bag has it',
    typical: 'if it is a typical one',
    named: 'as you named its lights',
  };
  const side = divider.ldrSide === 'top' ? 'above' : 'below';
  const rises = divider.ldrSide === 'bottom' ? 'rises as it gets darker' : 'rises as it gets brighter';
  const [low, high] = [Math.min(...sweep.midVolts), Math.max(...sweep.midVolts)];
  const driver = assembly.driver
    ? `${article(transistorNames[assembly.driverKind])}, ${assembly.driver.designator},`
    : null;
  return [
    `The LDR has ${ohms(ldrOhmsAt(ldr.curve, goal.lux))} at ${light(goal.lux)}, the light you care about, ${known[ldr.source]}; in ten times the light it has ${tenfold.toPrecision(2)} times less.`,
    `It stands ${side} ${fixed} (${ohms(divider.fixedOhms)}), and the two share ${partVolts(divider.supplyVolts)}: the point between them, A, ${rises}.`,
    `From one end of the light to the other A goes from ${volts(low)} to ${volts(high)}, so there is something to tell light from dark by.`,
    thresholds && thresholds.turnOnVolts !== null
      ? `The ${detectorText(detector)} watches A and turns on when it passes ${volts(thresholds.turnOnVolts)}${thresholds.turnOffVolts !== null && Math.abs(thresholds.turnOffVolts - thresholds.turnOnVolts) > 0.002 ? `, and off again at ${volts(thresholds.turnOffVolts)}` : ''}.`
      : `Nothing but the transistor watches A: it begins to conduct at about 0.6 V and takes the load with it.`,
    half.ok
      ? `That is at ${light(half.lux)}, and you wanted ${light(goal.lux)}: the load is on when it is ${isDark ? 'darker' : 'brighter'} than that.`
      : `As it stands it passes that at no light, so the load never changes.`,
    driver
      ? `${capital(driver)} lets ${amps(drive.fullAmps)} through the ${loadsText(loads)}${drive.forcedBeta === null ? '' : ` for ${amps(drive.baseAmps)} into its base`}.`
      : `Its output drives the ${loadsText(loads)} by itself, with ${amps(drive.fullAmps)}.`,
    drive.saturates
      ? `Even the weakest such part gives the load at least ${percent(Math.min(1, drive.guaranteedAmps / drive.fullAmps))} of that, so it is fully on.`
      : `A weak part would give it no more than ${amps(drive.guaranteedAmps)}, so it may stay dim.`,
    design.advice[0]
      ? `What to look at first: ${lower(adviceSentence(design.advice[0], light))}`
      : 'There is nothing to say against it: build it, and check it with step 7.',
  ];
}

const article = (noun: string) => `${/^[aeiouNM]/.test(noun) ? 'an' : 'a'} ${noun}`;
const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
/** A sentence that goes on behind a colon; a name keeps its capital. */
const lower = (text: string) =>
  /^[A-Z][a-z]/.test(text) ? `${text.charAt(0).toLowerCase()}${text.slice(1)}` : text;
