'use client';

import { Alert } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { DEFAULT_DAY, dayField } from '@/core/simulate/day/daySettings';
import { sitedDay } from '@/core/siting/sitedDay';
import type { DayInput } from '@/core/simulate/day/dayReport';
import { trackOf, type Recorded } from '@/core/simulate/day/recorded';
import { sunlitOf } from '@/core/simulate/day/sunlit';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { useWork } from '@/ui/common/useWork';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useProject, useScale } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { clearText } from '@/ui/words/siting';
import { recordedRefusal } from '@/ui/words/trying';
import { dayClient } from '@/workers/try/clients';
import styles from '../Try.module.css';
import { WorkStart } from '@/ui/common/WorkStart';
import { useKept } from '@/ui/common/useKept';
import { ByTimePanel } from './ByTimePanel';
import { CurePanel } from './CurePanel';
import { DayChart } from './DayChart';
import { DayFacts } from './DayFacts';
import { DayFields } from './DayFields';
import { HoursStrip } from './HoursStrip';
import { LightCsvField } from './LightCsvField';
import { LogField } from './LogField';
import { useLogLight } from './useLogLight';
import { VariantDays } from './VariantDays';
import { YearPanel } from './YearPanel';

const lights = [
  { value: 'place', label: tryWords.fromPlace },
  { value: 'log', label: tryWords.fromLog },
] as const;

/** A design through a day, or through a light that was recorded. */
export function DayColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const [outside, change] = useKept('yemko-day', dayField, DEFAULT_DAY);
  // As it comes to the LDR in the place that step 6 knows of.
  const { siting } = project.build;
  const day = useMemo(() => sitedDay(outside, siting), [outside, siting]);
  const [wanted, setLight] = useState<'place' | 'log'>('place');
  // The light of a place is in lux: beside readings that are not it says nothing.
  const isLux = useScale() === 'lux';
  const light = isLux ? wanted : 'log';
  const [logId, setLogId] = useState<string | null>(null);
  const [csv, setCsv] = useState<{ readonly name: string; readonly light: Recorded } | null>(null);
  const file = isLux ? csv : null;
  const log = useLogLight(light === 'log' && !file ? logId : null, design.ldr.curve);
  const recorded = light === 'log' ? (file?.light ?? log) : null;
  const found = useMemo(() => recorded && trackOf(recorded), [recorded]);
  const input: DayInput =
    light === 'log' && found?.ok ? { day: null, track: found.track } : { day, track: null };
  const key = JSON.stringify({
    ...project,
    name: '',
    day: input.day,
    logId: input.day ? null : (file?.name ?? logId),
  });
  const work = useWork(dayClient, { project, input }, key);
  const isReady = light === 'place' || found?.ok === true;
  const sunlit = useMemo(() => input.day && sunlitOf(input.day), [input.day]);
  const report = work.result?.ok ? work.result.report : null;
  return (
    <Columns
      left={
        <>
          {ways}
          <Panel title={tryWords.where}>
            {isLux ? (
              <ChoiceField label={tryWords.light} value={light} options={lights} onChange={setLight} />
            ) : (
              <p className="soft">{tryWords.notLux}</p>
            )}
            {light === 'place' ? (
              <>
                <DayFields day={outside} onChange={change} />
                {siting.clearShare < 1 && (
                  <p className="soft">
                    {tryWords.throughWindow} {clearText(siting.clearShare)}
                  </p>
                )}
              </>
            ) : (
              <>
                <LogField
                  value={file ? null : logId}
                  onChange={(id) => {
                    setCsv(null);
                    setLogId(id);
                  }}
                />
                {isLux && <LightCsvField name={csv?.name ?? null} onTake={setCsv} />}
              </>
            )}
            {light === 'log' && found && !found.ok && (
              <p role="alert" className={styles.trouble}>
                {recordedRefusal(found)}
              </p>
            )}
            <WorkStart work={work} name={tryWords.run} isPrimary isReady={isReady} />
          </Panel>
          {light === 'place' && <ByTimePanel day={day} />}
        </>
      }
      right={
        <>
          {report ? (
            <>
              <Panel title={tryWords.chart}>
                <DayChart key={key} report={report} {...lightsOf(design)} day={sunlit} />
              </Panel>
              <DayFacts report={report} />
              <HoursStrip report={report} range={design.range} on={whereOn(design)} />
              {input.day && report.bursts.length > 0 && <CurePanel day={input.day} />}
              {input.day && project.others.length > 0 && <VariantDays day={outside} />}
            </>
          ) : (
            <Alert type="info" title={workHint(work.running !== null)} />
          )}
          {light === 'place' && <YearPanel day={day} design={design} />}
        </>
      }
    />
  );
}

const workHint = (isRunning: boolean) =>
  isRunning
    ? 'The day is being run …'
    : 'Say where and when, then run the day: what is on when, how often it switches, and why it chatters.';

/** Between which lights the design is once it has turned on. */
function whereOn(design: Design) {
  const { onLux, offLux } = lightsOf(design);
  if (onLux === null) return null;
  if (design.thresholds?.isWindow)
    return offLux === null ? null : { fromLux: Math.min(onLux, offLux), toLux: Math.max(onLux, offLux) };
  return design.action === 'on-in-dark' ? { fromLux: 0, toLux: onLux } : { fromLux: onLux, toLux: Infinity };
}

function lightsOf({ half, thresholds }: Design) {
  const on = thresholds ? thresholds.turnOn : half;
  const off = thresholds?.turnOff;
  return { onLux: on.ok ? on.lux : null, offLux: off?.ok ? off.lux : null };
}
