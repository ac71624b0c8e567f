import { exactly, oneOf, type Infer } from '../../schema';
import { ONE_LIGHT, type DetectorDefinition } from '../definition';

export const transistorAloneField = exactly({ kind: oneOf('transistor') });

/** The driver's transistor switches by itself: there is nothing between divider and driver. */
export type TransistorAlone = Infer<typeof transistorAloneField>;

export const transistorAlone: DetectorDefinition<TransistorAlone> = {
  ...ONE_LIGHT,
  field: transistorAloneField,
  defaults: { kind: 'transistor' },
  circuit: () => null,
  output: () => null,
  withOutput: (settings) => settings,
  takesOutputStage: false,
  takesMidpoints: false,
  fromMidpoints: () => null,
  recommendedSizing: 'own-threshold',
  findings: () => [],
  spread: 'transistor',
};
