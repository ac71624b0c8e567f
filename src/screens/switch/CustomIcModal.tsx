'use client';

import { Button, Input, Modal } from 'antd';
import { nanoid } from 'nanoid';
import { useId, useState } from 'react';
import type { OutputKind } from '@/core/parts/base';
import { COMPARATOR_LIMITS as LIMITS, icTrouble, type ComparatorModel } from '@/core/parts/kinds/comparator';
import { isTimer, type OwnIc } from '@/core/parts/ownIc';
import { propertyOf } from '@/core/record';
import type { Unit } from '@/core/quantity/unit';
import { openStorage } from '@/store/openStorage';
import { SelectField } from '@/ui/fields/SelectField';
import { QuantityField } from '@/ui/fields/QuantityField';
import { outputKindNames, partTroubles } from '@/ui/words/names';
import { switchWords } from '@/ui/words/panels/switch';
import { OwnShelf } from './OwnShelf';
import styles from './Switch.module.css';

/** A figure of a datasheet: its key, label, unit and limits. */
export type IcFigure = readonly [
  key: string,
  label: string,
  unit: Unit,
  limits: { readonly min: number; readonly max: number },
];

/** A figure that may be 0: a field takes 0 only where it takes a little less. */
const JUST_UNDER = -1e-15;
const orNone = ({ max }: { readonly max: number }) => ({ min: JUST_UNDER, max });
const taken = (value: number, { min }: { readonly min: number }) =>
  min === JUST_UNDER ? Math.max(0, value) : value;

const supply: readonly IcFigure[] = [
  ['minSupplyVolts', switchWords.supplyFrom, 'V', LIMITS.supplyVolts],
  ['maxSupplyVolts', switchWords.supplyUpTo, 'V', LIMITS.supplyVolts],
];
const output: readonly IcFigure[] = [
  ['lowVolts', switchWords.outputLowOver, 'V', orNone(LIMITS.restVolts)],
  ['highVolts', switchWords.outputHighUnder, 'V', orNone(LIMITS.restVolts)],
  ['outputOhms', switchWords.outputOhms, 'Ω', LIMITS.outputOhms],
  ['maxAmps', switchWords.outputAmps, 'A', LIMITS.maxAmps],
  ['idleAmps', switchWords.itsOwnCurrent, 'A', orNone(LIMITS.idleAmps)],
];

export const comparatorFigures: readonly IcFigure[] = [
  ['offsetVolts', switchWords.inputOffset, 'V', orNone(LIMITS.offsetVolts)],
  ['biasAmps', switchWords.inputBias, 'A', LIMITS.biasAmps],
  ['inputLowVolts', switchWords.inputsOverLower, 'V', LIMITS.inputVolts],
  ['inputHighVolts', switchWords.inputsUnderUpper, 'V', LIMITS.inputVolts],
  ...output,
  ...supply,
];

export const timerFigures: readonly IcFigure[] = [
  ['biasAmps', switchWords.inputBias, 'A', LIMITS.biasAmps],
  ['stringOhms', switchWords.eachInside, 'Ω', { min: 1000, max: 1e6 }],
  ['thresholdShare', switchWords.thresholdShare, '×', orNone({ max: 0.2 })],
  ...output,
  ...supply,
];

/** The comparators among own ICs whose output is of a kind that works here. */
export const ofOutput =
  (kinds: readonly OutputKind[]) =>
  (ic: OwnIc): ComparatorModel | null =>
    !isTimer(ic) && kinds.includes(ic.kind) ? ic : null;

interface CustomIcModalProps<P extends OwnIc> {
  readonly part: P;
  /** The own parts of this sort that the browser keeps. */
  readonly shelf: readonly P[];
  readonly figures: readonly IcFigure[];
  /** The kinds of output that work here; none where it has one of no choice. */
  readonly outputs: readonly OutputKind[];
  readonly onTake: (part: P) => void;
  readonly onClose: () => void;
}

/** A part by its datasheet, begun from the one in use: it goes on the shelf of this browser, and into the project. */
export function CustomIcModal<P extends OwnIc>({
  part,
  shelf,
  figures,
  outputs,
  onTake,
  onClose,
}: CustomIcModalProps<P>) {
  const id = useId();
  const [draft, setDraft] = useState<P>(() => ({ ...part, id: nanoid(10), name: '' }));
  const [asked, setAsked] = useState(false);
  const trouble = asked ? icTrouble(draft) : null;
  const take = () => {
    setAsked(true);
    if (icTrouble(draft)) return;
    void openStorage().then((storage) => storage.ics.put(draft));
    onTake(draft);
    onClose();
  };
  return (
    <Modal title={switchWords.customIc} open onCancel={onClose} footer={null} width={440}>
      <div className={styles.form}>
        <div className={styles.row}>
          <label htmlFor={id}>{switchWords.name}</label>
          <Input
            id={id}
            value={draft.name}
            maxLength={LIMITS.nameLength}
            onChange={(event) => setDraft({ ...draft, name: event.target.value })}
          />
        </div>
        {outputs.length > 1 && 'kind' in draft && (
          <SelectField
            label={switchWords.kindOfOutput}
            value={draft.kind}
            options={outputs.map((value) => ({
              value,
              label: outputKindNames[value],
              title: outputKindNames[value],
            }))}
            onChange={(kind) => setDraft({ ...draft, kind })}
          />
        )}
        {figures
          .filter(([key]) => key !== 'highVolts' || !('kind' in draft && draft.kind === 'open-collector'))
          .map(([key, label, unit, limits]) => (
            <QuantityField
              key={key}
              label={label}
              unit={unit}
              value={Number(propertyOf(draft, key))}
              limits={limits}
              onCommit={(value) => setDraft((present) => ({ ...present, [key]: taken(value, limits) }))}
            />
          ))}
        {trouble && (
          <p role="alert" className={styles.trouble}>
            {partTroubles[trouble]}
          </p>
        )}
        <span>
          <Button type="primary" onClick={take}>
            {switchWords.saveItAnd}
          </Button>
        </span>
        <OwnShelf
          parts={shelf}
          onRemove={(gone) => void openStorage().then((storage) => storage.ics.remove(gone))}
        />
      </div>
    </Modal>
  );
}
