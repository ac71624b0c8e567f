import { METER_LIMITS } from '@/core/meter/meter';
import { MEASUREMENT_LIMITS as LIMITS } from '@/core/readings/limits';
import { lampKinds } from '@/core/readings/reading';
import type { CsvMapping, RestColumn, RestOfReading } from './csv';

/** What Yemko calls the columns of a reading beside light and resistance. */
export const restNames: Readonly<Record<RestColumn, string>> = {
  lamp: 'lamp',
  taken: 'taken',
  note: 'note',
  setAside: 'set aside',
  rangeOhms: 'range ohms',
  trusted: 'trusted',
  unsettledStd: 'unsettled',
  levelLux: 'level lux',
};

/** A file with nothing but light and resistance. */
export const NO_REST: CsvMapping['rest'] = {
  lamp: null,
  taken: null,
  note: null,
  setAside: null,
  rangeOhms: null,
  trusted: null,
  unsettledStd: null,
  levelLux: null,
};

/** A cell that was kept from being taken for a formula, as it was. */
export const unescaped = (text: string) => text.replace(/^'(?=[=+\-@\t\r])/, '');

/** What a row tells beside light and resistance; what cannot be taken is left out. */
export function restOf(row: readonly string[], { rest }: Pick<CsvMapping, 'rest'>): RestOfReading {
  const cell = (column: RestColumn) => {
    const index = rest[column];
    return index === null ? '' : unescaped(row[index] ?? '').trim();
  };
  const figure = (column: RestColumn, { min, max }: { min: number; max: number }) => {
    const value = cell(column) === '' ? NaN : Number(cell(column));
    return value >= min && value <= max ? value : null;
  };
  const lamp = lampKinds.find((kind) => kind === cell('lamp'));
  const taken = Date.parse(cell('taken'));
  const note = cell('note').slice(0, LIMITS.noteLength);
  const rangeOhms = figure('rangeOhms', METER_LIMITS.fullOhms);
  const unsettledStd = figure('unsettledStd', LIMITS.unsettledStd);
  const levelLux = figure('levelLux', LIMITS.lux);
  return {
    ...(lamp ? { lamp } : {}),
    ...(taken >= LIMITS.milliseconds.min && taken <= LIMITS.milliseconds.max ? { takenAt: taken } : {}),
    ...(note === '' ? {} : { note }),
    ...(isYes(cell('setAside')) ? { setAside: true } : {}),
    ...(isYes(cell('trusted')) ? { trusted: true } : {}),
    ...(rangeOhms === null ? {} : { rangeOhms }),
    ...(unsettledStd === null ? {} : { unsettledStd }),
    ...(levelLux === null ? {} : { levelLux }),
  };
}

const isYes = (text: string) => /^(yes|true|1|x)$/i.test(text);
