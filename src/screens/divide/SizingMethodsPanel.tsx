'use client';

import { Button, Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design';
import { recommendedMethod } from '@/core/compare/recommendedMethod';
import { sizingMethodsOf } from '@/core/size/sizingMethods';
import type { SizingMethod } from '@/core/size/sizingMethods';
import { formatPercentOff } from '@/core/quantity/format';
import { Panel } from '@/ui/common/Panel';
import { useApply, useLightText, useProject } from '@/ui/workbench/context';
import { anewText, combinationText, sizingNames, sizingRefusals, sizingWhen } from '@/ui/words/dividing';
import { amps, ohms, partOhms, volts, watts } from '@/ui/words/figures';
import { hearsChanges } from '@/ui/words/goal';
import styles from './DividePanel.module.css';
import { LightsFields } from './LightsFields';
import { divideWords } from '@/ui/words/panels/divide';

/** The sizing methods for R1 side by side: what each gives in this circuit, and when it is right. */
export function SizingPanel({ design }: { readonly design: Design }) {
  const project = useProject();
  const light = useLightText();
  const methods = useMemo(() => sizingMethodsOf(project, design), [project, design]);
  const { goal } = project;
  const recommended = useMemo(() => recommendedMethod(project, methods), [project, methods]);
  return (
    <Panel title={divideWords.sizingMethodsFor} aside={<LightsFields />}>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={divideWords.sizingMethodsFor}>
        <Table<SizingMethod>
          size="small"
          pagination={false}
          rowKey="id"
          rowClassName={(row) => (row.id === recommended ? (styles.recommended ?? '') : '')}
          dataSource={[...methods]}
          columns={[
            {
              title: divideWords.method,
              render: (_, row) => (
                <span className={styles.method}>
                  <b>
                    {sizingNames[row.id]}
                    {row.id === recommended && ' – recommended here'}
                  </b>
                  <small>
                    {sizingWhen[row.id]} {anewText(row.id, project)}
                  </small>
                </span>
              ),
            },
            {
              title: divideWords.r1AndExact,
              align: 'right',
              render: (_, row) =>
                row.ok ? (
                  <Two one={realText(row)} other={ohms(row.exactOhms)} />
                ) : (
                  <span className="soft">{sizingRefusals[row.reason]}</span>
                ),
            },
            {
              title: divideWords.midpointDarkAnd,
              align: 'right',
              render: two(({ figures }) => [volts(figures.darkVolts), volts(figures.brightVolts)]),
            },
            {
              title: divideWords.perOctave,
              align: 'right',
              render: two(({ figures }) => [volts(figures.voltsPerOctave), '']),
            },
            ...(hearsChanges(project)
              ? []
              : [
                  {
                    title: divideWords.switchesAt,
                    align: 'right' as const,
                    render: two(({ figures: { switching } }) =>
                      switching.ok
                        ? [light(switching.lux), formatPercentOff(switching.lux / goal.lux - 1, 0)]
                        : ['never', ''],
                    ),
                  },
                ]),
            {
              title: divideWords.atWorstAnd,
              align: 'right',
              render: two(({ figures }) => [amps(figures.dividerAmps), watts(figures.ldrWatts)]),
            },
            {
              title: <span className="visually-hidden">{divideWords.take}</span>,
              render: (_, row) => <TakeButton method={row} />,
            },
          ]}
        />
      </div>
    </Panel>
  );
}

type Sized = Extract<SizingMethod, { ok: true }>;

/** A cell of two figures, the telling one above; empty for a method that has none. */
const two = (pick: (method: Sized) => readonly [string, string]) => {
  const Cell = (_: unknown, row: SizingMethod) => {
    if (!row.ok) return null;
    const [one, other] = pick(row);
    return <Two one={one} other={other} />;
  };
  return Cell;
};

function Two({ one, other }: { readonly one: string; readonly other: string }) {
  return (
    <span className={`figures ${styles.two}`}>
      <b>{one}</b>
      {other !== '' && <span>{other}</span>}
    </span>
  );
}

function realText({ real, trimmer }: Sized): string {
  if (!trimmer) return combinationText(real);
  return `${partOhms(trimmer.trackOhms)}${trimmer.endOhms > 0 ? ` + ${partOhms(trimmer.endOhms)}` : ''}`;
}

function TakeButton({ method }: { readonly method: SizingMethod }) {
  const apply = useApply();
  if (!method.ok || method.id === 'substitution') return null;
  const { isInUse, edit } = method;
  if (isInUse) return <span className="soft">{divideWords.inUse}</span>;
  return (
    <Button size="small" aria-label={`Use: ${sizingNames[method.id]}`} onClick={() => apply(edit)}>
      {divideWords.use}
    </Button>
  );
}
