import { entryFor } from '@/core/record';
import type { ComponentType } from 'react';
import type { LoadKind } from '@/core/loads/kinds';
import type { Load } from '@/core/loads/registry';
import { BuzzerFields } from './BuzzerFields';
import type { LoadFieldsProps } from './figures';
import { FanFields } from './FanFields';
import { LampFields } from './LampFields';
import { LedFields } from './LedFields';
import { LogicFields } from './LogicFields';
import { ModuleFields } from './ModuleFields';
import { MotorFields } from './MotorFields';
import { RelayFields } from './RelayFields';
import { SolenoidFields } from './SolenoidFields';
import { StripFields } from './StripFields';
import { ToneFields } from './ToneFields';

type LoadOf<K extends LoadKind> = Extract<Load, { readonly kind: K }>;

/** One entry for each kind of load. */
const fields: { readonly [K in LoadKind]: ComponentType<LoadFieldsProps<LoadOf<K>>> } = {
  led: LedFields,
  buzzer: BuzzerFields,
  relay: RelayFields,
  module: ModuleFields,
  lamp: LampFields,
  motor: MotorFields,
  logic: LogicFields,
  strip: StripFields,
  tone: ToneFields,
  fan: FanFields,
  solenoid: SolenoidFields,
};

/** The fields of a load; the one place where loads and fields are said to go together. */
export const loadScreen = ({ kind }: Pick<Load, 'kind'>) => ({
  Fields: entryFor<ComponentType<LoadFieldsProps<Load>>>(fields, kind),
});
