import type { LdrSide, LoadPlace } from '../drivers/kinds';
import type { TransistorModel } from '../drivers/registry';
import type { OutputStage } from '../detectors/outputStage/outputStage';
import type { DetectorSettings } from '../detectors/registry';
import type { Load } from '../loads/registry';
import type { Rating } from '../parts/base';

/** All that a circuit is put together from, complete and in plain units. */
export interface CircuitInput {
  readonly supply: { readonly volts: number; readonly ohms: number; readonly limitAmps?: number | null };
  /** The load's own supply; `null` where both sides share one. */
  readonly loadSupply: {
    readonly volts: number;
    readonly ohms: number;
    readonly limitAmps?: number | null;
    readonly commonGround: boolean;
  } | null;
  readonly ldrSide: LdrSide;
  readonly ldrOhms: number;
  readonly ldrRating: Rating;
  /** The fixed resistor; with a trimmer, what it and its end resistor are set to together. */
  readonly fixedOhms: number;
  readonly trimmer: { readonly trackOhms: number; readonly endOhms: number; readonly degrees: number } | null;
  /** As a share either way. */
  readonly resistorTolerance: number;
  /** The LDR feeds the base through the fixed resistor alone, with nothing to the other rail. */
  readonly isDirect: boolean;
  /** Resistors across the LDR and in series with it; `null` for none. */
  readonly ldrParallelOhms: number | null;
  readonly ldrSeriesOhms: number | null;
  /** Resistor between midpoint and base or gate; `null` for a wire. */
  readonly baseOhms: number | null;
  readonly transistor: TransistorModel;
  readonly place: LoadPlace;
  readonly detector: DetectorSettings;
  readonly outputStage: OutputStage;
  /** At least one. */
  readonly loads: readonly Load[];
}
