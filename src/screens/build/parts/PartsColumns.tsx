'use client';

import { Button, Select, Table } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import type { Marking, PartLine } from '@/core/build/partsList';
import { inOrder, isTransistor } from '@/core/build/pieces';
import { changeBuild, changeLegs } from '@/core/project/built/buildEdits';
import { BUILD_LIMITS, legOrders, type LegOrder } from '@/core/project/built/buildSettings';
import { bodyOf, leadsOf } from '@/core/parts/footprint';
import type { Part } from '@/core/parts/part';
import { BAND_PAINT } from '@/ui/build/PieceShape';
import { Columns } from '@/ui/common/Columns';
import { download } from '@/ui/common/download';
import { Panel } from '@/ui/common/Panel';
import { WholeField } from '@/ui/fields/WholeField';
import { Schematic } from '@/ui/schematic/Schematic';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { partLineText, standInText, stockText } from '@/ui/words/building';
import { partOhms } from '@/ui/words/figures';
import { buildWords } from '@/ui/words/panels/build';
import styles from '../Build.module.css';
import { partLinesOf } from '../useBuild';
import { partsCsv } from './partsCsv';
import { useStandIns, type StandIn } from './useStandIns';

/** What to get. */
export function PartsColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const apply = useApply();
  const lines = useMemo(() => partLinesOf(project, design), [project, design]);
  const standIns = useStandIns(project, design, lines);
  const { copies, spares } = project.build;
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <Panel title={buildWords.wanted}>
            <WholeField
              label={buildWords.copies}
              value={copies}
              limits={BUILD_LIMITS.copies}
              onCommit={(count) => apply(changeBuild({ copies: count }))}
            />
            <WholeField
              label={buildWords.spares}
              value={spares}
              limits={BUILD_LIMITS.spares}
              onCommit={(count) => apply(changeBuild({ spares: count }))}
            />
          </Panel>
          <PinsPanel lines={lines} />
        </>
      }
      right={
        <>
          <div className={styles.second}>
            <Panel title={buildWords.partsTitle} aside={<ListOut lines={lines} name={project.name} />}>
              <PartsTable lines={lines} />
              <StandInList list={standIns} />
            </Panel>
          </div>
          <Schematic design={design} />
        </>
      }
    />
  );
}

function ListOut({ lines, name }: { readonly lines: readonly PartLine[]; readonly name: string }) {
  const [isCopied, setCopied] = useState(false);
  const copy = async () => {
    await navigator.clipboard.writeText(partsCsv(lines, '\t'));
    setCopied(true);
  };
  return (
    <span className={styles.row}>
      <Button size="small" onClick={() => void copy()}>
        {isCopied ? buildWords.copied : buildWords.copy}
      </Button>
      <Button size="small" onClick={() => download(`${name} parts.csv`, partsCsv(lines, ','), 'text/csv')}>
        {buildWords.csv}
      </Button>
    </span>
  );
}

function PartsTable({ lines }: { readonly lines: readonly PartLine[] }) {
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={buildWords.partsTitle}>
      <Table<PartLine>
        size="small"
        pagination={false}
        rowKey={({ designators }) => designators[0] ?? ''}
        dataSource={[...lines]}
        columns={[
          {
            title: buildWords.designators,
            render: (_, line) => <b>{partLineText(line).designators}</b>,
          },
          { title: buildWords.what, render: (_, line) => partLineText(line).what },
          {
            title: buildWords.value,
            align: 'right',
            render: (_, line) => <span className="figures">{partLineText(line).value}</span>,
          },
          { title: buildWords.marked, render: (_, { marking }) => <Marked marking={marking} /> },
          { title: buildWords.tolerance, render: (_, line) => partLineText(line).tolerance },
          { title: buildWords.atLeast, render: (_, line) => partLineText(line).rated },
          { title: buildWords.stock, render: (_, { inStock }) => stockText(inStock) },
          {
            title: buildWords.wanted,
            align: 'right',
            render: (_, { wanted }) => <b className="figures">{wanted}</b>,
          },
        ]}
      />
    </div>
  );
}

/** What could take the place of what is not in stock. */
function StandInList({ list }: { readonly list: readonly StandIn[] }) {
  const apply = useApply();
  const light = useLightText();
  return list.map(({ designator, ohms, edit, lux }) => (
    <p key={designator} className={styles.row}>
      <span>{standInText(designator, ohms, lux === null ? null : light(lux))}</span>
      <Button size="small" onClick={() => apply(edit)}>
        {buildWords.useNearest} {partOhms(ohms)}
      </Button>
    </p>
  ));
}

/** Colour bands as they are on a resistor, with their names; or a printed code. */
function Marked({ marking }: { readonly marking: Marking }) {
  if (!marking) return null;
  if (marking.kind === 'code') return <span className="figures">{marking.code}</span>;
  return (
    <span className={styles.bands}>
      <span className={styles.band} aria-hidden>
        {marking.bands.map((band, index) => (
          <span key={`${index} ${band}`} style={{ background: BAND_PAINT[band] }} />
        ))}
      </span>
      {marking.bands.join(' ')}
    </span>
  );
}

/** Whether it matters which leg goes where. */
function hasPins(part: Part): boolean {
  const body = bodyOf(part);
  if (body.kind === 'two-legs') return body.isPolar;
  return body.kind !== 'beside' || part.kind === 'module';
}

/** Which leg is which, of every part where it matters. */
function PinsPanel({ lines }: { readonly lines: readonly PartLine[] }) {
  const told = lines.filter(({ part }) => hasPins(part));
  if (told.length === 0) return null;
  return (
    <Panel title={buildWords.pinsTitle}>
      <ul className={styles.pins}>
        {told.map(({ designators, part }) => (
          <li key={part.designator}>
            <b>{designators.join(', ')}</b> {isTransistor(part) ? <Legs part={part} /> : pinsText(part)}
          </li>
        ))}
      </ul>
      <p className="soft">{buildWords.pinsHint}</p>
    </Panel>
  );
}

/** A transistor’s legs, in the order of the one in hand. */
function Legs({ part }: { readonly part: Part }) {
  const { legs } = useProject().build;
  const apply = useApply();
  const leads = leadsOf(part);
  return (
    <Select<LegOrder>
      size="small"
      className={styles.legs}
      aria-label={`${buildWords.legs} ${part.designator}`}
      value={legs}
      options={legOrders.map((value) => ({
        value,
        label: inOrder(leads, value)
          .map(({ name }) => name)
          .join(' · '),
      }))}
      onChange={(value) => apply(changeLegs(value))}
    />
  );
}

function pinsText(part: Part): string {
  const names = leadsOf(part).map(({ name }) => name);
  if (names.length > 4)
    return names.map((name, index) => `pin ${index + 1}: ${name === '' ? 'open' : name}`).join(', ');
  return names.join(' · ');
}
