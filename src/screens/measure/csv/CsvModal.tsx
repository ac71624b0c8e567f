'use client';

import { Alert, Button, Modal, Progress, Table } from 'antd';
import { CSV_MAX, useCsvImport } from './useCsvImport';
import { csvErrorSentence, mappingTrouble } from '@/ui/words/measure/csv';
import styles from './Csv.module.css';
import { MappingForm } from './MappingForm';
import { wholeText } from '@/ui/words/figures';
import { measureWords } from '@/ui/words/panels/measure';

interface CsvModalProps {
  readonly file: File;
  readonly target: 'log' | 'readings';
  /** @param logId the log that was made, empty for readings; `null` where nothing was taken */
  readonly onClose: (logId: string | null) => void;
}

/** How the columns of a file are meant, with its first rows below; then what was taken and what was left out. */
export function CsvModal({ file, target, onClose }: CsvModalProps) {
  const csv = useCsvImport(file, target);
  const { preview, mapping, result, progress, failure } = csv;
  const columns = Math.max(0, ...(preview?.rows.map((row) => row.length) ?? []));
  const trouble = mapping && mappingTrouble(mapping, target, columns);
  return (
    <Modal
      title={`CSV in: ${file.name}`}
      open
      width={680}
      onCancel={() => (csv.cancel(), onClose(null))}
      footer={
        result ? (
          <>
            <Button onClick={csv.back}>{measureWords.changeTheColumns}</Button>
            <Button
              type="primary"
              disabled={result.count === 0}
              onClick={() => void csv.keep().then((logId) => logId !== null && onClose(logId))}
            >
              Take {result.count} {target === 'log' ? 'points' : 'readings'}
            </Button>
          </>
        ) : (
          <>
            <Button onClick={() => (csv.cancel(), onClose(null))}>{measureWords.cancel}</Button>
            <Button
              type="primary"
              disabled={!mapping || trouble !== null || progress !== null}
              onClick={csv.read}
            >
              {measureWords.readTheFile}
            </Button>
          </>
        )
      }
    >
      {failure && <Alert type="error" title={failure} />}
      {!result && mapping && preview && (
        <div className={styles.body}>
          <MappingForm
            target={target}
            mapping={mapping}
            columns={columns}
            first={preview.rows[0] ?? []}
            onChange={csv.setMapping}
          />
          {trouble && (
            <p role="alert" className={styles.trouble}>
              {trouble}
            </p>
          )}
          {preview.aboutRows > CSV_MAX[target] && (
            <p role="alert" className={styles.trouble}>
              About {wholeText(preview.aboutRows)} rows; {target === 'log' ? 'a log' : 'a project'} holds{' '}
              {wholeText(CSV_MAX[target])}
              {target === 'readings'
                ? ': bring a file this long in as a time log'
                : ', the first of them are taken'}
              .
            </p>
          )}
          {progress !== null && <Progress percent={Math.round(progress * 100)} />}
          <div className={styles.preview} tabIndex={0} role="group" aria-label={measureWords.firstRows}>
            <Table
              size="small"
              pagination={false}
              rowKey="key"
              dataSource={preview.rows.slice(0, 8).map((cells, key) => ({ key, cells }))}
              columns={Array.from({ length: Math.min(columns, 12) }, (_, column) => ({
                title:
                  mapping.ohms === column
                    ? 'ohms'
                    : mapping.light === column && target === 'readings'
                      ? 'light'
                      : mapping.time === column && target === 'log'
                        ? 'time'
                        : `column ${column + 1}`,
                key: column,
                render: (_: unknown, row: { cells: readonly string[] }) => (
                  <span className="figures">{row.cells[column]}</span>
                ),
              }))}
            />
          </div>
        </div>
      )}
      {result && (
        <div className={styles.body}>
          <p>
            {wholeText(result.count)} of {wholeText(result.rows)} rows can be taken.
            {result.cut > 0 && ` ${wholeText(result.cut)} more do not fit.`}
            {result.errorCount > 0 && ` ${wholeText(result.errorCount)} are left out:`}
          </p>
          {result.errors.length > 0 && (
            <ul className={styles.errors} aria-label={measureWords.rowsLeftOut}>
              {result.errors.map((error) => (
                <li key={error.line}>
                  {csvErrorSentence(error)} <span className="figures soft">{error.text}</span>
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </Modal>
  );
}
