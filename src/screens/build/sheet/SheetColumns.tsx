'use client';

import { Button, Skeleton } from 'antd';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { HOLE_MILLIMETRES } from '@/core/build/solder';
import type { Design } from '@/core/design';
import { BoardDrawing } from '@/ui/build/BoardDrawing';
import { boardSize, PITCH } from '@/ui/build/boardPlaces';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { SelectField } from '@/ui/fields/SelectField';
import { Schematic } from '@/ui/schematic/Schematic';
import { cssVariables } from '@/ui/theme/tokens';
import { useProject, useView } from '@/ui/workbench/context';
import { boardNames } from '@/ui/words/building';
import { buildWords } from '@/ui/words/panels/build';
import styles from '../Build.module.css';
import { useBuilt, useSteps, useWireNets } from '../useBuild';
import { savePdf } from './makePdf';
import type { Paper } from './pdf';
import { sheetData, type SheetTable } from './sheetData';

const papers = [
  { value: 'A4', label: 'A4' },
  { value: 'LETTER', label: 'Letter' },
] as const;

/** The whole build on one to three pages: to print, or as a PDF. */
export function SheetColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const built = useBuilt(design);
  const netOf = useWireNets(built);
  const steps = useSteps(design, built);
  const probeLux = useView((view) => view.probeLux);
  const data = useMemo(() => sheetData(project, design, steps, probeLux), [project, design, steps, probeLux]);
  const page = useRef<HTMLElement>(null);
  const { layout, pieces, trouble } = built;
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <Output
            isReady={layout !== null || trouble !== null}
            onPdf={(paper) => (page.current ? savePdf(data, page.current, paper) : Promise.resolve())}
          />
        </>
      }
      right={
        <article
          data-print-page
          ref={page}
          className={styles.sheet}
          style={cssVariables('day')}
          aria-label={buildWords.sheetTitle}
        >
          <header>
            <h2>{data.name}</h2>
            <p>{data.summary}</p>
          </header>
          <section data-sheet="schematic">
            <h3>{data.schematicTitle}</h3>
            <Schematic design={design} />
          </section>
          <Table title={buildWords.parts} table={data.parts} />
          <section data-sheet="board">
            <h3>
              {buildWords.board}
              {layout && `, ${boardNames[layout.board]}`}
            </h3>
            {layout ? (
              <div
                style={{
                  width: `${(boardSize(layout.board).width * HOLE_MILLIMETRES) / PITCH}mm`,
                  maxWidth: '100%',
                }}
              >
                <BoardDrawing
                  layout={layout}
                  pieces={pieces}
                  netOf={netOf}
                  wires={project.build.wires}
                  label={`${buildWords.board}, ${boardNames[layout.board]}`}
                />
              </div>
            ) : trouble ? (
              <p role="alert">{trouble === 'too-large' ? buildWords.tooLarge : buildWords.failed}</p>
            ) : (
              <Skeleton active title={false} />
            )}
          </section>
          <List title={buildWords.settings} texts={data.settings} />
          <Table title={buildWords.testPoints} table={data.testPoints} />
          <List title={buildWords.cautions} texts={data.cautions} />
          <section>
            <h3>{buildWords.wiringList}</h3>
            <ol>
              {data.steps.map(({ text, isCheck }) => (
                <li key={text}>☐ {isCheck ? <i>{text}</i> : text}</li>
              ))}
            </ol>
          </section>
        </article>
      }
    />
  );
}

interface OutputProps {
  readonly isReady: boolean;
  readonly onPdf: (paper: Paper) => Promise<void>;
}

/** Print, or a file. */
function Output({ isReady, onPdf }: OutputProps) {
  const [paper, setPaper] = useState<Paper>('A4');
  const [state, setState] = useState<'idle' | 'making' | 'failed'>('idle');
  const make = async () => {
    setState('making');
    try {
      await onPdf(paper);
      setState('idle');
    } catch {
      setState('failed');
    }
  };
  return (
    <Panel title={buildWords.sheetTitle}>
      <SelectField label={buildWords.paper} value={paper} options={papers} onChange={setPaper} />
      <div className={styles.row}>
        <Button type="primary" disabled={!isReady} loading={state === 'making'} onClick={() => void make()}>
          {state === 'making' ? buildWords.making : buildWords.pdf}
        </Button>
        <Button disabled={!isReady} onClick={() => window.print()}>
          {buildWords.print}
        </Button>
      </div>
      {state === 'failed' && (
        <p role="alert" className={styles.trouble}>
          {buildWords.pdfFailed}
        </p>
      )}
    </Panel>
  );
}

function Table({ title, table }: { readonly title: string; readonly table: SheetTable }) {
  return (
    <section>
      <h3>{title}</h3>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={title}>
        <table>
          <thead>
            <tr>
              {table.head.map((text) => (
                <th key={text}>
                  {text === '' ? <span className="visually-hidden">{buildWords.noHead}</span> : text}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((row) => (
              <tr key={row[0]}>
                {row.map((text, index) => (
                  <td key={index}>{text}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function List({ title, texts }: { readonly title: string; readonly texts: readonly string[] }) {
  if (texts.length === 0) return null;
  return (
    <section>
      <h3>{title}</h3>
      <ul>
        {texts.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </section>
  );
}
