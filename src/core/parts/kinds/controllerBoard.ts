import { outputElements } from '../output';
import { NOT_RATED, type Net, type OutputFigures, type PartBase, type PartKindDefinition } from '../base';

/** A board with a microcontroller: an analogue input, and a pin that drives. */
export interface ControllerPart extends PartBase {
  readonly kind: 'controller';
  readonly key: string;
  readonly maxPinAmps: number;
  readonly input: Net;
  readonly out: Net;
  readonly top: Net;
  readonly bottom: Net;
}

/** What its supply may be at most, in V. */
export const MAX_CONTROLLER_VOLTS = 5.5;
/** A pin that drives: low resistance to either rail, in Ω. */
const PIN_OHMS = 35;
const IDLE_AMPS = 0.005;

const pinFigures = ({ maxPinAmps }: ControllerPart): OutputFigures => ({
  kind: 'push-pull',
  lowVolts: 0,
  highVolts: 0,
  outputOhms: PIN_OHMS,
  maxAmps: maxPinAmps,
});

export const controllerKind: PartKindDefinition<ControllerPart> = {
  letter: 'IC',
  pins: ({ top, bottom, input, out }) => [
    { name: 'V+', net: top, isRequired: true },
    { name: '0 V', net: bottom, isRequired: true },
    { name: 'A0', net: input, isRequired: true },
    { name: 'D2', net: out, isRequired: true },
  ],
  // Its input takes nothing in steady light: it only charges the converter's sampling capacitor.
  elements: (part) => {
    const { designator: name, top, bottom, out } = part;
    return [
      ...outputElements(name, pinFigures(part), { top, bottom, out }),
      { kind: 'current', name: `${name}.idle`, from: top, to: bottom, amps: IDLE_AMPS },
    ];
  },
  tolerance: () => null,
  rating: ({ maxPinAmps }) => ({ ...NOT_RATED, volts: MAX_CONTROLLER_VOLTS, amps: maxPinAmps }),
  outputs: (part) => [{ key: part.key, name: part.designator, figures: pinFigures(part) }],
};
