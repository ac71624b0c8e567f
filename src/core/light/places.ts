/** A light level that people know without a light meter; figures are places to start from, not measurements. */
export interface Place {
  readonly id: string;
  readonly lux: number;
}

/** Ordinary lights from dark to bright, at the geometric middle of their usual range. */
export const places: readonly Place[] = [
  { id: 'full-moon', lux: 0.2 },
  { id: 'dusk-ends', lux: 3.4 },
  { id: 'night-street', lux: 10 },
  { id: 'living-room', lux: 85 },
  { id: 'desk-lamp', lux: 400 },
  { id: 'overcast', lux: 3200 },
  { id: 'shade', lux: 14000 },
  { id: 'direct-sun', lux: 60000 },
];
