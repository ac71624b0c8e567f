'use client';

import { Tooltip } from 'antd';
import { meterOf, rangeOf } from '@/core/meter/meter';
import { parseShown, type ShownReading } from '@/core/meter/shown';
import { changeReading } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import { formatExact } from '@/core/quantity/format';
import type { Reading } from '@/core/readings/reading';
import { TypedInput } from '@/ui/fields/TypedInput';
import { useTypedText } from '@/ui/fields/useQuantityText';
import { useApply, useProject } from '@/ui/workbench/context';
import { ohms, partOhms } from '@/ui/words/figures';
import { shownRefusal } from '@/ui/words/measure/readings';

/** The resistance of a reading, to be put right where it stands: as the meter shows it on the reading's range, OL and >2M too. */
export function OhmsCell({ reading, name }: { readonly reading: Reading; readonly name: string }) {
  const apply = useApply();
  const { meter: ref } = useProject();
  const meter = ref && meterOf(ref);
  const range = meter && !meter.autoRange ? rangeOf(meter, reading.rangeOhms) : null;
  const parse = (text: string) => parseShown(text, meter, range, LIMITS.readingOhms);
  // With its unit: without, it would be in the unit of the range.
  const stored = `${reading.above ? '>' : ''}${withUnit(reading.ohms)}`;
  const field = useTypedText<ShownReading>(stored, (text) => {
    const parsed = parse(text);
    return parsed.ok ? { ok: true, taken: parsed } : { ok: false, sentence: shownRefusal(parsed) };
  });
  const meant = field.isTyped ? parse(field.text) : null;
  const commit = ({ ohms: read, above, rangeOhms }: ShownReading) => {
    if (read !== reading.ohms || above !== reading.above)
      apply(changeReading(reading.id, { ohms: read, above, rangeOhms, unsettledStd: 0, trusted: false }));
  };
  return (
    <Tooltip
      open={meant !== null && meant.ok}
      title={meant?.ok ? `= ${meant.above ? `above ${partOhms(meant.ohms)}` : ohms(meant.ohms)}` : ''}
    >
      <div>
        <TypedInput
          label={`Resistance at ${name}`}
          field={field}
          filled
          className="figures"
          onCommit={commit}
        />
      </div>
    </Tooltip>
  );
}

/** `12.34 kΩ`, exactly. */
function withUnit(value: number): string {
  const text = formatExact(value, 'Ω');
  return /[a-zµ]$/i.test(text) ? `${text}Ω` : `${text} Ω`;
}
