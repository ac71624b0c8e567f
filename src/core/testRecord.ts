/** For tests: a value that has to be a record. */
export function recordIn(value: unknown): Record<string, unknown> {
  const isRecord = (any: unknown): any is Record<string, unknown> => typeof any === 'object' && any !== null;
  if (!isRecord(value)) throw new Error('no record');
  return value;
}

/** For tests: takes a value for what it is not, to see what becomes of it, or for what the test alone knows it to be. */
// eslint-disable-next-line @typescript-eslint/no-unsafe-type-assertion -- said once, for tests alone
export const passedOff = <T>(anything: unknown): T => anything as T;
