import type { Project } from '../project/project';
import type { CircuitInput } from '../stages/stage';
import type { Grade } from '../stages/transistors';

/** The temperature that every figure is for unless it says otherwise. */
export const ROOM_CELSIUS = 25;

/** What the project says of its stage, complete. */
export function circuitInput(project: Project, ldrOhms: number, grade: Grade): CircuitInput {
  const { divider, source, loadSupply, driver, loads, detector } = project;
  return {
    supply: { volts: divider.supplyVolts, ohms: source.ohms },
    loadSupply: loadSupply && {
      volts: loadSupply.volts,
      ohms: loadSupply.source.ohms,
      commonGround: loadSupply.commonGround,
    },
    ldrSide: divider.ldrSide,
    ldrOhms,
    fixedOhms: divider.fixedOhms,
    isDirect: divider.isDirect,
    ldrParallelOhms: divider.ldrParallelOhms,
    ldrSeriesOhms: divider.ldrSeriesOhms,
    baseOhms: driver.baseOhms,
    part: driver.part,
    grade,
    place: driver.place,
    detector,
    outputStage: project.outputStage,
    loads,
  };
}
