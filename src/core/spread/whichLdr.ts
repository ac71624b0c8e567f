import { DesignCircuit } from '../analyse/designCircuit';
import { ldrOhmsAt } from '../ldr/curve';
import { around } from '../light/crossing';
import type { Project } from '../project/project';
import { measuredLdr } from '../readings/ldrOf';
import type { SavedLdr } from '../readings/savedLdr';
import { sizeDesign } from '../size/sized';

/** An LDR of a bag in this design, as it stands. */
export interface LdrChoice {
  readonly id: string;
  readonly name: string;
  /** Where the design turns on with it, in lx; `null` where it never does. */
  readonly onLux: number | null;
  /** Its resistance at the goal, in Ω. */
  readonly goalOhms: number;
}

/** Two LDRs that are most alike at the goal. */
export interface LdrPair {
  readonly names: readonly [string, string];
  /** Ratio of their resistances there, 1 or more. */
  readonly ratio: number;
}

/**
 * Which of some measured LDRs suits a design as it stands, the nearest to its goal first; and which two are most alike at the
 * goal's light, for two that should switch together. Only those measured in lux can say.
 */
export function whichLdr(
  project: Project,
  ldrs: readonly SavedLdr[],
): { readonly choices: readonly LdrChoice[]; readonly pair: LdrPair | null } {
  const sized = sizeDesign(project);
  if (!sized.ok) return { choices: [], pair: null };
  const { range, drive, assembly } = sized.design;
  const { lux } = project.goal;
  const choices = ldrs.flatMap(({ id, part, measurement }): LdrChoice[] => {
    const { model, resolved } = measuredLdr(measurement);
    if (model.source !== 'measured' || resolved.scale !== 'lux') return [];
    const circuit = DesignCircuit.of(project, model, {}, assembly);
    const on = circuit.crossing(drive.switchAmps, range, around(lux, 4, range));
    const goalOhms = ldrOhmsAt(model.curve, lux);
    return [{ id, name: part.name, onLux: on.ok ? on.lux : null, goalOhms }];
  });
  const off = ({ onLux }: LdrChoice) => (onLux === null ? Infinity : Math.abs(Math.log(onLux / lux)));
  return { choices: [...choices].sort((one, other) => off(one) - off(other)), pair: mostAlike(choices) };
}

function mostAlike(choices: readonly LdrChoice[]): LdrPair | null {
  const sorted = [...choices].sort((one, other) => one.goalOhms - other.goalOhms);
  return sorted.slice(1).reduce<LdrPair | null>((best, other, index) => {
    const one = sorted[index];
    if (!one) return best;
    const ratio = other.goalOhms / one.goalOhms;
    return best && best.ratio <= ratio ? best : { names: [one.name, other.name], ratio };
  }, null);
}
