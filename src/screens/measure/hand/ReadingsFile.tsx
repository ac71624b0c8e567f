'use client';

import { DownloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { download } from '@/ui/common/download';
import { readingsCsv } from '@/ui/common/readingsCsv';
import { useProject } from '@/ui/workbench/context';
import { CsvButton } from '../csv/CsvButton';
import { SameLights } from '../saved/SameLights';
import styles from './ReadingEntry.module.css';
import { measureWords } from '@/ui/words/panels/measure';

/** Readings out to a file and in from one, and on to another LDR at the same lights. */
export function ReadingsFile() {
  const project = useProject();
  return (
    <div className={styles.files}>
      <CsvButton target="readings" onDone={() => undefined} />
      {project.readings.length > 0 && (
        <>
          <Button
            size="small"
            icon={<DownloadOutlined />}
            onClick={() => download(`${project.name} readings.csv`, readingsCsv(project), 'text/csv')}
          >
            {measureWords.cSVOut}
          </Button>
          <SameLights />
        </>
      )}
    </div>
  );
}
