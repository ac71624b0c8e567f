import { entryFor } from '@/core/record';
import type { ReactNode } from 'react';
import type { LoadKind } from '@/core/loads/kinds';
import type { Load } from '@/core/loads/registry';
import { changeLoad } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import type { Unit } from '@/core/quantity/unit';
import { partOhms, partVolts } from '../../words/figures';
import type { ValueOf } from '../valueOf';
import type { At } from '../symbols';
import {
  BuzzerSymbol,
  CoilSymbol,
  FanSymbol,
  LampSymbol,
  LogicSymbol,
  ModuleSymbol,
  MotorSymbol,
  StripSymbol,
  ToneSymbol,
} from './symbols';
import { sharedWords } from '@/ui/words/panels/shared';

type LoadOf<K extends LoadKind> = Extract<Load, { readonly kind: K }>;

/** How a kind of load is drawn. */
interface LoadDrawing<L> {
  /** Of its column. */
  readonly width: number;
  /** Its symbol; `null` for an LED, which is drawn with its resistor. */
  readonly symbol: ((at: At & { readonly share: number }, load: L) => ReactNode) | null;
  /** Its value beside it; none where its name says enough. */
  readonly text: (load: L) => string | undefined;
  /** What can be changed where it stands. */
  readonly value: (load: L, index: number) => ValueOf & { readonly unit: Unit; readonly label?: string };
  /** It hangs on its own supply, not on the rail. */
  readonly isOnOwnSupply?: true;
}

interface RatedLoad {
  readonly ratedVolts: number;
}
const rated = (
  width: number,
  symbol: NonNullable<LoadDrawing<RatedLoad>['symbol']>,
): LoadDrawing<RatedLoad> => ({
  width,
  symbol,
  text: ({ ratedVolts }) => partVolts(ratedVolts),
  value: ({ ratedVolts }, index) => ({
    unit: 'V',
    value: ratedVolts,
    limits: LIMITS.load.volts,
    edit: (value) => changeLoad({ ratedVolts: value }, index),
  }),
});

const coil: LoadDrawing<{ readonly coilOhms: number }> = {
  width: 118,
  symbol: (at) => <CoilSymbol {...at} />,
  text: ({ coilOhms }) => partOhms(coilOhms),
  value: ({ coilOhms }, index) => ({
    unit: 'Ω',
    value: coilOhms,
    limits: LIMITS.load.coilOhms,
    edit: (value) => changeLoad({ coilOhms: value }, index),
  }),
};

/** One entry for each kind of load. */
const drawings: { readonly [K in LoadKind]: LoadDrawing<LoadOf<K>> } = {
  led: {
    width: 96,
    symbol: null,
    text: ({ inSeries, strings }) => {
      if (inSeries * strings === 1) return undefined;
      return strings > 1 ? `${strings}×${inSeries}` : `×${inSeries}`;
    },
    value: ({ wantedAmps }, index) => ({
      unit: 'A',
      label: sharedWords.currentWanted,
      value: wantedAmps,
      limits: LIMITS.load.ledAmps,
      edit: (value) => changeLoad({ wantedAmps: value }, index),
    }),
  },
  relay: coil,
  buzzer: rated(100, (at) => <BuzzerSymbol {...at} />),
  module: rated(104, (at) => <ModuleSymbol {...at} />),
  lamp: rated(100, (at) => <LampSymbol {...at} />),
  motor: rated(118, (at) => <MotorSymbol {...at} />),
  strip: rated(112, (at) => <StripSymbol {...at} />),
  tone: {
    ...rated(112, (at) => <ToneSymbol {...at} />),
    symbol: (at, { source }) => (source === 'timer' ? <ToneSymbol {...at} /> : <BuzzerSymbol {...at} />),
  },
  fan: rated(112, (at) => <FanSymbol {...at} />),
  solenoid: coil,
  logic: {
    width: 118,
    symbol: (at) => <LogicSymbol {...at} />,
    text: ({ pullOhms }) => partOhms(pullOhms),
    value: ({ pullOhms }, index) => ({
      unit: 'Ω',
      value: pullOhms,
      limits: LIMITS.load.pullOhms,
      edit: (value) => changeLoad({ pullOhms: value }, index),
    }),
    isOnOwnSupply: true,
  },
};

/** The drawing of a load; the one place where loads and drawings are said to go together. */
export const loadDrawing = ({ kind }: Pick<Load, 'kind'>) => entryFor<LoadDrawing<Load>>(drawings, kind);
