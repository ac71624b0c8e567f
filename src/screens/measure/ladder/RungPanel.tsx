'use client';

import { RedoOutlined } from '@ant-design/icons';
import { Button, type InputRef } from 'antd';
import { useRef } from 'react';
import type { Design } from '@/core/design';
import { relativeLightAt } from '@/core/light/ladder';
import { changeMeasurement, readAgain } from '@/core/project/readingEdits';
import { sameLight, type ReadingLight } from '@/core/readings/reading';
import { useApply, useProject } from '@/ui/workbench/context';
import { partOhms } from '@/ui/words/figures';
import { lightText, metresText, readingLightText } from '@/ui/words/light';
import { useReadingEntry } from '../hand/useReadingEntry';
import { RangeSelect, ShownEcho, ShownField } from '../shown/ShownField';
import styles from './Ladder.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** The rung that is next, to be read from across the bench, and a field for what the meter shows there. */
export function RungPanel({ design }: { readonly design: Design }) {
  const { plan } = useProject();
  const rung = plan[0];
  return (
    <>
      {rung ? <NextRung rung={rung} left={plan.length} /> : <NoRung />}
      <RungList design={design} />
    </>
  );
}

function NextRung({ rung, left }: { readonly rung: ReadingLight; readonly left: number }) {
  const apply = useApply();
  const { plan, levels } = useProject();
  const input = useRef<InputRef>(null);
  const taking = useReadingEntry();
  return (
    <div className={styles.rung}>
      <div>
        <p className={styles.word}>
          {rung.kind === 'lamp-off' ? 'First the background: switch the lamp' : 'Set the lamp to'}
        </p>
        <p className={styles.figure}>
          {rung.kind === 'lamp'
            ? metresText(rung.metres)
            : rung.kind === 'lamp-off'
              ? 'off'
              : readingLightText(rung, levels)}
        </p>
        <p className="soft">
          {rung.kind === 'lamp'
            ? `${lightText('relative')(relativeLightAt(rung.metres))} of its light at 1 m · `
            : ''}
          {left === 1 ? 'the last one' : `${left - 1} more to come`}
        </p>
      </div>
      <div className={styles.take}>
        <ShownField
          large
          autoFocus
          shown={taking.shown}
          input={input}
          onEnter={() => {
            if (taking.add() !== 'added') input.current?.focus();
          }}
        />
        <ShownEcho shown={taking.shown} />
        <span className={styles.ways}>
          <RangeSelect shown={taking.shown} />
          <Button size="small" onClick={() => apply(changeMeasurement({ plan: plan.slice(1) }))}>
            {measureWords.skipThisRung}
          </Button>
          <Button size="small" onClick={() => apply(changeMeasurement({ plan: [] }))}>
            {measureWords.endTheLadder}
          </Button>
        </span>
      </div>
    </div>
  );
}

function NoRung() {
  const { readings } = useProject();
  const rungs = readings.filter(({ light }) => light.kind === 'lamp').length;
  return (
    <p className="soft">
      {rungs === 0
        ? 'No ladder yet: plan the distances at the left and start. The first reading is with the lamp off, then one at each distance.'
        : `${rungs} rungs are read. Another ladder can be planned at the left; readings at the same distance count as repeats.`}
    </p>
  );
}

/** All rungs, read and still to come, with what was read there. */
function RungList({ design }: { readonly design: Design }) {
  const apply = useApply();
  const { readings, plan, levels } = useProject();
  const text = lightText(design.resolved.scale);
  const read = readings.flatMap((reading, index) =>
    reading.light.kind === 'lamp' || reading.light.kind === 'lamp-off'
      ? [{ reading, place: design.resolved.lights[index] ?? null }]
      : [],
  );
  const coming = plan.filter((light) => !read.some(({ reading }) => sameLight(reading.light, light)));
  if (read.length + coming.length === 0) return null;
  return (
    <ol className={styles.rungs} aria-label={measureWords.rungs}>
      {read.map(({ reading, place }) => (
        <li key={reading.id} className={styles.read}>
          <b>{readingLightText(reading.light, levels)}</b>
          <span className="figures">{`${reading.above ? '> ' : ''}${partOhms(reading.ohms)}`}</span>
          <span className="soft">
            {place === null ? '–' : text(place)}{' '}
            <Button
              type="text"
              size="small"
              icon={<RedoOutlined />}
              aria-label={`Read ${readingLightText(reading.light, levels)} again`}
              title={measureWords.readItAgain}
              onClick={() => apply(readAgain(reading.id))}
            />
          </span>
        </li>
      ))}
      {coming.map((light) => (
        <li key={JSON.stringify(light)}>
          <b>{readingLightText(light, levels)}</b>
          <span className="soft">{measureWords.toCome}</span>
        </li>
      ))}
    </ol>
  );
}
