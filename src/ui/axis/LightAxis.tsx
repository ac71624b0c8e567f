'use client';

import { cssVars } from '@/ui/common/cssVars';
import { memo, useMemo, useRef, type KeyboardEvent, type ReactNode } from 'react';
import { isLitWhenOff } from '@/core/analyse/feedbackLight';
import type { Design } from '@/core/design';
import { isOnce, stageOf } from '@/core/detectors/stageOf';
import { fractionOfLux, type LightRange } from '@/core/light/range';
import type { LightScale } from '@/core/light/scale';
import { useGoal, useLightText, useProjectPart, useScale, useView } from '../workbench/context';
import { scaleNames, scaleUnits } from '../words/light';
import { rulerNames } from '../words/places';
import styles from './LightAxis.module.css';
import { lightGradient, wantsInk } from './lightColors';
import { fineTicksOf, majorTicksOf, withRoom, type PlacedName } from './ticks';
import { useAxisDrag } from './useAxisDrag';
import { useLightControls, type GoalEnd } from './useLightControls';
import { sharedWords } from '@/ui/words/panels/shared';

interface LightAxisProps {
  readonly design: Design;
  readonly children: ReactNode;
}

/** Where a light stands, for the style sheet; one beyond the axis stands at its end. */
const at = (lux: number, range: LightRange) =>
  cssVars({ '--at': Math.min(1, Math.max(0, fractionOfLux(lux, range))) });

/** The one light axis: ruler, probe and goal over every strip. Strips are its children. */
export function LightAxis({ design, children }: LightAxisProps) {
  const plot = useRef<HTMLDivElement>(null);
  const { range } = design;
  const { scale, lights } = design.resolved;
  const readings = useProjectPart((project) => project.readings);
  const levels = useProjectPart((project) => project.levels);
  const names = useMemo(
    () => withRoom(rulerNames(scale, readings, levels, lights), range),
    [scale, readings, levels, lights, range],
  );
  const controls = useLightControls(range);
  const probeMoves = useMemo(() => ({ onMove: controls.moveProbe }), [controls.moveProbe]);
  const probeDrag = useAxisDrag(plot, range, probeMoves);
  const { probeLight } = controls;
  const flagMoves = useMemo(() => ({ ...probeMoves, held: probeLight }), [probeMoves, probeLight]);
  const flagDrag = useAxisDrag(plot, range, flagMoves);
  return (
    <div className={styles.axis}>
      <ProbeFlag range={range} drag={flagDrag} onKey={controls.probeKey} />
      <div className={styles.rulerRow}>
        <span className={styles.rulerName}>{scaleNames[scale]}</span>
        <div ref={plot} className={styles.plot} data-testid="light-ruler" {...probeDrag}>
          <Ruler range={range} scale={scale} names={names} />
        </div>
      </div>
      <GoalFlags plot={plot} range={range} controls={controls} />
      <div className={styles.strips}>
        <Marks design={design} />
        {children}
        <div className={styles.grab} {...probeDrag} data-testid="strip-grab" />
      </div>
    </div>
  );
}

/** Room for each letter of a name where the ruler is about 290 px long, as a share of it. */
const NARROW_ROOM = 0.027;

interface RulerProps {
  readonly range: LightRange;
  readonly scale: LightScale;
  readonly names: readonly PlacedName[];
}

const Ruler = memo(function Ruler({ range, scale, names }: RulerProps) {
  const majors = majorTicksOf(range, scale);
  // What stays where the ruler is as short as a phone is wide.
  const few = new Set(withRoom(names, range, NARROW_ROOM));
  return (
    <>
      <div className={styles.gradient} style={{ background: lightGradient(range, scale) }}>
        {names.map((name) => (
          <span
            key={name.text}
            data-few={few.has(name)}
            className={wantsInk(name.light, range, scale) ? styles.placeInk : styles.place}
            style={at(name.light, range)}
          >
            {name.text}
          </span>
        ))}
      </div>
      <div className={styles.ticks} aria-hidden>
        {fineTicksOf(range, scale).map((light) => (
          <i key={light} className={styles.minor} style={at(light, range)} />
        ))}
        {majors.map(({ light, label }, index) => (
          <span
            key={light}
            data-few={(majors.length - 1 - index) % 2 === 0}
            className={styles.decade}
            style={at(light, range)}
          >
            <i />
            <b className="figures">
              {label}
              {index === majors.length - 1 && ` ${scaleUnits[scale]}`}
            </b>
          </span>
        ))}
      </div>
    </>
  );
});

function handleKey(onKey: (key: string, alt: boolean) => boolean) {
  return (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) return;
    if (onKey(event.key, event.altKey)) {
      event.preventDefault();
      event.stopPropagation();
    }
  };
}

interface ProbeFlagProps {
  readonly range: LightRange;
  readonly drag: ReturnType<typeof useAxisDrag>;
  readonly onKey: (key: string, alt: boolean) => boolean;
}

const ProbeFlag = memo(function ProbeFlag({ range, drag, onKey }: ProbeFlagProps) {
  const lux = useView((state) => state.probeLux);
  const luxText = useLightText();
  return (
    <div className={styles.flagRow}>
      <div
        role="slider"
        tabIndex={0}
        aria-label={sharedWords.probeTheLight}
        aria-valuemin={range.minLux}
        aria-valuemax={range.maxLux}
        aria-valuenow={Number(lux.toPrecision(3))}
        aria-valuetext={luxText(lux)}
        className={styles.probeFlag}
        style={at(lux, range)}
        onKeyDown={handleKey(onKey)}
        {...drag}
      >
        <span className={styles.flagWord}>{sharedWords.probe}</span> <b className="figures">{luxText(lux)}</b>
      </div>
    </div>
  );
});

interface GoalFlagsProps {
  readonly plot: React.RefObject<HTMLDivElement | null>;
  readonly range: LightRange;
  readonly controls: ReturnType<typeof useLightControls>;
}

/** The goal, and the light at which it should turn off again, or be ready for the next time, where that is said. */
const GoalFlags = memo(function GoalFlags(props: GoalFlagsProps) {
  const { action, lux, offLux } = useGoal();
  const runsOnce = useProjectPart((project) => isOnce(stageOf(project).kind));
  const isDark = action === 'on-in-dark';
  const side = isDark ? 'above' : 'below';
  const name = `Goal: the load turns ${isDark ? 'on below' : 'on above'} this light`;
  return (
    <div className={styles.flagRow}>
      {offLux !== null && (
        <GoalFlag
          {...props}
          end="offLux"
          lux={offLux}
          name={`Goal: the load ${runsOnce ? 'is ready again' : 'turns off'} ${side} this light`}
          beyond={offLux >= lux}
        >
          <span className={styles.flagWord}>{runsOnce ? sharedWords.ready : sharedWords.off}</span>{' '}
          <GoalText lux={offLux} />
        </GoalFlag>
      )}
      <GoalFlag {...props} end="lux" lux={lux} name={name} beyond={offLux === null ? null : lux > offLux}>
        {isDark && <span aria-hidden>{sharedWords.on}</span>}
        <span className={styles.flagWord}>{sharedWords.goal}</span> <GoalText lux={lux} />
        {!isDark && <span aria-hidden>{sharedWords.on2}</span>}
      </GoalFlag>
    </div>
  );
});

function GoalText({ lux }: { readonly lux: number }) {
  return <b className="figures">{useLightText()(lux)}</b>;
}

interface GoalFlagProps extends GoalFlagsProps {
  readonly end: GoalEnd;
  readonly lux: number;
  readonly name: string;
  /** Of two flags the brighter one hangs to the right of its line, the darker to the left; `null` for one alone. */
  readonly beyond: boolean | null;
  readonly children: ReactNode;
}

function GoalFlag({ plot, range, controls, end, lux, name, beyond, children }: GoalFlagProps) {
  const luxText = useLightText();
  const { draftGoal, dropGoal, goalKey, goalLight } = controls;
  const moves = useMemo(
    () => ({
      onMove: (light: number) => draftGoal(end, light),
      onEnd: (light: number) => dropGoal(end, light),
      held: () => goalLight(end),
    }),
    [draftGoal, dropGoal, end, goalLight],
  );
  const drag = useAxisDrag(plot, range, moves);
  const side = beyond === null ? '' : beyond ? styles.right : styles.left;
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuemin={range.minLux}
      aria-valuemax={range.maxLux}
      aria-valuenow={lux}
      aria-valuetext={luxText(lux)}
      className={`${end === 'lux' ? styles.goalFlag : styles.offFlag} ${side}`}
      style={at(lux, range)}
      onKeyDown={handleKey((key, alt) => goalKey(end, key, alt))}
      {...drag}
    >
      {children}
    </div>
  );
}

const Grid = memo(function Grid({ range, scale }: Pick<RulerProps, 'range' | 'scale'>) {
  return majorTicksOf(range, scale)
    .filter(({ light }) => light > range.minLux && light < range.maxLux)
    .map(({ light }) => <i key={light} className={styles.gridLine} style={at(light, range)} />);
});

/** The light that the load adds, from where it begins to shine upward: what its band has to bear. */
function OwnBand({ design }: { readonly design: Design }) {
  const feedbackLux = useProjectPart((project) => project.feedbackLux);
  const { thresholds, half, range } = design;
  const on = !thresholds ? half : isLitWhenOff(design) ? thresholds.turnOff : thresholds.turnOn;
  if (feedbackLux === 0 || !on.ok) return null;
  const from = fractionOfLux(on.lux, range);
  const to = fractionOfLux(on.lux + feedbackLux, range);
  const end = Math.min(1, to);
  return (
    <i
      className={styles.ownBand}
      style={{ left: `${from * 100}%`, width: `${Math.max(0, end - from) * 100}%` }}
    >
      {sharedWords.itsOwnLight}
    </i>
  );
}

/** Goal, switching point and transition band through all strips. */
function Marks({ design }: { readonly design: Design }) {
  const goal = useGoal();
  const { range, half, justOff, fullyOn } = design;
  const scale = useScale();
  const edges =
    justOff.ok && fullyOn.ok && !design.thresholds?.isWindow
      ? [justOff.lux, fullyOn.lux].sort((one, other) => one - other)
      : null;
  const [from, to] = edges?.map((lux) => fractionOfLux(lux, range)) ?? [0, 0];
  return (
    <div className={styles.overlay} aria-hidden>
      <Grid range={range} scale={scale} />
      {edges && (
        <i
          className={styles.softBand}
          style={{ left: `${(from ?? 0) * 100}%`, width: `${((to ?? 0) - (from ?? 0)) * 100}%` }}
        />
      )}
      <OwnBand design={design} />
      <i className={styles.goalLine} style={at(goal.lux, range)} />
      {goal.offLux !== null && <i className={styles.offLine} style={at(goal.offLux, range)} />}
      {half.ok && <i className={styles.halfLine} style={at(half.lux, range)} />}
    </div>
  );
}
