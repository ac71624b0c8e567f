'use client';

import { Button } from 'antd';
import { nanoid } from 'nanoid';
import { useRef } from 'react';
import type { InputRef } from 'antd';
import type { Design } from '@/core/design';
import { meterOf } from '@/core/meter/meter';
import { parseShown } from '@/core/meter/shown';
import { addReading } from '@/core/project/edits';
import { LIMITS } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { useQuantityText, useTypedText } from '@/ui/fields/useQuantityText';
import { useApply, useProject } from '@/ui/workbench/context';
import { shownRefusal } from '@/ui/words/readings';
import { EntryField } from '../hand/EntryField';
import styles from './Ladder.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** One reading with a light meter beside it turns every relative light into lux. */
export function AnchorPanel({ design }: { readonly design: Design }) {
  const apply = useApply();
  const { meter: ref } = useProject();
  const luxInput = useRef<InputRef>(null);
  const ohmsInput = useRef<InputRef>(null);
  const lux = useQuantityText(null, 'lx', LIMITS.lux);
  const shown = useTypedText('', (text) => {
    const parsed = parseShown(text, ref && meterOf(ref), null, LIMITS.readingOhms);
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: shownRefusal(parsed) };
  });
  if (design.resolved.scale !== 'relative') return null;
  const add = () => {
    const light = lux.read();
    if (light === null) return luxInput.current?.focus();
    const read = shown.read();
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
    shown.reset();
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
        <EntryField
          label={measureWords.lDRThere}
          unit="Ω"
          example="4k7"
          field={shown}
          input={ohmsInput}
          onEnter={add}
        />
        <Button onClick={add}>{measureWords.anchor}</Button>
      </div>
    </Panel>
  );
}
