/** For tests: a value that has to be a record. */
export function recordIn(value: unknown): Record<string, unknown> {
  const isRecord = (any: unknown): any is Record<string, unknown> => typeof any === 'object' && any !== null;
  if (!isRecord(value)) throw new Error('no record');
  return value;
}

/** For tests: what is not what its type says, handed on as such, to see what becomes of it. */
// eslint-disable-next-line @typescript-eslint/no-unsafe-type-assertion -- wrong on purpose
export const passedOff = <T>(anything: unknown): T => anything as T;
