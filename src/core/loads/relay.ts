import { exactly, flag, oneOf, within, type Infer } from '../schema';
import { contactsFor, contactShare, contactUses } from './contacts';
import type { LoadDefinition, LoadFacts, LoadSaying } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { ownSense, PLAIN_LOAD, voltageSayings, voltsWithin } from './ratedLoad';

export const relayField = exactly({
  kind: oneOf('relay'),
  coilVolts: within(LIMITS.volts),
  coilOhms: within(LIMITS.coilOhms),
  /** Which contact the switched circuit uses: closed when the coil is on, or when it is off. */
  contact: oneOf('no', 'nc'),
  /** The current that the contacts carry into a plain resistance, normally open, in A. */
  contactAmps: within(LIMITS.contactAmps),
  use: oneOf(...contactUses),
  useAmps: within(LIMITS.amps),
  /** What the contact switches is the mains. */
  useMains: flag(),
});

export type RelayLoad = Infer<typeof relayField>;

/** A coil pulls in at this share of its voltage and drops out at the other (usual guarantees of small relays). */
export const PULL_IN_SHARE = 0.75;
export const DROP_OUT_SHARE = 0.1;
const MAX_SHARE = 1.3;

/** What the contacts of a relay may switch of its kind of load, in A. */
export function contactRatingAmps({ contactAmps, contact, use }: RelayLoad): number {
  return contactAmps * contactShare(use, contact);
}

export const relayLoad: LoadDefinition<RelayLoad> = {
  ...PLAIN_LOAD,
  field: relayField,
  defaults: {
    kind: 'relay',
    coilVolts: 5,
    coilOhms: 70,
    contact: 'no',
    contactAmps: 5,
    use: 'nothing',
    useAmps: 1,
    useMains: false,
  },
  parts: ({ coilOhms }, { hot, cold, index }) => [
    { kind: 'device', device: 'relay', role: 'load', index, a: hot, b: cold, ohms: coilOhms },
    { kind: 'diode', role: 'flyback', index, anode: cold, cathode: hot },
  ],
  sense: ownSense,
  nominalAmps: ({ coilVolts, coilOhms }) => coilVolts / coilOhms,
  volts: ({ coilVolts }) => voltsWithin(coilVolts, PULL_IN_SHARE, MAX_SHARE),
  levels: ({ coilVolts, coilOhms }) => ({
    by: 'amps',
    on: (PULL_IN_SHARE * coilVolts) / coilOhms,
    off: (DROP_OUT_SHARE * coilVolts) / coilOhms,
  }),
  cautions: ({ use, useMains }) => [
    ...(use !== 'nothing' && useMains ? (['mains', 'capacitor-fed'] as const) : []),
    'coil',
    ...(use === 'lamp' || use === 'motor' ? (['inrush'] as const) : []),
  ],
  findings: (load, facts, { index }) => [
    ...voltageSayings('relay', facts),
    ...sayCoil(facts),
    ...sayContacts(load, index),
  ],
};

function sayCoil({ volts, rated, lights }: LoadFacts): readonly LoadSaying[] {
  const said: LoadSaying[] = [];
  if (volts >= (rated?.min ?? 0) && lights?.turnsOn === false)
    said.push({ state: 'cannot', finding: { code: 'relay-not-pulled' } });
  if (lights?.turnsOff === false)
    said.push({ state: 'cannot', finding: { code: 'relay-never-drops-out', dropOutShare: DROP_OUT_SHARE } });
  return said;
}

function sayContacts(load: RelayLoad, index: number): readonly LoadSaying[] {
  const { use, useAmps: amps, contact } = load;
  const ratedAmps = contactRatingAmps(load);
  if (use === 'nothing' || amps <= ratedAmps) return [];
  const larger = contactsFor(use, contact, amps);
  return [
    {
      state: 'cannot',
      finding: { code: 'contact-over-rating', use, amps, ratedAmps },
      fix: larger === null ? null : { kind: 'step-up-relay', amps: larger, index },
    },
  ];
}
