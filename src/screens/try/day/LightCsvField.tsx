'use client';

import { FileTextOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { Recorded } from '@/core/simulate/day/recorded';
import { tryWords } from '@/ui/words/panels/try';
import { textOf } from '@/workers/csv/compute';
import { lightOfCsv } from '@/workers/csv/lightCsv';
import styles from '../Try.module.css';

interface LightCsvFieldProps {
  /** Of the file that is in use; `null` for none. */
  readonly name: string | null;
  readonly onTake: (csv: { readonly name: string; readonly light: Recorded }) => void;
}

/** A light from a file: a time and lx in its first two columns. */
export function LightCsvField({ name, onTake }: LightCsvFieldProps) {
  const [said, setSaid] = useState<string | null>(null);
  const read = async (file: File) => {
    const found = lightOfCsv(await textOf(file));
    if (!found.ok) return setSaid(found.reason === 'no-columns' ? tryWords.csvNoColumns : tryWords.csvEmpty);
    setSaid(
      found.leftOut === 0 ? null : `${found.leftOut} of its rows have no time and light, and are left out.`,
    );
    onTake({ name: file.name, light: found.light });
  };
  const { getInputProps, open } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    onDrop: ([file]) => file && void read(file),
  });
  return (
    <>
      <input {...getInputProps()} data-testid="light-csv" aria-label={tryWords.csv} />
      <span className={styles.row}>
        <Button size="small" icon={<FileTextOutlined />} onClick={open}>
          {tryWords.csv}
        </Button>
        {name !== null && <b>{name}</b>}
      </span>
      {said !== null && <p role="alert">{said}</p>}
    </>
  );
}
