'use client';

import { Alert } from 'antd';
import { useMemo, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { sunPosition } from '@/core/light/daylight';
import { DEFAULT_DAY, dayField, midnightOf, type DaySettings } from '@/core/simulate/day/daySettings';
import type { DayInput } from '@/core/simulate/day/dayReport';
import { trackOf, type Recorded } from '@/core/simulate/day/recorded';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { useWork } from '@/ui/common/useWork';
import { ChoiceField } from '@/ui/fields/ChoiceField';
import { useProject } from '@/ui/workbench/context';
import { tryWords } from '@/ui/words/panels/try';
import { recordedRefusal } from '@/ui/words/trying';
import { dayClient } from '@/workers/try/clients';
import styles from '../Try.module.css';
import { WorkStart } from '../WorkStart';
import { useKept } from '../useKept';
import { ByTimePanel } from './ByTimePanel';
import { CurePanel } from './CurePanel';
import { DayChart, type Sunlit } from './DayChart';
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
  const [day, change] = useKept('yemko-day', dayField, DEFAULT_DAY);
  const [light, setLight] = useState<'place' | 'log'>('place');
  const [logId, setLogId] = useState<string | null>(null);
  const [csv, setCsv] = useState<{ readonly name: string; readonly light: Recorded } | null>(null);
  const log = useLogLight(light === 'log' && !csv ? logId : null, design.ldr.curve);
  const recorded = light === 'log' ? (csv?.light ?? log) : null;
  const found = useMemo(() => recorded && trackOf(recorded), [recorded]);
  const input: DayInput =
    light === 'log' && found?.ok ? { day: null, track: found.track } : { day, track: null };
  const key = JSON.stringify({
    ...project,
    name: '',
    day: input.day,
    logId: input.day ? null : (csv?.name ?? logId),
  });
  const work = useWork(dayClient, { project, input }, key);
  const isReady = light === 'place' || found?.ok === true;
  const report = work.result?.ok ? work.result.report : null;
  return (
    <Columns
      left={
        <>
          {ways}
          <Panel title={tryWords.where}>
            <ChoiceField label={tryWords.light} value={light} options={lights} onChange={setLight} />
            {light === 'place' ? (
              <DayFields day={day} onChange={change} />
            ) : (
              <>
                <LogField
                  value={csv ? null : logId}
                  onChange={(id) => {
                    setCsv(null);
                    setLogId(id);
                  }}
                />
                <LightCsvField name={csv?.name ?? null} onTake={setCsv} />
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
                <DayChart
                  key={key}
                  report={report}
                  {...lightsOf(design)}
                  day={input.day && sunlit(input.day)}
                />
              </Panel>
              <DayFacts report={report} />
              <HoursStrip report={report} range={design.range} onLux={lightsOf(design).onLux} />
              {input.day && report.bursts.length > 0 && <CurePanel day={input.day} />}
              {input.day && project.others.length > 0 && <VariantDays day={input.day} />}
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

function lightsOf({ half, thresholds }: Design) {
  const on = thresholds ? thresholds.turnOn : half;
  const off = thresholds?.turnOff;
  return { onLux: on.ok ? on.lux : null, offLux: off?.ok ? off.lux : null };
}

/** Civil twilight begins and ends with the sun so far under the horizon, in degrees. */
const TWILIGHT_DEGREES = -6;

/** Between which seconds of a day the sun is up, and from the first to the last twilight. */
function sunlit(day: DaySettings): Sunlit {
  const midnight = midnightOf(day);
  const minutes = Array.from({ length: 289 }, (_, index) => index * 300);
  const altitudes = minutes.map(
    (at) => sunPosition(midnight + at * 1000, day.latitude, day.longitude).altitude,
  );
  const span = (degrees: number) => {
    const first = altitudes.findIndex((altitude) => altitude > degrees);
    const last = altitudes.findLastIndex((altitude) => altitude > degrees);
    return first < 0 ? { from: 86_400, to: 86_400 } : { from: minutes[first] ?? 0, to: minutes[last] ?? 0 };
  };
  return { sun: span(0), twilight: span(TWILIGHT_DEGREES) };
}
