import dynamic from 'next/dynamic';
import { memo, type ReactNode } from 'react';
import styles from './Panel.module.css';
import { panelHelp } from '../words/help/panelHelp';
import { Explained, Termed } from './Termed';

/** Loaded when it is asked for. */
const PanelFigures = dynamic(async () => (await import('./PanelFigures')).PanelFigures, { ssr: false });

interface PanelProps {
  readonly title: string;
  readonly aside?: ReactNode;
  readonly children: ReactNode;
}

/** A heading; where the panel has a word to say of itself, it is a click away. */
const PanelTitle = memo(function PanelTitle({ title }: { readonly title: string }) {
  const help = panelHelp(title);
  return help === null ? (
    title
  ) : (
    <Explained text={title} title={title} means={help}>
      <PanelFigures title={title} />
    </Explained>
  );
});

/** A white card with a heading. */
export function Panel({ title, aside, children }: PanelProps) {
  return (
    <section className={styles.panel} aria-label={title}>
      <header className={styles.head}>
        <h2>
          <PanelTitle title={title} />
        </h2>
        {aside}
      </header>
      {children}
    </section>
  );
}

/** One line of a result: what it is, its figure, and a note. */
export function Fact({
  name,
  value,
  note,
  aside,
}: {
  readonly name: string;
  readonly value: ReactNode;
  readonly note?: ReactNode;
  readonly aside?: ReactNode;
}) {
  return (
    <div className={styles.fact} data-fact={name}>
      <span className={styles.name}>
        <Termed text={name} />
        {aside}
      </span>
      <span className={styles.value}>
        <b className="figures">{value}</b>
        {note !== undefined && <span className="soft">{note}</span>}
      </span>
    </div>
  );
}
