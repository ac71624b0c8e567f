import { exactly, flag, nullOr, oneOf, within, type Infer } from '../schema';
import { GROUND } from '../circuit/netlist';
import type { Draft } from '../parts/part';
import { contactsFor, contactShare, contactUses, type ContactUse } from './contacts';
import type { LoadDefinition, LoadFacts, LoadPlace, LoadSaying } from './definition';
import { LOAD_LIMITS as LIMITS } from './limits';
import { ownSense, PLAIN_LOAD, voltageSayings, voltsWithin } from './ratedLoad';

/** A larger relay or a contactor that the first one's contact switches: a coil, a supply and contacts of its own. */
export const secondRelayField = exactly({
  coilVolts: within(LIMITS.volts),
  coilOhms: within(LIMITS.coilOhms),
  supplyVolts: within(LIMITS.volts),
  contactAmps: within(LIMITS.contactAmps),
});
export type SecondRelay = Infer<typeof secondRelayField>;

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
  /** What its contact switches is the coil of a larger one, and that one's contact the rest; `null` where it does so itself. */
  second: nullOr(secondRelayField),
});

export type RelayLoad = Infer<typeof relayField>;

/** A coil pulls in at this share of its voltage and drops out at the other (usual guarantees of small relays). */
export const PULL_IN_SHARE = 0.75;
export const DROP_OUT_SHARE = 0.1;
const MAX_SHARE = 1.3;

/** What the contacts that switch the rest may carry of its kind of load, in A: the relay's own, or those of the larger one. */
export function contactRatingAmps({ contactAmps, contact, use, second }: RelayLoad): number {
  return second ? second.contactAmps * contactShare(use, 'no') : contactAmps * contactShare(use, contact);
}

/** What the first contact carries of the larger relay's coil, in A. */
export const secondCoilAmps = ({ supplyVolts, coilOhms }: SecondRelay): number => supplyVolts / coilOhms;

/** Relays that a small transistor drives are sold with contacts up to so much; what is larger has a coil to match. */
const SMALL_CONTACT_AMPS = 16;

export const relayLoad: LoadDefinition<RelayLoad> = {
  ...PLAIN_LOAD,
  // With the diode across its coil that every relay here has.
  inTime: { ...PLAIN_LOAD.inTime, contact: { operateSeconds: 0.007, releaseSeconds: 0.01 } },
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
    second: null,
  },
  parts: relayParts,
  ownRail: ({ second }, { ownIndex }) =>
    second && { role: 'second-supply', rail: secondRail(ownIndex), volts: second.supplyVolts },
  sense: ownSense,
  nominalAmps: ({ coilVolts, coilOhms }) => coilVolts / coilOhms,
  volts: ({ coilVolts }) => voltsWithin(coilVolts, PULL_IN_SHARE, MAX_SHARE),
  levels: ({ coilVolts, coilOhms }) => ({
    by: 'amps',
    on: (PULL_IN_SHARE * coilVolts) / coilOhms,
    off: (DROP_OUT_SHARE * coilVolts) / coilOhms,
  }),
  onFrom: ({ coilVolts, coilOhms }) => ({
    amps: (PULL_IN_SHARE * coilVolts) / coilOhms,
    isEitherWay: true,
  }),
  isLitWhenOff: ({ contact }) => contact === 'nc',
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

const secondRail = (index: number) => (index === 0 ? 'second-supply' : `second-supply.${index + 1}`);

function relayParts(
  { coilVolts, coilOhms, contact, contactAmps, second }: RelayLoad,
  { hot, cold, index, ownIndex }: LoadPlace,
): readonly Draft[] {
  const coil = {
    kind: 'device',
    device: 'relay',
    role: 'load',
    index,
    a: hot,
    b: cold,
    ohms: coilOhms,
    ratedVolts: coilVolts,
    contactAmps,
  } as const;
  const flyback = {
    ...({ kind: 'diode', role: 'flyback', index, anode: cold, cathode: hot } as const),
    carriedAmps: coilVolts / coilOhms,
  };
  if (!second) return [coil, flyback];
  const made = index === 0 ? 'second' : `second.${index + 1}`;
  return [
    { ...coil, contacts: { common: secondRail(ownIndex), made, side: contact } },
    flyback,
    {
      ...{ kind: 'device', device: 'relay', role: 'second-coil', index },
      ...{ a: made, b: GROUND, ohms: second.coilOhms },
      ...{ ratedVolts: second.coilVolts, contactAmps: second.contactAmps },
    },
    {
      kind: 'diode',
      role: 'second-flyback',
      index,
      anode: GROUND,
      cathode: made,
      carriedAmps: secondCoilAmps(second),
    },
  ];
}

/** What contacts are asked to carry beyond what they are rated, and a second coil on the wrong volts. */
function sayContacts(load: RelayLoad, index: number): readonly LoadSaying[] {
  const { use, useAmps, contact, contactAmps, second } = load;
  const said: LoadSaying[] = [];
  const over = (of: ContactUse, amps: number, ratedAmps: number, fix: LoadSaying['fix']) =>
    said.push({
      state: 'cannot',
      finding: { code: 'contact-over-rating', use: of, amps, ratedAmps },
      fix: fix ?? null,
    });
  if (second) {
    const { supplyVolts: volts, coilVolts } = second;
    if (volts < PULL_IN_SHARE * coilVolts || volts > MAX_SHARE * coilVolts)
      said.push({
        state: 'cannot',
        finding: { code: 'second-coil', volts, coilVolts },
        fix: { kind: 'second-volts', index },
      });
    const rated = contactAmps * contactShare('resistive', contact);
    const amps = secondCoilAmps(second);
    if (amps > rated) {
      const larger = contactsFor('resistive', contact, amps);
      over('resistive', amps, rated, larger === null ? null : { kind: 'step-up-relay', amps: larger, index });
    }
  }
  const ratedAmps = contactRatingAmps(load);
  if (use === 'nothing' || useAmps <= ratedAmps) return said;
  const larger = contactsFor(use, second ? 'no' : contact, useAmps);
  const isSmall = larger !== null && larger <= SMALL_CONTACT_AMPS;
  const kind = isSmall && !second ? 'step-up-relay' : 'second-relay';
  const amps = kind === 'second-relay' ? contactsFor(use, 'no', useAmps) : larger;
  over(use, useAmps, ratedAmps, amps === null ? null : { kind, amps, index });
  return said;
}
