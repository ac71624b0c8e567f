import type { LoadPart } from './description';
import type { Load } from '../loads/load';

/** Where a load stands in a circuit: its parts by name, and the one whose current is the load's own. */
export interface PlacedLoad {
  readonly load: Load;
  /** What is drawn and named as the load itself. */
  readonly designator: string;
  /** The LED's resistor; `null` for other loads. */
  readonly resistor: string | null;
  /** The diode across a coil; `null` where none is needed. */
  readonly flyback: string | null;
  readonly sense: { readonly name: string; readonly kind: 'resistor' | 'lamp' };
}

/** An opto-coupler's LED, as stands in a module's input. */
const MODULE_LED = { forwardVolts: 1.2, atAmps: 0.005 } as const;

/**
 * Loads side by side between two nodes, current from `hot` to `cold`; or each between two of its own.
 * @returns their parts, and each load with the names they bear: R2, R7, R8 …; D1, D2 …; BZ1; K1; U1; LA1; M1
 */
export function loadParts(
  loads: readonly Load[],
  hotOf: string | ((index: number) => string),
  coldOf: string | ((index: number) => string),
): { readonly parts: readonly LoadPart[]; readonly placed: readonly PlacedLoad[] } {
  const counts: Record<string, number> = {};
  const next = (letter: string) => `${letter}${(counts[letter] = (counts[letter] ?? 0) + 1)}`;
  let resistors = 0;
  const nextResistor = () => {
    resistors += 1;
    return resistors === 1 ? 'R2' : `R${resistors + 5}`;
  };
  const parts: LoadPart[] = [];
  const placed = loads.map((load, index): PlacedLoad => {
    const [hot, cold] = [hotOf, coldOf].map((node) => (typeof node === 'string' ? node : node(index))) as [string, string]; // prettier-ignore
    const inner = index === 0 ? 'anode' : `anode${index + 1}`;
    switch (load.kind) {
      case 'led': {
        const [resistor, designator] = [nextResistor(), next('D')];
        const { inSeries, strings, seriesOhms } = load;
        parts.push(
          { kind: 'resistor', designator: resistor, role: 'series', a: hot, b: inner, ohms: seriesOhms / strings }, // prettier-ignore
          { kind: 'led', designator, anode: inner, cathode: cold, led: load, inSeries, strings },
        );
        return { load, designator, resistor, flyback: null, sense: { name: resistor, kind: 'resistor' } };
      }
      case 'module': {
        const designator = next('U');
        const ohms = Math.max(10, (load.ratedVolts - MODULE_LED.forwardVolts) / load.inputAmps);
        parts.push({ kind: 'module', designator, a: hot, b: cold, ohms, led: MODULE_LED });
        return { load, designator, resistor: null, flyback: null, sense: { name: `${designator}.in`, kind: 'resistor' } }; // prettier-ignore
      }
      case 'lamp': {
        const designator = next('LA');
        parts.push({ kind: 'lamp', designator, a: hot, b: cold, ratedVolts: load.ratedVolts, ratedAmps: load.ratedAmps }); // prettier-ignore
        return { load, designator, resistor: null, flyback: null, sense: { name: designator, kind: 'lamp' } };
      }
      default: {
        const designator = next({ relay: 'K', buzzer: 'BZ', motor: 'M' }[load.kind]);
        const ohms = load.kind === 'relay' ? load.coilOhms : load.ratedVolts / load.ratedAmps;
        parts.push({ kind: 'device', device: load.kind, designator, a: hot, b: cold, ohms });
        const flyback = load.kind === 'buzzer' ? null : next('D');
        if (flyback) parts.push({ kind: 'flyback', designator: flyback, anode: cold, cathode: hot });
        return { load, designator, resistor: null, flyback, sense: { name: designator, kind: 'resistor' } };
      }
    }
  });
  return { parts, placed };
}
