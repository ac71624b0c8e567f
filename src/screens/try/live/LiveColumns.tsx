'use client';

import { fixed, shortest } from '@/core/quantity/notation';
import { PauseOutlined, PlayCircleOutlined, ReloadOutlined } from '@ant-design/icons';
import { Button, Select, Slider } from 'antd';
import { useId, useState, type ReactNode } from 'react';
import type { Design } from '@/core/design';
import { lowVoltsOf } from '@/core/detectors/bareDivider';
import { fractionOfLux, luxOfFraction } from '@/core/light/range';
import type { VariantName } from '@/core/project/project';
import { variantsOf } from '@/core/project/variants';
import { hands } from '@/core/simulate/hands';
import { KEPT_SECONDS } from '@/core/simulate/liveBench';
import { Columns } from '@/ui/common/Columns';
import { Panel } from '@/ui/common/Panel';
import { Choice } from '@/ui/fields/Choice';
import { SwitchField } from '@/ui/fields/SwitchField';
import { Schematic } from '@/ui/schematic/Schematic';
import { useLightText, useProject } from '@/ui/workbench/context';
import { useKeys } from '@/ui/workbench/useKeys';
import { tryWords } from '@/ui/words/panels/try';
import { handKeys, handNames } from '@/ui/words/trying';
import { useSetting } from '@/ui/settings/settings';
import styles from '../Try.module.css';
import { BenchEvents } from './BenchEvents';
import { BenchFacts } from './BenchFacts';
import { BenchLoads } from './BenchLoads';
import { LiveTrace } from './LiveTrace';
import { useBuzz } from './useBuzz';
import { useLiveBench, useTold, type BenchRun } from './useLiveBench';

const speeds = [1, 0.1, 0.01];

/** A hand over the light, and what the design makes of it, as it goes. */
export function LiveColumns({ design, ways }: { readonly design: Design; readonly ways: ReactNode }) {
  const project = useProject();
  const [beside, setBeside] = useState<VariantName | null>(null);
  const [markedAt, setMarkedAt] = useState<number | null>(null);
  const run = useLiveBench(project, design, beside);
  const isHeard = useSetting('sound');
  const [hasSound, setSound] = useState(false);
  useBuzz(run, design, hasSound);
  const names = variantsOf(project)
    .map(({ name }) => name)
    .filter((name) => name !== project.variant);
  return (
    <Columns
      isWoven
      left={
        <>
          <div className={styles.first}>{ways}</div>
          <Panel title={tryWords.liveTitle}>
            <SteadyLight run={run} design={design} />
            <Hands run={run} hasBeam={project.beam !== null} />
            <Controls run={run} />
            {names.length > 0 && <Beside names={names} value={beside} onChange={setBeside} />}
            <SwitchField
              label={tryWords.sound}
              isOn={hasSound && isHeard}
              isDisabled={!isHeard}
              onChange={setSound}
            />
          </Panel>
          <BenchFacts run={run} design={design} />
          <BenchEvents run={run} markedAt={markedAt} onMark={setMarkedAt} />
        </>
      }
      right={
        <>
          <div className={styles.second}>
            <Panel title={tryWords.trace}>
              <LiveTrace
                run={run}
                range={design.range}
                curve={design.ldr.curve}
                minVolts={lowVoltsOf(design.assembly.parts)}
                maxVolts={project.divider.supplyVolts}
                markedAt={markedAt}
              />
              <LookBack run={run} />
            </Panel>
          </div>
          <BenchLoads run={run} design={design} beside={beside} />
          <Schematic design={design} />
        </>
      }
    />
  );
}

interface RunProps {
  readonly run: BenchRun;
}

/** The steady light that hands go over, dragged along the light axis. */
function SteadyLight({ run, design }: RunProps & { readonly design: Design }) {
  const id = useId();
  const light = useLightText();
  const { range } = design;
  const lux = useTold(run, 'figures', () => run.bench.aimLux);
  return (
    <div>
      <div className={styles.lightRow}>
        <span id={id}>{tryWords.steadyLight}</span>
        <b className="figures">{light(lux)}</b>
      </div>
      <Slider
        min={0}
        max={1}
        step={0.002}
        value={fractionOfLux(lux, range)}
        ariaLabelledByForHandle={id}
        ariaValueTextFormatterForHandle={() => light(lux)}
        tooltip={{ open: false }}
        onChange={(fraction) => run.turnTo(luxOfFraction(fraction, range))}
      />
    </div>
  );
}

/** What one can do to the light, each by a tap or a key. */
function Hands({ run, hasBeam }: RunProps & { readonly hasBeam: boolean }) {
  const offered = hands.filter((hand) => hand !== 'beam' || hasBeam);
  const up = useTold(run, 'figures', () => offered.filter((hand) => run.bench.isUp(hand)).join(' ')).split(
    ' ',
  );
  useKeys(Object.fromEntries(offered.map((hand) => [handKeys[hand].toLowerCase(), () => run.tap(hand)])));
  return (
    <div className={styles.hands} role="group" aria-label={tryWords.doSomething}>
      {offered.map((hand) => (
        <Button
          key={hand}
          size="small"
          type={up.includes(hand) ? 'primary' : 'default'}
          aria-pressed={up.includes(hand)}
          onClick={() => run.tap(hand)}
        >
          {handNames[hand]} <kbd>{handKeys[hand]}</kbd>
        </Button>
      ))}
    </div>
  );
}

function Controls({ run }: RunProps) {
  const { isPaused, speed, setPaused, setSpeed, lookAt, restart } = run;
  const goOn = () => {
    lookAt(null);
    setPaused(false);
  };
  const turn = () => (isPaused ? goOn() : setPaused(true));
  useKeys({ p: turn });
  return (
    <div className={styles.row}>
      <Button size="small" icon={isPaused ? <PlayCircleOutlined /> : <PauseOutlined />} onClick={turn}>
        {isPaused ? tryWords.goOn : tryWords.pause} <kbd>P</kbd>
      </Button>
      <Choice
        size="small"
        aria-label={tryWords.speed}
        value={String(speed)}
        options={speeds.map((each) => ({ value: String(each), label: `${shortest(each, 1)}×` }))}
        onChange={(value) => setSpeed(Number(value))}
      />
      <Button size="small" icon={<ReloadOutlined />} onClick={restart}>
        {tryWords.again}
      </Button>
    </div>
  );
}

interface BesideProps {
  readonly names: readonly VariantName[];
  readonly value: VariantName | null;
  readonly onChange: (name: VariantName | null) => void;
}

/** Another variant under the same hand. */
function Beside({ names, value, onChange }: BesideProps) {
  const id = useId();
  return (
    <div className={styles.row}>
      <label htmlFor={id}>{tryWords.besides}</label>
      <Select<string>
        id={id}
        size="small"
        value={value ?? ''}
        options={[
          { value: '', label: tryWords.nothingBeside },
          ...names.map((name) => ({ value: name, label: name })),
        ]}
        onChange={(chosen) => onChange(names.find((name) => name === chosen) ?? null)}
        style={{ width: 110 }}
      />
    </div>
  );
}

/** A slider over the last minute: what is looked at stands still. */
function LookBack({ run }: RunProps) {
  const id = useId();
  const { bench, lookedAt, lookAt } = run;
  const back = bench.time - (lookedAt ?? bench.time);
  const oldest = useTold(run, 'figures', () =>
    Math.min(KEPT_SECONDS, Math.round(bench.time - (bench.samples[0]?.time ?? bench.time))),
  );
  return (
    <div>
      <div className={styles.lightRow}>
        <span id={id}>{tryWords.lookBack}</span>
        <b className="figures">{back < 0.005 ? 'now' : `${fixed(back, 2)} s ago`}</b>
      </div>
      <Slider
        min={-Math.max(1, oldest)}
        max={0}
        step={0.02}
        value={-back}
        ariaLabelledByForHandle={id}
        tooltip={{ open: false }}
        onChange={(value) => lookAt(value >= 0 ? null : bench.time + value)}
      />
    </div>
  );
}
