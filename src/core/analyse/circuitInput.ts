import { ldrLimitsOf } from './ldrLimits';
import type { CircuitInput } from '../operate/input';
import type { Project } from '../project/project';
import { toleranceOf } from '../series/stock';

/** What a project says of its circuit, complete. @param ldrOhms the LDR's resistance in the light that it is put together for */
export function circuitInput(project: Project, ldrOhms = 1): CircuitInput {
  const { divider, source, loadSupply, driver, loads, detector, outputStage } = project;
  const { watts, volts } = ldrLimitsOf(project);
  return {
    supply: { volts: divider.supplyVolts, ohms: source.ohms, limitAmps: source.limitAmps },
    loadSupply: loadSupply && {
      volts: loadSupply.volts,
      ohms: loadSupply.source.ohms,
      limitAmps: loadSupply.source.limitAmps,
      commonGround: loadSupply.commonGround,
    },
    ldrSide: divider.ldrSide,
    ldrOhms,
    ldrRating: { watts, volts, amps: null },
    fixedOhms: divider.fixedOhms,
    trimmer: divider.trimmer,
    resistorTolerance: toleranceOf(project.resistors),
    isDirect: divider.isDirect,
    ldrParallelOhms: divider.ldrParallelOhms,
    ldrSeriesOhms: divider.ldrSeriesOhms,
    baseOhms: driver.baseOhms,
    transistor: driver.part,
    place: driver.place,
    detector,
    outputStage,
    loads,
  };
}
