'use client';

import { Checkbox, Input, Select } from 'antd';
import { useState } from 'react';
import { bestRange, meterOf, rangeOf, uncertaintyOhms } from '@/core/meter/meter';
import { changeReading, trustReading } from '@/core/project/readingEdits';
import { LIMITS } from '@/core/project/project';
import { lampKinds, sameLight, type Reading } from '@/core/readings/reading';
import { repeatsOf } from '@/core/readings/repeats';
import { useApply, useProject } from '@/ui/workbench/context';
import { ohms, partOhms, percent } from '@/ui/words/figures';
import { lampOptions } from './lampOptions';
import styles from './ReadingTable.module.css';
import { measureWords } from '@/ui/words/panels/measure';

const taken = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'medium' });

const lamps = lampOptions('lamp not noted');

/** The rest of a reading: when, on which range, how sure, under which lamp, with a note, and how repeats scatter. */
export function ReadingDetails({ reading, name }: { readonly reading: Reading; readonly name: string }) {
  const apply = useApply();
  const project = useProject();
  const { id, ohms: read, above, rangeOhms, takenAt, lamp } = reading;
  const meter = project.meter && meterOf(project.meter);
  const range = meter && (rangeOf(meter, rangeOhms) ?? bestRange(meter, read));
  const repeat = repeatsOf(project).find(({ light }) => sameLight(light, reading.light));
  return (
    <div className={styles.details}>
      <p>
        {takenAt !== null && <>{taken.format(takenAt)}. </>}
        {range && !above && (
          <>
            On the {partOhms(range.fullOhms)} range: ± {ohms(uncertaintyOhms(meter, range, read))} by the
            meter.{' '}
          </>
        )}
        {repeat && repeat.indices.length > 1 && (
          <>
            {repeat.indices.length} readings at this light
            {repeat.scatter === null ? '' : `, scattering by ${percent(repeat.scatter, 1)}`}.
          </>
        )}
      </p>
      <Select
        size="small"
        aria-label={`Lamp of the reading at ${name}`}
        value={lamp ?? ''}
        options={lamps}
        onChange={(value) =>
          apply(changeReading(id, { lamp: lampKinds.find((kind) => kind === value) ?? null }))
        }
      />
      {reading.trusted && (
        <Checkbox checked onChange={() => apply(trustReading(id, false))}>
          {measureWords.standsByIt}
        </Checkbox>
      )}
      <NoteField key={reading.note} reading={reading} name={name} />
    </div>
  );
}

function NoteField({ reading, name }: { readonly reading: Reading; readonly name: string }) {
  const apply = useApply();
  const [typed, setTyped] = useState(reading.note);
  const commit = () => {
    if (typed.trim() !== reading.note) apply(changeReading(reading.id, { note: typed.trim() }));
  };
  return (
    <Input
      size="small"
      aria-label={`Note of the reading at ${name}`}
      placeholder={measureWords.note}
      maxLength={LIMITS.noteLength}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        if (event.key === 'Enter') commit();
        if (event.key === 'Escape') setTyped(reading.note);
      }}
    />
  );
}
