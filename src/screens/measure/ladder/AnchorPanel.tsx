'use client';

import { Button } from 'antd';
import { nanoid } from 'nanoid';
import { useRef } from 'react';
import type { InputRef } from 'antd';
import type { Design } from '@/core/design';
import { addReading } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { useQuantityText } from '@/ui/fields/useQuantityText';
import { useApply } from '@/ui/workbench/context';
import { EntryField } from '../hand/EntryField';
import { RangeSelect, ShownEcho, ShownField } from '../shown/ShownField';
import { useShown } from '../shown/useShown';
import styles from './Ladder.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** One reading with a light meter beside it turns every relative light into lux. */
export function AnchorPanel({ design }: { readonly design: Design }) {
  const apply = useApply();
  const luxInput = useRef<InputRef>(null);
  const ohmsInput = useRef<InputRef>(null);
  const lux = useQuantityText(null, 'lx', LIMITS.lux);
  const shown = useShown();
  if (design.resolved.scale !== 'relative') return null;
  const add = () => {
    const light = lux.read();
    if (light === null) return luxInput.current?.focus();
    const read = shown.field.read();
    if (read === null) return ohmsInput.current?.focus();
    const { ohms, above, rangeOhms } = read;
    apply(
      addReading({
        id: nanoid(10),
        light: { kind: 'lux', lux: light },
        ohms,
        above,
        rangeOhms,
        takenAt: Date.now(),
      }),
    );
    lux.reset();
    shown.field.reset();
  };
  return (
    <Panel title={measureWords.turnItInto}>
      <p className="soft">{measureWords.borrowALight}</p>
      <div className={styles.anchor}>
        <EntryField
          label={measureWords.lightMeter}
          unit="lx"
          example="120"
          field={lux}
          input={luxInput}
          onEnter={add}
        />
        <ShownField label={measureWords.lDRThere} shown={shown} input={ohmsInput} onEnter={add} />
        <Button onClick={add}>{measureWords.anchor}</Button>
      </div>
      <ShownEcho shown={shown} />
      <span>
        <RangeSelect shown={shown} />
      </span>
    </Panel>
  );
}
