'use client';

import { Fragment, useState } from 'react';
import type { Probe } from '@/core/faults/probe';
import { groupOf, standingOf, testGroups, unplugFor, type TestPoint } from '@/core/points/testPoints';
import type { Meter } from '@/core/meter/meter';
import { bandText, probeHint, probeText, valueText, type Bench } from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import type { Points } from '@/workers/check/compute';
import { loadsToSee } from '@/core/faults/seen';
import { AnswerField } from '../AnswerField';
import styles from '../Check.module.css';

interface PointsTableProps {
  readonly points: Points;
  readonly bench: Bench;
  readonly meter: Meter;
  readonly answers: ReadonlyMap<string, number>;
  readonly onAnswer: (key: string, value: number | null) => void;
  /** Parts that a point is about, to be lit on the schematic. */
  readonly onLook: (parts: readonly string[]) => void;
}

const railsOf = ({ assembly }: Bench): readonly string[] =>
  assembly.parts.flatMap((part) => (part.kind === 'supply' ? [part.rail] : []));

/** Every point to measure, in the order in which it is done, with a field for what the meter shows. */
export function PointsTable(props: PointsTableProps) {
  const rails = railsOf(props.bench);
  return (
    <div className={styles.scroll}>
      <table className={styles.points}>
        <thead>
          <tr>
            <th>{checkWords.what}</th>
            <th className={styles.number}>{checkWords.should}</th>
            <th className={styles.number}>{checkWords.band}</th>
            <th className={styles.entry}>{checkWords.measured}</th>
            <th>{checkWords.standing}</th>
          </tr>
        </thead>
        <tbody>
          {testGroups.map((group) => {
            const own = props.points.points.filter(({ probe }) => groupOf(probe, rails) === group);
            if (own.length === 0) return null;
            return (
              <Fragment key={group}>
                <tr className={styles.group}>
                  <th colSpan={5}>{checkWords.groups[group]}</th>
                </tr>
                {own.map((point) => (
                  <PointRow key={point.key} {...props} point={point} />
                ))}
              </Fragment>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function PointRow({
  point,
  points,
  bench,
  meter,
  answers,
  onAnswer,
  onLook,
}: PointsTableProps & { readonly point: TestPoint }) {
  const { probe, key, expected, low, high } = point;
  const value = answers.get(key) ?? null;
  const standing = value === null ? null : standingOf(point, value);
  const name = probeText(bench, probe, points.lights);
  const [isHere, setHere] = useState(false);
  return (
    <tr
      onFocus={() => {
        setHere(true);
        onLook(partsOf(bench, probe));
      }}
      onBlur={({ currentTarget, relatedTarget }) => setHere(currentTarget.contains(relatedTarget))}
    >
      <td>
        {name}
        {unplugFor(probe) === 'in-line' && <span className={styles.hint}>{checkWords.inLine}</span>}
        {probe.kind === 'time' && (
          <span className={styles.hint}>{probeHint(bench, probe, points.lights)}</span>
        )}
      </td>
      <td className={`figures ${styles.number ?? ''}`}>{valueText(probe, expected, meter, points.loads)}</td>
      <td className={`figures soft ${styles.number ?? ''}`}>{bandText(probe, low, high, meter)}</td>
      <td className={styles.entry}>
        <AnswerField
          probe={probe}
          label={name}
          meter={meter}
          value={value}
          loads={loadsToSee(bench.assembly)}
          takesLive={isHere}
          onAnswer={(found) => onAnswer(key, found)}
        />
      </td>
      <td>{standing && <span className={styles[standing]}>{checkWords.standings[standing]}</span>}</td>
    </tr>
  );
}

/** The parts that a point is at. */
function partsOf({ assembly }: Bench, probe: Probe): readonly string[] {
  switch (probe.kind) {
    case 'ohms':
      return [probe.designator];
    case 'volts':
      return assembly.parts.flatMap((part) =>
        Object.values(part).includes(probe.net) && part.kind !== 'supply' ? [part.designator] : [],
      );
    case 'load':
    case 'amps':
    case 'time':
      return assembly.parts.flatMap(({ role, designator }) => (role === 'load' ? [designator] : []));
    case 'look':
      return probe.designator === null ? [] : [probe.designator];
  }
}
