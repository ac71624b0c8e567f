'use client';

import { Button, Checkbox, Table } from 'antd';
import { useMemo } from 'react';
import type { Design } from '@/core/design';
import { addVariant, dropVariant, freeVariant, openVariant, variantsOf } from '@/core/project/variants';
import type { Circuitry, Project, VariantName } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { analysisBeside, analysisOf } from '@/ui/workbench/analysisCache';
import { useApply, useLightText, useProject, useView, useWorkbench } from '@/ui/workbench/context';
import { detectorText } from '@/ui/words/detectors';
import { amps, ratio } from '@/ui/words/figures';
import { hearsChanges, whereText } from '@/ui/words/goal';
import styles from './Switch.module.css';
import { switchWords } from '@/ui/words/panels/switch';

interface Row {
  readonly name: VariantName;
  readonly circuit: Circuitry;
  readonly design: Design | null;
}

/** The variants of a project side by side: each opened by a click, one more put on the axis below the open one. */
export function VariantsPanel() {
  const apply = useApply();
  const project = useProject();
  const light = useLightText();
  const { view } = useWorkbench();
  const beside = useView((state) => state.beside);
  const free = freeVariant(project);
  const rows = useMemo(() => rowsOf(project), [project]);
  if (rows.length < 2) return null;
  const figure = (text: string) => <span className={`figures ${styles.nowrap}`}>{text}</span>;
  return (
    <Panel
      title={switchWords.variants}
      aside={
        free && (
          <Button size="small" onClick={() => apply(addVariant())}>
            Another from {project.variant}
          </Button>
        )
      }
    >
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={switchWords.variantsSideBy}>
        <Table<Row>
          size="small"
          pagination={false}
          rowKey="name"
          dataSource={[...rows]}
          columns={[
            { title: '', render: (_, { name }) => <b>{name}</b> },
            { title: switchWords.decidedBy, render: (_, row) => detectorText(row.circuit.detector) },
            {
              title: switchWords.goal,
              align: 'right',
              render: (_, row) => figure(light(row.circuit.goal.lux)),
            },
            {
              title: switchWords.onAt,
              align: 'right',
              render: (_, { circuit, design }) => figure(onText(circuit, design, light)),
            },
            {
              title: switchWords.offAt,
              align: 'right',
              render: (_, { circuit, design }) => figure(offText(circuit, design, light)),
            },
            {
              title: switchWords.soft,
              align: 'right',
              render: (_, { design }) =>
                figure(
                  !design?.softBandRatio
                    ? '–'
                    : design.softBandRatio === 1
                      ? 'snaps'
                      : ratio(design.softBandRatio),
                ),
            },
            {
              title: switchWords.load,
              align: 'right',
              render: (_, { design }) => figure(design ? amps(design.drive.fullAmps) : '–'),
            },
            {
              title: switchWords.onTheAxis,
              align: 'center',
              render: (_, { name }) =>
                name !== project.variant && (
                  <Checkbox
                    aria-label={`Variant ${name} on the axis`}
                    checked={beside === name}
                    onChange={(event) => view.setState({ beside: event.target.checked ? name : null })}
                  />
                ),
            },
            {
              title: <span className="visually-hidden">{switchWords.open}</span>,
              render: (_, { name }) =>
                name === project.variant ? (
                  'open'
                ) : (
                  <span className={styles.takes}>
                    <Button
                      size="small"
                      aria-label={`Open variant ${name}`}
                      onClick={() => apply(openVariant(name))}
                    >
                      {switchWords.open}
                    </Button>
                    <Button
                      size="small"
                      aria-label={`Throw variant ${name} away`}
                      onClick={() => apply(dropVariant(name))}
                    >
                      {switchWords.throwAway}
                    </Button>
                  </span>
                ),
            },
          ]}
        />
      </div>
    </Panel>
  );
}

function rowsOf(project: Project): readonly Row[] {
  return variantsOf(project).map(({ name, circuit }) => {
    const analysis = name === project.variant ? analysisOf(project) : analysisBeside(project, name);
    return { name, circuit, design: analysis?.ok ? analysis.design : null };
  });
}

type LightText = (lux: number) => string;

function onText(circuit: Circuitry, design: Design | null, light: LightText): string {
  if (!design) return '–';
  const on = design.thresholds ? design.thresholds.turnOn : design.half;
  return whereText(circuit, on.ok ? on.lux : null, light);
}

function offText(circuit: Circuitry, design: Design | null, light: LightText): string {
  // A change starts it, and no light ends it.
  if (!design || hearsChanges(circuit)) return '–';
  const off = design.thresholds ? design.thresholds.turnOff : design.justOff;
  return off.ok ? light(off.lux) : 'never';
}
