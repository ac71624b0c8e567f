import type { Project } from '../project/project';
import type { StageInput } from '../stages/stage';
import type { Grade } from '../stages/transistors';

/** The temperature that every figure is for unless it says otherwise. */
export const ROOM_CELSIUS = 25;

/** What the project says of its stage, complete. */
export function stageInput(project: Project, ldrOhms: number, grade: Grade): StageInput {
  const { divider, source, loadSupply, stage, loads, decider } = project;
  return {
    supply: { volts: divider.supplyVolts, ohms: source.ohms },
    loadSupply: loadSupply && {
      volts: loadSupply.volts,
      ohms: loadSupply.source.ohms,
      joined: loadSupply.joined,
    },
    ldrSide: divider.ldrSide,
    ldrOhms,
    fixedOhms: divider.fixedOhms,
    isDirect: divider.isDirect,
    ldrParallelOhms: divider.ldrParallelOhms,
    ldrSeriesOhms: divider.ldrSeriesOhms,
    baseOhms: stage.baseOhms,
    part: stage.part,
    grade,
    place: stage.place,
    decider,
    after: project.after,
    loads,
  };
}
