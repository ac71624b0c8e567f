'use client';

import { Button } from 'antd';
import { probeKey, type Probe } from '@/core/faults/probe';
import type { TestLight } from '@/core/faults/testLights';
import type { Meter } from '@/core/meter/meter';
import { Panel } from '@/ui/common/Panel';
import {
  probeText,
  testLightNamesShort,
  testLightWord,
  valueText,
  type Bench,
} from '@/ui/words/check/points';
import { checkWords } from '@/ui/words/panels/check';
import type { Practised } from '@/workers/check/compute';
import styles from '../Check.module.css';

interface ProbesPanelProps {
  readonly practised: Practised;
  readonly bench: Bench;
  readonly meter: Meter;
  readonly onAsk: (probe: Probe) => void;
  readonly isOver: boolean;
}

/** Everything that can be probed, by light. */
export function ProbesPanel({ practised, bench, meter, onAsk, isOver }: ProbesPanelProps) {
  const found = new Map(practised.answers.map(({ probe, value }) => [probeKey(probe), value]));
  const rows = byPlace(practised.probes);
  return (
    <Panel title={checkWords.practiceProbe}>
      <div className={styles.scroll}>
        <table className={styles.points} data-plain>
          <tbody>
            {rows.map(({ key, probes }) => (
              <tr key={key}>
                <td>{placeText(bench, probes, practised.lights)}</td>
                {probes.map((probe) => {
                  const value = found.get(probeKey(probe));
                  return (
                    <td key={probeKey(probe)} colSpan={spanOf(probe, probes, practised.lights.length)}>
                      {value === undefined ? (
                        <Button
                          size="small"
                          disabled={isOver}
                          aria-label={
                            probes.length > 1
                              ? probeText(bench, probe, practised.lights)
                              : `${checkWords.practiceProbe}: ${probeText(bench, probe, practised.lights)}`
                          }
                          onClick={() => onAsk(probe)}
                        >
                          {'light' in probe && probes.length > 1
                            ? testLightNamesShort[practised.lights[probe.light]?.name ?? 'dark']
                            : checkWords.practiceProbe}
                        </Button>
                      ) : (
                        <b className="figures">{valueText(probe, value, meter, practised.loads)}</b>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Panel>
  );
}

/** The probes of one place in each light side by side. */
function byPlace(
  probes: readonly Probe[],
): readonly { readonly key: string; readonly probes: readonly Probe[] }[] {
  const rows = new Map<string, Probe[]>();
  for (const probe of probes) {
    const key = 'light' in probe ? probeKey({ ...probe, light: 0 }) : probeKey(probe);
    rows.set(key, [...(rows.get(key) ?? []), probe]);
  }
  return [...rows].map(([key, own]) => ({ key, probes: own }));
}

/** Over how many lights a probe stands: the last of a place over all that are left. */
const spanOf = (probe: Probe, probes: readonly Probe[], lights: number) =>
  probe === probes[probes.length - 1] ? lights - probes.length + 1 : 1;

/** What is measured; the light is told by the buttons where there are several. */
function placeText(bench: Bench, probes: readonly Probe[], lights: readonly TestLight[]): string {
  const [probe] = probes;
  if (!probe) return '';
  const text = probeText(bench, probe, lights);
  if (probes.length === 1) return text;
  const light = 'light' in probe ? `, ${testLightWord(lights[probe.light])}` : '';
  return light !== '' && text.endsWith(light) ? text.slice(0, -light.length) : text;
}
