'use client';

import { UploadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useRef, useState } from 'react';
import { CsvModal } from './CsvModal';
import { measureWords } from '@/ui/words/panels/measure';

interface CsvButtonProps {
  readonly target: 'log' | 'readings';
  /** The log that the file has become, or nothing for readings. */
  readonly onDone: (logId: string) => void;
}

/** Brings a CSV file in: asks for the file, then how its columns are meant. */
export function CsvButton({ target, onDone }: CsvButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  return (
    <>
      <Button size="small" icon={<UploadOutlined />} onClick={() => input.current?.click()}>
        {measureWords.cSVIn}
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.tsv,.txt,text/csv,text/plain"
        data-testid={`csv-${target}`}
        onChange={(event) => {
          setFile(event.target.files?.[0] ?? null);
          event.target.value = '';
        }}
      />
      {file && (
        <CsvModal
          key={`${file.name} ${file.lastModified}`}
          file={file}
          target={target}
          onClose={(logId) => {
            setFile(null);
            if (logId !== null) onDone(logId);
          }}
        />
      )}
    </>
  );
}
