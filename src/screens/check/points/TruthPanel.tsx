'use client';

import { probeKey } from '@/core/faults/probe';
import { standingOf, truthTable } from '@/core/points/testPoints';
import { seenIn } from '@/core/faults/seen';
import type { Meter } from '@/core/meter/meter';
import { Panel } from '@/ui/common/Panel';
import { pointName, seenWords, testLightNamesShort, valueText, type Bench } from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import type { Points } from '@/workers/check/compute';
import styles from '../Check.module.css';

interface TruthPanelProps {
  readonly points: Points;
  readonly bench: Bench;
  readonly meter: Meter;
  readonly answers: ReadonlyMap<string, number>;
}

/** Both inputs, output and load, in the dark and in the light, as people draw it up; measured below predicted. */
export function TruthPanel({ points, bench, meter, answers }: TruthPanelProps) {
  const { lights, loads, nets } = points;
  const columns = bench.assembly.testPoints.flatMap(({ net }) => (nets.includes(net) ? [net] : []));
  const lines = truthTable({ lights, loads }, points.points, columns);
  return (
    <Panel title={checkWords.truth}>
      <div className={styles.scroll} tabIndex={0} role="group" aria-label={checkWords.truth}>
        <table className={styles.points} data-plain>
          <thead>
            <tr>
              <th>{checkWords.truthLight}</th>
              {columns.map((net) => (
                <th key={net} className={styles.number}>
                  {pointName(bench, net)}
                </th>
              ))}
              <th>{checkWords.truthLoad}</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => {
              const seen = answers.get(probeKey({ kind: 'load', light: line.light }));
              return (
                <tr key={line.light}>
                  <td>{testLightNamesShort[lights[line.light]?.name ?? 'dark']}</td>
                  {line.points.map((point) => {
                    const value = answers.get(point.key);
                    return (
                      <td key={point.key} className={`figures ${styles.number ?? ''}`}>
                        {valueText(point.probe, point.expected, meter, loads)}
                        {value !== undefined && (
                          <b className={styles[standingOf(point, value)]}>
                            <br />
                            {valueText(point.probe, value, meter, loads)}
                          </b>
                        )}
                      </td>
                    );
                  })}
                  <td>
                    {line.loads.map((one) => seenWords[one]).join(' · ')}
                    {seen !== undefined && (
                      <b
                        className={seenIn(seen, loads).join() === line.loads.join() ? styles.in : styles.out}
                      >
                        <br />
                        {seenIn(seen, loads)
                          .map((one) => seenWords[one])
                          .join(' · ')}
                      </b>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </Panel>
  );
}
