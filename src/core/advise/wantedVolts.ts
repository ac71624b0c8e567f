import { ledVoltsAt } from '../loads/led';
import type { LoadVolts } from '../loads/definition';
import type { LoadKind } from '../loads/kinds';
import { loadDefinition, loadOf, type Load } from '../loads/registry';

/** What a switch may take of the load's supply, in V. */
const SWITCH_VOLTS = 0.3;
/** An LED's resistor wants about so much more than the LED. */
const LED_TIMES = 1.3;
/** A pin may go so far over its own supply, in V. */
const OVER_PIN_VOLTS = 0.3;

/**
 * The volts of a supply on which each load works: least, best and most. Loads that any will do are left out.
 * @returns a pin counts only beside other loads: it then gets their supply's volts, through them or from the switch
 */
export function wantedVoltsOf(
  loads: readonly Load[],
): readonly { readonly kind: LoadKind; readonly volts: LoadVolts }[] {
  const needsHighSide = loads.some((load) => loadOf(load, 'module')?.input === 'active-high');
  const pins = loads.filter((load) => loadOf(load, 'logic'));
  return loads.flatMap((load) => {
    const volts = wantedVolts(load, { getsSupply: needsHighSide || loads.length > 1, pinCount: pins.length });
    return volts ? [{ kind: load.kind, volts }] : [];
  });
}

/** From where to where a supply's voltage may be so that every load works, with what the switch takes, in V. */
export function commonVolts(wants: readonly { readonly volts: LoadVolts }[]): {
  readonly least: number;
  readonly most: number;
} {
  return {
    least: Math.max(0, ...wants.map(({ volts }) => volts.min * (1 + DROP_SHARE))),
    most: Math.min(Infinity, ...wants.map(({ volts }) => volts.max)),
  };
}

/** What switch and supply themselves may take of it. */
export const DROP_SHARE = 0.03;

interface Beside {
  /** The load's supply is on its pin, through the switch or through other loads. */
  readonly getsSupply: boolean;
  readonly pinCount: number;
}

function wantedVolts(load: Load, { getsSupply, pinCount }: Beside): LoadVolts | null {
  const rated = loadDefinition(load).volts(load);
  if (rated) return rated;
  const led = loadOf(load, 'led');
  const pin = loadOf(load, 'logic');
  if (pin && getsSupply) {
    const { supplyVolts } = pin;
    // Of several each is pulled to its own supply, which the others bear or not.
    const min = pinCount > 1 ? supplyVolts : 0;
    return { min, rated: supplyVolts, max: supplyVolts + OVER_PIN_VOLTS };
  }
  if (!led) return null;
  const min = ledVoltsAt(led, led.wantedAmps) + SWITCH_VOLTS;
  return { min, rated: min * LED_TIMES, max: Infinity };
}
