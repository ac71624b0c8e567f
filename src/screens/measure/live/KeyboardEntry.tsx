'use client';

import { useRef } from 'react';
import type { InputRef } from 'antd';
import { useLive } from '@/ui/live/context';
import { RangeSelect, ShownEcho, ShownField } from '../shown/ShownField';
import { useShown } from '../shown/useShown';

/** Figures read off a meter that does not talk: each Enter is one sample, for the trend and the log. */
export function KeyboardEntry() {
  const { session } = useLive();
  const input = useRef<InputRef>(null);
  const shown = useShown();
  const tell = () => {
    const read = shown.field.read();
    if (read === null) return;
    session.typed({
      at: Date.now(),
      ohms: read.ohms,
      above: read.above,
      rangeOhms: read.rangeOhms,
      lux: null,
    });
    shown.field.reset();
    input.current?.focus();
  };
  return (
    <>
      <ShownField shown={shown} input={input} onEnter={tell} autoFocus />
      <ShownEcho shown={shown} />
      <span>
        <RangeSelect shown={shown} />
      </span>
    </>
  );
}
