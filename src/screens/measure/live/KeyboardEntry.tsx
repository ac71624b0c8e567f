'use client';

import { useRef } from 'react';
import type { InputRef } from 'antd';
import { meterOf } from '@/core/meter/meter';
import { parseShown } from '@/core/meter/shown';
import { LIMITS } from '@/core/project/project';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useLive } from '@/ui/live/context';
import { useProject } from '@/ui/workbench/context';
import { shownRefusal } from '@/ui/words/readings';
import { EntryField } from '../hand/EntryField';
import { measureWords } from '@/ui/words/panels/measure';

/** Figures read off a meter that does not talk: each Enter is one sample, for the trend and the log. */
export function KeyboardEntry() {
  const { session } = useLive();
  const { meter: ref } = useProject();
  const input = useRef<InputRef>(null);
  const shown = useTypedText('', (text) => {
    const parsed = parseShown(text, ref && meterOf(ref), null, LIMITS.readingOhms);
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: shownRefusal(parsed) };
  });
  const tell = () => {
    const read = shown.read();
    if (read === null) return;
    session.typed({
      at: Date.now(),
      ohms: read.ohms,
      above: read.above,
      rangeOhms: read.rangeOhms,
      lux: null,
    });
    shown.reset();
    input.current?.focus();
  };
  return (
    <EntryField
      label={measureWords.meterShows}
      unit="Ω"
      example="4k7"
      field={shown}
      input={input}
      onEnter={tell}
      autoFocus
    />
  );
}
