import { DISTANCE_UNITS, parseDistance, type DistanceRefusal } from '../light/ladder';
import { shortest } from '../quantity/notation';
import { formatExact } from '../quantity/format';
import { parseQuantity, type ParsedQuantity } from '../quantity/parse';
import type { Ok, Refused } from '../result';
import { MEASUREMENT_LIMITS as LIMITS } from './limits';
import type { Level, ReadingLight } from './reading';

/** What a bare figure in the light field means. */
export type BareLight = 'lux' | 'distance';

export type LightRefusal =
  | { readonly ok: false; readonly reason: 'lux'; readonly refusal: Exclude<ParsedQuantity, Ok<unknown>> }
  | { readonly ok: false; readonly reason: 'distance'; readonly refusal: DistanceRefusal }
  | { readonly ok: false; readonly reason: 'ldr'; readonly refusal: Exclude<ParsedQuantity, Ok<unknown>> }
  | Refused<'empty' | 'not-a-light' | 'name-too-long' | 'too-many-layers' | 'layers-without-distance'>;

/** A light as typed: one that can be told as it is, or a level whose name is new. */
export type TypedLight = Ok<{ light: ReadingLight }> | Ok<{ newLevel: string }>;

export interface LightContext {
  readonly bare: BareLight;
  readonly levels: readonly Level[];
  /** The light before: `x2` alone means two layers at its distance. */
  readonly previous: ReadingLight | null;
}

const LAYERS = /^(.*?)\s*(?:[x×]\s*(\d+)|,?\s*(\d+)\s*layers?)$/i;
const DISTANCE = new RegExp(`^[\\d.,]+ ?(${DISTANCE_UNITS})$`, 'i');
const STARTS_AS_FIGURE = /^[\d.,+<>=−-]/;

/**
 * A light as people say it in one field: `12` or `12 lx`, `50 cm`, `0.5 m x2` for two layers in between, `off` for the
 * lamp off, `ldr 4k7` for the resistance of the LDR that serves as light meter, anything else the name of a level: one that is
 * known, or a new one.
 * @example parseLight('50 cm x2', { bare: 'lux', levels: [], previous: null }) // { ok: true, light: { kind: 'lamp', metres: 0.5, layers: 2 } }
 * @example parseLight('hall, evening', { bare: 'lux', levels: [], previous: null }) // { ok: true, newLevel: 'hall, evening' }
 */
export function parseLight(
  text: string,
  { bare, levels, previous }: LightContext,
): TypedLight | LightRefusal {
  const typed = text.trim().replaceAll(/\s+/g, ' ');
  if (typed === '') return { ok: false, reason: 'empty' };
  const level = levels.find(({ name }) => name.toLowerCase() === typed.toLowerCase());
  if (level) return { ok: true, light: { kind: 'level', level: level.id } };
  if (/^(lamp )?off$/i.test(typed)) return { ok: true, light: { kind: 'lamp-off' } };
  const byLdr = /^ldr\s*:?\s*(?=[\d.,])(.*)$/i.exec(typed);
  if (byLdr) {
    const ohms = parseQuantity(byLdr[1] ?? '', 'Ω', LIMITS.readingOhms);
    return ohms.ok
      ? { ok: true, light: { kind: 'ldr', ohms: ohms.value } }
      : { ok: false, reason: 'ldr', refusal: ohms };
  }
  const layered = LAYERS.exec(typed);
  if (layered && (STARTS_AS_FIGURE.test(typed) || /^[x×]/i.test(typed))) {
    const [, before = '', short, long] = layered;
    return lampLight(before, Number(short ?? long), previous);
  }
  if (DISTANCE.test(typed) || (bare === 'distance' && /^[\d.,]+$/.test(typed))) {
    return distance(typed, 0);
  }
  if (STARTS_AS_FIGURE.test(typed)) {
    const lux = parseQuantity(typed, 'lx', LIMITS.lux);
    return lux.ok
      ? { ok: true, light: { kind: 'lux', lux: lux.value } }
      : { ok: false, reason: 'lux', refusal: lux };
  }
  if (typed.length > LIMITS.levelNameLength) return { ok: false, reason: 'name-too-long' };
  return /\p{L}.*[\p{L}\d]/u.test(typed)
    ? { ok: true, newLevel: typed }
    : { ok: false, reason: 'not-a-light' };
}

function lampLight(before: string, layers: number, previous: ReadingLight | null): TypedLight | LightRefusal {
  if (layers > LIMITS.layers.max) return { ok: false, reason: 'too-many-layers' };
  if (before.trim() !== '') return distance(before.trim(), layers);
  if (previous?.kind !== 'lamp') return { ok: false, reason: 'layers-without-distance' };
  return { ok: true, light: { kind: 'lamp', metres: previous.metres, layers } };
}

function distance(text: string, layers: number): TypedLight | LightRefusal {
  const parsed = parseDistance(text);
  if (!parsed.ok) return { ok: false, reason: 'distance', refusal: parsed.reason };
  return { ok: true, light: { kind: 'lamp', metres: parsed.metres, layers } };
}

/** The text that {@link parseLight} reads back as this light. */
export function lightAsTyped(light: ReadingLight, levels: readonly Level[]): string {
  switch (light.kind) {
    case 'lux':
      return `${shortest(light.lux, 12)} lx`;
    case 'level':
      return levels.find(({ id }) => id === light.level)?.name ?? '';
    case 'lamp': {
      const layers = light.layers === 0 ? '' : ` x${light.layers}`;
      return `${shortest(light.metres * 100, 12)} cm${layers}`;
    }
    case 'lamp-off':
      return 'off';
    case 'ldr':
      return `ldr ${formatExact(light.ohms, 'Ω')}`;
  }
}
