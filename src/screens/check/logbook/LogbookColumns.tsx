'use client';

import { Button, Input, Popconfirm } from 'antd';
import { useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { searched, type LogbookEntry } from '@/core/logbook/entry';
import { Columns } from '@/ui/common/Columns';
import { download } from '@/ui/common/download';
import { Panel } from '@/ui/common/Panel';
import { useProject } from '@/ui/workbench/context';
import { againstText, logbookCsv, logbookMarkdown, timeText } from '@/ui/words/check/logbook';
import { checkWords } from '@/ui/words/panels/check';

import styles from '../Check.module.css';
import { AgainstChart } from './AgainstChart';
import { EntryForm, Photos } from './EntryForm';
import { projectReport } from './report';
import { removeEntry, useEntries } from './useLogbook';

/** All that was written down of a project, newest first. */
export function LogbookColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const entries = useEntries(project.id);
  const [words, setWords] = useState('');
  const shown = searched(entries, words);
  const save = (ending: string, text: string, type: string) =>
    download(`${project.name} ${ending}`, text, type);
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <EntryForm design={design} />
          <AgainstChart entries={entries} />
        </>
      }
      right={
        <div className={styles.second}>
          <Panel
            title={checkWords.logbook}
            aside={
              <span className={styles.row}>
                <Button
                  size="small"
                  disabled={entries.length === 0}
                  onClick={() => save('logbook.md', logbookMarkdown(project.name, entries), 'text/markdown')}
                >
                  {checkWords.markdown}
                </Button>
                <Button
                  size="small"
                  disabled={entries.length === 0}
                  onClick={() => save('logbook.csv', logbookCsv(entries), 'text/csv')}
                >
                  {checkWords.csv}
                </Button>
                <Button
                  size="small"
                  onClick={() => save('report.md', projectReport(project, design, entries), 'text/markdown')}
                >
                  {checkWords.report}
                </Button>
              </span>
            }
          >
            <Input.Search
              allowClear
              aria-label={checkWords.search}
              placeholder={checkWords.search}
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
            {entries.length === 0 && <p className="soft">{checkWords.empty}</p>}
            {entries.length > 0 && shown.length === 0 && <p className="soft">{checkWords.noMatch}</p>}
            {shown.map((entry) => (
              <EntryBox key={entry.id} entry={entry} entries={entries} />
            ))}
          </Panel>
        </div>
      }
    />
  );
}

function EntryBox({
  entry,
  entries,
}: {
  readonly entry: LogbookEntry;
  readonly entries: readonly LogbookEntry[];
}) {
  const against = againstText(entries, entry);
  return (
    <article className={styles.entryBox} aria-label={`${timeText(entry.at)} ${checkWords.kinds[entry.kind]}`}>
      <div className={styles.row} style={{ justifyContent: 'space-between' }}>
        <span>
          <b className="figures">{timeText(entry.at)}</b> · {checkWords.kinds[entry.kind]}
          {entry.outcome !== 'open' && (
            <>
              {' · '}
              <b className={entry.outcome === 'works' ? styles.in : styles.out}>
                {checkWords.outcomes[entry.outcome]}
              </b>
            </>
          )}
        </span>
        <Popconfirm title={checkWords.removeAsk} onConfirm={() => removeEntry(entry.id)}>
          <Button size="small">{checkWords.remove}</Button>
        </Popconfirm>
      </div>
      <p className={styles.entryText}>{entry.text}</p>
      {entry.photos.length > 0 && <Photos photos={entry.photos} />}
      {entry.figures.length > 0 && (
        <span className={styles.hint}>{entry.figures.length} voltages measured</span>
      )}
      {against && (
        <span className={styles.hint}>
          {checkWords.against}: {against}
        </span>
      )}
    </article>
  );
}
