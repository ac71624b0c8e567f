import type { CompareId, Shortcoming } from '@/core/design/compare';

export const compareNames: Readonly<Record<CompareId, string>> = {
  npn: 'NPN by itself',
  pnp: 'PNP by itself',
  darlington: 'Darlington by itself',
  nmos: 'N-MOSFET by itself',
  comparator: 'Comparator',
  hysteresis: 'Comparator with hysteresis',
  timer: 'Timer IC',
  controller: 'Microcontroller',
  window: 'Window',
  ladder: 'Ladder',
  change: 'Change detector',
};

export const shortcomingTexts: Readonly<Record<Shortcoming, string>> = {
  'not-saturated': 'may not hold the load fully on',
  soft: 'dims in between',
  'no-band': 'chatters at the edge',
  'fixed-band': 'its band is the LDR’s, not yours',
  'needs-firmware': 'wants a program',
  'different-behaviour': 'does another job',
  'out-of-reach': 'cannot reach this goal',
  drifts: 'drifts with warmth or supply',
};
