'use client';

import { CloseCircleFilled } from '@ant-design/icons';
import { Button, Modal, Progress, Table } from 'antd';
import { useEffect } from 'react';
import type { Compared } from '@/core/compare/compare';
import { detectorDefinition } from '@/core/detectors/registry';
import { addVariant, circuitOf, freeVariant } from '@/core/project/variants';
import { formatPercentOff } from '@/core/quantity/format';
import { useApply, useLightText, useScale, useProject } from '@/ui/workbench/context';
import { compareName, shortcomingTexts } from '@/ui/words/names';
import { adviceSentence } from '@/ui/words/said/advice';
import { amps, ratio, eitherWay } from '@/ui/words/figures';
import { goalSentence } from '@/ui/words/projects';
import { compareClient } from '@/workers/compare/client';
import styles from './Switch.module.css';
import { useWork } from '@/ui/common/useWork';
import { workTrouble } from '@/ui/words/work';
import { switchWords } from '@/ui/words/panels/switch';

/** The same LDR, goal and load through every way of switching, one row each. */
export function CompareModal({ onClose }: { readonly onClose: () => void }) {
  const project = useProject();
  const work = useWork(compareClient, project, JSON.stringify(circuitOf(project)));
  const { start, running, result, failed } = work;
  const isIdle = running === null && result === null && !failed;
  useEffect(() => {
    if (isIdle) start();
  }, [isIdle, start]);
  return (
    <Modal title={switchWords.theSameGoal} open onCancel={onClose} footer={null} width={1180}>
      {running !== null && (
        <span className={styles.progress}>
          <Progress percent={Math.round(running * 100)} aria-label={switchWords.comparing} />
          <Button onClick={onClose}>{switchWords.cancel}</Button>
        </span>
      )}
      {failed && (
        <p role="alert" className={styles.trouble}>
          {workTrouble(failed)} <Button onClick={start}>{switchWords.tryAgain}</Button>
        </p>
      )}
      {result && <Rows rows={result} onTaken={onClose} />}
    </Modal>
  );
}

/** Two figures, their unit once where it is the same. */
function fromTo(low: string, high: string): string {
  const unitOf = (text: string) => text.replace(/^[\d.,\s]+/, '');
  const isSame = unitOf(low) === unitOf(high) && unitOf(low) !== '';
  return `${isSame ? low.slice(0, low.length - unitOf(low).length).trimEnd() : low} … ${high}`;
}

/** What a way cannot do: first what cannot work in it at all. */
function Drawbacks({ row }: { readonly row: Compared }) {
  const light = useLightText();
  const { cannot, asksOther, shortcomings } = row;
  const texts = [
    ...(asksOther ? [switchWords.asksOther] : []),
    ...shortcomings.map((each) => shortcomingTexts[each]),
  ];
  return (
    <>
      {cannot && (
        <span className={styles.trouble}>
          <CloseCircleFilled aria-hidden /> {switchWords.cannotWork}: {adviceSentence(cannot, light)}{' '}
        </span>
      )}
      {texts.join('; ') || (cannot ? '' : switchWords.noDrawbacks)}
    </>
  );
}

function Rows({ rows, onTaken }: { readonly rows: readonly Compared[]; readonly onTaken: () => void }) {
  const apply = useApply();
  const light = useLightText();
  const scale = useScale();
  const project = useProject();
  const free = freeVariant(project);
  const definition = detectorDefinition(project.detector);
  const figure = (text: string) => <span className={`figures ${styles.nowrap}`}>{text}</span>;
  const off = (share: number | null) => (share === null ? '–' : formatPercentOff(share));
  // What an offset's drift may do is the larger part of it.
  const warmth = ({ perTenCelsius, driftPerTen }: Compared) =>
    driftPerTen !== null && driftPerTen > Math.abs(perTenCelsius ?? 0)
      ? eitherWay(driftPerTen)
      : off(perTenCelsius);
  const take = (row: Compared, beside: boolean) => {
    const circuit = circuitOf(row.project);
    apply(beside ? addVariant(circuit) : (present) => ({ ...present, ...circuit }));
    onTaken();
  };
  return (
    <>
      <p className="soft">
        {goalSentence(project, scale)} {switchWords.spreadOf}
        {definition.goalEnd(project.detector) === 'off' && ` ${switchWords.othersTurnOn}`}
      </p>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={switchWords.everyWay}>
        <Table<Compared>
          size="small"
          pagination={false}
          rowKey="id"
          dataSource={[...rows]}
          columns={[
            {
              title: switchWords.way,
              render: (_, { id }) => <b className={styles.nowrap}>{compareName(id)}</b>,
            },
            {
              title: switchWords.onAt,
              align: 'right',
              render: (_, { onLux }) => figure(onLux === null ? '–' : light(onLux)),
            },
            {
              title: switchWords.offAt,
              align: 'right',
              render: (_, { offLux }) => figure(offLux === null ? '–' : light(offLux)),
            },
            {
              title: switchWords.transition,
              align: 'right',
              render: (_, { softBand }) =>
                figure(softBand === null ? '–' : softBand === 1 ? 'snaps' : ratio(softBand)),
            },
            { title: '10 °C', align: 'right', render: (_, row) => figure(warmth(row)) },
            { title: '1 V', align: 'right', render: (_, row) => figure(off(row.perVolt)) },
            {
              title: switchWords.spread,
              align: 'right',
              render: (_, { spread }) =>
                figure(spread === null ? '–' : fromTo(light(spread.lowLux), light(spread.highLux))),
            },
            { title: switchWords.parts, align: 'right', render: (_, { parts }) => figure(String(parts)) },
            {
              title: switchWords.whenOff,
              align: 'right',
              render: (_, { idleAmps }) => figure(amps(idleAmps)),
            },
            {
              title: switchWords.whatItCannot,
              render: (_, row) => <Drawbacks row={row} />,
            },
            {
              title: <span className="visually-hidden">{switchWords.take}</span>,
              render: (_, row) => (
                <span className={styles.takes}>
                  <Button
                    size="small"
                    type="primary"
                    aria-label={`Use: ${compareName(row.id)}`}
                    onClick={() => take(row, false)}
                  >
                    {switchWords.use}
                  </Button>
                  {free && (
                    <Button
                      size="small"
                      aria-label={`As ${free}: ${compareName(row.id)}`}
                      onClick={() => take(row, true)}
                    >
                      As {free}
                    </Button>
                  )}
                </span>
              ),
            },
          ]}
        />
      </div>
    </>
  );
}
