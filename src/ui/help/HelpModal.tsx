'use client';

import { Button, Input, Modal, Tabs } from 'antd';
import { memo, useMemo, useState } from 'react';
import type { Design } from '@/core/design';
import { inNotation } from '@/core/quantity/notation';
import { useProject, useView } from '../workbench/context';
import { explained } from '../words/help/explaining';
import { searchedTerms } from '../words/help/glossary';
import { helpWords, keyList } from '../words/panels/help';
import styles from './HelpModal.module.css';

export type HelpPage = 'keys' | 'words' | 'explain';

interface HelpModalProps {
  /** `null` where it is shut. */
  readonly page: HelpPage | null;
  readonly onPage: (page: HelpPage | null) => void;
  readonly design: Design | null;
  /** Begins the tour, or goes on with it. */
  readonly onTour: () => void;
}

/** What the keys do, what the words mean, and this design told in eight sentences. */
export const HelpModal = memo(function HelpModal({ page, onPage, design, onTour }: HelpModalProps) {
  return (
    <Modal
      title={helpWords.title}
      open={page !== null}
      onCancel={() => onPage(null)}
      footer={null}
      width={560}
      destroyOnHidden
    >
      <Tabs
        activeKey={page ?? 'keys'}
        onChange={(key) => onPage(key === 'words' || key === 'explain' ? key : 'keys')}
        items={[
          { key: 'keys', label: helpWords.keys, children: <Keys /> },
          { key: 'words', label: helpWords.words, children: <Words /> },
          { key: 'explain', label: helpWords.explain, children: design && <Explained design={design} /> },
        ]}
      />
      <Button onClick={onTour}>{helpWords.tour}</Button>
    </Modal>
  );
});

function Keys() {
  return (
    <dl className={styles.keys}>
      {keyList.map(({ keys, does }) => (
        <div key={`${keys} ${does}`}>
          <dt className="figures">{keys}</dt>
          <dd>{does}</dd>
        </div>
      ))}
    </dl>
  );
}

function Words() {
  const [words, setWords] = useState('');
  const found = searchedTerms(words);
  return (
    <>
      <Input
        allowClear
        aria-label={helpWords.searchWords}
        placeholder={helpWords.searchWords}
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <dl className={styles.words} tabIndex={0}>
        {found.map(({ term, means }) => (
          <div key={term}>
            <dt>{term}</dt>
            <dd>{inNotation(means)}</dd>
          </div>
        ))}
      </dl>
      {found.length === 0 && <p className="soft">{helpWords.noWord}</p>}
    </>
  );
}

function Explained({ design }: { readonly design: Design }) {
  const project = useProject();
  const corners = useView((view) => view.corners);
  const ends = corners?.of === project ? corners.advice : null;
  const sentences = useMemo(() => explained(project, design, ends), [project, design, ends]);
  return (
    <div className={styles.explained}>
      <h3>{project.name}</h3>
      <ol>
        {sentences.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ol>
      <Button onClick={() => printed(project.name, sentences)}>{helpWords.print}</Button>
    </div>
  );
}

/** Prints nothing but these sentences: in a frame of their own. */
function printed(name: string, sentences: readonly string[]): void {
  const frame = document.createElement('iframe');
  frame.hidden = true;
  document.body.append(frame);
  const page = frame.contentDocument;
  if (!page) return;
  const heading = page.createElement('h1');
  heading.textContent = name;
  const list = page.createElement('ol');
  for (const sentence of sentences) {
    const item = page.createElement('li');
    item.textContent = sentence;
    list.append(item);
  }
  page.body.append(heading, list);
  frame.contentWindow?.print();
  setTimeout(() => frame.remove(), 1000);
}
