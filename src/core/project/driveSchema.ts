import { boolean, lazy, object, string, type Schema } from 'yup';
import { ledKinds, type LedKindId } from '../loads/led';
import { contactUses, LOAD_LIMITS as LOAD, type Load, type LoadKind } from '../loads/load';
import { batteryKinds, SUPPLY_LIMITS as SUPPLY } from '../loads/supply';
import { idSchema, nullOr, oneOf, wholeWithin, within, withinOrNone } from '../readings/schema';
import { TRANSISTOR_LIMITS as PART, transistorKinds, type TransistorKind } from '../stages/transistors';

export const exactly = (shape: Parameters<typeof object>[0]) => object(shape).noUnknown().required();

/** Chooses among shapes by their `kind`; anything else is refused there. */
export function byKind<K extends string>(shapes: Readonly<Record<K, Schema>>) {
  const kinds = Object.keys(shapes) as K[];
  return lazy((value: unknown) => {
    const kind = (value as { kind?: unknown } | null)?.kind;
    return shapes[kind as K] && kinds.includes(kind as K)
      ? shapes[kind as K]
      : exactly({ kind: oneOf(...kinds) });
  });
}

const ledIds: LedKindId[] = [...ledKinds.map((kind) => kind.id), 'own'];

const loadShapes: Readonly<Record<LoadKind, Schema>> = {
  led: exactly({
    kind: oneOf('led'),
    led: oneOf<LedKindId>(...ledIds),
    forwardVolts: within(LOAD.forwardVolts),
    atAmps: within(LOAD.ratedAmps),
    wantedAmps: within(LOAD.ledAmps),
    seriesOhms: within(LOAD.seriesOhms),
    inSeries: wholeWithin(LOAD.inSeries),
    strings: wholeWithin(LOAD.strings),
  }),
  buzzer: exactly({
    kind: oneOf('buzzer'),
    minVolts: within(LOAD.volts),
    ratedVolts: within(LOAD.volts),
    maxVolts: within(LOAD.volts),
    ratedAmps: within(LOAD.amps),
    decibels: within(LOAD.decibels),
  }),
  relay: exactly({
    kind: oneOf('relay'),
    coilVolts: within(LOAD.volts),
    coilOhms: within(LOAD.coilOhms),
    contact: oneOf('no', 'nc'),
    contactAmps: within(LOAD.contactAmps),
    use: oneOf(...contactUses),
    useAmps: within(LOAD.amps),
    useMains: boolean().required(),
  }),
  module: exactly({
    kind: oneOf('module'),
    input: oneOf('active-high', 'active-low'),
    ratedVolts: within(LOAD.volts),
    inputAmps: within(LOAD.amps),
    idleAmps: within({ min: 0, max: LOAD.amps.max }),
    onAmps: within({ min: 0, max: LOAD.amps.max }),
    useMains: boolean().required(),
  }),
  lamp: exactly({ kind: oneOf('lamp'), ratedVolts: within(LOAD.volts), ratedAmps: within(LOAD.amps) }),
  motor: exactly({
    kind: oneOf('motor'),
    ratedVolts: within(LOAD.volts),
    ratedAmps: within(LOAD.amps),
    stallAmps: within(LOAD.amps),
  }),
};

/** A load by its kind. */
export const loadSchema = byKind<Load['kind']>(loadShapes);

const partBase = {
  id: idSchema,
  name: string().defined().max(PART.nameLength),
  maxAmps: within(PART.maxAmps),
  maxVolts: within(PART.maxVolts),
  maxWatts: within(PART.maxWatts),
};

const bipolarShape = (kind: TransistorKind) =>
  exactly({
    ...partBase,
    kind: oneOf(kind),
    saturationAmps: within(PART.saturationAmps),
    minBeta: within(PART.beta),
    typicalBeta: within(PART.beta),
    maxBeta: within(PART.beta),
    maxBaseAmps: within(PART.maxBaseAmps),
  });

const partShapes: Readonly<Record<TransistorKind, Schema>> = {
  npn: bipolarShape('npn'),
  pnp: bipolarShape('pnp'),
  darlington: bipolarShape('darlington'),
  nmos: exactly({
    ...partBase,
    kind: oneOf('nmos'),
    minThresholdVolts: within(PART.thresholdVolts),
    typicalThresholdVolts: within(PART.thresholdVolts),
    maxThresholdVolts: within(PART.thresholdVolts),
    onOhms: within(PART.onOhms),
    maxGateVolts: within(PART.maxGateVolts),
  }),
};

/** A transistor with all its figures, by its kind. */
export const transistorSchema = byKind<TransistorKind>(partShapes);

/** The stage; its part must be of its kind. */
export const driverSchema = lazy((value: unknown) => {
  const kind = (value as { kind?: TransistorKind } | null)?.kind;
  return exactly({
    kind: oneOf<TransistorKind>(...transistorKinds),
    part: kind && transistorKinds.includes(kind) ? partShapes[kind] : transistorSchema,
    baseOhms: withinOrNone({ min: 1, max: 1e7 }),
    place: oneOf('collector', 'emitter'),
  });
});

/** What stands behind a supply voltage. */
export const sourceSchema = exactly({
  kind: oneOf('ideal', 'battery', 'adapter', 'usb'),
  battery: oneOf(...batteryKinds.map(({ id }) => id)),
  cells: wholeWithin(SUPPLY.cells),
  ohms: within(SUPPLY.ohms),
  lowShare: within(SUPPLY.share),
  highShare: within(SUPPLY.share),
  limitAmps: nullOr(within(SUPPLY.limitAmps)),
  ampHours: nullOr(within(SUPPLY.ampHours)),
});
