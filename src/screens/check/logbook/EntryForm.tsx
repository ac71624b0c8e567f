'use client';

import { Button, Input } from 'antd';
import { useId, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { Design } from '@/core/design';
import { entryKinds, LOGBOOK_LIMITS, type EntryKind, type LogbookEntry } from '@/core/logbook/entry';
import { Panel } from '@/ui/common/Panel';
import { Choice } from '@/ui/fields/Choice';
import { SelectField } from '@/ui/fields/SelectField';
import { checkWords } from '@/ui/words/panels/check';
import styles from '../Check.module.css';
import { scaledPhoto } from './photo';
import { useWriteDown } from './useLogbook';
import { WriteTrouble } from './WriteTrouble';

const outcomes = ['open', 'works', 'fails'] as const;

/** A note with photos, written by hand. */
export function EntryForm({ design }: { readonly design: Design }) {
  const id = useId();
  const { writeDown, trouble } = useWriteDown(design);
  const [text, setText] = useState('');
  const [kind, setKind] = useState<EntryKind>('note');
  const [outcome, setOutcome] = useState<LogbookEntry['outcome']>('open');
  const [photos, setPhotos] = useState<readonly string[]>([]);
  const [isBad, setBad] = useState(false);
  const take = async (files: readonly File[]) => {
    const scaled = await Promise.all(files.map(scaledPhoto));
    setBad(scaled.includes(null));
    setPhotos((before) =>
      [...before, ...scaled.filter((each) => each !== null)].slice(0, LOGBOOK_LIMITS.photos),
    );
  };
  const { getRootProps, getInputProps } = useDropzone({
    accept: { 'image/*': [] },
    noDragEventsBubbling: true,
    onDrop: (files, refused) => {
      setBad(refused.length > 0);
      void take(files);
    },
  });
  const write = async () => {
    // What could not be stored stays in the form.
    if (!(await writeDown({ kind, text: text.trim(), outcome, photos }))) return;
    setText('');
    setPhotos([]);
    setOutcome('open');
  };
  return (
    <Panel title={checkWords.entry}>
      <label htmlFor={id}>{checkWords.entryText}</label>
      <Input.TextArea
        id={id}
        rows={3}
        maxLength={LOGBOOK_LIMITS.textLength}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <SelectField
        label={checkWords.entryKind}
        value={kind}
        options={entryKinds.map((value) => ({ value, label: checkWords.kinds[value] }))}
        onChange={setKind}
      />
      <Choice
        value={outcome}
        aria-label={checkWords.outcome}
        options={outcomes.map((value) => ({ value, label: checkWords.outcomes[value] }))}
        onChange={setOutcome}
      />
      <div {...getRootProps()} className={styles.drop}>
        <input {...getInputProps()} aria-label={checkWords.photo} />
        {checkWords.photo}
      </div>
      {isBad && (
        <p role="alert" className={styles.trouble}>
          {checkWords.noPicture}
        </p>
      )}
      {photos.length > 0 && <Photos photos={photos} />}
      <WriteTrouble trouble={trouble} />
      <Button
        type="primary"
        disabled={text.trim() === '' && photos.length === 0}
        onClick={() => void write()}
        style={{ justifySelf: 'start' }}
      >
        {checkWords.add}
      </Button>
    </Panel>
  );
}

export function Photos({ photos }: { readonly photos: readonly string[] }) {
  return (
    <div className={styles.photos}>
      {photos.map((photo, index) => (
        // eslint-disable-next-line @next/next/no-img-element -- a data URL of the user's own
        <img key={index} src={photo} alt={`${checkWords.photoAlt} ${index + 1}`} />
      ))}
    </div>
  );
}
