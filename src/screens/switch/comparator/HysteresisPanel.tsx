'use client';

import { Button, Progress, Table } from 'antd';
import { useMemo } from 'react';
import { takeParts } from '@/core/size/hysteresis';
import type { HysteresisChoice } from '@/core/detectors/comparator/hysteresis';
import type { HysteresisSearch } from '@/core/size/hysteresis';
import { changeGoal } from '@/core/project/edits';
import type { ComparatorSettings } from '@/core/detectors/comparator/settings';
import { LIMITS, type Project } from '@/core/project/project';
import { Panel } from '@/ui/common/Panel';
import { OptionalQuantity } from '@/ui/fields/OptionalQuantity';
import { useApply, useLightText, useProject, useScale } from '@/ui/workbench/context';
import { amps, partOhms, percent } from '@/ui/words/figures';
import { searchRefusal } from '@/ui/words/searching';
import { hysteresisClient } from '@/workers/hysteresis/client';
import styles from '../Switch.module.css';
import { useWork } from '@/ui/common/useWork';
import { workTrouble } from '@/ui/words/work';
import { switchWords } from '@/ui/words/panels/switch';

/** From one light or two to real parts: the light at which it should turn off, and what is in stock for them. */
export function HysteresisPanel({ settings }: { readonly settings: ComparatorSettings }) {
  const apply = useApply();
  const project = useProject();
  const scale = useScale();
  const { goal } = project;
  const search = useWork(
    hysteresisClient,
    project,
    useMemo(() => wanted(project, settings), [project, settings]),
  );
  const isDark = goal.action === 'on-in-dark';
  return (
    <Panel title={switchWords.partsForLights}>
      <div className={styles.ask}>
        <OptionalQuantity
          label={isDark ? 'Off again above' : 'Off again below'}
          unit={scale === 'lux' ? 'lx' : '×'}
          value={goal.offLux}
          limits={LIMITS.light}
          whenEmpty="not set"
          onCommit={(offLux) => apply(changeGoal({ offLux }))}
        />
        {search.running === null ? (
          <Button
            type="primary"
            disabled={goal.offLux === null && settings.feedbackOhms !== null}
            onClick={search.start}
          >
            {switchWords.findParts}
          </Button>
        ) : (
          <span className={styles.progress}>
            <Progress type="circle" size={26} percent={Math.round(search.running * 100)} />
            <Button onClick={search.cancel}>{switchWords.cancel}</Button>
          </span>
        )}
      </div>
      {search.failed && (
        <p role="alert" className={styles.trouble}>
          {workTrouble(search.failed)}
        </p>
      )}
      {search.result && <Found search={search.result} isDark={isDark} />}
    </Panel>
  );
}

/** What a search depends on: not on the parts that it proposes. */
function wanted(project: Project, settings: ComparatorSettings): string {
  const { reference, feedbackOhms } = settings;
  const kept = { track: reference.trimmer?.trackOhms, isPlain: feedbackOhms === null };
  const detector = { ...settings, reference: kept, feedbackOhms: 0, sensorOhms: 0 };
  return JSON.stringify({ ...project, detector, name: '', divider: { ...project.divider, fixedOhms: 0 } });
}

function Found({ search, isDark }: { readonly search: HysteresisSearch; readonly isDark: boolean }) {
  if (search.ok) return <Choices choices={search.found} />;
  const nearest = search.reason === 'not-reachable' ? search.nearest : null;
  return (
    <>
      <p role="alert" className={styles.trouble}>
        {searchRefusal(search, isDark)}
      </p>
      {nearest && <Choices choices={[nearest]} />}
    </>
  );
}

/** Without feedback there is no such resistor. */
const feedbackText = (ohms: number) => (Number.isFinite(ohms) ? partOhms(ohms) : '–');

function Choices({ choices }: { readonly choices: readonly HysteresisChoice[] }) {
  const apply = useApply();
  const light = useLightText();
  const figure = (text: string) => <span className={`figures ${styles.nowrap}`}>{text}</span>;
  const hasSensor = choices.some(({ sensorOhms }) => sensorOhms !== null);
  const hasTrimmer = choices.some(({ trimmer }) => trimmer);
  return (
    <div className={styles.scroll} tabIndex={0} role="group" aria-label={switchWords.partsFound}>
      <Table<HysteresisChoice>
        size="small"
        pagination={false}
        rowKey={(choice) => JSON.stringify(choice)}
        dataSource={[...choices]}
        columns={[
          { title: 'R1', align: 'right', render: (_, { fixedOhms }) => figure(partOhms(fixedOhms)) },
          { title: 'R21', align: 'right', render: (_, { topOhms }) => figure(partOhms(topOhms)) },
          { title: 'R22', align: 'right', render: (_, { bottomOhms }) => figure(partOhms(bottomOhms)) },
          ...(hasTrimmer
            ? [
                {
                  title: switchWords.sliderUp,
                  align: 'right' as const,
                  render: (_: unknown, { trimmer }: HysteresisChoice) =>
                    figure(trimmer ? `${percent(trimmer.position)} up` : '–'),
                },
              ]
            : []),
          {
            title: 'R23',
            align: 'right',
            render: (_, { feedbackOhms }) => figure(feedbackText(feedbackOhms)),
          },
          ...(hasSensor
            ? [
                {
                  title: 'R24',
                  align: 'right' as const,
                  render: (_: unknown, { sensorOhms }: HysteresisChoice) =>
                    figure(sensorOhms === null ? '–' : partOhms(sensorOhms)),
                },
              ]
            : []),
          { title: switchWords.on, align: 'right', render: (_, { onLux }) => figure(light(onLux)) },
          { title: switchWords.off, align: 'right', render: (_, { offLux }) => figure(light(offLux)) },
          {
            title: switchWords.error,
            align: 'right',
            render: (_, { error }) => figure(percent(Math.expm1(error), 1)),
          },
          {
            title: switchWords.byOffset,
            align: 'right',
            render: (_, { spread }) => figure(`±${percent(spread, 1)}`),
          },
          {
            title: switchWords.byResistors,
            align: 'right',
            render: (_, { toleranceShare, trimmer }) =>
              figure(trimmer ? switchWords.trimmed : `±${percent(toleranceShare, 1)}`),
          },
          {
            title: switchWords.current,
            align: 'right',
            render: (_, { totalAmps }) => figure(amps(totalAmps)),
          },
          {
            title: <span className="visually-hidden">{switchWords.take}</span>,
            render: (_, choice) => (
              <Button
                size="small"
                aria-label={`Take R1 ${partOhms(choice.fixedOhms)}, R21 ${partOhms(choice.topOhms)}, R22 ${partOhms(choice.bottomOhms)}, R23 ${feedbackText(choice.feedbackOhms)}`}
                onClick={() => apply(takeParts(choice))}
              >
                {switchWords.take}
              </Button>
            ),
          },
        ]}
      />
    </div>
  );
}
